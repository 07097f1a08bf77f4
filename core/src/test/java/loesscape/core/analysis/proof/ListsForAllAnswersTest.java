package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** What a list leaves for the answers of others, and what follows from it, against going through all answers. */
class ListsForAllAnswersTest {

    private static final Context TODAY = Context.filling(SmallTemplates.TODAY);
    private static final List<String> REGIONS = List.of("North", "South", "Isles");
    private static final List<String> TOWNS = List.of("Ash", "Birch", "Cove", "Dell");
    private static final List<String> STREETS = List.of("High Road", "Low Road");

    @Test
    void whatIsDecidedIsWhatAllAnswersSay() {
        int[] decided = new int[2];
        Cases.check("lists that others filter, all answers gone through", 150, (random, size) -> {
            Template template = template(random);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            List<Standing> all = standings(compiled);
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (int i = 0; i < 12; i++) {
                List<Claim> claims = new ArrayList<>();
                for (int n = 1 + random.nextInt(3); n > 0; n--) {
                    claims.add(claim(random));
                }
                boolean isSo = all.stream()
                        .anyMatch(
                                standing -> claims.stream().allMatch(claim -> Replay.isSo(claim, compiled, standing)));
                assertThat(every.decide(claims))
                        .as("%s of %s", claims, template)
                        .isInstanceOf(isSo ? Decision.Possible.class : Decision.Impossible.class);
                assertThat(every.isImpossible(claims)).isEqualTo(!isSo);
                decided[isSo ? 0 : 1]++;
            }
        });
        assertThat(decided).doesNotContain(0);
    }

    /** Of a long list one cell stands for all that are alike, and what is left of it is not decided. */
    @Test
    void aLongListIsOutOfReach() {
        List<List<String>> rows = IntStream.range(0, 300)
                .mapToObj(row -> List.of(row % 2 == 0 ? "North" : "South", "Town " + row, "High Road"))
                .toList();
        Template template =
                template(rows, List.of(region(), town(Map.of("region", "region")), note("n0", is("town", "Town 1"))));
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(template), SmallTemplates.TODAY);
        List<Claim> odd = List.of(
                new Claim.Shows("n0", true),
                new Claim.Meets(is("region", REGIONS.getFirst().toLowerCase(Locale.ROOT)), null, true));
        assertThat(every.isImpossible(odd)).isFalse();
        assertThat(every.decide(odd)).isInstanceOf(Decision.NotDecided.class);
        assertThat(every.isImpossible(List.of(
                        new Claim.Shows("n0", true), new Claim.Meets(new Clause.IsBlank("region"), null, true))))
                .as("nothing is left for a blank, however long the list is")
                .isTrue();
    }

    private static Claim claim(RandomGenerator random) {
        boolean is = random.nextBoolean();
        return switch (random.nextInt(6)) {
            case 0 -> new Claim.Offers("town", TOWNS.get(random.nextInt(4)), is);
            case 1 -> new Claim.Is("town", Aspect.REQUIRED, true);
            case 2 -> new Claim.Offers("street", STREETS.get(random.nextInt(2)), is);
            default -> new Claim.Shows("n" + random.nextInt(3), is);
        };
    }

    private static Template template(RandomGenerator random) {
        List<List<String>> rows = new ArrayList<>();
        for (int i = 1 + random.nextInt(7); i > 0; i--) {
            rows.add(List.of(
                    REGIONS.get(random.nextInt(3)), TOWNS.get(random.nextInt(4)), STREETS.get(random.nextInt(2))));
        }
        // A town where nobody asks for it still has to be in the list.
        TOWNS.forEach(town -> rows.add(List.of("Nowhere", town, "High Road")));
        rows.add(List.of("Nowhere", "Ash", "Low Road"));
        Field town = town(Map.of("region", "region"))
                .withShown(random.nextInt(3) == 0 ? is("coast", "yes") : null)
                .withRequired(new Condition.Always());
        Field street = Field.of(
                "street",
                "Street",
                new FieldKind.Lookup(
                        "places",
                        "street",
                        random.nextBoolean() ? Map.of("town", "town") : Map.of("town", "town", "region", "region")));
        return template(
                rows,
                List.of(
                        region(),
                        Field.of("coast", "Coast", new FieldKind.YesNo()),
                        town,
                        street,
                        note("n0", condition(random)),
                        note("n1", condition(random)),
                        note("n2", condition(random))));
    }

    private static Template template(List<List<String>> rows, List<Item> items) {
        Template template =
                Template.of("Places", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
        return new Template(
                "Places",
                "",
                template.pages(),
                List.of(),
                List.of(),
                List.of(new LookupList(
                        "places",
                        "Places",
                        List.of(
                                new LookupList.Column("region", "Region", false),
                                new LookupList.Column("town", "Town", false),
                                new LookupList.Column("street", "Street", false)),
                        rows,
                        null)),
                List.of(),
                template.pageSettings(),
                List.of(),
                List.of());
    }

    private static Field region() {
        return Field.of(
                "region",
                "Region",
                FieldKind.OneChoice.of(List.of(
                        Choice.of("north", "North"), Choice.of("south", "South"), Choice.of("isles", "Isles"))));
    }

    private static Field town(Map<String, String> filters) {
        return Field.of("town", "Town", new FieldKind.Lookup("places", "town", filters));
    }

    private static Field note(String key, Condition shown) {
        return Field.of(key, "Note", new FieldKind.YesNo()).withShown(shown);
    }

    private static Condition condition(RandomGenerator random) {
        Condition one = switch (random.nextInt(4)) {
            case 0 -> is("street", STREETS.get(random.nextInt(2)));
            case 1 -> new Clause.Answered("street");
            case 2 -> is("region", List.of("north", "south", "isles").get(random.nextInt(3)));
            default -> is("town", TOWNS.get(random.nextInt(4)));
        };
        return switch (random.nextInt(4)) {
            case 0 -> new Condition.None(List.of(one));
            case 1 -> new Condition.All(List.of(one, is("town", TOWNS.get(random.nextInt(4)))));
            default -> one;
        };
    }

    private static Condition is(String key, String choice) {
        return new Clause.ChoiceClause(key, ChoiceTest.IS, List.of(choice), null);
    }

    private static List<Standing> standings(CompiledTemplate compiled) {
        List<Standing> all = new ArrayList<>();
        for (String region : List.of("", "north", "south", "isles")) {
            for (String coast : List.of("", "yes")) {
                for (String town : with(TOWNS)) {
                    for (String street : with(STREETS)) {
                        Map<String, String> answers =
                                new TreeMap<>(Map.of("region", region, "coast", coast, "town", town, "street", street));
                        all.add(compiled.standing(new Answers(answers), TODAY));
                    }
                }
            }
        }
        return all;
    }

    private static Iterable<String> with(List<String> cells) {
        TreeSet<String> all = new TreeSet<>(cells);
        all.add("");
        return all;
    }
}
