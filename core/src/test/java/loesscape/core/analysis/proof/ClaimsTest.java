package loesscape.core.analysis.proof;

import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Offer;
import loesscape.core.model.Promised.HowMany;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What can be so and what cannot, of each sort of claim, in a document small enough to see it. */
class ClaimsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);
    private static final Look MOSS = Look.of(Look.Shade.MOSS, false, Look.Mark.NONE);
    private static final Look STRAW = Look.of(Look.Shade.STRAW, false, Look.Mark.NONE);
    private static final Look CLAY = Look.of(Look.Shade.CLAY, false, Look.Mark.NONE);

    private static Condition wet(String choice) {
        return new Clause.ChoiceClause("wet", Clause.ChoiceClause.ChoiceTest.IS, List.of(choice), null);
    }

    private static final Condition WET = wet("yes");
    private static final Condition DRY = wet("no");

    private static Condition depth(Clause.Comparison.OrderTest test, int to) {
        return new Clause.Comparison("depth", test, new Clause.Operand.NumberOperand(BigDecimal.valueOf(to)), null);
    }

    private static Condition depthIs(int number) {
        return depth(Clause.Comparison.OrderTest.EQUAL, number);
    }

    private static Bound bound(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    private static FieldKind one(FieldKind.OneChoice plain, Map<String, List<String>> offered) {
        return plain.withOffer(new Offer("wet", offered));
    }

    /** Who fills it in answers the depth, whether it is wet and the soil; the witness the note, and takes part where it is wet. */
    private static Template well() {
        FieldKind.OneChoice soils =
                FieldKind.OneChoice.of(List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand")));
        Section asked = Section.of(
                "asked",
                "",
                List.of(
                        yesNo("wet"),
                        Documents.field("depth", new FieldKind.Number(0, "", bound(0), bound(9)))
                                .withRole("keeper")
                                .withBands(List.of(
                                        Band.of("low", "Low", MOSS, bound(4)), Band.of("high", "High", STRAW, null)))
                                .withLooks(List.of(new LookRule(depthIs(5), CLAY, LookRule.Extent.ITEM)))
                                .withChecks(List.of(new Check(depthIs(7), "Not seven."))),
                        text("note")
                                .withRole("witness")
                                .withRequired(new Condition.Always())
                                .withEditable(WET),
                        Documents.field("soil", one(soils, Map.of("yes", List.of("clay"))))
                                .withRequired(new Condition.Always()),
                        Documents.field("town", new FieldKind.Lookup("places", "town", Map.of("shire", "shire")))
                                .withRequired(new Condition.Always()),
                        Documents.field("shire", new FieldKind.Lookup("places", "shire", Map.of())),
                        Documents.field("twice", new FieldKind.Number(0, "", null, bound(10)))
                                .withValue(new FieldValue.WorkedOut("depth * 2", false)),
                        text("shallow").withShown(depth(Clause.Comparison.OrderTest.LESS, 3)),
                        text("middle").withShown(depth(Clause.Comparison.OrderTest.AT_MOST, 3)),
                        text("deep").withShown(depth(Clause.Comparison.OrderTest.MORE, 6))));
        Section folding = Section.of("folding", "", List.of(text("inside")))
                .withShown(WET)
                .withOpen(depthIs(2));
        Section rows = Documents.rows("rows", 0, 3, text("cell").withShown(WET));
        LookupList places = new LookupList(
                "places",
                "Places",
                List.of(new LookupList.Column("shire", "Shire", false), new LookupList.Column("town", "Town", false)),
                List.of(List.of("North", "Alden"), List.of("South", "Corve")));
        return Documents.finishing(
                Documents.forRoles(
                        Documents.listing(Documents.onePage(asked, folding, rows), places),
                        new Role("keeper", "Keeper", 1, null),
                        new Role("witness", "Witness", 2, WET)),
                new FinishRule(new Clause.Answered("depth"), "Say how deep."));
    }

    private static final EveryFilling EVERY = EveryFilling.of(CompiledTemplate.compile(well()), TODAY);

    private static Claim met(Condition condition) {
        return new Claim.Meets(condition, null, true);
    }

    private static Claim by(String... roles) {
        return met(new Condition.RoleIs(List.of(roles)));
    }

    private static Claim at(Stage... stages) {
        return met(new Condition.StageIs(List.of(stages)));
    }

    private static Claim is(String key, Aspect aspect) {
        return new Claim.Is(key, aspect, true);
    }

    private static Claim isNot(String key, Aspect aspect) {
        return new Claim.Is(key, aspect, false);
    }

    private static Claim looks(Look look) {
        return new Claim.Looks("depth", look, true);
    }

    private static Arguments can(Claim... claims) {
        return Arguments.of(true, List.of(claims));
    }

    private static Arguments cannot(Claim... claims) {
        return Arguments.of(false, List.of(claims));
    }

    static Stream<Arguments> claims() {
        return Stream.of(
                // What is editable: while it is filled in, by whom it is asked, where it is shown and its condition is
                // met.
                can(is("note", Aspect.EDITABLE), by("witness")),
                cannot(is("note", Aspect.EDITABLE), by("keeper")),
                cannot(is("note", Aspect.EDITABLE), met(DRY)),
                cannot(is("note", Aspect.EDITABLE), at(Stage.FINISHED)),
                can(is("note", Aspect.EDITABLE), at(Stage.REVIEWING)),
                can(isNot("note", Aspect.EDITABLE), met(WET), by("keeper")),
                cannot(isNot("note", Aspect.EDITABLE), met(WET), by("witness"), at(Stage.FILLING)),
                can(is("wet", Aspect.EDITABLE), by("keeper")),
                can(is("wet", Aspect.EDITABLE), by("witness")),
                cannot(isNot("wet", Aspect.EDITABLE), by("witness"), at(Stage.FILLING)),
                cannot(is("twice", Aspect.EDITABLE)),
                cannot(is("inside", Aspect.EDITABLE), met(DRY)),
                // What is required can be answered, by a role that takes part.
                can(is("note", Aspect.REQUIRED), by("witness")),
                cannot(is("note", Aspect.REQUIRED), met(DRY)),
                cannot(isNot("note", Aspect.REQUIRED), met(WET), by("witness"), at(Stage.FILLING)),
                can(is("soil", Aspect.REQUIRED), met(WET)),
                cannot(is("soil", Aspect.REQUIRED), met(DRY)),
                cannot(is("soil", Aspect.REQUIRED), met(new Clause.IsBlank("wet"))),
                can(is("town", Aspect.REQUIRED), met(new Clause.Answered("shire"))),
                cannot(is("town", Aspect.REQUIRED), met(new Clause.IsBlank("shire"))),
                cannot(is("wet", Aspect.REQUIRED)),
                // What is opened out.
                can(is("folding", Aspect.OPEN), met(WET)),
                cannot(is("folding", Aspect.OPEN), met(depthIs(3))),
                can(isNot("folding", Aspect.OPEN), met(depthIs(3))),
                // What is shown, and where it would stand.
                can(new Claim.Shows("inside", true)),
                cannot(new Claim.Shows("inside", true), met(DRY)),
                cannot(new Claim.Shows("inside", false), met(WET)),
                cannot(new Claim.Stands("inside"), met(DRY)),
                can(new Claim.Stands("cell"), met(DRY)),
                can(new Claim.Shows("cell", false)),
                cannot(new Claim.Shows("cell", true), met(DRY)),
                // Looks: by a rule, else by the band, else plain.
                can(looks(MOSS), met(depthIs(4))),
                cannot(looks(MOSS), met(depthIs(6))),
                can(looks(STRAW), met(depthIs(6))),
                cannot(looks(STRAW), met(depthIs(5))),
                can(looks(CLAY)),
                cannot(looks(CLAY), met(depthIs(4))),
                can(looks(Look.PLAIN)),
                cannot(looks(Look.PLAIN), met(new Clause.Answered("depth"))),
                cannot(new Claim.Looks("depth", CLAY, false), met(depthIs(5))),
                can(new Claim.Looks("depth", MOSS, false)),
                // Whose turn it is.
                can(new Claim.InTurn("note"), by("witness")),
                cannot(new Claim.InTurn("note"), by("keeper")),
                cannot(new Claim.InTurn("note"), at(Stage.FINISHED)),
                // How many of some are shown.
                can(new Claim.SomeShown(List.of("shallow", "middle", "deep"), HowMany.EXACTLY_ONE, true)),
                can(new Claim.SomeShown(List.of("shallow", "middle", "deep"), HowMany.EXACTLY_ONE, false)),
                cannot(new Claim.SomeShown(List.of("shallow", "deep"), HowMany.AT_MOST_ONE, false)),
                can(new Claim.SomeShown(List.of("shallow", "middle"), HowMany.AT_MOST_ONE, false)),
                cannot(new Claim.SomeShown(List.of("shallow", "middle"), HowMany.AT_MOST_ONE, false), met(depthIs(3))),
                cannot(new Claim.SomeShown(List.of("shallow", "middle"), HowMany.EXACTLY_ONE, true), met(depthIs(2))),
                can(new Claim.SomeShown(List.of("shallow", "deep"), HowMany.AT_LEAST_ONE, false), met(depthIs(5))),
                cannot(new Claim.SomeShown(List.of("shallow", "deep"), HowMany.AT_LEAST_ONE, true), met(depthIs(5))),
                // What is refused: by a check, or by the limits of what is worked out.
                can(new Claim.Refuses("depth", true)),
                cannot(new Claim.Refuses("depth", true), met(depthIs(6))),
                cannot(new Claim.Refuses("depth", false), met(depthIs(7))),
                can(new Claim.Refuses("twice", true), met(depthIs(6))),
                cannot(new Claim.Refuses("twice", true), met(depthIs(5))),
                cannot(new Claim.Refuses("twice", true), met(new Clause.IsBlank("depth"))),
                cannot(new Claim.Refuses("note", true)),
                // Who takes part, and what holds the document up.
                cannot(new Claim.TakesPart("keeper", false)),
                can(new Claim.TakesPart("witness", false), met(DRY)),
                cannot(new Claim.TakesPart("witness", true), met(DRY)),
                cannot(new Claim.TakesPart("witness", false), met(WET)),
                can(new Claim.IsHeldUp(false)),
                cannot(new Claim.IsHeldUp(false), met(new Clause.IsBlank("depth"))),
                cannot(new Claim.IsHeldUp(false), met(depthIs(7))),
                cannot(new Claim.IsHeldUp(false), met(depthIs(6))),
                cannot(new Claim.IsHeldUp(true), met(depthIs(5))),
                // What is offered.
                can(new Claim.Offers("soil", "clay", true), met(WET)),
                cannot(new Claim.Offers("soil", "sand", true)),
                cannot(new Claim.Offers("soil", "clay", true), met(DRY)),
                cannot(new Claim.Offers("soil", "clay", false), met(WET)),
                // Conditions that are met together, or apart.
                can(new Claim.Differ(WET, new Clause.Answered("wet"), null)),
                cannot(new Claim.Differ(WET, new Condition.None(List.of(new Condition.None(List.of(WET)))), null)),
                cannot(met(WET), met(DRY)),
                can(new Claim.Meets(WET, null, false), new Claim.Meets(DRY, null, false)),
                can(new Claim.Meets(WET, "rows", true), new Claim.Shows("cell", true)),
                cannot(new Claim.Meets(WET, "rows", true), new Claim.Shows("cell", false)));
    }

    @ParameterizedTest
    @MethodSource("claims")
    void itIsDecidedWhatCanBe(boolean can, List<Claim> claims) {
        Decision decision = EVERY.decide(claims);
        assertThat(decision).isInstanceOf(can ? Decision.Possible.class : Decision.Impossible.class);
        // The same, whether it is asked again or only whether it is impossible.
        assertThat(EVERY.decide(claims)).isEqualTo(decision);
        assertThat(EVERY.isImpossible(claims)).isEqualTo(!can);
        if (decision instanceof Decision.Possible(var example)) {
            Field depth = (Field) EVERY.compiled().node("depth");
            assertThat(example.answers().getOrDefault(depth.key(), "")).matches("\\d?");
        }
    }
}
