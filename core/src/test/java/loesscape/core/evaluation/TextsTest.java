package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PageSettings.Numbering;
import loesscape.core.model.Phrase;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import org.junit.jupiter.api.Test;

/** Texts with answers, phrases, rows, numbers and references, while filling and in the document. */
class TextsTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);
    private static final FieldKind NUMBER = new FieldKind.Number(0, "", null, null);
    private static final Condition GIVEN = new Clause.Answered("name");

    private static Template template(Numbering numbering, Section... sections) {
        return new Template(
                "Agreement",
                "",
                List.of(new Page("page", "", null, List.of(sections))),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                new PageSettings(PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, numbering, ""),
                List.of(),
                List.of());
    }

    private static Section asked() {
        return Section.of(
                "asked",
                "Asked",
                List.of(
                        Field.of("name", "Name", TEXT),
                        Field.of("fee", "Fee", new FieldKind.Money("EUR", null, null)),
                        Field.of("start", "Start", new FieldKind.Date(null, null))));
    }

    private static Section tools() {
        return Section.of(
                        "tools", "Tools", List.of(Field.of("tool", "Tool", TEXT), Field.of("pieces", "Pieces", NUMBER)))
                .withRows(new Section.Rows(0, 20));
    }

    private static Answers tools(String... names) {
        Answers answers = Answers.NONE.withRows(
                "tools", Arrays.stream(names).map(name -> "r" + name).toList());
        for (String name : names) {
            answers = answers.with("tool@r" + name, name).with("pieces@r" + name, Integer.toString(name.length()));
        }
        return answers;
    }

    private static State state(Template template, Answers answers) {
        return CompiledTemplate.compile(template)
                .evaluate(answers, Context.filling(LocalDate.of(2026, 11, 27)))
                .numbered(template);
    }

    private static List<Passage> passages(Notice notice, Answers answers) {
        Template template = Validation.require(
                template(Numbering.SECTIONS, asked(), tools(), Section.of("told", "Told", List.of(notice))));
        return ((NodeState.NoticeState) state(template, answers).of(notice.key())).text();
    }

    private static String said(Notice notice, Answers answers) {
        return Passage.words(passages(notice, answers));
    }

    private static String said(String text, Answers answers) {
        return said(Notice.of("n", text), answers);
    }

    @Test
    void answersStandInTheirPlaces() {
        Answers answers = Answers.NONE.with("name", "Ines").with("fee", "1250").with("start", "2026-03-07");
        assertThat(said("{name} pays {fee} from {start}, that is {start:short}.", answers))
                .isEqualTo("Ines pays € 1,250.00 from 7 March 2026, that is 07/03/2026.");
        assertThat(said("[{name}]", Answers.NONE)).isEqualTo("[]");
    }

    @Test
    void whatNamesNothingStaysAsItIsWritten() {
        Answers answers = Answers.NONE.with("name", "Ines");
        String text = "{nobody} {name:short} {tool} {ref:asked2} [what: is {name} | this]";
        assertThat(said(text, answers)).isEqualTo("{nobody} {name:short} {tool} {ref:asked2} [what: is Ines | this]");
    }

    @Test
    void aPhraseStandsThereWhileItsConditionHolds() {
        Notice notice =
                Notice.of("n", "Signed[by: by **{name}** | by nobody].").withPhrases(List.of(new Phrase("by", GIVEN)));
        assertThat(said(notice, Answers.NONE)).isEqualTo("Signedby nobody.");
        assertThat(said(notice.withText("Signed[by:  by **{name}**]."), Answers.NONE.with("name", "Ines")))
                .isEqualTo("Signed by Ines.");
        assertThat(said(notice.withText("Signed[by:  by **{name}**]."), Answers.NONE))
                .isEqualTo("Signed.");
    }

    @Test
    void aParagraphOfWhichNothingIsLeftIsNone() {
        Notice notice = Notice.of("n", "One.\n\n[by: Two.]\n\n- {name}\n- {fee}\n")
                .withPhrases(List.of(new Phrase("by", GIVEN)));
        assertThat(passages(notice, Answers.NONE)).hasSize(1);
        assertThat(passages(notice, Answers.NONE.with("name", "Ines"))).hasSize(3);
    }

    @Test
    void rowsStandInASentenceOrAsATable() {
        assertThat(said("Lent: [tools: {pieces} × {tool} | nothing].", Answers.NONE))
                .isEqualTo("Lent: nothing.");
        assertThat(said("Lent: [tools: {pieces} × {tool} | nothing].", tools("saw")))
                .isEqualTo("Lent: 3 × saw.");
        assertThat(said("Lent: [tools: {pieces} × {tool}].", tools("saw", "pump", "auger")))
                .isEqualTo("Lent: 3 × saw, 4 × pump and 5 × auger.");
        Answers begun = tools("saw", "pump").with("tool@rsaw", "").with("pieces@rsaw", "");
        assertThat(said("Lent: [tools: {pieces} × {tool} | nothing].", begun)).isEqualTo("Lent: 4 × pump.");
        assertThat(said("Lent: [tools: {pieces} × {tool} | nothing].", Answers.NONE.withRows("tools", List.of("r1"))))
                .isEqualTo("Lent: nothing.");
        assertThat(said("There are {tools} of them.", tools("saw", "pump"))).isEqualTo("There are 2 of them.");
        assertThat(passages(Notice.of("n", "Lent are:\n\n{tools}"), tools("saw", "pump"))
                        .get(1))
                .isEqualTo(new Passage.Grid(
                        List.of(
                                new Passage.Column(Passage.Cell.of("Tool"), false),
                                new Passage.Column(Passage.Cell.of("Pieces"), true)),
                        List.of(cells("saw", "3"), cells("pump", "4"))));
    }

    private static List<Passage.Cell> cells(String... words) {
        return Stream.of(words).map(Passage.Cell::of).toList();
    }

    @Test
    void aTableSaysWhatItsCellsDoAsThingsStand() {
        Notice table = Notice.of(
                        "n", "| Who | What |\n|---|---:|\n| {name} |\n| [by: given] | [by: 3] |\n| |\n\n| [by: x] |")
                .withPhrases(List.of(new Phrase("by", GIVEN)));
        List<Passage.Column> columns = List.of(
                new Passage.Column(Passage.Cell.of("Who"), false), new Passage.Column(Passage.Cell.of("What"), true));
        // A row that could say something and does not is left out, and so is a table of such rows.
        assertThat(passages(table, Answers.NONE)).containsExactly(new Passage.Grid(columns, List.of(cells("", ""))));
        assertThat(passages(table, Answers.NONE.with("name", "Ines")))
                .containsExactly(
                        new Passage.Grid(columns, List.of(cells("Ines", ""), cells("given", "3"), cells("", ""))),
                        new Passage.Grid(List.of(new Passage.Column(Passage.Cell.of(""), false)), List.of(cells("x"))));
        assertThat(said(table.text(), Answers.NONE.with("name", "Ines"))).startsWith("Who\tWhat\nInes\t\n");
    }

    @Test
    void aTextInRowsSaysWhatItsOwnRowDoes() {
        Section rows = tools();
        Section with = rows.withItems(Stream.concat(rows.items().stream(), Stream.of(Notice.of("each", "{tool}!")))
                .map(Item.class::cast)
                .toList());
        State state = state(template(Numbering.SECTIONS, with), tools("saw", "pump"));
        assertThat(Passage.words(((NodeState.NoticeState) state.of("each@rpump")).text()))
                .isEqualTo("pump!");
    }

    @Test
    void emphasisIsToldInSpans() {
        assertThat(passages(Notice.of("n", "- **A {name}** b *c*"), Answers.NONE.with("name", "x")))
                .containsExactly(new Passage.Paragraph(
                        true,
                        List.of(
                                new Passage.Span("A x", true, false, ""),
                                new Passage.Span(" b ", false, false, ""),
                                new Passage.Span("c", false, true, ""))));
    }

    @Test
    void aTextIsNeverLongerThanATextMayBe() {
        String long1000 = "x".repeat(5_000);
        String text = "{name}".repeat(3_000);
        assertThat(said(text, Answers.NONE.with("name", long1000))).hasSize(PassageWriter.MOST + 1);
        assertThat(said("{name}", Answers.NONE.with("name", long1000))).hasSize(TextCompiler.LONGEST_MERGED);
        String faces = "😀".repeat(40_000);
        assertThat(said("{name}".repeat(200), Answers.NONE.with("name", faces)))
                .matches(said -> said.codePoints().noneMatch(c -> c >= 0xD800 && c <= 0xDFFF), "no half characters");
    }

    private static Notice clause(String key, int depth) {
        return Notice.of(key, "Clause").withClause(depth);
    }

    private static String labels(Template template, Answers answers) {
        State state = state(template, answers);
        return state.nodes().entrySet().stream()
                .filter(it -> it.getValue().shown())
                .map(it -> switch (it.getValue()) {
                    case NodeState.NoticeState stands -> stands.number();
                    case NodeState.SectionState stands -> stands.number();
                    default -> "";
                })
                .filter(it -> !it.isEmpty())
                .collect(Collectors.joining(" "));
    }

    private static Section clauses(String key) {
        return Section.of(
                key,
                key,
                List.of(
                        clause(key + "a", 1),
                        clause(key + "b", 2),
                        clause(key + "c", 2).withShown(GIVEN),
                        clause(key + "d", 2),
                        clause(key + "e", 3),
                        clause(key + "f", 3),
                        clause(key + "g", 1).withShown(GIVEN),
                        clause(key + "h", 1)));
    }

    @Test
    void clausesAreNumberedAnewWhenSomeAreLeftOut() {
        Answers given = Answers.NONE.with("name", "Ines");
        Section first = asked().withMedium(Medium.FILLING);
        Section some = clauses("x").withShown(GIVEN);
        assertThat(labels(template(Numbering.SHOWN_SECTIONS, first, some, clauses("y")), Answers.NONE))
                .isEqualTo("1 1.1 (a) (b) (i) (ii) 1.2");
        assertThat(labels(template(Numbering.SHOWN_SECTIONS, first, some, clauses("y")), given))
                .isEqualTo("1 1.1 (a) (b) (c) (i) (ii) 1.2 1.3 2 2.1 (a) (b) (c) (i) (ii) 2.2 2.3");
        assertThat(labels(template(Numbering.SECTIONS, first, some, clauses("y")), Answers.NONE))
                .isEqualTo("1 3 3.1 (a) (b) (i) (ii) 3.2");
        assertThat(labels(template(Numbering.NONE, first, clauses("x"), clauses("y")), Answers.NONE))
                .isEqualTo("1 (a) (b) (i) (ii) 2 3 (a) (b) (i) (ii) 4");
    }

    @Test
    void aClauseOfWhichNoWordIsLeftIsLeftOut() {
        Section section = Section.of(
                "s",
                "S",
                List.of(
                        clause("a", 1)
                                .withText("[by: Signed by {name}.]")
                                .withPhrases(List.of(new Phrase("by", GIVEN))),
                        clause("b", 1),
                        Notice.of("r", "See {ref:a} and {ref:b}.")));
        Template template = template(Numbering.NONE, asked(), section);
        assertThat(labels(template, Answers.NONE)).isEqualTo("1");
        assertThat(text(template, Answers.NONE)).isEqualTo("See – and 1.");
        assertThat(Content.of(template, state(template, Answers.NONE))
                        .sections()
                        .getLast()
                        .lines())
                .hasSize(2);
        Answers given = Answers.NONE.with("name", "Ines");
        assertThat(text(template, given)).isEqualTo("See 1 and 2.");
        assertThat(Content.of(template, state(template, given))
                        .sections()
                        .getLast()
                        .lines())
                .hasSize(3);
    }

    @Test
    void clausesThatAreNotInTheDocumentAreNotCounted() {
        Section section = Section.of(
                "s",
                "S",
                List.of(
                        clause("a", 1).withMedium(Medium.FILLING),
                        clause("b", 1).withMedium(Medium.DOCUMENT)));
        assertThat(labels(template(Numbering.NONE, section), Answers.NONE)).isEqualTo("1");
    }

    @Test
    void referencesFollowTheNumbers() {
        Notice referring = Notice.of("r", "See {ref:xd}, {ref:xf}, {ref:xh}, {ref:x} and {ref:xg}.");
        Template template = template(
                Numbering.SHOWN_SECTIONS,
                asked().withMedium(Medium.FILLING),
                clauses("x"),
                Section.of("told", "Told", List.of(referring)));
        assertThat(text(template, Answers.NONE)).isEqualTo("See 1.1(b), 1.1(b)(ii), 1.2, 1 and –.");
        assertThat(text(template, Answers.NONE.with("name", "Ines")))
                .isEqualTo("See 1.1(c), 1.1(c)(ii), 1.3, 1 and 1.2.");
        Section alone = Section.of("y", "Y", List.of(clause("yb", 2), clause("yc", 3)));
        Section told = Section.of("told", "Told", List.of(Notice.of("r", "{ref:yb} {ref:yc}")));
        assertThat(text(template(Numbering.SHOWN_SECTIONS, alone, told), Answers.NONE))
                .isEqualTo("1(a) 1(a)(i)");
    }

    private static String text(Template template, Answers answers) {
        return Passage.words(((NodeState.NoticeState) state(template, answers).of("r")).text());
    }

    @Test
    void lettersAndRomanNumeralsGoOn() {
        assertThat(List.of(1, 26, 27, 52, 53, 702, 703).stream().map(DocumentNumbers::letters))
                .containsExactly("a", "z", "aa", "az", "ba", "zz", "aaa");
        assertThat(List.of(1, 4, 9, 14, 40, 90, 400, 1994).stream().map(DocumentNumbers::roman))
                .containsExactly("i", "iv", "ix", "xiv", "xl", "xc", "cd", "mcmxciv");
    }

    @Test
    void whatIsAskedOnlyIsNotInTheDocument() {
        Template template = template(
                Numbering.SHOWN_SECTIONS,
                Section.of("q", "Questions", List.of(Field.of("name", "Name", TEXT)))
                        .withMedium(Medium.FILLING),
                Section.of(
                        "c",
                        "Contract",
                        List.of(
                                Field.of("town", "Town", TEXT).withMedium(Medium.FILLING),
                                Field.of("fee", "Fee", NUMBER),
                                Notice.of("help", "Ask us.").withMedium(Medium.FILLING),
                                clause("said", 1)
                                        .withText("{name} of {town} pays {fee}.")
                                        .withMedium(Medium.DOCUMENT))));
        Answers answers =
                Answers.NONE.with("name", "Ines").with("town", "Hollow").with("fee", "3");
        Content content = Content.of(template, state(template, answers));
        assertThat(content.sections()).hasSize(1);
        assertThat(content.sections().getFirst().lines()).hasSize(2);
        assertThat(content.sections().getFirst().lines().getLast())
                .isInstanceOfSatisfying(Content.Line.Told.class, told -> {
                    assertThat(told.number()).isEqualTo("1.1");
                    assertThat(Passage.words(told.text())).isEqualTo("Ines of Hollow pays 3.");
                });
    }
}
