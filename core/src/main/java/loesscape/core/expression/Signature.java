package loesscape.core.expression;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Type.Simple;
import org.jspecify.annotations.Nullable;

/**
 * What a built-in function takes and gives, as far as it is known before a formula is run: with what can never be right,
 * it gives null for ever, which is told while the formula is written.
 *
 * @param parameters what each takes; the last one also what is given beyond
 * @param result what it gives
 */
record Signature(List<Taken> parameters, Given result) {

    /** What an argument has to be. */
    enum Taken {
        ANYTHING("anything"),
        NUMBER("a number"),
        TEXT("text"),
        TRUTH("yes or no"),
        LIST("a list"),
        NUMBERS("numbers"),
        TRUTHS("yes or no"),
        DAY("a date"),
        FUNCTION("a function"),
        CONTEXT("a context"),
        CHOICE("a field with choices");

        final String words;

        Taken(String words) {
            this.words = words;
        }

        /** A list of one element is that element where one is wanted, and the other way round (DMN 1.4, 10.3.2.9.4). */
        @Nullable
        Object converted(@Nullable Object value) {
            return switch (this) {
                case NUMBER, TEXT, TRUTH, DAY ->
                    value instanceof List<?> one && one.size() == 1 ? one.getFirst() : value;
                case LIST -> value == null || value instanceof List ? value : List.of(value);
                case ANYTHING, NUMBERS, TRUTHS, FUNCTION, CONTEXT, CHOICE -> value;
            };
        }

        /** Whether a value of a type may be right. One value stands for a list of it. */
        boolean takes(Type type) {
            Type element = (type instanceof Type.ListOf(var inner) ? inner : type).base();
            return switch (this) {
                case ANYTHING, LIST, CHOICE -> true;
                case FUNCTION -> type == Simple.ANY;
                case CONTEXT -> type instanceof Type.Context || isOne(type, Simple.ANY);
                case NUMBER -> isOne(type, Simple.NUMBER);
                case TEXT -> isOne(type, Simple.TEXT);
                case TRUTH -> isOne(type, Simple.YES_NO);
                case NUMBERS -> isOne(element, Simple.NUMBER);
                case TRUTHS -> isOne(element, Simple.YES_NO);
                case DAY -> isOne(type, Simple.DATE) || type == Simple.DATE_TIME || type == Simple.TEXT;
            };
        }

        private static boolean isOne(Type one, Simple wanted) {
            Type type = one.base();
            return type == wanted || type == Simple.ANY || type == Simple.NOTHING;
        }
    }

    /** What the result is. */
    enum Given {
        ANYTHING,
        NUMBER,
        TEXT,
        TRUTH,
        DATE,
        TIME,
        DATE_TIME,
        MONTHS,
        TEXTS,
        NUMBERS,
        RANGE,
        /** Text, or a list of texts where several choices are given. */
        LABEL,
        /** A list of what the first list holds. */
        SAME_LIST,
        /** One of what is given. */
        ELEMENT
    }

    private static final Map<String, Signature> ALL = all("""
            list contains: LIST ANYTHING -> TRUTH
            count: LIST -> NUMBER
            min: ANYTHING -> ELEMENT
            max: ANYTHING -> ELEMENT
            sum: NUMBERS -> NUMBER
            product: NUMBERS -> NUMBER
            mean: NUMBERS -> NUMBER
            median: NUMBERS -> NUMBER
            stddev: NUMBERS -> NUMBER
            mode: NUMBERS -> NUMBERS
            all: TRUTHS -> TRUTH
            any: TRUTHS -> TRUTH
            sublist: LIST NUMBER NUMBER -> SAME_LIST
            append: LIST ANYTHING -> SAME_LIST
            concatenate: LIST -> SAME_LIST
            insert before: LIST NUMBER ANYTHING -> SAME_LIST
            remove: LIST NUMBER -> SAME_LIST
            reverse: LIST -> SAME_LIST
            index of: LIST ANYTHING -> NUMBERS
            union: LIST -> SAME_LIST
            distinct values: LIST -> SAME_LIST
            flatten: LIST -> ANYTHING
            decimal: NUMBER NUMBER -> NUMBER
            floor: NUMBER NUMBER -> NUMBER
            ceiling: NUMBER NUMBER -> NUMBER
            round up: NUMBER NUMBER -> NUMBER
            round down: NUMBER NUMBER -> NUMBER
            round half up: NUMBER NUMBER -> NUMBER
            round half down: NUMBER NUMBER -> NUMBER
            abs: ANYTHING -> ELEMENT
            modulo: NUMBER NUMBER -> NUMBER
            sqrt: NUMBER -> NUMBER
            log: NUMBER -> NUMBER
            exp: NUMBER -> NUMBER
            odd: NUMBER -> TRUTH
            even: NUMBER -> TRUTH
            total: NUMBERS -> NUMBER
            sort: LIST FUNCTION -> SAME_LIST
            list replace: LIST ANYTHING ANYTHING -> SAME_LIST
            get value: CONTEXT ANYTHING -> ANYTHING
            get entries: CONTEXT -> ANYTHING
            context: LIST -> ANYTHING
            context put: CONTEXT ANYTHING ANYTHING -> ANYTHING
            context merge: LIST -> ANYTHING
            before: ANYTHING ANYTHING -> TRUTH
            after: ANYTHING ANYTHING -> TRUTH
            meets: ANYTHING ANYTHING -> TRUTH
            met by: ANYTHING ANYTHING -> TRUTH
            overlaps: ANYTHING ANYTHING -> TRUTH
            overlaps before: ANYTHING ANYTHING -> TRUTH
            overlaps after: ANYTHING ANYTHING -> TRUTH
            finishes: ANYTHING ANYTHING -> TRUTH
            finished by: ANYTHING ANYTHING -> TRUTH
            includes: ANYTHING ANYTHING -> TRUTH
            during: ANYTHING ANYTHING -> TRUTH
            starts: ANYTHING ANYTHING -> TRUTH
            started by: ANYTHING ANYTHING -> TRUTH
            coincides: ANYTHING ANYTHING -> TRUTH
            range: TEXT -> RANGE
            is: ANYTHING ANYTHING -> TRUTH
            format: ANYTHING TEXT TEXT -> TEXT
            label: CHOICE -> LABEL
            weekday name: DAY TEXT -> TEXT
            month name: DAY TEXT -> TEXT
            spell out: NUMBER TEXT -> TEXT
            working days: DAY DAY LIST -> NUMBER
            working day after: DAY NUMBER LIST -> DATE
            checksum: TEXT TEXT -> TRUTH
            check characters: TEXT TEXT -> TEXT
            not: TRUTH -> TRUTH
            number: ANYTHING TEXT TEXT -> NUMBER
            string: ANYTHING -> TEXT
            date: ANYTHING NUMBER NUMBER -> DATE
            time: ANYTHING NUMBER NUMBER -> TIME
            date and time: ANYTHING ANYTHING -> DATE_TIME
            duration: TEXT -> ANYTHING
            years and months duration: ANYTHING ANYTHING -> MONTHS
            day of year: DAY -> NUMBER
            day of week: DAY -> TEXT
            month of year: DAY -> TEXT
            week of year: DAY -> NUMBER
            string length: TEXT -> NUMBER
            substring: TEXT NUMBER NUMBER -> TEXT
            upper case: TEXT -> TEXT
            lower case: TEXT -> TEXT
            substring before: TEXT TEXT -> TEXT
            substring after: TEXT TEXT -> TEXT
            contains: TEXT TEXT -> TRUTH
            starts with: TEXT TEXT -> TRUTH
            ends with: TEXT TEXT -> TRUTH
            matches: TEXT TEXT TEXT -> TRUTH
            replace: TEXT TEXT TEXT TEXT -> TEXT
            split: TEXT TEXT -> TEXTS
            string join: LIST TEXT -> TEXT
            """);

    private static Map<String, Signature> all(String table) {
        Map<String, Signature> all = new LinkedHashMap<>();
        table.lines().forEach(line -> {
            int colon = line.indexOf(": ");
            int arrow = line.indexOf(" -> ");
            List<Taken> parameters = Arrays.stream(
                            line.substring(colon + 2, arrow).split(" ", -1))
                    .map(Taken::valueOf)
                    .toList();
            all.put(line.substring(0, colon), new Signature(parameters, Given.valueOf(line.substring(arrow + 4))));
        });
        return all;
    }

    /** That of a function; every function has one. */
    static Signature of(String function) {
        Signature signature = ALL.get(function);
        if (signature == null) {
            throw new IllegalStateException("The function “%s” has no signature".formatted(function));
        }
        return signature;
    }

    /** What the argument at a place has to be. */
    Taken at(int place) {
        return parameters.get(Math.min(place, parameters.size() - 1));
    }

    /** The type of the result for arguments of some types. */
    Type result(List<Type> arguments) {
        return switch (result) {
            case ANYTHING -> Simple.ANY;
            case NUMBER -> Simple.NUMBER;
            case TEXT -> Simple.TEXT;
            case TRUTH -> Simple.YES_NO;
            case DATE -> Simple.DATE;
            case TIME -> Simple.TIME;
            case DATE_TIME -> Simple.DATE_TIME;
            case MONTHS -> Simple.MONTHS;
            case TEXTS -> new Type.ListOf(Simple.TEXT);
            case NUMBERS -> new Type.ListOf(Simple.NUMBER);
            case RANGE -> Simple.RANGE;
            case LABEL -> arguments.getFirst() instanceof Type.ListOf ? new Type.ListOf(Simple.TEXT) : Simple.TEXT;
            case SAME_LIST -> arguments.getFirst() instanceof Type.ListOf list ? list : Simple.ANY;
            case ELEMENT -> element(arguments);
        };
    }

    private static Type element(List<Type> arguments) {
        if (arguments.size() == 1 && arguments.getFirst() instanceof Type.ListOf(var element)) {
            return element;
        }
        return arguments.stream().distinct().count() == 1 ? arguments.getFirst() : Simple.ANY;
    }
}
