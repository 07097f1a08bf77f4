package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition.OfRows.Quantity;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What conditions are refused for, beside the nearest that are taken, so that a limit that moves by one is found. */
class ConditionRefusalsTest {

    private static final List<Choice> USES = List.of(Choice.of("home", "Home"), Choice.of("farm", "Farm"));
    private static final Condition ALWAYS = new Condition.Always();

    private static Field number(String key, String label) {
        return Field.of(key, label, new FieldKind.Number(0, "", null, null));
    }

    private static List<Problem> problems(Condition shown) {
        Bound ten = new Bound(BigDecimal.TEN, true);
        Section main = Section.of(
                "s",
                "S",
                List.of(
                        Field.of("told", "Told", new FieldKind.Text("", 0)).withShown(shown),
                        Field.of("name", "Name", new FieldKind.Text("", 0)),
                        number("depth", "Depth")
                                .withBands(List.of(
                                        Band.of("low", "Low", Look.PLAIN, ten),
                                        Band.of("high", "High", Look.PLAIN, null))),
                        number("limit", "Limit"),
                        Field.of("use", "Use", FieldKind.OneChoice.of(USES)),
                        Field.of("uses", "Uses", FieldKind.SeveralChoices.of(USES)),
                        Field.of("start", "Start", new FieldKind.Date(null, null)),
                        Field.of("signed", "Signed", new FieldKind.DateSigned()),
                        Field.of("opens", "Opens", new FieldKind.Time(null, null))));
        Section wells = Section.of(
                        "wells",
                        "Wells",
                        List.of(number("yield", "Yield"), Field.of("kind", "Kind", new FieldKind.Text("", 0))))
                .withRows(new Section.Rows(0, 9));
        return Validation.of(new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(main, wells))),
                List.of(new Role("owner", "Owner", 1, null)),
                List.of(
                        new SharedCondition("wet", "Wet", new Clause.Answered("yield")),
                        new SharedCondition("unnamed", "", new Clause.Answered("yield")),
                        new SharedCondition("deep", "Deep", new Clause.Answered("depth"))),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of()));
    }

    private static Condition more(String field, Operand to) {
        return new Clause.Comparison(field, OrderTest.MORE, to, null);
    }

    private static Operand number(String number) {
        return new Operand.NumberOperand(new BigDecimal(number));
    }

    private static Condition nested(int deep) {
        Condition inner = ALWAYS;
        for (int i = 0; i < deep; i++) {
            inner = new Condition.All(List.of(inner));
        }
        return inner;
    }

    private static Condition ofRows(Condition condition) {
        return new Condition.OfRows("wells", Quantity.ANY, condition, null);
    }

    private static Condition clauses(int count) {
        return new Condition.All(Collections.nCopies(count, new Clause.Answered("name")));
    }

    private static Condition text(String text, TextTest test) {
        return new Clause.TextClause("name", test, text, false, null);
    }

    static Stream<Arguments> groups() {
        String all = "At least 1 and at most all of the conditions have to hold.";
        List<Condition> two = List.of(ALWAYS, ALWAYS);
        return Stream.of(
                Arguments.of(new Condition.AtLeast(1, two), new Condition.AtLeast(0, two), "/count", all),
                Arguments.of(new Condition.AtLeast(2, two), new Condition.AtLeast(3, two), "/count", all),
                Arguments.of(
                        new Condition.All(two),
                        new Condition.All(List.of()),
                        "/conditions",
                        "The group is empty; put a condition in or take the group away."),
                Arguments.of(
                        nested(32), nested(33), "/conditions/0".repeat(32), "Groups are nested more than 32 deep."),
                Arguments.of(
                        clauses(2_000),
                        clauses(2_001),
                        "/conditions/2000",
                        "The condition has more than 2000 clauses."),
                Arguments.of(
                        new Condition.StageIs(List.of(Stage.PRINT)),
                        new Condition.StageIs(List.of()),
                        "/stages",
                        "Say which stage is meant."),
                Arguments.of(
                        new Condition.RoleIs(List.of("owner")),
                        new Condition.RoleIs(List.of()),
                        "/roles",
                        "Say which role is meant."),
                Arguments.of(
                        new Condition.RoleIs(List.of("owner")),
                        new Condition.RoleIs(List.of("owner", "driller")),
                        "/roles/1",
                        "There is no role “driller”."),
                Arguments.of(new Condition.Written("depth > 3"), new Condition.Written("depth + 3"), "/formula", null));
    }

    static Stream<Arguments> rows() {
        return Stream.of(
                Arguments.of(
                        new Condition.Shared("deep"),
                        new Condition.Shared("dry"),
                        "/condition",
                        "There is no shared condition “dry”."),
                Arguments.of(
                        ofRows(new Condition.Shared("wet")),
                        new Condition.Shared("wet"),
                        "/condition",
                        "“Wet” looks at single rows, so it can be used only in the rows of “wells”."),
                Arguments.of(
                        ofRows(new Condition.Shared("unnamed")),
                        new Condition.Shared("unnamed"),
                        "/condition",
                        "“unnamed” looks at single rows, so it can be used only in the rows of “wells”."),
                Arguments.of(
                        new Condition.RowCount("wells", OrderTest.MORE, 0),
                        new Condition.RowCount("wells", OrderTest.MORE, -1),
                        "/count",
                        "There are no fewer than 0 rows."),
                Arguments.of(
                        new Condition.RowCount("wells", OrderTest.MORE, 0),
                        new Condition.RowCount("s", OrderTest.MORE, 0),
                        "/section",
                        "There is no repeating section “s”."),
                Arguments.of(
                        ofRows(new Clause.Answered("yield")),
                        new Condition.OfRows("s", Quantity.ANY, ALWAYS, null),
                        "/section",
                        "There is no repeating section “s”."),
                // Behind what is asked of rows, rows are none any more.
                Arguments.of(
                        new Condition.All(List.of(ofRows(new Clause.Answered("yield")), new Clause.Answered("name"))),
                        new Condition.All(List.of(ofRows(new Clause.Answered("yield")), new Clause.Answered("yield"))),
                        "/conditions/1/field",
                        "“Yield” stands in rows; say for which: any row, every row, no row, or a total."),
                Arguments.of(
                        new Condition.Total("yield", OrderTest.MORE, number("3"), null),
                        new Condition.Total("depth", OrderTest.MORE, number("3"), null),
                        "/field",
                        "There is no number “depth” in rows to add up."),
                Arguments.of(
                        new Condition.Total("yield", OrderTest.MORE, number("3"), null),
                        new Condition.Total("kind", OrderTest.MORE, number("3"), null),
                        "/field",
                        "There is no number “kind” in rows to add up."),
                Arguments.of(
                        new Condition.Total("yield", OrderTest.MORE, new Operand.FieldOperand("limit"), null),
                        new Condition.Total("yield", OrderTest.MORE, new Operand.FieldOperand("name"), null),
                        "/to",
                        "“Yield” cannot be compared with this: it is of another kind."));
    }

    static Stream<Arguments> clauses() {
        String noChoices = "“Name” has no such choices to compare with.";
        return Stream.of(
                Arguments.of(
                        new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("home"), null),
                        new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("home", "barn"), null),
                        "/choices/1",
                        "“Use” has no choice “barn”."),
                Arguments.of(
                        new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("home"), null),
                        new Clause.ChoiceClause("use", ChoiceTest.IS, List.of(), null),
                        "/choices",
                        "Say which choice is meant."),
                Arguments.of(
                        new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("home"), null),
                        new Clause.ChoiceClause("name", ChoiceTest.IS, List.of("home"), null),
                        "",
                        noChoices),
                Arguments.of(
                        new Clause.SetClause("uses", SetTest.INCLUDES, List.of("home"), null),
                        new Clause.SetClause("name", SetTest.INCLUDES, List.of("home"), null),
                        "",
                        noChoices),
                Arguments.of(
                        new Clause.SetClause("uses", SetTest.INCLUDES, List.of("home"), null),
                        new Clause.SetClause("use", SetTest.INCLUDES, List.of("home"), null),
                        "",
                        "“Use” has no such choices to compare with."),
                Arguments.of(
                        new Clause.CountClause("uses", OrderTest.MORE, 0, null),
                        new Clause.CountClause("uses", OrderTest.MORE, -1, null),
                        "/count",
                        "No fewer than 0 choices are chosen."),
                Arguments.of(
                        new Clause.CountClause("uses", OrderTest.MORE, 0, null),
                        new Clause.CountClause("use", OrderTest.MORE, 0, null),
                        "",
                        "“Use” is not a field of several choices."),
                Arguments.of(
                        new Clause.LengthClause("name", OrderTest.MORE, 0, null),
                        new Clause.LengthClause("name", OrderTest.MORE, -1, null),
                        "/length",
                        "A text has no fewer than 0 characters."),
                Arguments.of(
                        new Clause.LengthClause("name", OrderTest.MORE, 0, null),
                        new Clause.LengthClause("depth", OrderTest.MORE, 0, null),
                        "",
                        "“Depth” does not hold text to compare with."),
                Arguments.of(
                        text("a", TextTest.CONTAINS),
                        new Clause.TextClause("use", TextTest.CONTAINS, "a", false, null),
                        "",
                        "“Use” does not hold text to compare with."),
                Arguments.of(
                        text("a", TextTest.CONTAINS),
                        text(" ", TextTest.CONTAINS),
                        "/text",
                        "Say which text is meant; for no text at all, use “is blank”."),
                Arguments.of(
                        text("x".repeat(20_000), TextTest.CONTAINS),
                        text("x".repeat(20_001), TextTest.CONTAINS),
                        "/text",
                        "The text has 20001 characters; the most is 20000."),
                // What is no pattern can be contained.
                Arguments.of(text("a(", TextTest.CONTAINS), text("a(", TextTest.MATCHES), "/text", null),
                Arguments.of(
                        new Clause.BandClause("depth", List.of("low"), null),
                        new Clause.BandClause("depth", List.of("low", "mid"), null),
                        "/bands/1",
                        "“Depth” has no band “mid”."),
                Arguments.of(
                        new Clause.BandClause("depth", List.of("low"), null),
                        new Clause.BandClause("depth", List.of(), null),
                        "/bands",
                        "Say which band is meant."),
                Arguments.of(
                        new Clause.Answered("name"),
                        new Clause.Answered("nowhere"),
                        "/field",
                        "There is no field “nowhere”."));
    }

    static Stream<Arguments> sides() {
        String other = "“%s” cannot be compared with this: it is of another kind.";
        String days = "At most 100000 days before or after today.";
        Operand day = new Operand.DateOperand(LocalDate.of(2026, 1, 1));
        Operand noon = new Operand.TimeOperand(LocalTime.NOON);
        String nines = "9".repeat(34);
        return Stream.of(
                Arguments.of(more("depth", number("3")), more("name", number("3")), "/to", other.formatted("Name")),
                Arguments.of(
                        more("depth", number(nines)),
                        more("depth", number(nines + "9")),
                        "/to",
                        "The number is too long; at most 34 digits."),
                Arguments.of(more("start", day), more("depth", day), "/to", other.formatted("Depth")),
                Arguments.of(more("opens", noon), more("start", noon), "/to", other.formatted("Start")),
                Arguments.of(
                        more("start", new Operand.TodayOperand(100_000)),
                        more("start", new Operand.TodayOperand(100_001)),
                        "/to/days",
                        days),
                Arguments.of(
                        more("signed", new Operand.TodayOperand(-100_000)),
                        more("signed", new Operand.TodayOperand(Integer.MIN_VALUE)),
                        "/to/days",
                        days),
                Arguments.of(
                        more("start", new Operand.TodayOperand(0)),
                        more("opens", new Operand.TodayOperand(0)),
                        "/to",
                        other.formatted("Opens")),
                Arguments.of(
                        more("depth", new Operand.FieldOperand("limit")),
                        more("depth", new Operand.FieldOperand("start")),
                        "/to",
                        other.formatted("Depth")),
                Arguments.of(
                        more("depth", new Operand.FieldOperand("limit")),
                        more("depth", new Operand.FieldOperand("nowhere")),
                        "/to/field",
                        "There is no field “nowhere”."),
                Arguments.of(
                        more("depth", new Operand.FormulaOperand("limit * 2")),
                        more("depth", new Operand.FormulaOperand("name")),
                        "/to/formula",
                        null),
                Arguments.of(
                        more("depth", new Operand.FormulaOperand("limit * 2")),
                        more("use", new Operand.FormulaOperand("limit * 2")),
                        "/to",
                        other.formatted("Use")),
                Arguments.of(
                        between("3", true, "3", true),
                        between("3", true, "3", false),
                        "/to",
                        "Nothing lies between these edges; the second must be above the first."),
                Arguments.of(
                        between("3", false, "3.1", false),
                        between("3", true, "2.9", true),
                        "/to",
                        "Nothing lies between these edges; the second must be above the first."),
                Arguments.of(
                        between("3", true, "4", true),
                        new Clause.Between("name", false, number("3"), true, number("4"), true, null),
                        "/from",
                        other.formatted("Name")));
    }

    private static Condition between(String from, boolean fromIn, String to, boolean toIn) {
        return new Clause.Between("depth", false, number(from), fromIn, number(to), toIn, null);
    }

    @ParameterizedTest
    @MethodSource({"groups", "rows", "clauses", "sides"})
    void areToldWhereAndInWhichWords(Condition taken, Condition refused, String path, @Nullable String message) {
        assertThat(problems(taken)).isEmpty();
        assertThat(problems(refused)).anySatisfy(problem -> {
            assertThat(problem.path()).isEqualTo("/pages/0/sections/0/items/0/shown" + path);
            if (message != null) {
                assertThat(problem.message()).isEqualTo(message);
            }
        });
    }
}
