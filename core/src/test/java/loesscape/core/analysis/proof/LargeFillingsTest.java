package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.evaluation.State;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Logic;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** Templates with everything there is, too large to be gone through: two solvers agree, and no answers say otherwise. */
class LargeFillingsTest {

    @Test
    void noAnswersAreWhatIsImpossible() {
        Cases.check("what is impossible, against answers", 400, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Context context = dated(random);
            EveryFilling every = EveryFilling.of(compiled, Objects.requireNonNull(context.today()));
            List<Claim> impossible = new ArrayList<>();
            for (Claim claim : claims(template, random)) {
                if (every.decide(List.of(claim)) instanceof Decision.Impossible) {
                    impossible.add(claim);
                }
            }
            for (int i = 0; i < 20 && !impossible.isEmpty(); i++) {
                Standing standing = compiled.standing(RandomTemplates.answers(random, template), context);
                if (isAccepted(standing.state())) {
                    impossible.forEach(claim -> assertThat(isSoSomewhere(claim, standing))
                            .as("%s of %s", claim, template)
                            .isFalse());
                }
            }
        });
    }

    @Test
    void anotherSolverSaysTheSame() {
        Cases.check("two solvers", 100, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            EveryFilling one = EveryFilling.of(compiled, SmallTemplates.TODAY);
            EveryFilling other = EveryFilling.of(compiled, SmallTemplates.TODAY, Sat4jSolver::new);
            for (Claim claim : claims(template, random)) {
                assertThat(other.decide(List.of(claim)) instanceof Decision.Impossible)
                        .as("%s of %s", claim, template)
                        .isEqualTo(one.decide(List.of(claim)) instanceof Decision.Impossible);
            }
        });
    }

    private static Context dated(RandomGenerator random) {
        Context context = RandomTemplates.context(random);
        return context.today() != null ? context : new Context(SmallTemplates.TODAY, context.stage(), context.role());
    }

    private static List<Claim> claims(Template template, RandomGenerator random) {
        List<Claim> claims = new ArrayList<>();
        for (Node node : template.nodes()) {
            if (random.nextInt(3) > 0) {
                claims.add(new Claim.Shows(node.key(), random.nextBoolean()));
            }
        }
        SymbolTable symbols = SymbolTable.of(template);
        for (Node node : template.nodes()) {
            if (symbols.rowsAround(node.key()) == null) {
                Logic.conditions(node).stream()
                        .filter(place -> random.nextInt(3) > 0)
                        .forEach(place -> claims.add(new Claim.Meets(place.condition(), null, random.nextBoolean())));
            }
        }
        return claims;
    }

    /** Answers outside of limits count, and are not what is asked about. */
    private static boolean isAccepted(State state) {
        return state.nodes().values().stream().allMatch(node -> switch (node) {
            case FieldState field -> field.problem() == null;
            case NodeState.SectionState section -> section.problem() == null;
            default -> true;
        });
    }

    private static boolean isSoSomewhere(Claim claim, Standing standing) {
        return switch (claim) {
            case Claim.Shows(var key, var is) ->
                standing.state().nodes().entrySet().stream()
                        .anyMatch(each -> RowNames.key(each.getKey()).equals(key)
                                && !isRow(each.getValue())
                                && each.getValue().shown() == is);
            case Claim.Meets(var condition, var within, var is) -> standing.holds(condition, within, "") == is;
            case Claim.Differ ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.Stands ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.Offers ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.Is ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.Looks ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.InTurn ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.Refuses ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.SomeShown ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.TakesPart ignored -> throw new IllegalArgumentException("Not asked here");
            case Claim.IsHeldUp ignored -> throw new IllegalArgumentException("Not asked here");
        };
    }

    private static boolean isRow(NodeState state) {
        return state instanceof NodeState.RowState;
    }

    @Test
    void aLongChainIsNoTrouble() {
        CompiledTemplate compiled = CompiledTemplate.compile(Chains.of(2_000));
        EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
        assertThat(every.decide(List.of(new Claim.Shows("f1999", true)))).isInstanceOf(Decision.Possible.class);
        assertThat(every.decide(List.of(new Claim.Shows("f1999", true), new Claim.Shows("f3", false))))
                .isInstanceOf(Decision.Impossible.class);
        Answers none = Answers.NONE;
        assertThat(compiled.evaluate(none).of("f1999").shown()).isFalse();
    }

    @Test
    void ofALongListOnlyTheCellsThatAreAskedForAreToldApart() {
        LookupList list = new LookupList(
                "wells",
                "Wells",
                List.of(new LookupList.Column("code", "Code", false)),
                IntStream.range(0, LookupList.MOST_ROWS)
                        .mapToObj(row -> List.of("W" + row))
                        .toList());
        Field well = Field.of("well", "Well", new FieldKind.Lookup("wells", "code", Map.of()));
        Condition some = new Clause.ChoiceClause("well", ChoiceTest.IS, List.of("W7", "W70000"), null);
        Condition none = new Clause.ChoiceClause("well", ChoiceTest.IS_NOT, List.of("W7"), null);
        Field note =
                Field.of("note", "Note", new FieldKind.Text("", 0)).withShown(new Condition.All(List.of(some, none)));
        Template plain = Template.of(
                "Long list", List.of(new Page("p", "", null, List.of(Section.of("s", "", List.of(well, note))))));
        CompiledTemplate compiled = CompiledTemplate.compile(new Template(
                plain.title(),
                "",
                plain.pages(),
                List.of(),
                List.of(),
                List.of(list),
                List.of(),
                plain.pageSettings(),
                List.of(),
                List.of()));
        EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
        assertThat(every.regions("well"))
                .isInstanceOfSatisfying(
                        FieldRegions.OneOf.class,
                        it -> assertThat(it.regions())
                                .extracting(Region::typed)
                                .containsExactly("", "W0", "W7", "W70000"));
        assertThat(every.decide(List.of(new Claim.Shows("note", true))))
                .isInstanceOfSatisfying(
                        Decision.Possible.class,
                        it -> assertThat(it.example().answers()).isEqualTo(Map.of("well", "W70000")));
    }
}
