package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What an author can do where a promise is broken by what nobody answers, or is not decided. */
class PromiseHintsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final Clause DEPTH = new Clause.Answered("depth");
    private static final PromiseRule CHARGED =
            new PromiseRule(DEPTH, new Promised.IsMet(new Clause.Answered("charge"), true));

    @Test
    void onlyFarNumbersBreakWhatLimitsWouldKeep() {
        assertThat(verdict(CHARGED, charge(null)))
                .isInstanceOfSatisfying(
                        PromiseVerdict.Broken.class,
                        broken -> assertThat(broken.hint())
                                .isEqualTo(
                                        "Only numbers of more than 18 digits break it; with limits for “Depth” none is taken."));
        assertThat(verdict(CHARGED, charge(1_000))).isEqualTo(new PromiseVerdict.Kept(false));
    }

    @Test
    void whatIsBrokenByUsualAnswersHasNoHint() {
        PromiseRule always = new PromiseRule(new Condition.Always(), CHARGED.promised());
        assertThat(verdict(always, charge(null)))
                .isInstanceOfSatisfying(
                        PromiseVerdict.Broken.class,
                        broken -> assertThat(broken.hint()).isEmpty());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "width + length > 3 or width + length < 30",
                "width - length > -1000000 or length - width > -1000000"
            })
    void twoNumbersWithoutLimitsAreNamed(String formula) {
        PromiseRule rule = new PromiseRule(
                new Condition.All(List.of(new Clause.Answered("width"), new Clause.Answered("length"))),
                new Promised.IsMet(new Condition.Written(formula), true));
        assertThat(verdict(rule, sheet(null, null)))
                .isEqualTo(new PromiseVerdict.Open(
                        List.of(formula + " (which is decided where “Width” and “Length” have limits)")));
        assertThat(verdict(rule, sheet(null, 100)))
                .isEqualTo(new PromiseVerdict.Open(List.of(formula + " (which is decided where “Width” has limits)")));
        assertThat(verdict(rule, sheet(100, 100))).isEqualTo(new PromiseVerdict.Kept(false));
    }

    @ParameterizedTest
    @ValueSource(strings = {"width * width + length >= 0", "modulo(width, 3) + length >= 0"})
    void whatLimitsDoNotDecideSaysNothingOfThem(String formula) {
        PromiseRule rule = new PromiseRule(
                new Condition.All(List.of(new Clause.Answered("width"), new Clause.Answered("length"))),
                new Promised.IsMet(new Condition.Written(formula), true));
        assertThat(verdict(rule, sheet(100, 100))).isEqualTo(new PromiseVerdict.Open(List.of(formula)));
    }

    private static List<Item> charge(@Nullable Integer most) {
        return List.of(
                Field.of("depth", "Depth", number(most)),
                Field.of("charge", "Charge", new FieldKind.Number(2, "", null, null))
                        .withValue(new FieldValue.WorkedOut("depth * 1000", false)));
    }

    private static List<Item> sheet(@Nullable Integer width, @Nullable Integer length) {
        return List.of(Field.of("width", "Width", number(width)), Field.of("length", "Length", number(length)));
    }

    private static PromiseVerdict verdict(PromiseRule rule, List<Item> items) {
        List<Page> pages = List.of(new Page("p", "", null, List.of(Section.of("s", "", items))));
        Template template = new Template(
                "Hints",
                "",
                pages,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Template.of("Hints", pages).pageSettings(),
                List.of(),
                List.of(rule));
        return PromiseVerdict.of(rule, EveryFilling.of(CompiledTemplate.compile(template), TODAY));
    }

    private static FieldKind number(@Nullable Integer most) {
        return most == null
                ? new FieldKind.Number(2, "m", null, null)
                : new FieldKind.Number(
                        2, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(most), true));
    }
}
