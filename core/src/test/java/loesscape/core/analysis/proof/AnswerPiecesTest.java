package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** The parts of the answers to a field, in the words of authors, and an answer of each. */
class AnswerPiecesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);

    /** The parts of the answers to the field “f”, which some conditions ask for. */
    private static List<AnswerPiece> pieces(FieldKind kind, Condition... conditions) {
        return pieces(Documents.field("f", kind), List.of(), conditions);
    }

    private static List<AnswerPiece> pieces(Field field, List<LookupList> lists, Condition... conditions) {
        Stream<Item> followers = IntStream.range(0, conditions.length)
                .mapToObj(i -> Documents.text("log" + i).withShown(conditions[i]));
        CompiledTemplate compiled = CompiledTemplate.compile(Documents.listing(
                Documents.of(Stream.concat(Stream.of(field, Documents.number("other")), followers)
                        .toArray(Item[]::new)),
                lists.toArray(LookupList[]::new)));
        return EveryFilling.of(compiled, TODAY).pieces(field);
    }

    /** The words of each with the answers that stand for it, a mark where these are all or the ends of them. */
    private static List<String> told(List<AnswerPiece> pieces) {
        return pieces.stream()
                .map(piece -> piece.words() + ": " + piece.typed()
                        + (piece.others().isEmpty() ? "" : " " + String.join(" ", piece.others()))
                        + (piece.isWhole() ? " !" : ""))
                .toList();
    }

    private static Condition more(Operand than) {
        return new Clause.Comparison("f", OrderTest.MORE, than, null);
    }

    private static Operand number(int number) {
        return new Operand.NumberOperand(BigDecimal.valueOf(number));
    }

    private static Bound bound(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    // What is ordered.

    @Test
    void aNumberWithoutEdges() {
        assertThat(told(pieces(new FieldKind.Number(0, "", null, null)))).containsExactly("blank:  !", "answered: 1");
        assertThat(told(pieces(new FieldKind.Number(0, "m", bound(5), null))))
                .containsExactly("blank:  !", "under 5 m:  !", "5 m or more: 5");
        assertThat(told(pieces(new FieldKind.Number(0, "m", null, bound(9)))))
                .containsExactly("blank:  !", "up to 9 m: 9", "over 9 m:  !");
        assertThat(told(pieces(new FieldKind.Number(0, "m", bound(5), bound(9)))))
                .containsExactly("blank:  !", "under 5 m:  !", "from 5 m to 9 m: 5 9 !", "over 9 m:  !");
    }

    @Test
    void aNumberWithEdges() {
        List<AnswerPiece> open =
                pieces(new FieldKind.Number(0, "", null, null), more(number(3)), more(number(5)), more(number(9)));
        assertThat(told(open))
                .containsExactly(
                        "blank:  !",
                        "under 3: 2",
                        "exactly 3: 3 !",
                        "exactly 4: 4 !",
                        "exactly 5: 5 !",
                        "between 5 and 9: 6 8 !",
                        "exactly 9: 9 !",
                        "over 9: 10");
        assertThat(open)
                .extracting(AnswerPiece::condition)
                .containsExactly(
                        new Clause.IsBlank("f"),
                        new Clause.Comparison("f", OrderTest.LESS, number(3), null),
                        new Clause.Comparison("f", OrderTest.EQUAL, number(3), null),
                        new Clause.Between("f", false, number(3), false, number(5), false, null),
                        new Clause.Comparison("f", OrderTest.EQUAL, number(5), null),
                        new Clause.Between("f", false, number(5), false, number(9), false, null),
                        new Clause.Comparison("f", OrderTest.EQUAL, number(9), null),
                        new Clause.Comparison("f", OrderTest.MORE, number(9), null));
    }

    @Test
    void edgesBeyondTheLimitsAreNone() {
        FieldKind limited = new FieldKind.Number(0, "", bound(0), bound(10));
        assertThat(told(pieces(limited, more(number(-5)), more(number(4)), more(number(50)))))
                .containsExactly(
                        "blank:  !",
                        "under 0:  !",
                        "from 0 to under 4: 0 3 !",
                        "exactly 4: 4 !",
                        "over 4 up to 10: 5 10 !",
                        "over 10:  !");
    }

    @Test
    void aLimitThatIsAnEdgeHasALineOfItsOwn() {
        FieldKind limited = new FieldKind.Number(0, "", bound(0), bound(10));
        assertThat(told(pieces(limited, more(number(0)), more(number(10)))))
                .containsExactly(
                        "blank:  !",
                        "under 0:  !",
                        "exactly 0: 0 !",
                        "between 0 and 10: 1 9 !",
                        "exactly 10: 10 !",
                        "over 10:  !");
    }

    @Test
    void edgesStandWhereverTheyAreAskedFor() {
        Field f = Documents.field("f", new FieldKind.Number(0, "", null, null));
        CompiledTemplate compiled = CompiledTemplate.compile(Documents.forRoles(
                Documents.finishing(
                        Documents.sharing(
                                Documents.of(f.withChecks(List.of(new Check(more(number(1)), "Not so many.")))),
                                new SharedCondition("several", "Several", more(number(3)))),
                        new FinishRule(more(number(5)), "More than five.")),
                new Role("r", "R", 1, more(number(7)))));
        assertThat(EveryFilling.of(compiled, TODAY).pieces(f))
                .filteredOn(piece -> piece.shape() == PieceShape.EXACTLY)
                .extracting(AnswerPiece::typed)
                .contains("1", "5", "7");
    }

    @Test
    void daysAndTimes() {
        assertThat(told(pieces(
                        new FieldKind.Date(LocalDate.of(2026, 1, 1), null),
                        more(new Operand.DateOperand(LocalDate.of(2026, 3, 1))))))
                .containsExactly(
                        "blank:  !",
                        "under 1 January 2026:  !",
                        "from 1 January 2026 to under 1 March 2026: 2026-01-01 2026-02-28 !",
                        "exactly 1 March 2026: 2026-03-01 !",
                        "over 1 March 2026: 2026-03-02");
        assertThat(told(pieces(new FieldKind.Time(null, null), more(new Operand.TimeOperand(LocalTime.of(12, 0))))))
                .containsExactly(
                        "blank:  !",
                        "from 00:00 to under 12:00: 00:00 11:59 !",
                        "exactly 12:00: 12:00 !",
                        "over 12:00 up to 23:59: 12:01 23:59 !");
        assertThat(told(pieces(new FieldKind.Time(LocalTime.of(8, 0), LocalTime.of(17, 0)))))
                .containsExactly(
                        "blank:  !", "under 08:00:  !", "from 08:00 to 17:00: 08:00 17:00 !", "over 17:00:  !");
    }

    @Test
    void whatIsWorkedOutIsNotKeptWithinTheLimitsOfItsField() {
        Field worked = Documents.field("f", new FieldKind.Number(0, "", bound(0), null))
                .withValue(new FieldValue.WorkedOut("other / 3", false));
        assertThat(told(pieces(worked, List.of(), more(number(2)))))
                .containsExactly(
                        "blank:  !", "under 0: -1", "exactly 0: 0 !", "exactly 1: 1 !", "exactly 2: 2 !", "over 2: 3");
    }

    @Test
    void whatCannotBeAnsweredIsNoLine() {
        assertThat(told(pieces(new FieldKind.Rating(3), more(number(1)))))
                .containsExactly("blank:  !", "exactly 1 of 3: 1 !", "over 1 of 3 up to 3 of 3: 2 3 !");
    }

    // Choices and texts.

    @Test
    void choicesOneByOneAndOtherBehindThem() {
        assertThat(told(pieces(new FieldKind.YesNo()))).containsExactly("blank:  !", "Yes: yes !", "No: no !");
        FieldKind.OneChoice soils =
                FieldKind.OneChoice.of(List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand")));
        assertThat(told(pieces(soils))).containsExactly("blank:  !", "Clay: clay !", "Sand: sand !");
        FieldKind other = new FieldKind.OneChoice(soils.choices(), soils.layout(), soils.style(), true, null);
        List<AnswerPiece> pieces = pieces(other);
        assertThat(pieces).extracting(AnswerPiece::words).containsExactly("blank", "Clay", "Sand", "Other");
        assertThat(pieces.getLast().isWhole()).isFalse();
        assertThat(pieces.getLast().shape()).isEqualTo(PieceShape.CHOICE);
    }

    @Test
    void severalChoicesWithOneAmongThem() {
        FieldKind.SeveralChoices soils = FieldKind.SeveralChoices.of(
                List.of(Choice.of("clay", "Clay"), Choice.of("loess", "Loess"), Choice.of("sand", "Sand")));
        assertThat(told(pieces(soils)))
                .containsExactly(
                        "blank:  !", "Clay among them: clay", "Loess among them: loess", "Sand among them: sand");
        FieldKind two = new FieldKind.SeveralChoices(soils.choices(), soils.layout(), soils.style(), false, null, 2, 3);
        List<AnswerPiece> pieces = pieces(two);
        assertThat(told(pieces))
                .containsExactly(
                        "blank:  !",
                        "Clay among them: clay,loess",
                        "Loess among them: loess,clay",
                        "Sand among them: sand,clay");
        assertThat(pieces.getLast().condition())
                .isEqualTo(new Clause.SetClause("f", Clause.SetClause.SetTest.INCLUDES, List.of("sand"), null));
    }

    private static Condition text(TextTest test, String text) {
        return new Clause.TextClause("f", test, text, false, null);
    }

    @Test
    void textsThatAreNamedAndAnythingElse() {
        assertThat(told(pieces(new FieldKind.Text("", 0)))).containsExactly("blank:  !", "answered: x");
        List<AnswerPiece> named =
                pieces(new FieldKind.Text("", 0), text(TextTest.IS, "Ida"), text(TextTest.IS_NOT, "Oda"));
        assertThat(told(named)).containsExactly("blank:  !", "“Ida”: Ida !", "“Oda”: Oda !", "anything else: x");
        assertThat(named.getLast().condition())
                .isEqualTo(new Condition.All(List.of(
                        new Clause.Answered("f"),
                        text(TextTest.IS_NOT, "Oda"),
                        new Condition.None(List.of(text(TextTest.IS, "Ida"))))));
        assertThat(named.get(1).condition())
                .isEqualTo(new Condition.All(
                        List.of(new Clause.Answered("f"), text(TextTest.IS, "Ida"), text(TextTest.IS_NOT, "Oda"))));
    }

    @Test
    void ofTextsThatAreOnlyAskedForAPartOneStandsForAll() {
        assertThat(pieces(new FieldKind.Text("", 0), text(TextTest.STARTS_WITH, "NL"), new Clause.Answered("f")))
                .filteredOn(AnswerPiece::isAnswered)
                .isNotEmpty()
                .allMatch(piece -> piece.words().startsWith("such as “") && !piece.isWhole());
    }

    // Lists.

    private static final FieldKind CODE = new FieldKind.Lookup("soils", "code", Map.of());

    private static List<LookupList> soils(boolean isOfNumbers, String... codes) {
        return List.of(new LookupList(
                "soils",
                "Soils",
                List.of(new LookupList.Column("code", "Code", isOfNumbers)),
                Arrays.stream(codes).map(List::of).toList()));
    }

    private static Condition is(String... cells) {
        return new Clause.ChoiceClause("f", ChoiceTest.IS, List.of(cells), null);
    }

    private static List<AnswerPiece> cells(List<LookupList> lists, Condition... conditions) {
        return pieces(Documents.field("f", CODE), lists, conditions);
    }

    @Test
    void cellsThatNobodyAsksForAreAlike() {
        List<AnswerPiece> pieces = cells(soils(false, "C", "L", "S"));
        assertThat(pieces).extracting(AnswerPiece::words).containsExactly("blank", "answered");
        assertThat(pieces.getLast().shape()).isEqualTo(PieceShape.LIKE);
        assertThat(pieces.getLast().condition()).isEqualTo(new Clause.Answered("f"));
        assertThat(pieces.getLast().typed()).isIn("C", "L", "S");
        assertThat(pieces.getLast().isWhole()).isFalse();
    }

    @Test
    void cellsThatAreAskedForAndAllOthers() {
        List<AnswerPiece> pieces = cells(soils(false, "C", "L", "S", "T"), is("L"), is("S"));
        assertThat(pieces).extracting(AnswerPiece::words).containsExactly("blank", "L", "S", "anything else");
        assertThat(pieces)
                .extracting(AnswerPiece::shape)
                .containsExactly(PieceShape.BLANK, PieceShape.CHOICE, PieceShape.CHOICE, PieceShape.OTHERS);
        assertThat(pieces).extracting(AnswerPiece::isWhole).containsExactly(true, true, true, false);
        assertThat(pieces.get(1).condition()).isEqualTo(is("L"));
        assertThat(pieces.getLast().condition())
                .isEqualTo(new Clause.ChoiceClause("f", ChoiceTest.IS_NOT, List.of("L", "S"), false));
        assertThat(pieces.getLast().typed()).isIn("C", "T");
    }

    @Test
    void cellsThatNothingTellsApartAreOneLine() {
        assertThat(cells(soils(false, "A", "B", "C", "D", "E", "F"), is("A", "B"), is("C", "D", "E")))
                .extracting(AnswerPiece::words)
                .containsExactly("blank", "A or B", "C or D or E", "anything else");
        List<AnswerPiece> many = cells(soils(false, "A", "B", "C", "D", "E", "F"), is("A", "B", "C", "D"));
        assertThat(many).extracting(AnswerPiece::words).containsExactly("blank", "A, B or 2 others", "anything else");
        assertThat(many.get(1).isWhole()).isFalse();
        assertThat(many.get(1).condition()).isEqualTo(is("A", "B", "C", "D"));
    }

    @Test
    void numbersInAListAreTheSameBySize() {
        List<AnswerPiece> pieces = cells(soils(true, "1.50", "1.5", "2"), is("1.5"));
        assertThat(pieces).hasSize(3);
        assertThat(pieces.get(1).words()).isEqualTo("1.5");
        assertThat(pieces.getLast().words()).isEqualTo("anything else");
    }

    @Test
    void cellsThatAreToldApartStandEachInALine() {
        Field shire = Documents.field("f", new FieldKind.Lookup("places", "shire", Map.of()));
        Field town = Documents.field("town", new FieldKind.Lookup("places", "town", Map.of("shire", "f")));
        LookupList places = new LookupList(
                "places",
                "Places",
                List.of(new LookupList.Column("shire", "Shire", false), new LookupList.Column("town", "Town", false)),
                List.of(List.of("North", "Alden"), List.of("South", "Corve"), List.of("South", "Dorn")));
        CompiledTemplate compiled = CompiledTemplate.compile(Documents.listing(Documents.of(shire, town), places));
        assertThat(told(EveryFilling.of(compiled, TODAY).pieces(shire)))
                .containsExactly("blank:  !", "North: North !", "South: South !");
    }
}
