package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.kie.dmn.feel.FEEL;
import org.kie.dmn.feel.lang.impl.FEELBuilder;

/**
 * Every function of the standard with values of every type, right ones and wrong ones, null, lists of one, and fewer
 * arguments than it can have, against a published engine (org.kie:kie-dmn-feel). Where the two differ, there is a reason
 * here; its clauses of DMN 1.4 are given from memory.
 */
class FunctionsReferenceTest {

    private static final FEEL REFERENCE = FEELBuilder.builder().build();

    /** Functions that the standard does not have. */
    private static final Set<String> OWN = Set.of(
            "total",
            "label",
            "format",
            "spell out",
            "month name",
            "weekday name",
            "working days",
            "working day after",
            "checksum",
            "check characters");

    private static final Map<String, List<String>> VALUES = new TreeMap<>(Map.ofEntries(
            Map.entry("null", List.of("null")),
            Map.entry("number", List.of("0", "1", "2", "-1", "2.5", "-7.25", "100")),
            Map.entry("text", List.of("\"\"", "\"clay\"", "\"a b\"", "\"2028-02-29\"", "\"3\"")),
            Map.entry("truth", List.of("true", "false")),
            Map.entry("day", List.of("@\"2028-02-29\"", "@\"2027-12-31\"")),
            Map.entry("time", List.of("@\"09:42:00\"", "@\"00:00:00\"")),
            Map.entry("moment", List.of("@\"2028-02-29T09:42:00\"")),
            Map.entry("duration", List.of("@\"P3D\"", "@\"-PT2H\"")),
            Map.entry("months", List.of("@\"P1Y2M\"", "@\"-P3M\"")),
            Map.entry("numbers", List.of("[]", "[1]", "[3, 1, 2, 1]")),
            Map.entry("texts", List.of("[\"clay\"]", "[\"b\", \"a\"]")),
            Map.entry("truths", List.of("[true, false]", "[true, null]")),
            Map.entry("mixed", List.of("[1, null]", "[\"a\", 1]", "[[1, 2], [3]]")),
            Map.entry("context", List.of("{a: 1, b: \"x\"}")),
            Map.entry("range", List.of("[1 .. 5)", "(1 .. 2]"))));

    private static final List<String> TYPES = List.copyOf(VALUES.keySet());

    private record Call(String function, List<String> types, List<String> arguments) {

        String text() {
            return function + "(" + String.join(", ", arguments) + ")";
        }

        boolean is(String... functions) {
            return List.of(functions).contains(function);
        }
    }

    /** Why something else is right. */
    private static final Map<String, Predicate<Call>> REASONS = new LinkedHashMap<>();

    static {
        REASONS.put(
                "10.3.4: what is given is of another type than asked for, so the result is null; null is not left out",
                call -> call.is("sublist", "substring", "matches", "sort")
                        && call.types().getLast().equals("null"));
        REASONS.put(
                "10.3.4.4: union is concatenate without the doubles; null is no list there either",
                call -> call.is("union") && call.types().contains("null"));
        REASONS.put(
                "10.3.2.7: any and all are or and and of the elements, what is no truth taken as null",
                call -> call.is("any", "all"));
        REASONS.put(
                "10.3.4.1: a list, a context or a range as it is written in FEEL, without the engine's spaces",
                call -> call.is("string"));
        REASONS.put(
                "10.3.4.4: truths, contexts and ranges have no order, nor has null beside a number",
                call -> call.is("min", "max", "sort")
                        || (call.is("before", "after", "coincides")
                                && call.types().contains("truth")));
        REASONS.put(
                "10.3.2.9.4: a text is not made a number where one is asked for",
                call -> call.is("stddev", "mode") && call.types().contains("text"));
        REASONS.put(
                "10.3.2.9.4: an element can be a list, so a list of one is not taken out of itself",
                call -> call.is("list contains"));
        REASONS.put("10.3.4.1: a duration is made of a text", call -> call.is("duration"));
        REASONS.put(
                "10.3.4.1: the time of a date is midnight UTC; answers have no time zones",
                call -> call.is("time") && call.types().equals(List.of("day")));
        REASONS.put(
                "10.3.4.1: there is no day with a part",
                call -> call.is("date") && call.types().size() == 3);
        REASONS.put("10.3.4.7: is(null, null): both are the same", call -> call.is("is"));
        REASONS.put(
                "10.3.4.8: a point that cannot be compared with the ends says nothing, rather than no",
                call -> call.is("starts", "started by", "finishes", "finished by"));
    }

    @Test
    void everyFunctionGivesWhatTheReferenceGivesWhateverItIsCalledWith() {
        Set<String> used = new TreeSet<>();
        List<String> differences = new ArrayList<>();
        Set<String> seen = new TreeSet<>();
        for (Function function : standard()) {
            for (int count = function.required(); count <= Math.min(Cases.areAll() ? 2 : 1, most(function)); count++) {
                for (int at = 0; at < Math.pow(TYPES.size(), count); at++) {
                    List<String> types = count == 0
                            ? List.of()
                            : count == 1
                                    ? List.of(TYPES.get(at))
                                    : List.of(TYPES.get(at % TYPES.size()), TYPES.get(at / TYPES.size()));
                    for (int turn = 0; turn < 2; turn++) {
                        seen.add(function.name());
                        compare(call(function.name(), types, turn + at % 3), used, differences);
                    }
                }
            }
        }
        Cases.check("calls with three arguments", 3_000, (random, size) -> {
            List<Function> functions =
                    standard().stream().filter(it -> most(it) >= 3).toList();
            Function function = functions.get(random.nextInt(functions.size()));
            List<String> types = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                types.add(TYPES.get(random.nextInt(TYPES.size())));
            }
            seen.add(function.name());
            compare(call(function.name(), types, random.nextInt(7)), used, differences);
        });
        compare(new Call("date", List.of("number", "number", "number"), List.of("0", "2", "2.5")), used, differences);
        assertThat(differences).isEmpty();
        if (Cases.areAll()) {
            assertThat(used).as("reasons that decide something").isEqualTo(new TreeSet<>(REASONS.keySet()));
            assertThat(seen)
                    .hasSameElementsAs(standard().stream().map(Function::name).toList());
        }
        assertThat(Functions.list().stream().map(Function::name)).containsAll(OWN);
    }

    private static List<Function> standard() {
        return Functions.list().stream().filter(it -> !OWN.contains(it.name())).toList();
    }

    private static int most(Function function) {
        return function.isVariadic() ? 3 : Math.min(3, function.parameters().size());
    }

    private static Call call(String name, List<String> types, int turn) {
        List<String> arguments = new ArrayList<>();
        for (int i = 0; i < types.size(); i++) {
            List<String> values = Objects.requireNonNull(VALUES.get(types.get(i)));
            arguments.add(values.get((turn + i * 2) % values.size()));
        }
        return new Call(name, types, arguments);
    }

    private static void compare(Call call, Set<String> used, List<String> differences) {
        Object ours = ours(call.text());
        Object theirs = REFERENCE.evaluate(call.text());
        if (PublishedCasesTest.same(ours, theirs)) {
            return;
        }
        REASONS.entrySet().stream()
                .filter(reason -> reason.getValue().test(call))
                .findFirst()
                .ifPresentOrElse(
                        reason -> used.add(reason.getKey()),
                        () -> differences.add("%s: ours %s, theirs %s".formatted(call.text(), ours, theirs)));
    }

    private static @Nullable Object ours(String text) {
        try {
            Tree tree = Parser.parse(text, it -> Functions.find(it).isPresent()).tree();
            return Compiler.compile(tree, List.of(), Set.of(), Map.of(), Locale.ENGLISH)
                    .run();
        } catch (FormulaProblem problem) {
            // What can never be worked out is refused where it is written.
            return null;
        }
    }
}
