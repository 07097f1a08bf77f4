package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/**
 * Formulas that are put together by chance of pieces of others, over values at every extreme: whatever comes of them, it
 * is a value, a message or a stop, on a small stack and soon. Runs a minute; {@code -Dfuzz.seconds} sets another time,
 * {@code -Dfuzz.seed} the chance.
 */
class FuzzTest {

    private static final Map<String, Type> NAMES = Map.of(
            "n", Type.Simple.NUMBER,
            "m", Type.Simple.NUMBER,
            "s", Type.Simple.TEXT,
            "b", Type.Simple.YES_NO,
            "d", Type.Simple.DATE,
            "t", Type.Simple.TIME,
            "l", new Type.ListOf(Type.Simple.NUMBER),
            "purpose", new Type.Choice(Map.of("irrigation", "Irrigation")),
            "rows", new Type.ListOf(new Type.Context(Map.of("n", Type.Simple.NUMBER, "s", Type.Simple.TEXT), true)),
            "x", Type.Simple.ANY);
    private static final List<String> ORDER = NAMES.keySet().stream().sorted().toList();
    private static final List<String> WORDS = List.of(
            "if",
            "then",
            "else",
            "for",
            "in",
            "return",
            "some",
            "every",
            "satisfies",
            "and",
            "or",
            "not",
            "between",
            "instance",
            "of",
            "null",
            "true",
            "false",
            "function",
            "(",
            ")",
            "[",
            "]",
            "{",
            "}",
            ",",
            ":",
            ".",
            "..",
            "+",
            "-",
            "*",
            "/",
            "**",
            "=",
            "!=",
            "<",
            ">",
            "<=",
            ">=",
            "@",
            "item",
            "partial",
            "number",
            "list",
            "0",
            "1",
            "-1",
            "1E6144",
            "1E-6143",
            "0.1",
            "99999999999",
            "1000000",
            "\"\"",
            "\"a\"",
            "\"(a+)+\"",
            "\"#,##0.00\"",
            "\"2026-11-27\"",
            "\"P1D\"",
            "\"P999999999999999999M\"",
            "\"9999999\"",
            "row number()");
    private static final Duration LONGEST = Duration.ofSeconds(20);

    private final Random random;
    private final List<List<String>> corpus = new ArrayList<>();
    private final List<String> words = new ArrayList<>(WORDS);
    private long slowest;
    private String slowestFormula = "";

    FuzzTest() {
        long seed = Long.getLong("fuzz.seed", System.nanoTime());
        System.out.println("-Dfuzz.seed=" + seed);
        random = new Random(seed);
        words.addAll(ORDER);
        Functions.list().stream().map(Function::name).forEach(words::add);
        Functions.list().stream().map(Function::example).forEach(this::learn);
        PublishedCasesTest.formulas().forEach(this::learn);
    }

    private void learn(String formula) {
        try {
            List<String> pieces = new ArrayList<>();
            for (Token token : Lexer.cut(formula)) {
                pieces.add(formula.substring(token.at(), token.end()));
            }
            corpus.add(pieces);
        } catch (FormulaProblem problem) {
            // Not made of tokens, and so of no use here.
        }
    }

    @Test
    void whateverIsWrittenGivesAValueAMessageOrAStop() throws InterruptedException {
        long until = System.nanoTime()
                + Duration.ofSeconds(Integer.getInteger("fuzz.seconds", 60)).toNanos();
        int[] counts = new int[3];
        AtomicReference<@Nullable Throwable> failed = new AtomicReference<>();
        Thread thread = new Thread(
                null,
                () -> {
                    String formula = "";
                    try {
                        while (System.nanoTime() < until) {
                            formula = formula();
                            counts[outcome(formula)]++;
                        }
                    } catch (Throwable e) {
                        failed.set(new AssertionError(formula, e));
                    }
                },
                "small stack",
                1024 * 1024);
        thread.start();
        thread.join();
        System.out.printf(
                "%,d gave values, %,d were refused, %,d were stopped; the slowest took %,d ms: %s%n",
                counts[0], counts[1], counts[2], slowest / 1_000_000, slowestFormula);
        assertThat(failed.get()).isNull();
        assertThat(counts[0]).as("formulas that gave values").isPositive();
        assertThat(Duration.ofNanos(slowest)).as(slowestFormula).isLessThan(LONGEST);
    }

    private int outcome(String text) {
        long begin = System.nanoTime();
        try {
            Formula formula = Formula.of(text, NAMES);
            assertThat(Formula.text(Formula.tree(formula.text()))).isEqualTo(formula.text());
            Program program = formula.compile(ORDER);
            for (int i = 0; i < 3; i++) {
                program.run(ORDER.stream().map(this::value).toArray());
            }
            return 0;
        } catch (FormulaProblem problem) {
            assertThat(problem.at()).isBetween(0, text.length());
            assertThat(problem.end()).isBetween(problem.at(), text.length());
            return 1;
        } catch (Work.TooMuchWork e) {
            return 2;
        } finally {
            long took = System.nanoTime() - begin;
            if (took > slowest) {
                slowest = took;
                slowestFormula = text.substring(0, Math.min(text.length(), 500));
            }
        }
    }

    private String formula() {
        List<String> pieces = new ArrayList<>(pick(corpus));
        int changes = random.nextInt(6);
        for (int i = 0; i < changes; i++) {
            int at = random.nextInt(pieces.size() + 1);
            switch (random.nextInt(7)) {
                case 0 -> pieces.add(at, pick(words));
                case 1 ->
                    pieces.subList(at, Math.min(pieces.size(), at + 1 + random.nextInt(3)))
                            .clear();
                case 2 -> {
                    if (at < pieces.size()) {
                        pieces.set(at, pick(words));
                    }
                }
                case 3 -> pieces.addAll(at, pick(corpus));
                case 4 -> {
                    pieces.addFirst("(");
                    pieces.addLast(")");
                    pieces.addLast(pick(List.of("+", "*", "=", "and", "[", ".", "in", "..")));
                    pieces.addAll(pick(corpus));
                }
                case 5 -> {
                    List<String> some = new ArrayList<>(pieces.subList(0, at));
                    for (int times = random.nextInt(40); times > 0 && pieces.size() < 3_000; times--) {
                        pieces.addAll(0, some);
                    }
                }
                default -> {
                    pieces.addFirst(pick(Functions.list()).name() + "(");
                    pieces.addLast(random.nextBoolean() ? ")" : ", " + pick(words) + ")");
                }
            }
        }
        return String.join(random.nextInt(4) == 0 ? "" : " ", pieces);
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private @Nullable Object value(String name) {
        return random.nextInt(6) == 0
                ? null
                : switch (name) {
                    case "n", "m" -> number();
                    case "s" -> text();
                    case "b" -> random.nextBoolean();
                    case "d" -> day();
                    case "t" -> LocalTime.ofSecondOfDay(random.nextInt(86_400));
                    case "l" -> list();
                    case "purpose" -> "irrigation";
                    case "rows" -> rows();
                    default ->
                        pick(Arrays.asList(number(), text(), day(), list(), rows(), Map.of(), Map.of("n", number())));
                };
    }

    private BigDecimal number() {
        return new BigDecimal(pick(List.of(
                "0",
                "1",
                "-1",
                "0.5",
                "2",
                "1E6144",
                "-1E6144",
                "1E-6143",
                "9999999999999999999999999999999999",
                "2147483648",
                "-9223372036854775809",
                "1E18",
                "7.25")));
    }

    private String text() {
        return switch (random.nextInt(6)) {
            case 0 -> "";
            case 1 -> "a".repeat(random.nextInt(20_000));
            case 2 -> "(a*)*".repeat(1 + random.nextInt(20));
            case 3 -> "\uD83C\uDF3E ß ﬁ \u0130";
            case 4 -> "2026-11-27";
            default -> "clay; sand";
        };
    }

    private LocalDate day() {
        return pick(List.of(LocalDate.MIN, LocalDate.MAX, LocalDate.of(2026, 11, 27), LocalDate.of(2028, 2, 29)));
    }

    private List<@Nullable Object> list() {
        return new ArrayList<>(
                Collections.nCopies(random.nextInt(2) * random.nextInt(3_000) + random.nextInt(4), number()));
    }

    private List<Map<String, @Nullable Object>> rows() {
        List<Map<String, @Nullable Object>> rows = new ArrayList<>();
        for (int i = random.nextInt(50); i > 0; i--) {
            Map<String, @Nullable Object> row = new HashMap<>();
            row.put("n", random.nextBoolean() ? number() : null);
            row.put("s", "row");
            rows.add(row);
        }
        return rows;
    }
}
