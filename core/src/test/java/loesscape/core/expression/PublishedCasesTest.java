package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Method;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.charset.StandardCharsets;
import java.time.chrono.ChronoPeriod;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.kie.dmn.feel.lang.FEELDialect;

/**
 * The cases that are published with a reference engine (org.kie:kie-dmn-feel, its tests artifact). Every one of them
 * gives what is said there, or is listed in {@code published-cases.txt} under the reason that decides against it.
 */
class PublishedCasesTest {

    private static final List<String> GROUPS = List.of(
            "FEEL12ExtendedForLoopTest",
            "FEEL12ExtendedFunctionsTest",
            "FEELConditionsAndLoopsTest",
            "FEELContextsTest",
            "FEELDateTimeDurationTest",
            "FEELExpressionsTest",
            "FEELFunctionDefinitionTest",
            "FEELFunctionsTest",
            "FEELListsTest",
            "FEELMathOperationsTest",
            "FEELOperatorsTest",
            "FEELRangesTest",
            "FEELStringOperationsTest",
            "FEELTernaryLogicTest",
            "FEELValuesComparisonTest",
            "FEELValuesConstantsTest");

    private record Case(
            String group, String formula, @Nullable Object expected) {}

    @Test
    void everyPublishedCaseHoldsOrIsListedWithItsReason() {
        Map<String, String> listed = listed();
        Map<String, String> differing = new TreeMap<>();
        List<Case> cases = cases();
        for (Case each : cases) {
            String ours = difference(each);
            if (ours != null) {
                differing.put(each.formula().strip().replace("\n", "⏎"), ours);
            }
        }
        assertThat(cases).hasSizeGreaterThan(1_100);
        Map<String, String> unexpected = new TreeMap<>(differing);
        unexpected.keySet().removeAll(listed.keySet());
        assertThat(unexpected).as("cases that give something else").isEmpty();
        assertThat(listed.keySet()).as("cases that are listed for a reason").isSubsetOf(differing.keySet());
    }

    private static @Nullable String difference(Case each) {
        try {
            Object ours =
                    Formula.of(each.formula(), Map.of()).compile(List.of()).run();
            return same(ours, each.expected())
                    ? null
                    : "gives %s, published is %s".formatted(shown(ours), shown(each.expected()));
        } catch (FormulaProblem refused) {
            // What gives null whatever is answered is refused here while it is written.
            return each.expected() == null
                    ? null
                    : "%s Published is %s".formatted(refused.getMessage(), shown(each.expected()));
        }
    }

    private static String shown(@Nullable Object value) {
        return value + (value == null ? "" : " (" + value.getClass().getSimpleName() + ")");
    }

    static boolean same(@Nullable Object ours, @Nullable Object theirs) {
        return switch (theirs) {
            case BigDecimal b ->
                ours instanceof BigDecimal a
                        && a.round(new MathContext(30)).compareTo(b.round(new MathContext(30))) == 0;
            case Number b -> ours instanceof BigDecimal a && a.compareTo(new BigDecimal(b.toString())) == 0;
            case ChronoPeriod b ->
                ours instanceof Months a && a.total() == b.get(ChronoUnit.YEARS) * 12 + b.get(ChronoUnit.MONTHS);
            case List<?> b -> ours instanceof List<?> a && sameLists(a, b);
            case Map<?, ?> b -> ours instanceof Map<?, ?> a && sameContexts(a, b);
            case org.kie.dmn.feel.runtime.Range b -> ours instanceof Range a && sameRanges(a, b);
            case null, default -> Objects.equals(ours, theirs);
        };
    }

    private static boolean sameLists(List<?> ours, List<?> theirs) {
        boolean all = ours.size() == theirs.size();
        for (int i = 0; all && i < ours.size(); i++) {
            all = same(ours.get(i), theirs.get(i));
        }
        return all;
    }

    private static boolean sameContexts(Map<?, ?> ours, Map<?, ?> theirs) {
        return ours.keySet().equals(theirs.keySet())
                && ours.keySet().stream().allMatch(key -> same(ours.get(key), theirs.get(key)));
    }

    private static boolean sameRanges(Range ours, org.kie.dmn.feel.runtime.Range theirs) {
        return same(ours.low(), theirs.getLowEndPoint())
                && same(ours.high(), theirs.getHighEndPoint())
                && ours.lowIncluded() == isClosed(theirs.getLowBoundary())
                && ours.highIncluded() == isClosed(theirs.getHighBoundary());
    }

    private static boolean isClosed(org.kie.dmn.feel.runtime.Range.RangeBoundary boundary) {
        return boundary == org.kie.dmn.feel.runtime.Range.RangeBoundary.CLOSED;
    }

    /** The formulas of all cases. */
    static List<String> formulas() {
        return cases().stream().map(Case::formula).toList();
    }

    /** The cases of one dialect, each once. */
    private static List<Case> cases() {
        Map<String, Case> cases = new LinkedHashMap<>();
        for (String group : GROUPS) {
            for (Object[] each : published(group)) {
                boolean other = Arrays.asList(each).contains(FEELDialect.BFEEL);
                if (!other) {
                    cases.putIfAbsent((String) each[0], new Case(group, (String) each[0], each[1]));
                }
            }
        }
        return new ArrayList<>(cases.values());
    }

    @SuppressWarnings("unchecked")
    private static Collection<Object[]> published(String group) {
        try {
            Method data = Class.forName("org.kie.dmn.feel.runtime." + group).getDeclaredMethod("data");
            data.setAccessible(true);
            return (Collection<Object[]>) data.invoke(null);
        } catch (ReflectiveOperationException e) {
            throw new LinkageError(group, e);
        }
    }

    /** The cases that are decided otherwise, with the reason above them in the list. */
    private static Map<String, String> listed() {
        Map<String, String> listed = new LinkedHashMap<>();
        try (var in = PublishedCasesTest.class.getResourceAsStream("published-cases.txt")) {
            String reason = "";
            for (String line : new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList()) {
                if (line.startsWith("# ")) {
                    reason = line.substring(2);
                } else if (!line.isBlank()) {
                    listed.put(line.strip(), reason);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return listed;
    }
}
