package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.TemporalAmount;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.random.RandomGenerator;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.functions.Functions;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.kie.dmn.feel.FEEL;
import org.kie.dmn.feel.lang.impl.FEELBuilder;

/**
 * Generated formulas against a published engine, org.kie:kie-dmn-feel. Where the two differ, {@code docs/formulas.md}
 * says which clause of the standard decides; such formulas are not generated.
 */
class ReferenceTest {

    private static final List<String> NAMES = List.of("n", "m", "s", "t", "b", "c", "d", "e", "l");
    private static final List<Operation> OPERATIONS =
            List.of(Operation.ADD, Operation.SUBTRACT, Operation.MULTIPLY, Operation.DIVIDE);
    private static final List<Tree.Test> TESTS = List.of(Tree.Test.values());
    private static final FEEL REFERENCE = FEELBuilder.builder().build();

    @Test
    void generatedFormulasGiveWhatTheReferenceGives() {
        int[] values = {0};
        List<String> differences = new ArrayList<>();
        Cases.check("formulas against the reference", 2_000, (random, size) -> {
            Generator generator = new Generator(random);
            Tree tree = generator.any(1 + size / 6);
            String text = Printer.print(tree);
            assertThat(parsed(text)).as(text).isEqualTo(tree);
            Program program = Compiler.compile(tree, NAMES, Set.of(), Map.of(), Locale.ENGLISH);
            for (int i = 0; i < 3; i++) {
                Map<String, @Nullable Object> given = generator.values();
                Object ours = program.run(NAMES.stream().map(given::get).toArray());
                Object theirs = REFERENCE.evaluate(text, given);
                values[0] += ours == null ? 0 : 1;
                if (!same(ours, theirs)) {
                    differences.add(
                            "%s with %s: ours %s, theirs %s".formatted(text, given, shown(ours), shown(theirs)));
                }
            }
        });
        assertThat(differences.stream().limit(60)).isEmpty();
        assertThat(values[0]).as("formulas that gave a value").isGreaterThan(Cases.areAll() ? 2_000 : 0);
    }

    private static Tree parsed(String text) {
        try {
            return Parser.parse(text, name -> Functions.find(name).isPresent()).tree();
        } catch (FormulaProblem problem) {
            throw new AssertionError(text + " at " + problem.at() + ": " + problem.getMessage(), problem);
        }
    }

    private static boolean same(@Nullable Object ours, @Nullable Object theirs) {
        if (ours instanceof BigDecimal a && theirs instanceof BigDecimal b) {
            return a.round(new MathContext(30)).compareTo(b.round(new MathContext(30))) == 0;
        }
        if (ours instanceof Months a && theirs instanceof TemporalAmount b) {
            return a.toString().equals(b.toString());
        }
        if (ours instanceof List<?> a && theirs instanceof List<?> b) {
            boolean all = a.size() == b.size();
            for (int i = 0; all && i < a.size(); i++) {
                all = same(a.get(i), b.get(i));
            }
            return all;
        }
        return Objects.equals(ours, theirs);
    }

    private static String shown(@Nullable Object value) {
        return value + (value == null ? "" : " of " + value.getClass().getSimpleName());
    }

    /** Formulas that are right by their types, most of the time with something in them that can be null. */
    private record Generator(RandomGenerator random) {

        Map<String, @Nullable Object> values() {
            Map<String, @Nullable Object> values = new HashMap<>();
            for (String name : NAMES) {
                values.put(
                        name,
                        random.nextInt(5) == 0
                                ? null
                                : switch (name) {
                                    case "n", "m" -> number();
                                    case "s", "t" -> text();
                                    case "b", "c" -> random.nextBoolean();
                                    case "d", "e" -> LocalDate.of(2028, 2, 27).plusDays(random.nextInt(5));
                                    default -> list();
                                });
            }
            return values;
        }

        private BigDecimal number() {
            return new BigDecimal(pick("0", "1", "-1", "2.5", "10", "0.1", "0.2", "3", "-7.25", "100"));
        }

        private String text() {
            return pick("", "clay", "Clay", "soil", "a b", "straße");
        }

        private List<@Nullable Object> list() {
            List<@Nullable Object> list = new ArrayList<>();
            int count = random.nextInt(4);
            for (int i = 0; i < count; i++) {
                list.add(number());
            }
            return list;
        }

        private String pick(String... from) {
            return from[random.nextInt(from.length)];
        }

        Tree any(int depth) {
            return switch (random.nextInt(5)) {
                case 0 -> numeric(depth);
                case 1 -> textual(depth);
                case 2 -> daily(depth);
                case 3 -> listed(depth);
                default -> truth(depth);
            };
        }

        private Tree numeric(int depth) {
            if (depth <= 0) {
                return random.nextInt(3) > 0 ? name("n", "m") : new Tree.Literal(number().abs());
            }
            return switch (random.nextInt(9)) {
                case 0, 1, 2 ->
                    new Tree.Arithmetic(
                            OPERATIONS.get(random.nextInt(OPERATIONS.size())), numeric(depth - 1), numeric(depth - 1));
                case 3 -> new Tree.Minus(new Tree.Name("n"));
                case 4 -> new Tree.If(truth(depth - 1), numeric(depth - 1), numeric(depth - 1));
                case 5 -> call(pick("floor", "ceiling", "abs"), numeric(depth - 1));
                case 6 -> call(pick("sum", "count", "min", "max"), listed(depth - 1));
                case 7 -> call("string length", textual(depth - 1));
                default -> new Tree.Path(daily(depth - 1), pick("year", "month", "day"));
            };
        }

        private Tree textual(int depth) {
            if (depth <= 0) {
                return random.nextInt(3) > 0 ? name("s", "t") : new Tree.Literal(text());
            }
            return switch (random.nextInt(5)) {
                case 0 -> new Tree.Arithmetic(Operation.ADD, textual(depth - 1), textual(depth - 1));
                case 1 -> call(pick("upper case", "lower case"), textual(depth - 1));
                case 2 -> call(pick("substring before", "substring after"), textual(depth - 1), textual(depth - 1));
                case 3 -> new Tree.If(truth(depth - 1), textual(depth - 1), textual(depth - 1));
                default -> call("substring", textual(depth - 1), new Tree.Literal(BigDecimal.ONE));
            };
        }

        private Tree daily(int depth) {
            if (depth <= 0) {
                return name("d", "e");
            }
            return switch (random.nextInt(3)) {
                case 0 ->
                    new Tree.Arithmetic(
                            pick("+", "-").equals("+") ? Operation.ADD : Operation.SUBTRACT,
                            daily(depth - 1),
                            new Tree.Literal(random.nextBoolean() ? Duration.ofDays(2) : new Months(13)));
                case 1 -> new Tree.If(truth(depth - 1), daily(depth - 1), daily(depth - 1));
                default -> name("d", "e");
            };
        }

        private Tree listed(int depth) {
            if (depth <= 0) {
                return name("l");
            }
            return switch (random.nextInt(4)) {
                case 0 -> new Tree.ListOf(List.of(numeric(depth - 1), numeric(depth - 1)));
                case 1 ->
                    new Tree.Filter(
                            new Tree.ListOf(List.of(numeric(0), literal(), numeric(0))),
                            new Tree.Comparison(test(), new Tree.Name("item"), numeric(0)));
                case 2 ->
                    new Tree.For(
                            List.of(new Tree.Binding("x", new Tree.ListOf(List.of(numeric(0), numeric(0))), null)),
                            new Tree.Arithmetic(Operation.ADD, new Tree.Name("x"), numeric(depth - 1)));
                default -> call("distinct values", new Tree.ListOf(List.of(numeric(0), numeric(0), numeric(0))));
            };
        }

        private Tree truth(int depth) {
            if (depth <= 0) {
                return random.nextInt(4) > 0 ? name("b", "c") : new Tree.Literal(random.nextBoolean());
            }
            return switch (random.nextInt(10)) {
                case 0 -> new Tree.And(truth(depth - 1), truth(depth - 1));
                case 1 -> new Tree.Or(truth(depth - 1), truth(depth - 1));
                case 2 -> call("not", truth(depth - 1));
                case 3 -> new Tree.Comparison(test(), numeric(depth - 1), numeric(depth - 1));
                case 4 -> new Tree.Comparison(test(), textual(depth - 1), textual(depth - 1));
                case 5 -> new Tree.Comparison(test(), daily(depth - 1), daily(depth - 1));
                case 6 -> new Tree.Between(numeric(depth - 1), literal(), new Tree.Literal(BigDecimal.TEN));
                case 7 -> new Tree.In(literal(), List.of(range(), new Tree.UnaryTest(test(), literal())));
                case 8 -> call(pick("contains", "starts with", "ends with"), textual(depth - 1), textual(depth - 1));
                default ->
                    new Tree.Quantified(
                            random.nextBoolean(),
                            List.of(new Tree.Binding("x", new Tree.ListOf(List.of(literal(), literal())), null)),
                            new Tree.Comparison(test(), new Tree.Name("x"), literal()));
            };
        }

        private Tree literal() {
            return new Tree.Literal(number().abs());
        }

        private Tree range() {
            BigDecimal low = number();
            return new Tree.RangeOf(
                    new Tree.Literal(low.abs()),
                    random.nextBoolean(),
                    new Tree.Literal(low.abs().add(BigDecimal.TEN)),
                    random.nextBoolean());
        }

        private Tree.Test test() {
            return TESTS.get(random.nextInt(TESTS.size()));
        }

        private Tree name(String... names) {
            return new Tree.Name(pick(names));
        }

        private static Tree call(String function, Tree... arguments) {
            return new Tree.Call(function, Arrays.asList(arguments), List.of());
        }
    }
}
