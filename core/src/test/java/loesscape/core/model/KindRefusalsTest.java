package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.model.FieldKind.ChoiceLayout;
import loesscape.core.model.FieldKind.ChoiceStyle;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What kinds of fields are refused for, beside the nearest that are taken, so that a limit that moves by one is found. */
class KindRefusalsTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);
    private static final List<Choice> USES = List.of(Choice.of("home", "Home"), Choice.of("farm", "Farm"));
    private static final String ONE_LINE = "This is one line; take out the line break.";

    private static List<Problem> problems(FieldKind kind) {
        Section main = Section.of(
                "s",
                "S",
                List.of(
                        Field.of("f", "Tried", kind),
                        Field.of("name", "Name", TEXT),
                        Field.of("depth", "Depth", new FieldKind.Number(0, "", null, null)),
                        Field.of("use", "Use", FieldKind.OneChoice.of(USES)),
                        Field.of("uses", "Uses", FieldKind.SeveralChoices.of(USES)),
                        Field.of("agreed", "Agreed", new FieldKind.YesNo()),
                        Field.of("start", "Start", new FieldKind.Date(null, null))));
        Section rows = Section.of("wells", "Wells", List.of(Field.of("kind", "Kind", FieldKind.OneChoice.of(USES))))
                .withRows(new Section.Rows(0, 9));
        LookupList pumps = new LookupList(
                "pumps",
                "Pumps",
                List.of(new LookupList.Column("maker", "Maker", false), new LookupList.Column("model", "Model", false)),
                List.of(List.of("A", "B")));
        return Validation.of(new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(main, rows))),
                List.of(),
                List.of(),
                List.of(pumps),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of()));
    }

    private static Bound in(String at) {
        return new Bound(new BigDecimal(at), true);
    }

    private static Bound out(String at) {
        return new Bound(new BigDecimal(at), false);
    }

    private static FieldKind number(@Nullable Bound lower, @Nullable Bound upper) {
        return new FieldKind.Number(0, "", lower, upper);
    }

    private static FieldKind money(@Nullable Bound lower, @Nullable Bound upper) {
        return new FieldKind.Money("EUR", lower, upper);
    }

    private static FieldKind several(int least, int most) {
        return new FieldKind.SeveralChoices(USES, ChoiceLayout.MARKS, ChoiceStyle.PLAIN, false, null, least, most);
    }

    private static FieldKind one(List<Choice> choices, int columns, boolean other, @Nullable Offer offer) {
        ChoiceStyle style = new ChoiceStyle(columns, ChoiceStyle.PLAIN.mark(), ChoiceStyle.PLAIN.size());
        return new FieldKind.OneChoice(choices, ChoiceLayout.MARKS, style, other, offer);
    }

    private static FieldKind offering(String parent, Map<String, List<String>> perAnswer) {
        return one(USES, 0, false, new Offer(parent, perAnswer));
    }

    private static FieldKind files(int most, int largest, String ending) {
        return new FieldKind.Attachment(most, largest, List.of(ending));
    }

    private static List<Choice> choices(int count) {
        return IntStream.range(0, count).mapToObj(i -> Choice.of("c" + i, "C")).toList();
    }

    static Stream<Arguments> limits() {
        String longest = "The longest answer is 0 (no limit) to 100000 characters.";
        String decimals = "A number has 0 to 10 decimals.";
        String between = "No number lies between these limits; the upper one must be above the lower.";
        String digits = "The number is too long; at most 34 digits.";
        String rating = "A rating goes from 1 to 2 up to %d.".formatted(FieldKind.Rating.HIGHEST);
        String days = "The limits of a number are numbers, not days.";
        Bound day = Bound.of(LocalDate.of(2026, 1, 1), true);
        String nines = "9".repeat(34);
        return Stream.of(
                Arguments.of(new FieldKind.Text("", 100_000), new FieldKind.Text("", 100_001), "/longest", longest),
                Arguments.of(new FieldKind.Text("", 0), new FieldKind.Text("", -1), "/longest", longest),
                Arguments.of(
                        new FieldKind.LongText("", 100_000), new FieldKind.LongText("", 100_001), "/longest", longest),
                Arguments.of(new FieldKind.Text("a", 0), new FieldKind.Text("a\nb", 0), "/placeholder", ONE_LINE),
                Arguments.of(
                        new FieldKind.LongText("a", 0), new FieldKind.LongText("a\rb", 0), "/placeholder", ONE_LINE),
                Arguments.of(
                        new FieldKind.Number(10, "m", null, null),
                        new FieldKind.Number(11, "m", null, null),
                        "/decimals",
                        decimals),
                Arguments.of(
                        new FieldKind.Number(0, "m", null, null),
                        new FieldKind.Number(-1, "m", null, null),
                        "/decimals",
                        decimals),
                Arguments.of(
                        new FieldKind.Number(0, "m", null, null),
                        new FieldKind.Number(0, "m\nm", null, null),
                        "/unit",
                        ONE_LINE),
                Arguments.of(number(in("3"), in("3")), number(in("3"), out("3")), "/upper", between),
                Arguments.of(number(in("3"), in("3")), number(out("3"), in("3")), "/upper", between),
                Arguments.of(number(out("3"), out("4")), number(out("4"), out("3")), "/upper", between),
                Arguments.of(number(in("3"), null), number(in("3"), in("2.9")), "/upper", between),
                Arguments.of(number(null, in(nines)), number(null, in(nines + "9")), "/upper/at", digits),
                Arguments.of(number(in(nines), null), number(in(nines + "9"), null), "/lower/at", digits),
                Arguments.of(number(in("3"), null), number(day, null), "", days),
                Arguments.of(number(null, in("3")), number(null, day), "", days),
                Arguments.of(money(in("3"), in("3")), money(in("3"), out("3")), "/upper", between),
                Arguments.of(
                        money(null, null),
                        new FieldKind.Money("QQQ", null, null),
                        "/currency",
                        "“QQQ” is not a currency code of ISO 4217, such as EUR."),
                Arguments.of(new FieldKind.Rating(2), new FieldKind.Rating(1), "/most", rating),
                Arguments.of(
                        new FieldKind.Rating(FieldKind.Rating.HIGHEST),
                        new FieldKind.Rating(FieldKind.Rating.HIGHEST + 1),
                        "/most",
                        rating),
                Arguments.of(
                        new FieldKind.Phone("NL"),
                        new FieldKind.Phone("XQ"),
                        "/region",
                        "“XQ” is not a country by two letters of ISO 3166-1, such as NL."),
                Arguments.of(
                        new FieldKind.Phone(""),
                        new FieldKind.Phone("nl"),
                        "/region",
                        "“nl” is not a country by two letters of ISO 3166-1, such as NL."),
                Arguments.of(
                        new FieldKind.Date(LocalDate.of(2026, 1, 2), LocalDate.of(2026, 1, 2)),
                        new FieldKind.Date(LocalDate.of(2026, 1, 2), LocalDate.of(2026, 1, 1)),
                        "/latest",
                        "The latest day lies before the earliest."),
                Arguments.of(
                        new FieldKind.Date(LocalDate.of(2026, 1, 2), null),
                        new FieldKind.Date(LocalDate.of(2026, 1, 2), LocalDate.of(1, 1, 1)),
                        "/latest",
                        "The latest day lies before the earliest."),
                Arguments.of(
                        new FieldKind.Time(LocalTime.NOON, LocalTime.NOON),
                        new FieldKind.Time(LocalTime.NOON, LocalTime.of(11, 59)),
                        "/latest",
                        "The latest time lies before the earliest."));
    }

    static Stream<Arguments> choices() {
        String most = "The most choices are not below the least, and neither is below 0.";
        String columns = "Choices stand in 1 to 6 columns; 0 for as many as fit.";
        List<Choice> own = new ArrayList<>(USES);
        own.add(Choice.of("other", "Other"));
        return Stream.of(
                Arguments.of(several(2, 2), several(2, 1), "/most", most),
                Arguments.of(several(2, 0), several(2, -1), "/most", most),
                Arguments.of(several(0, 1), several(-1, 1), "/most", most),
                Arguments.of(
                        FieldKind.OneChoice.of(USES),
                        FieldKind.OneChoice.of(List.of()),
                        "/choices",
                        "There is nothing to choose from; add a choice."),
                Arguments.of(one(USES, 6, false, null), one(USES, 7, false, null), "/style/columns", columns),
                Arguments.of(one(USES, 0, false, null), one(USES, -1, false, null), "/style/columns", columns),
                Arguments.of(
                        one(own, 0, false, null),
                        one(own, 0, true, null),
                        "/other",
                        "An answer in own words goes by the identity “other”, which one of the choices has."),
                Arguments.of(
                        one(USES, 0, true, null),
                        one(List.of(USES.getFirst(), USES.getFirst()), 0, true, null),
                        "/choices/1/id",
                        "The identity “home” is used twice."),
                Arguments.of(
                        one(USES, 0, true, null),
                        one(List.of(Choice.of("A b", "A")), 0, true, null),
                        "/choices/0/id",
                        "“A b” cannot be an identity; it is spelt like a key."),
                Arguments.of(
                        one(USES, 0, true, null),
                        one(List.of(Choice.of("a", " ")), 0, true, null),
                        "/choices/0/label",
                        "The choice has no label; give it one."),
                Arguments.of(
                        one(USES, 0, true, null),
                        one(List.of(Choice.of("a", "a\nb")), 0, true, null),
                        "/choices/0/label",
                        ONE_LINE),
                Arguments.of(
                        one(List.of(new Choice("a", "A", "x")), 0, true, null),
                        one(List.of(new Choice("a", "A", "x\ny")), 0, true, null),
                        "/choices/0/stored",
                        ONE_LINE),
                Arguments.of(
                        one(choices(Validation.MOST_NODES), 0, false, null),
                        one(choices(Validation.MOST_NODES + 1), 0, false, null),
                        "/choices",
                        "There are %d choices; the most is %d. A longer list can be a lookup list."
                                .formatted(Validation.MOST_NODES + 1, Validation.MOST_NODES)),
                Arguments.of(
                        offering("use", Map.of("home", List.of("farm"))),
                        offering("use", Map.of("barn", List.of("farm"))),
                        "/offer/perAnswer/barn",
                        "“Use” has no choice “barn”."),
                Arguments.of(
                        offering("agreed", Map.of("yes", List.of("farm"))),
                        offering("agreed", Map.of("yes", List.of("barn"))),
                        "/offer/perAnswer/yes",
                        "“Tried” has no choice “barn”."),
                Arguments.of(
                        offering("use", Map.of()),
                        offering("uses", Map.of()),
                        "/offer/parent",
                        "Choices follow a field with one choice; “Uses” is none."),
                Arguments.of(
                        offering("use", Map.of()),
                        offering("nowhere", Map.of()),
                        "/offer/parent",
                        "There is no field “nowhere”."),
                Arguments.of(
                        offering("use", Map.of()),
                        offering("kind", Map.of()),
                        "/offer/parent",
                        "“Kind” stands in rows; only what stands in the same rows can follow it."));
    }

    static Stream<Arguments> others() {
        String megabytes = "A file has at most 1 to 50 megabytes.";
        String files = "A field takes 1 to 20 files.";
        FieldKind all = new FieldKind.Lookup("pumps", "model", Map.of("maker", "name"));
        return Stream.of(
                Arguments.of(files(1, 1, "pdf"), files(0, 1, "pdf"), "/most", files),
                Arguments.of(files(20, 50, "pdf"), files(21, 50, "pdf"), "/most", files),
                Arguments.of(files(1, 1, "pdf"), files(1, 0, "pdf"), "/largest", megabytes),
                Arguments.of(files(1, 50, "pdf"), files(1, 51, "pdf"), "/largest", megabytes),
                Arguments.of(new FieldKind.Picture(50), new FieldKind.Picture(51), "/largest", megabytes),
                Arguments.of(new FieldKind.Picture(1), new FieldKind.Picture(0), "/largest", megabytes),
                Arguments.of(
                        files(1, 1, "7z"),
                        files(1, 1, ".pdf"),
                        "/endings/0",
                        "“.pdf” is not the ending of a file name, such as pdf."),
                Arguments.of(
                        new FieldKind.Payment("EUR", "depth * 2"),
                        new FieldKind.Payment("eur", "depth * 2"),
                        "/currency",
                        "“eur” is not a currency code of ISO 4217, such as EUR."),
                Arguments.of(
                        new FieldKind.Payment("EUR", "depth * 2"),
                        new FieldKind.Payment("EUR", "name"),
                        "/amount",
                        null),
                Arguments.of(
                        all,
                        new FieldKind.Lookup("wells", "model", Map.of()),
                        "/list",
                        "There is no lookup list “wells”."),
                Arguments.of(
                        all,
                        new FieldKind.Lookup("pumps", "price", Map.of()),
                        "/column",
                        "“Pumps” has no column “price”."),
                Arguments.of(
                        all,
                        new FieldKind.Lookup("pumps", "model", Map.of("price", "name")),
                        "/filters/price",
                        "“Pumps” has no column “price”."),
                Arguments.of(
                        new FieldKind.Lookup("pumps", "model", Map.of("maker", "depth")),
                        new FieldKind.Lookup("pumps", "model", Map.of("maker", "start")),
                        "/filters/maker",
                        "A list follows a text, a number or one choice; “Start” is none of these."),
                Arguments.of(
                        new FieldKind.Lookup("pumps", "model", Map.of("maker", "use")),
                        new FieldKind.Lookup("pumps", "model", Map.of("maker", "uses")),
                        "/filters/maker",
                        "A list follows a text, a number or one choice; “Uses” is none of these."),
                Arguments.of(
                        all,
                        new FieldKind.Lookup("pumps", "model", Map.of("maker", "kind")),
                        "/filters/maker",
                        "“Kind” stands in rows; only what stands in the same rows can follow it."));
    }

    @ParameterizedTest
    @MethodSource({"limits", "choices", "others"})
    void areToldWhereAndInWhichWords(FieldKind taken, FieldKind refused, String path, @Nullable String message) {
        assertThat(problems(taken)).isEmpty();
        assertThat(problems(refused)).anySatisfy(problem -> {
            assertThat(problem.path()).isEqualTo("/pages/0/sections/0/items/0/kind" + path);
            if (message != null) {
                assertThat(problem.message()).isEqualTo(message);
            }
        });
    }
}
