package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.model.Promised.HowMany;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What a document as a whole is refused for: places on pages of a PDF, promises, lists, roles, conditions for finishing,
 * settings, trials, accepted findings. Beside each stands the nearest thing that is taken, so that a limit that moves by one
 * is found.
 */
class DocumentRefusalsTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);
    private static final Condition ALWAYS = new Condition.Always();
    private static final Condition NOWHERE = new Clause.Answered("nowhere");
    private static final String MANY = "x".repeat(200);

    private static final List<Section> SECTIONS = List.of(
            Section.of(
                    "s",
                    "S",
                    List.of(
                            Field.of("name", "Name", TEXT),
                            Field.of("use", "Use", FieldKind.OneChoice.of(List.of(Choice.of("home", "Home")))),
                            new Divider("line", null))),
            Section.of("wells", "Wells", List.of(Field.of("deep", "Deep", TEXT), Field.of("wide", "Wide", TEXT)))
                    .withRows(new Section.Rows(0, 9)),
            Section.of("pumps", "Pumps", List.of(Field.of("power", "Power", TEXT)))
                    .withRows(new Section.Rows(0, 9)));

    private static final SheetPage SHEET = new SheetPage("form.pdf", 0, 1_000, 500, "");

    /** A template with something of its own; all else is plain. */
    record Document(
            @Nullable SheetPage sheet,
            List<Place> places,
            List<Role> roles,
            List<LookupList> lists,
            List<FinishRule> finish,
            String language,
            List<Trial> trials,
            List<PromiseRule> promises,
            List<AcceptedFinding> accepted) {

        static Document plain() {
            return new Document(SHEET, List.of(), List.of(), List.of(), List.of(), "", List.of(), List.of(), List.of());
        }

        List<Problem> problems() {
            return Validation.of(new Template(
                    "T",
                    "",
                    List.of(new Page("p", "P", null, sheet, places, SECTIONS)),
                    roles,
                    List.of(),
                    lists,
                    finish,
                    new PageSettings(
                            PageSettings.Spacing.NORMAL,
                            PageSettings.Paper.A4,
                            PageSettings.Numbering.SECTIONS,
                            language),
                    trials,
                    promises,
                    accepted));
        }

        Document on(@Nullable SheetPage other) {
            return new Document(other, places, roles, lists, finish, language, trials, promises, accepted);
        }

        Document with(Place... all) {
            return new Document(sheet, List.of(all), roles, lists, finish, language, trials, promises, accepted);
        }

        Document with(Role... all) {
            return new Document(sheet, places, List.of(all), lists, finish, language, trials, promises, accepted);
        }

        Document with(LookupList... all) {
            return new Document(sheet, places, roles, List.of(all), finish, language, trials, promises, accepted);
        }

        Document with(FinishRule... all) {
            return new Document(sheet, places, roles, lists, List.of(all), language, trials, promises, accepted);
        }

        Document in(String other) {
            return new Document(sheet, places, roles, lists, finish, other, trials, promises, accepted);
        }

        Document with(Trial... all) {
            return new Document(sheet, places, roles, lists, finish, language, List.of(all), promises, accepted);
        }

        Document promising(Promised promised) {
            return promising(ALWAYS, promised);
        }

        Document promising(Condition whenever, Promised promised) {
            return promising(List.of(new PromiseRule(whenever, promised)));
        }

        Document promising(List<PromiseRule> all) {
            return new Document(sheet, places, roles, lists, finish, language, trials, all, accepted);
        }

        Document with(AcceptedFinding... all) {
            return new Document(sheet, places, roles, lists, finish, language, trials, promises, List.of(all));
        }
    }

    private static final Document PLAIN = Document.plain();

    private static Place at(int left, int top, int width, int height) {
        return Place.of("name", left, top, width, height);
    }

    private static Place of(String item, String choice, int row, Lettering lettering) {
        return new Place(item, choice, row, 0, 0, 100, 100, lettering, "", "");
    }

    private static Lettering letters(int size, int cells) {
        return new Lettering(size, cells, false, Lettering.PLAIN.alignment(), Lettering.PLAIN.tick());
    }

    static Stream<Arguments> places() {
        String outside = "The place does not lie on its page, or is less than half a millimetre wide or high.";
        String side = "A page is 1 to 508000 hundredths of a millimetre wide and high.";
        String number = "Pages are counted from 0 to 9999.";
        String points = "Letters are 4 to 72 points high, or 0 for as large as fits.";
        String cells = "A place has 0 to 200 cells.";
        String rows = "Rows are counted from 0 to %d.".formatted(Section.Rows.MOST - 1);
        String at = "/pages/0/places/0";
        Lettering plain = Lettering.PLAIN;
        return Stream.of(
                Arguments.of(PLAIN.with(at(0, 0, 1_000, 500)), PLAIN.with(at(-1, 0, 1_000, 500)), at, outside),
                Arguments.of(PLAIN.with(at(0, 0, 50, 50)), PLAIN.with(at(0, -1, 50, 50)), at, outside),
                Arguments.of(PLAIN.with(at(950, 0, 50, 50)), PLAIN.with(at(951, 0, 50, 50)), at, outside),
                Arguments.of(PLAIN.with(at(0, 450, 50, 50)), PLAIN.with(at(0, 451, 50, 50)), at, outside),
                Arguments.of(PLAIN.with(at(0, 0, 50, 50)), PLAIN.with(at(0, 0, 49, 50)), at, outside),
                Arguments.of(PLAIN.with(at(0, 0, 50, 50)), PLAIN.with(at(0, 0, 50, 49)), at, outside),
                Arguments.of(PLAIN.with(at(1, 0, 999, 50)), PLAIN.with(at(1, 0, Integer.MAX_VALUE, 50)), at, outside),
                Arguments.of(PLAIN.with(at(0, 1, 50, 499)), PLAIN.with(at(0, 1, 50, Integer.MAX_VALUE)), at, outside),
                Arguments.of(
                        PLAIN.with(of("use", "home", 0, plain)),
                        PLAIN.with(of("use", "barn", 0, plain)),
                        at + "/choice",
                        "“Use” has no choice “barn” to be marked."),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, plain)),
                        PLAIN.with(of("name", "home", 0, plain)),
                        at + "/choice",
                        "“Name” has no choice “home” to be marked."),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, plain)),
                        PLAIN.with(of("nowhere", "", 0, plain)),
                        at + "/item",
                        "Nothing called “nowhere” can stand at a place."),
                Arguments.of(
                        PLAIN.with(of("deep", "", 0, plain)),
                        PLAIN.with(of("wells", "", 0, plain)),
                        at + "/item",
                        "Nothing called “wells” can stand at a place."),
                Arguments.of(
                        PLAIN.with(of("deep", "", 0, plain)),
                        PLAIN.with(of("p", "", 0, plain)),
                        at + "/item",
                        "Nothing called “p” can stand at a place."),
                Arguments.of(
                        PLAIN.with(of("deep", "", 0, plain)),
                        PLAIN.with(of("line", "", 0, plain)),
                        at + "/item",
                        "Nothing called “line” can stand at a place."),
                Arguments.of(
                        PLAIN.with(of("deep", "", Section.Rows.MOST - 1, plain)),
                        PLAIN.with(of("deep", "", Section.Rows.MOST, plain)),
                        at + "/row",
                        rows),
                Arguments.of(
                        PLAIN.with(of("deep", "", 0, plain)), PLAIN.with(of("deep", "", -1, plain)), at + "/row", rows),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, letters(40, 0))),
                        PLAIN.with(of("name", "", 0, letters(39, 0))),
                        at + "/lettering/size",
                        points),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, letters(720, 0))),
                        PLAIN.with(of("name", "", 0, letters(721, 0))),
                        at + "/lettering/size",
                        points),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, letters(0, 0))),
                        PLAIN.with(of("name", "", 0, letters(-1, 0))),
                        at + "/lettering/size",
                        points),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, letters(0, 200))),
                        PLAIN.with(of("name", "", 0, letters(0, 201))),
                        at + "/lettering/cells",
                        cells),
                Arguments.of(
                        PLAIN.with(of("name", "", 0, letters(0, 0))),
                        PLAIN.with(of("name", "", 0, letters(0, -1))),
                        at + "/lettering/cells",
                        cells),
                Arguments.of(
                        PLAIN.with(new Place("name", "", 0, 0, 0, 50, 50, plain, "field 1", "")),
                        PLAIN.with(new Place("name", "", 0, 0, 0, 50, 50, plain, "field\n1", "")),
                        at + "/source",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(new Place("name", "", 0, 0, 0, 50, 50, plain, "", "a\nb")),
                        PLAIN.with(new Place("name", "", 0, 0, 0, 50, 50, plain, "", "a\0b")),
                        at + "/script",
                        "The text holds a control character; take it out."),
                Arguments.of(
                        PLAIN.with(Collections.nCopies(2_000, at(0, 0, 50, 50)).toArray(Place[]::new)),
                        PLAIN.with(Collections.nCopies(2_001, at(0, 0, 50, 50)).toArray(Place[]::new)),
                        "/pages/0/places",
                        "A page has at most 2000 places."),
                Arguments.of(
                        PLAIN.on(null),
                        PLAIN.with(at(0, 0, 50, 50)).on(null),
                        "/pages/0/places",
                        "Only a page of a PDF has places; this page is set from its items."),
                Arguments.of(
                        PLAIN.on(new SheetPage("a.pdf", 9_999, 1, 508_000, "")),
                        PLAIN.on(new SheetPage("a.pdf", 10_000, 1, 508_000, "")),
                        "/pages/0/sheet/number",
                        number),
                Arguments.of(
                        PLAIN.on(new SheetPage("a.pdf", 0, 508_000, 1, "")),
                        PLAIN.on(new SheetPage("a.pdf", -1, 508_000, 1, "")),
                        "/pages/0/sheet/number",
                        number),
                Arguments.of(PLAIN, PLAIN.on(new SheetPage("a.pdf", 0, 508_001, 1, "")), "/pages/0/sheet", side),
                Arguments.of(PLAIN, PLAIN.on(new SheetPage("a.pdf", 0, 1, 508_001, "")), "/pages/0/sheet", side),
                Arguments.of(PLAIN, PLAIN.on(new SheetPage("a.pdf", 0, 0, 1, "")), "/pages/0/sheet", side),
                Arguments.of(PLAIN, PLAIN.on(new SheetPage("a.pdf", 0, 1, 0, "")), "/pages/0/sheet", side),
                Arguments.of(
                        PLAIN.on(new SheetPage("Form-2_a.pdf", 0, 1, 1, "")),
                        PLAIN.on(new SheetPage("../form.pdf", 0, 1, 1, "")),
                        "/pages/0/sheet/file",
                        "This is no name of a file beside a template."),
                Arguments.of(
                        PLAIN.on(new SheetPage("a.pdf", 0, 1, 1, "x".repeat(20_000))),
                        PLAIN.on(new SheetPage("a.pdf", 0, 1, 1, "x".repeat(20_001))),
                        "/pages/0/sheet/script",
                        "The text has 20001 characters; the most is 20000."));
    }

    static Stream<Arguments> promises() {
        Document owned = PLAIN.with(new Role("owner", "Owner", 1, null));
        String at = "/promises/0/promised";
        Look clay = Look.of(Look.Shade.CLAY, false, Look.Mark.NONE);
        return Stream.of(
                Arguments.of(
                        PLAIN.promising(new Promised.NodeIs("name", Aspect.REQUIRED, true)),
                        PLAIN.promising(new Promised.NodeIs("nobody", Aspect.REQUIRED, true)),
                        at + "/key",
                        "There is no page, section or item “nobody”."),
                Arguments.of(
                        PLAIN.promising(new Promised.NodeIs("s", Aspect.OPEN, true)),
                        PLAIN.promising(new Promised.NodeIs("name", Aspect.OPEN, true)),
                        at + "/aspect",
                        "“Name” cannot be %s; only a %s can.".formatted(Aspect.OPEN.words(), Aspect.OPEN.nodes())),
                Arguments.of(
                        PLAIN.promising(new Promised.NodeLooks("name", clay, true)),
                        PLAIN.promising(new Promised.NodeLooks("p", clay, true)),
                        at + "/key",
                        "“P” has no looks."),
                Arguments.of(
                        owned.promising(new Promised.RoleSigns("owner", true)),
                        owned.promising(new Promised.RoleSigns("driller", true)),
                        at + "/role",
                        "There is no role “driller”."),
                Arguments.of(
                        PLAIN.promising(new Promised.SomeShown(List.of("name", "use"), HowMany.EXACTLY_ONE)),
                        PLAIN.promising(new Promised.SomeShown(List.of("name"), HowMany.EXACTLY_ONE)),
                        at + "/keys",
                        "Name two items or more, each once."),
                Arguments.of(
                        PLAIN.promising(new Promised.SomeShown(List.of("deep", "wide"), HowMany.EXACTLY_ONE)),
                        PLAIN.promising(new Promised.SomeShown(List.of("deep", "wide", "deep"), HowMany.EXACTLY_ONE)),
                        at + "/keys",
                        "Name two items or more, each once."),
                Arguments.of(
                        PLAIN.promising(new Promised.SomeShown(List.of("deep", "wide"), HowMany.EXACTLY_ONE)),
                        PLAIN.promising(new Promised.SomeShown(List.of("deep", "power"), HowMany.EXACTLY_ONE)),
                        at + "/keys",
                        "They stand in different rows, so they are never beside each other."),
                Arguments.of(
                        PLAIN.promising(new Promised.SomeShown(List.of("name", "line"), HowMany.EXACTLY_ONE)),
                        PLAIN.promising(new Promised.SomeShown(List.of("name", "nobody"), HowMany.EXACTLY_ONE)),
                        at + "/keys/1",
                        "There is no page, section or item “nobody”."),
                // What is asked of a row is asked where what is promised stands.
                Arguments.of(
                        PLAIN.promising(new Clause.Answered("wide"), new Promised.NodeIs("deep", Aspect.SHOWN, true)),
                        PLAIN.promising(new Clause.Answered("wide"), new Promised.NodeIs("name", Aspect.SHOWN, true)),
                        "/promises/0/whenever/field",
                        null),
                Arguments.of(
                        PLAIN.promising(new Clause.Answered("wide"), new Promised.NodeLooks("deep", clay, true)),
                        PLAIN.promising(new Clause.Answered("wide"), new Promised.NodeLooks("name", clay, true)),
                        "/promises/0/whenever/field",
                        null),
                Arguments.of(
                        PLAIN.promising(
                                new Clause.Answered("wide"),
                                new Promised.SomeShown(List.of("deep", "wide"), HowMany.AT_MOST_ONE)),
                        PLAIN.promising(
                                new Clause.Answered("wide"),
                                new Promised.SomeShown(List.of("name", "use"), HowMany.AT_MOST_ONE)),
                        "/promises/0/whenever/field",
                        null),
                Arguments.of(
                        PLAIN.promising(new Promised.IsMet(new Clause.Answered("name"), true)),
                        PLAIN.promising(new Promised.IsMet(NOWHERE, true)),
                        at + "/condition/field",
                        "There is no field “nowhere”."),
                Arguments.of(
                        PLAIN.promising(
                                Collections.nCopies(200, new PromiseRule(ALWAYS, new Promised.CanFinish(true)))),
                        PLAIN.promising(
                                Collections.nCopies(201, new PromiseRule(ALWAYS, new Promised.CanFinish(true)))),
                        "/promises",
                        "There are 201 promises; the most is 200."),
                Arguments.of(
                        PLAIN,
                        PLAIN.promising(new Promised.SomeShown(
                                IntStream.range(0, 51).mapToObj(i -> "n" + i).toList(), HowMany.EXACTLY_ONE)),
                        at + "/keys",
                        "There are 51 items in a promise; the most is 50."));
    }

    private static LookupList list(String key, List<LookupList.Column> columns, List<List<String>> rows) {
        return new LookupList(key, "List", columns, rows);
    }

    static Stream<Arguments> lists() {
        LookupList.Column name = new LookupList.Column("name", "Name", false);
        LookupList.Column rate = new LookupList.Column("rate", "Rate", true);
        List<LookupList.Column> fifty = IntStream.range(0, 50)
                .mapToObj(i -> new LookupList.Column("c" + i, "C", false))
                .toList();
        List<LookupList.Column> more =
                Stream.concat(fifty.stream(), Stream.of(name)).toList();
        Document two = PLAIN.with(list("a", List.of(name, rate), List.of(List.of("x", " 12.50 "), List.of("y", ""))));
        return Stream.of(
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(name, rate), List.of(List.of("x", "12,50")))),
                        "/lists/0/rows/0/1",
                        "“12,50” is not a number, as this column holds; write it like 12.5."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(name, rate), List.of(List.of("x", "1e99")))),
                        "/lists/0/rows/0/1",
                        "“1e99” is not a number, as this column holds; write it like 12.5."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(name, rate), List.of(List.of("x", "1"), List.of("y")))),
                        "/lists/0/rows/1",
                        "This row has 1 cells; there are 2 columns."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(name), List.of(List.of("x\ny")))),
                        "/lists/0/rows/0/0",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(list("a", fifty, List.of())),
                        PLAIN.with(list("a", more, List.of())),
                        "/lists/0/columns",
                        "A list has 1 to 50 columns."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(), List.of())),
                        "/lists/0/columns",
                        "A list has 1 to 50 columns."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(name, name), List.of())),
                        "/lists/0/columns/1/key",
                        "The identity “name” is used twice."),
                Arguments.of(
                        two,
                        PLAIN.with(list("a", List.of(new LookupList.Column("name", "a\nb", false)), List.of())),
                        "/lists/0/columns/0/title",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(list("a", List.of(name), List.of()), list("b", List.of(name), List.of())),
                        PLAIN.with(list("a", List.of(name), List.of()), list("a", List.of(name), List.of())),
                        "/lists/1/key",
                        "The identity “a” is used twice."),
                Arguments.of(
                        two,
                        PLAIN.with(list("A", List.of(name), List.of())),
                        "/lists/0/key",
                        "“A” cannot be an identity; it is spelt like a key."),
                Arguments.of(
                        two,
                        PLAIN.with(new LookupList("a", "a\rb", List.of(name), List.of())),
                        "/lists/0/name",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(list("a", List.of(name), Collections.nCopies(100_000, List.of("x")))),
                        PLAIN.with(list("a", List.of(name), Collections.nCopies(100_001, List.of("x")))),
                        "/lists/0/rows",
                        "There are 100001 rows; the most is 100000."),
                Arguments.of(
                        PLAIN.with(IntStream.range(0, 100)
                                .mapToObj(i -> list("l" + i, List.of(name), List.of()))
                                .toArray(LookupList[]::new)),
                        PLAIN.with(IntStream.range(0, 101)
                                .mapToObj(i -> list("l" + i, List.of(name), List.of()))
                                .toArray(LookupList[]::new)),
                        "/lists",
                        "There are 101 lookup lists; the most is 100."));
    }

    static Stream<Arguments> others() {
        Role owner = new Role("owner", "Owner", 1, null);
        String digest = "0123456789abcdef".repeat(4);
        AcceptedFinding meant = new AcceptedFinding("name", "Never asked.", digest, "Meant.");
        String one = "“%s” cannot be the key of a role, or is used twice.";
        return Stream.of(
                Arguments.of(
                        PLAIN.with(owner, new Role("driller", "Driller", 2, null)),
                        PLAIN.with(owner, new Role("owner", "Driller", 2, null)),
                        "/roles/1/key",
                        one.formatted("owner")),
                Arguments.of(
                        PLAIN.with(owner),
                        PLAIN.with(new Role(MANY, "Driller", 2, null)),
                        "/roles/0/key",
                        one.formatted(MANY.substring(0, 40) + "…")),
                Arguments.of(
                        PLAIN.with(new Role("a", "x".repeat(200), 1, null)),
                        PLAIN.with(new Role("a", "x".repeat(201), 1, null)),
                        "/roles/0/name",
                        "The name of a role has at most 200 characters."),
                Arguments.of(
                        PLAIN.with(owner),
                        PLAIN.with(new Role("a", " ", 1, null)),
                        "/roles/0/name",
                        "The role has no name; give it one."),
                Arguments.of(
                        PLAIN.with(owner),
                        PLAIN.with(new Role("a", "a\nb", 1, null)),
                        "/roles/0/name",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(new Role("a", "A", 1, new Clause.Answered("name"))),
                        PLAIN.with(new Role("a", "A", 1, NOWHERE)),
                        "/roles/0/takesPart/field",
                        "There is no field “nowhere”."),
                Arguments.of(
                        PLAIN.with(roles(100)),
                        PLAIN.with(roles(101)),
                        "/roles",
                        "There are 101 roles; the most is 100."),
                Arguments.of(
                        PLAIN.with(new FinishRule(ALWAYS, "Say.")),
                        PLAIN.with(new FinishRule(NOWHERE, "Say.")),
                        "/finish/0/when/field",
                        "There is no field “nowhere”."),
                Arguments.of(
                        PLAIN.with(new FinishRule(ALWAYS, "Say.")),
                        PLAIN.with(new FinishRule(ALWAYS, " ")),
                        "/finish/0/message",
                        "Say what is to be done; there is no message."),
                Arguments.of(
                        PLAIN.with(Collections.nCopies(100, new FinishRule(ALWAYS, "Say."))
                                .toArray(FinishRule[]::new)),
                        PLAIN.with(Collections.nCopies(101, new FinishRule(ALWAYS, "Say."))
                                .toArray(FinishRule[]::new)),
                        "/finish",
                        "There are 101 conditions for finishing; the most is 100."),
                Arguments.of(
                        PLAIN.in("ar-EG"),
                        PLAIN.in("arabic, written"),
                        "/pageSettings/language",
                        "“arabic, written” is not a language tag like de or ar-EG (BCP 47)."),
                Arguments.of(
                        PLAIN.with(Trial.of("one", Map.of("name", "x")), Trial.of("two", Map.of())),
                        PLAIN.with(Trial.of("one", Map.of("name", "x")), Trial.of("one", Map.of())),
                        "/trials/1/name",
                        "A trial has a name of its own; give it one."),
                Arguments.of(
                        PLAIN.with(Trial.of("one", Map.of())),
                        PLAIN.with(Trial.of(" ", Map.of())),
                        "/trials/0/name",
                        "A trial has a name of its own; give it one."),
                Arguments.of(
                        PLAIN.with(Trial.of("one", Map.of())),
                        PLAIN.with(Trial.of("o\nne", Map.of())),
                        "/trials/0/name",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(trials(500)),
                        PLAIN.with(trials(501)),
                        "/trials",
                        "There are 501 trials; the most is 500."),
                Arguments.of(
                        PLAIN.with(meant, new AcceptedFinding("", "All.", digest, "Meant.")),
                        PLAIN.with(new AcceptedFinding("nobody", "Never asked.", digest, "Meant.")),
                        "/accepted/0/key",
                        "“nobody” is no item that something could have been found about."),
                Arguments.of(
                        PLAIN.with(meant),
                        PLAIN.with(new AcceptedFinding("name", " ", digest, "Meant.")),
                        "/accepted/0/message",
                        "Say what was found."),
                Arguments.of(
                        PLAIN.with(meant),
                        PLAIN.with(new AcceptedFinding("name", "a\0b", digest, "Meant.")),
                        "/accepted/0/message",
                        "The text holds a control character; take it out."),
                Arguments.of(
                        PLAIN.with(meant),
                        PLAIN.with(new AcceptedFinding("name", "Never asked.", digest, " ")),
                        "/accepted/0/reason",
                        "Say why this finding is accepted."),
                Arguments.of(
                        PLAIN.with(meant),
                        PLAIN.with(new AcceptedFinding("name", "Never asked.", digest, "a\nb")),
                        "/accepted/0/reason",
                        "This is one line; take out the line break."),
                Arguments.of(
                        PLAIN.with(meant),
                        PLAIN.with(new AcceptedFinding("name", "Never asked.", digest.substring(1), "Meant.")),
                        "/accepted/0/about",
                        "A fingerprint has 64 hexadecimal digits."),
                Arguments.of(
                        PLAIN.with(Collections.nCopies(1_000, meant).toArray(AcceptedFinding[]::new)),
                        PLAIN.with(Collections.nCopies(1_001, meant).toArray(AcceptedFinding[]::new)),
                        "/accepted",
                        "There are 1001 accepted findings; the most is 1000."));
    }

    private static Role[] roles(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> new Role("r" + i, "R" + i, i, null))
                .toArray(Role[]::new);
    }

    private static Trial[] trials(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> Trial.of("t" + i, Map.of()))
                .toArray(Trial[]::new);
    }

    @ParameterizedTest
    @MethodSource({"places", "promises", "lists", "others"})
    void isToldWhereAndInWhichWords(Document taken, Document refused, String path, @Nullable String message) {
        assertThat(taken.problems()).isEmpty();
        assertThat(refused.problems()).anySatisfy(problem -> {
            assertThat(problem.path()).isEqualTo(path);
            if (message != null) {
                assertThat(problem.message()).isEqualTo(message);
            }
        });
    }
}
