package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.math.BigDecimal;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** No formula holds up a document, fills memory or ends in anything but a value. */
class BoundsTest {

    /** Far more than is needed, on a machine that is busy with other things. */
    private static final Duration SOON = Duration.ofSeconds(20);

    private static @Nullable Object run(String formula) {
        return Formula.of(formula, Map.of()).compile(List.of()).run();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "count(for i in 1..1000000 return list contains(for j in 1..1000 return j, -1))",
                "count(for l in [for j in 1..1000 return j] return for i in 1..1000000 return list contains(l, -1))",
                "some x in (for i in 1..1000 return split(string join(for j in 1..1000 return \"abc\"), \"\")) satisfies false",
                "count(for i in 1..1000000 return index of(for j in 1..900 return j, 0))",
                "count(for t in [string join(for j in 1..90000 return \"abc\")] return for i in 1..100000 return matches(t, \"(a?){500}a{500}b\"))",
                "matches(string join(for j in 1..40000 return \"aaa\"), \"(a?){500}a{500}b\")",
                "count(for t in [string join(for j in 1..90000 return \"abc\")] return for i in 1..1000000 return upper case(t))",
                "count(for i in 1..1000000 return sublist(for j in 1..1000 return j, 1, 900))",
                "count(distinct values(for i in 1..100000 return i))",
                "for i in 1E6144..3 return i + 1",
                "for i in 1E-6143..1E6144 return i",
                "count(for d in @\"0000-01-01\"..@\"999999999-12-31\" return d)",
            })
    void whatIsTooMuchIsStopped(String formula) {
        assertTimeoutPreemptively(
                SOON, () -> assertThatThrownBy(() -> run(formula)).isInstanceOf(Work.TooMuchWork.class));
    }

    @Test
    void thingsThatAreSharedAreNotComparedWithoutEnd() {
        StringBuilder text = new StringBuilder("{a0: [1]");
        for (int i = 1; i <= 60; i++) {
            text.append(", a%d: [a%d, a%d]".formatted(i, i - 1, i - 1));
        }
        String context = text.append(", b: a60 = [a59, a59]}.b").toString();
        assertTimeoutPreemptively(
                SOON, () -> assertThatThrownBy(() -> run(context)).isInstanceOf(Work.TooMuchWork.class));
        String written = context.replace("a60 = [a59, a59]", "string length(string(a60))");
        assertTimeoutPreemptively(
                SOON, () -> assertThatThrownBy(() -> run(written)).isInstanceOf(Work.TooMuchWork.class));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "(((a{1000}){1000}){1000})",
                "((((((((((a{9}){9}){9}){9}){9}){9}){9}){9}){9}){9})",
                "a{99999999999999999999}",
                "(a|b{2,1000}){1000}",
            })
    void aPatternThatIsTooLargeIsNone(String pattern) {
        assertTimeoutPreemptively(SOON, () -> {
            assertThat(run("matches(\"a\", \"%s\" + \"\")".formatted(pattern))).isNull();
            assertThatThrownBy(() -> TextPattern.of(pattern, 0))
                    .isInstanceOf(TextPattern.NoPattern.class)
                    .hasMessageContaining("too large");
        });
        assertThatThrownBy(() -> TextPattern.of("(".repeat(1_000) + ")".repeat(1_000), 0))
                .hasMessageContaining("more than 100 deep");
        assertThatThrownBy(() -> TextPattern.of("(".repeat(100_000) + ")".repeat(100_000), 0))
                .hasMessageContaining("too large");
    }

    @Test
    void patternsThatAreKeptAreFewAndSmall() {
        assertThatThrownBy(() -> TextPattern.of("[" + "a".repeat(20_000) + "]", 0))
                .hasMessageContaining("too large");
        assertThat(TextPattern.of("kept", 0)).isSameAs(TextPattern.of("kept", 0));
        String large = "[" + "ab".repeat(1_000) + "]";
        assertThat(TextPattern.of(large, 0)).isNotSameAs(TextPattern.of(large, 0));
    }

    @Test
    void usualPatternsAreReadAsBefore() {
        for (String pattern :
                List.of("^[A-Z]{2}-[0-9]{6}$", "(\\d+)-(\\d+)", "[^)(]{0,100}", "a{2,}", "x{", "\\(", "[{5}]")) {
            assertThat(TextPattern.of(pattern, 0).size()).as(pattern).isLessThan(600);
        }
        assertThat(run("matches(\"VM-204417\", \"^[A-Z]{2}-[0-9]{6}$\")")).isEqualTo(true);
    }

    private static @Nullable Throwable onASmallStack(Runnable work) throws InterruptedException {
        AtomicReference<@Nullable Throwable> thrown = new AtomicReference<>();
        Thread thread = new Thread(
                null,
                () -> {
                    try {
                        work.run();
                    } catch (Throwable e) {
                        thrown.set(e);
                    }
                },
                "small stack",
                1024 * 1024);
        thread.start();
        thread.join();
        return thrown.get();
    }

    @ParameterizedTest
    @ValueSource(strings = {"1%s", "true%s", "1%s > 0", "[1]%s", "1%s - 1"})
    void longChainsAreRefusedAndNotTooLongOnesWork(String frame) throws InterruptedException {
        String link = frame.startsWith("true") ? " and true" : frame.startsWith("[") ? "[item > 0]" : "+1";
        int fits = link.startsWith("[") ? 100 : 190;
        assertThat(onASmallStack(() -> {
                    Formula formula = Formula.of(frame.formatted(link.repeat(fits)), Map.of());
                    formula.compile(List.of()).run();
                    assertThat(Formula.tree(formula.text())).isNotNull();
                    assertThat(Names.in(formula.text())).isEmpty();
                }))
                .isNull();
        for (int links : List.of(210, 2_000, 6_000)) {
            String text = frame.formatted(link.repeat(links));
            assertThat(onASmallStack(() -> Formula.of(text.substring(0, Math.min(text.length(), 19_000)), Map.of())))
                    .as("%d links", links)
                    .isInstanceOf(FormulaProblem.class);
        }
    }

    @Test
    void chainsInChainsAreBoundedTogether() throws InterruptedException {
        String text = "1";
        for (int i = 0; i < 30; i++) {
            text = "(" + text + "+1".repeat(200) + ")";
        }
        String nested = text;
        assertThat(onASmallStack(() -> Formula.of(nested, Map.of()))).isInstanceOf(FormulaProblem.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "duration(\"P999999999Y\") * 1000000000000",
                "duration(\"P999999999Y\") * -1E30",
                "duration(\"P999999999D\") * 1000000000",
                "duration(\"P1Y\") / 1E-30",
                "date(\"9999-12-31\") + duration(\"P999999999Y\")",
                "date(\"2026-01-01\") + duration(\"P999999999D\") * 1000",
                "duration(\"P999999999D\") * 100000 + duration(\"P999999999D\") * 100000",
                "[1, 2, 3][18446744073709551617]",
                "[1, 2, 3][-18446744073709551615]",
                "substring(\"abc\", 18446744073709551617)",
                "insert before([1], 18446744073709551617, 2)",
                "remove([1], -18446744073709551615)",
                "sublist([1, 2], 18446744073709551617)",
                "1E6144 * 10",
                "10 ** 99999",
                "decimal(1, 99999999999)",
            })
    void whatIsBeyondWhatCanBeIsNull(String formula) {
        assertThat(assertTimeoutPreemptively(SOON, () -> new Object[] {run(formula)})[0])
                .isNull();
    }

    @Test
    void someAndEveryStopAtWhatDecides() {
        assertThat(run("some i in 1..1900000 satisfies i = 1")).isEqualTo(true);
        assertThat(run("every i in 1..2, j in 1..900000 satisfies j < 1")).isEqualTo(false);
        assertThat(run("some x in [null, 1] satisfies x = 1")).isEqualTo(true);
        assertThat(run("every x in [null, 1] satisfies x > 0")).isNull();
        assertThat(run("every x in [] satisfies false")).isEqualTo(true);
        assertThat(run("some x in [] satisfies true")).isEqualTo(false);
        assertThat(run("sum(for i in 1..1000, j in 1..2 return i * j)")).isEqualTo(new BigDecimal(1_501_500));
    }
}
