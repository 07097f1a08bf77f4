package loesscape.core.reach;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.References;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** Conditions written for parts of answers: met by exactly these, and by no shorter one of all that are tried. */
class ShortestConditionTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 28);

    private record Written(Field field, CompiledTemplate compiled, List<AnswerPiece> pieces, List<Value> edges) {}

    private static CompiledTemplate compiled(Field field, List<Clause> asked) {
        List<Item> items = new ArrayList<>(List.of(field));
        asked.forEach(clause -> items.add(Notice.of("n" + items.size(), "Said.").withShown(clause)));
        Template listed =
                Editing.apply(Template.of("One", List.of(new Page("p", "", null, List.of()))), new Edit.PutList(LIST));
        return CompiledTemplate.compile(
                listed.withPages(List.of(new Page("p", "", null, List.of(Section.of("s", "S", items))))));
    }

    private static Written written(Field field, List<Value> edges) {
        return written(field, edges, List.of());
    }

    private static Written written(Field field, List<Value> edges, List<Clause> asked) {
        CompiledTemplate compiled = compiled(field, asked);
        return new Written(
                field,
                compiled,
                Reach.of(compiled, field.key(), edges, Set.of(), TODAY).rows(),
                edges);
    }

    private static Written random(RandomGenerator random) {
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < 2 + random.nextInt(4); i++) {
            choices.add(Choice.of("c" + i, "Choice " + i));
        }
        return switch (random.nextInt(12)) {
            case 8 -> listed(random, "town", List.of("Alden", "Brunn", "Corve", "Dorn"));
            case 9 -> listed(random, "grade", List.of("1", "1.0", "2", "3"));
            case 10 ->
                written(
                        Field.of("f", "F", new FieldKind.Text("", 0)),
                        some(random, List.of("clay", "sand", "loam")).stream()
                                .<Value>map(Value.Text::new)
                                .toList());
            case 11 -> asked(random);
            case 0 -> written(Field.of("f", "F", new FieldKind.YesNo()), List.of());
            case 1 -> written(Field.of("f", "F", FieldKind.OneChoice.of(choices)), List.of());
            case 2 -> written(Field.of("f", "F", FieldKind.SeveralChoices.of(choices)), List.of());
            case 3 ->
                written(
                        Field.of("f", "F", new FieldKind.Date(random.nextBoolean() ? TODAY : null, null)),
                        values(random, n -> new Value.Date(TODAY.plusDays(n))));
            case 4 ->
                written(
                        Field.of("f", "F", new FieldKind.Time(null, random.nextBoolean() ? LocalTime.NOON : null)),
                        values(random, n -> new Value.Time(LocalTime.of(11, 55).plusMinutes(n))));
            case 5 ->
                written(
                        Field.of("f", "F", new FieldKind.Rating(5)),
                        values(random, n -> new Value.Number(BigDecimal.valueOf(n))));
            default -> written(number(random), values(random, n -> new Value.Number(BigDecimal.valueOf(n, 1))));
        };
    }

    /** A list of a column of words and one of numbers, of which two are one number. */
    private static final LookupList LIST = new LookupList(
            "places",
            "Places",
            List.of(new LookupList.Column("town", "Town", false), new LookupList.Column("grade", "Grade", true)),
            List.of(
                    List.of("Alden", "1"),
                    List.of("Brunn", "1.0"),
                    List.of("Corve", "2"),
                    List.of("Dorn", "3"),
                    List.of("Elster", "4")));

    private static Written listed(RandomGenerator random, String column, List<String> cells) {
        Field field = Field.of("f", "F", new FieldKind.Lookup("places", column, Map.of()));
        List<String> together = some(random, cells);
        return written(
                field,
                some(random, cells).stream().<Value>map(Value.Chosen::new).toList(),
                together.isEmpty()
                        ? List.of()
                        : List.of(new Clause.ChoiceClause("f", Clause.ChoiceClause.ChoiceTest.IS, together, null)));
    }

    private static <T> List<T> some(RandomGenerator random, List<T> all) {
        return all.stream().filter(each -> random.nextBoolean()).toList();
    }

    /** A text of which it is asked what it contains, begins and ends with, looks like, is, and how long it is. */
    private static Written asked(RandomGenerator random) {
        List<Clause> asked = new ArrayList<>();
        for (TextTest test : TextTest.values()) {
            if (random.nextInt(4) == 0) {
                asked.add(new Clause.TextClause("f", test, random.nextBoolean() ? "clay" : "sand", false, null));
            }
        }
        if (random.nextInt(3) == 0) {
            asked.add(new Clause.LengthClause(
                    "f", List.of(OrderTest.values()).get(random.nextInt(6)), random.nextInt(9), null));
        }
        return written(Field.of("f", "F", new FieldKind.Text("", 0)), List.of(), asked);
    }

    private static Field number(RandomGenerator random) {
        Bound lower = random.nextBoolean() ? null : new Bound(BigDecimal.valueOf(1, 1), random.nextBoolean());
        Bound upper = random.nextBoolean() ? null : new Bound(BigDecimal.ONE, random.nextBoolean());
        Field field = Field.of("f", "F", new FieldKind.Number(random.nextInt(3), "m", lower, upper));
        return random.nextInt(3) > 0
                ? field
                : field.withBands(List.of(
                        Band.of("low", "Low", Look.PLAIN, new Bound(BigDecimal.valueOf(2, 1), random.nextBoolean())),
                        Band.of("middle", "Middle", Look.PLAIN, new Bound(BigDecimal.valueOf(6, 1), true)),
                        Band.of("high", "High", Look.PLAIN, null)));
    }

    private static List<Value> values(RandomGenerator random, IntFunction<Value> value) {
        List<Value> values = new ArrayList<>();
        for (int i = random.nextInt(7); i > 0; i--) {
            values.add(value.apply(random.nextInt(12)));
        }
        return values;
    }

    private static Standing standing(Written it, String typed) {
        return it.compiled().standing(Answers.NONE.with(it.field().key(), typed), Context.filling(TODAY));
    }

    /** For which parts a condition is met, each tried with all the answers that stand for it. */
    private static BitSet met(Written it, Condition condition) {
        BitSet met = new BitSet();
        for (int i = 0; i < it.pieces().size(); i++) {
            AnswerPiece piece = it.pieces().get(i);
            if (piece.shape() == PieceShape.REFUSED) {
                continue;
            }
            boolean holds = standing(it, piece.typed()).holds(condition, null, "");
            met.set(i, holds);
            for (String other : piece.others()) {
                assertThat(standing(it, other).holds(condition, null, ""))
                        .as("%s of %s for %s as for %s", condition, it, other, piece.typed())
                        .isEqualTo(holds);
            }
        }
        return met;
    }

    private static Condition shortest(Written it, Set<Integer> wanted) {
        return ShortestCondition.of(
                it.field(), it.pieces(), wanted, new ClauseMeaning(it.compiled().symbols()));
    }

    @Test
    void whatIsWrittenIsMetByTheseAndNoOthersAndNothingShorterIs() {
        int[] several = new int[1];
        Cases.check("shortest conditions", 3_000, (random, size) -> {
            Written it = random(random);
            Set<Integer> wanted = new HashSet<>();
            int likely = 1 + random.nextInt(9);
            boolean last = false;
            for (int i = 0; i < it.pieces().size(); i++) {
                // Neighbours are often alike, so that there are ranges.
                last = random.nextInt(10) < likely ? last : random.nextBoolean();
                if (last && it.pieces().get(i).shape() != PieceShape.REFUSED) {
                    wanted.add(i);
                }
            }
            Condition condition = shortest(it, wanted);
            BitSet expected = new BitSet();
            wanted.forEach(expected::set);
            assertThat(met(it, condition)).as("%s of %s", condition, it).isEqualTo(expected);
            int clauses = References.leaves(condition).size();
            if (clauses > 1) {
                several[0]++;
                assertThat(shorter(it, expected, clauses))
                        .as("%s of %s", condition, it)
                        .isEmpty();
            }
        });
        if (Cases.areAll()) {
            assertThat(several[0]).isGreaterThan(100);
        }
    }

    /** The conditions of fewer clauses that are met by the same parts, of all of one clause or two. */
    private static List<Condition> shorter(Written it, BitSet expected, int clauses) {
        List<Condition> single = single(it);
        List<BitSet> met = single.stream().map(clause -> met(it, clause)).toList();
        List<Condition> shorter = new ArrayList<>();
        for (int i = 0; i < single.size(); i++) {
            if (met.get(i).equals(expected)) {
                shorter.add(single.get(i));
            }
            if (clauses > 2) {
                for (int j = i + 1; j < single.size(); j++) {
                    BitSet both = (BitSet) met.get(i).clone();
                    both.and(met.get(j));
                    BitSet either = (BitSet) met.get(i).clone();
                    either.or(met.get(j));
                    if (both.equals(expected) || either.equals(expected)) {
                        shorter.add(new Condition.Any(List.of(single.get(i), single.get(j))));
                    }
                }
            }
        }
        return shorter;
    }

    /** Every clause there is over the edges of the parts. */
    private static List<Condition> single(Written it) {
        Set<Value> edges = new LinkedHashSet<>();
        for (AnswerPiece piece : it.pieces()) {
            if (piece.low() != null) {
                edges.add(piece.low());
            }
            if (piece.high() != null) {
                edges.add(piece.high());
            }
        }
        String key = it.field().key();
        List<Condition> all = new ArrayList<>(List.of(new Clause.IsBlank(key), new Clause.Answered(key)));
        for (AnswerPiece piece : it.pieces()) {
            for (Condition.Leaf leaf : References.leaves(piece.condition())) {
                for (Boolean blank : List.of(true, false)) {
                    Condition clause = ((Clause) leaf).withRule(blank);
                    all.add(clause);
                    all.add(new Condition.None(List.of(clause)));
                }
            }
        }
        for (Boolean blank : List.of(true, false)) {
            for (Value edge : edges) {
                for (OrderTest test : OrderTest.values()) {
                    all.add(new Clause.Comparison(key, test, operand(edge), blank));
                }
                for (Value other : edges) {
                    for (int i = 0; i < 8; i++) {
                        Clause.Between between = new Clause.Between(
                                key, i % 2 > 0, operand(edge), i / 2 % 2 > 0, operand(other), i / 4 > 0, blank);
                        if (!between.isEmpty()) {
                            all.add(between);
                        }
                    }
                }
            }
        }
        return all;
    }

    private static Operand operand(Value value) {
        return switch (value) {
            case Value.Number(var number) -> new Operand.NumberOperand(number);
            case Value.Date(var date) -> new Operand.DateOperand(date);
            case Value.Time(var time) -> new Operand.TimeOperand(time);
            default -> throw new IllegalArgumentException(value.toString());
        };
    }

    @Test
    void textsAreToldApartByWhatIsAskedOfThem() {
        Clause clay = new Clause.TextClause("f", TextTest.CONTAINS, "clay", false, null);
        Clause sand = new Clause.TextClause("f", TextTest.STARTS_WITH, "sand", false, null);
        Written it = written(Field.of("f", "F", new FieldKind.Text("", 0)), List.of(), List.of(clay, sand));
        // Blank, neither, clay alone, sand alone, both.
        assertThat(it.pieces()).hasSize(5);
        BitSet hasClay = met(it, clay);
        BitSet hasSand = met(it, sand);
        BitSet both = (BitSet) hasClay.clone();
        both.and(hasSand);
        assertThat(shortest(it, places(both))).isEqualTo(new Condition.All(List.of(clay, sand)));
        BitSet either = (BitSet) hasClay.clone();
        either.or(hasSand);
        assertThat(shortest(it, places(either))).isEqualTo(new Condition.Any(List.of(clay, sand)));
        BitSet noSand = (BitSet) hasSand.clone();
        noSand.flip(1, 5);
        assertThat(shortest(it, places(noSand))).isEqualTo(new Condition.None(List.of(sand.withRule(true))));
        BitSet one = (BitSet) hasClay.clone();
        one.xor(hasSand);
        assertThat(References.leaves(shortest(it, places(one)))).hasSize(4);
        assertThat(met(it, shortest(it, places(one)))).isEqualTo(one);
    }

    /** As many texts as can be told apart, wanted in no order: it ends, and is met by these and no others. */
    @Test
    void manyTextsAreToldApart() {
        List<Value> names = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            names.add(new Value.Text("place " + i));
        }
        Written it = written(Field.of("f", "F", new FieldKind.Text("", 0)), names);
        BitSet wanted = new BitSet();
        for (int i = 0; i < it.pieces().size(); i++) {
            wanted.set(i, i * i % 7 < 3);
        }
        Condition condition = shortest(it, places(wanted));
        assertThat(met(it, condition)).isEqualTo(wanted);
        assertThat(References.leaves(condition)).hasSizeLessThan(40);
    }

    private static Set<Integer> places(BitSet set) {
        return set.stream().boxed().collect(Collectors.toSet());
    }

    @Test
    void cellsOfAListAreThoseThatAreNamedAndAnyOther() {
        Field field = Field.of("f", "F", new FieldKind.Lookup("places", "town", Map.of()));
        Clause together =
                new Clause.ChoiceClause("f", Clause.ChoiceClause.ChoiceTest.IS, List.of("Alden", "Brunn"), null);
        assertThat(written(field, List.of(), List.of(together)).pieces())
                .extracting(AnswerPiece::words)
                .containsExactly("blank", "Alden or Brunn", "anything else");
        Written it = written(field, List.of(new Value.Chosen("Brunn")), List.of(together));
        assertThat(it.pieces())
                .extracting(AnswerPiece::words)
                .containsExactly("blank", "Alden", "Brunn", "anything else");
        assertThat(shortest(it, Set.of(1, 3)))
                .isEqualTo(
                        new Clause.ChoiceClause("f", Clause.ChoiceClause.ChoiceTest.IS_NOT, List.of("Brunn"), false));
        assertThat(shortest(it, Set.of(1, 2)))
                .isEqualTo(new Clause.ChoiceClause(
                        "f", Clause.ChoiceClause.ChoiceTest.IS, List.of("Alden", "Brunn"), null));
        assertThat(written(field, List.of()).pieces())
                .extracting(AnswerPiece::words)
                .containsExactly("blank", "answered");
    }

    @Test
    void textsThatAreAskedForAsAWholeAreToldAsTheyAre() {
        Written it = written(
                Field.of("f", "F", new FieldKind.Text("", 0)), List.of(new Value.Text("clay"), new Value.Text("sand")));
        assertThat(it.pieces())
                .extracting(AnswerPiece::words)
                .containsExactly("blank", "“clay”", "“sand”", "anything else");
    }

    private static List<Value> numbers(int... edges) {
        return Arrays.stream(edges)
                .<Value>mapToObj(n -> new Value.Number(BigDecimal.valueOf(n)))
                .toList();
    }

    @Test
    void partsAreToldInWords() {
        Written it = written(
                Field.of(
                        "f",
                        "F",
                        new FieldKind.Number(
                                1, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(400), true))),
                numbers(30, 100));
        assertThat(it.pieces())
                .extracting(AnswerPiece::words)
                .containsExactly(
                        "blank",
                        "under 0 m",
                        "from 0 m to under 30 m",
                        "exactly 30 m",
                        "between 30 m and 100 m",
                        "exactly 100 m",
                        "over 100 m up to 400 m",
                        "over 400 m");
    }

    /** Between two neighbouring whole numbers there is nothing, and what is alone between two edges is one answer. */
    @Test
    void whatCannotBeAnsweredIsNoPart() {
        Written it = written(Field.of("f", "F", new FieldKind.Rating(5)), numbers(2, 4));
        assertThat(it.pieces())
                .extracting(AnswerPiece::words)
                .containsExactly(
                        "blank",
                        "exactly 1 of 5",
                        "exactly 2 of 5",
                        "exactly 3 of 5",
                        "exactly 4 of 5",
                        "exactly 5 of 5");
    }

    @Test
    void rangesThatTouchAreJoinedAndTheOuterOnesAreOne() {
        Written it = written(Field.of("f", "F", new FieldKind.Number(1, "", null, null)), numbers(10, 20));
        // blank, under 10, exactly 10, between, exactly 20, over 20
        assertThat(shortest(it, Set.of(2, 3)))
                .isEqualTo(new Clause.Between(
                        "f",
                        false,
                        new Operand.NumberOperand(BigDecimal.TEN),
                        true,
                        new Operand.NumberOperand(BigDecimal.valueOf(20)),
                        false,
                        null));
        assertThat(shortest(it, Set.of(1, 5)))
                .isEqualTo(new Clause.Between(
                        "f",
                        true,
                        new Operand.NumberOperand(BigDecimal.TEN),
                        false,
                        new Operand.NumberOperand(BigDecimal.valueOf(20)),
                        false,
                        null));
        assertThat(shortest(it, Set.of(0, 1, 3, 4, 5)))
                .isEqualTo(new Clause.Comparison(
                        "f", OrderTest.NOT_EQUAL, new Operand.NumberOperand(BigDecimal.TEN), null));
        assertThat(shortest(it, Set.of(0, 1)))
                .isEqualTo(new Clause.Comparison("f", OrderTest.LESS, new Operand.NumberOperand(BigDecimal.TEN), true));
    }
}
