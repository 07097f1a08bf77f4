package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Content.Block;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.evaluation.Content.Marked;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Folding;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Picture;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is on paper: all that is shown, in its order, and nothing of what is folded. */
class ContentTest {

    private static final List<Choice> USES =
            List.of(Choice.of("home", "Household"), Choice.of("field", "Irrigation"), Choice.of("farm", "Livestock"));

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key.toUpperCase(Locale.ROOT), kind);
    }

    private static Content content(Answers answers, Settled settled, Section... sections) {
        Template template = Template.of("Well", List.of(new Page("p", "", null, List.of(sections))));
        return content(template, answers, settled);
    }

    private static Content content(Template template, Answers answers, Settled settled) {
        return Content.of(
                template,
                CompiledTemplate.compile(template)
                        .evaluate(answers, new Context(LocalDate.of(2026, 11, 27), Stage.FINISHED, ""), settled),
                settled);
    }

    private static Template template(List<Role> roles, PageSettings settings, Item item) {
        List<Page> pages = List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of(item)))));
        return new Template("T", "", pages, roles, List.of(), List.of(), List.of(), settings, List.of(), List.of());
    }

    private static List<Line> lines(Answers answers, Item... items) {
        return content(answers, Settled.NOTHING, Section.of("s", "Section", List.of(items)))
                .sections()
                .getFirst()
                .lines();
    }

    @Test
    void whatIsFoldedIsNotThereAndNumbersStay() {
        Condition never = new Condition.Never();
        Content content = content(
                Answers.NONE.with("a", "1"),
                Settled.NOTHING,
                Section.of("one", "One", List.of(field("a", new FieldKind.Number(0, "m", null, null)))),
                Section.of("two", "Two", List.of(field("b", new FieldKind.Text("", 0))))
                        .withShown(never),
                Section.of("three", "Three", List.of(Notice.of("n", "Depth {a}"), new Divider("d", null))));
        assertThat(content.sections())
                .containsExactly(
                        new Block.Lines("One", 1, "1", List.of(Line.Answer.of("a", "A", "1 m", Look.PLAIN))),
                        new Block.Lines(
                                "Three",
                                1,
                                "3",
                                List.of(
                                        new Line.Told("", 0, Passage.plain("Depth 1 m"), Look.PLAIN),
                                        new Line.Ruled())));
    }

    @Test
    void titlesOfPagesAreToldWhereThereAreSeveral() {
        Section first = Section.of("one", "One", List.of(field("a", new FieldKind.Text("", 0))));
        Section second = Section.of("two", "Two", List.of(field("b", new FieldKind.Text("", 0))));
        Page site = new Page("p", "Site", null, List.of(first));
        Page soil = new Page("q", "Soil", null, List.of(second));
        assertThat(content(Template.of("T", List.of(site, soil)), Answers.NONE, Settled.NOTHING)
                        .sections())
                .extracting(Block::title, Block::level)
                .containsExactly(tuple("Site", 1), tuple("One", 2), tuple("Soil", 1), tuple("Two", 2));
        assertThat(content(Template.of("T", List.of(site)), Answers.NONE, Settled.NOTHING)
                        .sections())
                .extracting(Block::title)
                .containsExactly("One");
        Page folded = new Page("q", "Soil", new Condition.Never(), List.of(second));
        assertThat(content(Template.of("T", List.of(site, folded)), Answers.NONE, Settled.NOTHING)
                        .sections())
                .extracting(Block::title)
                .containsExactly("Site", "One");
    }

    @Test
    void whatFollowsAnInnerSectionIsNotPartOfIt() {
        Section inner = Section.of("inner", "Inner", List.of(field("b", new FieldKind.Text("", 0))));
        Content content = content(
                Answers.NONE,
                Settled.NOTHING,
                Section.of(
                        "outer",
                        "Outer",
                        List.of(field("a", new FieldKind.Text("", 0)), inner, field("c", new FieldKind.Text("", 0)))));
        assertThat(content.sections())
                .extracting(
                        Block::title,
                        Block::level,
                        block -> ((Line.Answer) block.lines().getFirst()).key())
                .containsExactly(tuple("Outer", 1, "a"), tuple("Inner", 2, "b"), tuple("", 1, "c"));
        Content without = content(Answers.NONE, Settled.NOTHING, Section.of("outer", "Outer", List.of(inner)));
        assertThat(without.sections()).extracting(Block::title).containsExactly("Outer", "Inner");
    }

    private static Section samples(Item... items) {
        return Section.of("samples", "Sample", List.of(items)).withRows(new Section.Rows(0, 9));
    }

    private static Answers rows() {
        return Answers.NONE
                .withRows("samples", List.of("r1", "r2"))
                .with("hole@r1", "A1")
                .with("depth@r1", "30")
                .with("hole@r2", "B")
                .with("depth@r2", "9");
    }

    @Test
    void rowsOfAnswersAreATable() {
        Field depth = field("depth", new FieldKind.Number(0, "cm", null, null));
        Field deep = field("deep", new FieldKind.YesNo())
                .withShown(new Clause.Comparison(
                        "depth",
                        Clause.Comparison.OrderTest.MORE,
                        new Clause.Operand.NumberOperand(BigDecimal.TEN),
                        null));
        Field never = field("never", new FieldKind.YesNo()).withShown(new Condition.Never());
        Content content =
                content(rows(), Settled.NOTHING, samples(field("hole", new FieldKind.Text("", 0)), depth, deep, never));
        Block.Rows table = (Block.Rows) content.sections().getFirst();
        assertThat(table.columns())
                .containsExactly(
                        new Content.TableColumn("HOLE", false),
                        new Content.TableColumn("DEPTH", true),
                        new Content.TableColumn("DEEP", false));
        assertThat(table.rows())
                .extracting(row -> row.cells().stream().map(Line.Answer::text).toList())
                .containsExactly(List.of("A1", "30 cm", ""), List.of("B", "9 cm", ""));
        assertThat(table.lines())
                .extracting(line -> ((Line.Answer) line).key())
                .containsExactly("hole@r1", "depth@r1", "deep@r1", "hole@r2", "depth@r2");
    }

    @Test
    void rowsWithMoreThanAnswersStandOneAfterTheOther() {
        for (Item more : List.of(
                Notice.of("n", "Look"),
                field("n", new FieldKind.Signature()),
                field("n", new FieldKind.LongText("", 0)),
                field("n", new FieldKind.Picture(5)))) {
            Content content = content(rows(), Settled.NOTHING, samples(field("hole", new FieldKind.Text("", 0)), more));
            assertThat(content.sections())
                    .extracting(Block::title)
                    .as(more.toString())
                    .containsExactly("Sample 1", "Sample 2");
            assertThat(((Block.Lines) content.sections().get(1)).number()).isEmpty();
        }
    }

    @Test
    void whatIsToBeSaidOfAnAnswerStandsBehindItAlsoInRows() {
        Settled noted = new Settled(List.of(), Map.of("hole@r1", "No longer asked."));
        Content content = content(rows(), noted, samples(field("hole", new FieldKind.Text("", 0))));
        assertThat(content.sections().getFirst().lines())
                .containsExactly(
                        Line.Answer.of("hole@r1", "HOLE", "A1", Look.PLAIN), new Line.Noted("No longer asked."));
    }

    @ParameterizedTest
    @CsvSource({"MARKS, 3", "BUTTONS, 3", "LIST, 0"})
    void choicesAreMarkedWhereTheyWereMarks(FieldKind.ChoiceLayout layout, int marks) {
        Field use = field("use", new FieldKind.OneChoice(USES, layout, FieldKind.ChoiceStyle.PLAIN, false, null));
        Line.Answer answer =
                (Line.Answer) lines(Answers.NONE.with("use", "field"), use).getFirst();
        assertThat(answer.text()).isEqualTo("Irrigation");
        assertThat(answer.choices().marks()).hasSize(marks);
        assertThat(answer.choices().marks().stream().filter(Marked::isChosen).map(Marked::label))
                .hasSize(marks == 0 ? 0 : 1)
                .allMatch("Irrigation"::equals);
    }

    @Test
    void marksStandInAsManyColumnsAsOnTheScreen() {
        FieldKind.ChoiceStyle two =
                new FieldKind.ChoiceStyle(2, FieldKind.ChoiceStyle.MarkShape.USUAL, FieldKind.ChoiceStyle.Size.MEDIUM);
        Field use = field("use", new FieldKind.OneChoice(USES, FieldKind.ChoiceLayout.MARKS, two, false, null));
        assertThat(((Line.Answer) lines(Answers.NONE, use).getFirst()).choices().columns())
                .isEqualTo(2);
    }

    @Test
    void ownWordsStandBesideTheirMarkAndLongListsAreTold() {
        Field several = field(
                "use",
                new FieldKind.SeveralChoices(
                        USES, FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, true, null, 0, 0));
        Line.Answer answer = (Line.Answer)
                lines(Answers.NONE.with("use", "home,=a pond"), several).getFirst();
        assertThat(answer.choices().marks())
                .containsExactly(
                        new Marked("Household", true),
                        new Marked("Irrigation", false),
                        new Marked("Livestock", false),
                        new Marked("Other: a pond", true));
        List<Choice> many = IntStream.rangeClosed(1, 13)
                .mapToObj(i -> Choice.of("c" + i, "Choice " + i))
                .toList();
        Line.Answer told =
                (Line.Answer) lines(Answers.NONE.with("use", "c2"), field("use", FieldKind.OneChoice.of(many)))
                        .getFirst();
        assertThat(told.choices().marks()).isEmpty();
        assertThat(told.text()).isEqualTo("Choice 2");
    }

    @Test
    void picturesAreThoseOfTheTemplateOrTheOnesHandedIn() {
        Field photo = field("photo", new FieldKind.Picture(5));
        Picture follows = new Picture("picture", "The site", "stand-in.png", "photo", null, Folding.PLAIN);
        Picture alone = new Picture("plan", "", "plan.svg", "", null, Folding.PLAIN);
        assertThat(lines(Answers.NONE, photo, follows, alone))
                .containsExactly(
                        new Line.HandedIn("photo", "PHOTO", "", "", Field.Width.FULL),
                        new Line.Pictured("The site", "stand-in.png", ""),
                        new Line.Pictured("", "plan.svg", ""));
        assertThat(lines(Answers.NONE.with("photo", "a1 500 site.png"), photo, follows, alone))
                .containsExactly(
                        new Line.HandedIn("photo", "PHOTO", "a1", "site.png", Field.Width.FULL),
                        new Line.Pictured("The site", "", "a1"),
                        new Line.Pictured("", "plan.svg", ""));
    }

    @Test
    void signaturesSayWhoseTheyAre() {
        Field signature = field("signature", new FieldKind.Signature()).withRole("owner");
        Template template = template(List.of(new Role("owner", "Landowner", 1, null)), PageSettings.PLAIN, signature);
        Content content = content(template, Answers.NONE.with("signature", "F. O."), Settled.NOTHING);
        assertThat(content.sections().getFirst().lines())
                .containsExactly(
                        new Line.Signature("signature", "SIGNATURE", "F. O.", "owner", "Landowner", Field.Width.FULL));
    }

    @Test
    void sectionsCarryNoNumbersWhereNoneAreWanted() {
        Template template = template(
                List.of(),
                new PageSettings(PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, PageSettings.Numbering.NONE, ""),
                field("a", new FieldKind.Text("", 0)));
        assertThat(((Block.Lines) content(template, Answers.NONE, Settled.NOTHING)
                                .sections()
                                .getFirst())
                        .number())
                .isEmpty();
    }
}
