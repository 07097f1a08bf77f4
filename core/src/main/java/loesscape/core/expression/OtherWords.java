package loesscape.core.expression;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.jspecify.annotations.Nullable;

/** What was probably meant by a word or sign that formulas do not know; the words and signs that other notations use. */
final class OtherWords {

    private static final int FARTHEST = 2;

    /** In words of no more letters, two that are wrong make another word. */
    private static final int SHORT = 4;

    private static final Map<String, String> FUNCTIONS = Map.ofEntries(
            Map.entry("round", "round half up(…, 2)"),
            Map.entry("roundup", "round up(…, 0)"),
            Map.entry("rounddown", "round down(…, 0)"),
            Map.entry("trunc", "round down(…, 0)"),
            Map.entry("int", "floor(…)"),
            Map.entry("ceil", "ceiling(…)"),
            Map.entry("average", "mean(…)"),
            Map.entry("avg", "mean(…)"),
            Map.entry("concat", "first + second, or string join([…], \" \")"),
            Map.entry("len", "string length(…)"),
            Map.entry("length", "string length(…), or count(…) of a list"),
            Map.entry("upper", "upper case(…)"),
            Map.entry("lower", "lower case(…)"),
            Map.entry("left", "substring(…, 1, 3)"),
            Map.entry("right", "substring(…, -3)"),
            Map.entry("mid", "substring(…, 2, 3)"),
            Map.entry("substitute", "replace(…, \"from\", \"to\")"),
            Map.entry("text", "string(…)"),
            Map.entry("str", "string(…)"),
            Map.entry("value", "number(…)"),
            Map.entry("mod", "modulo(…, …)"),
            Map.entry("power", "base ** exponent"),
            Map.entry("pow", "base ** exponent"),
            Map.entry("year", "day.year, with a point behind the date"),
            Map.entry("month", "day.month, with a point behind the date"),
            Map.entry("day", "day.day, with a point behind the date"),
            Map.entry("weekday", "day.weekday, with a point behind the date"),
            Map.entry("hour", "time.hour, with a point behind the time"),
            Map.entry("minute", "time.minute, with a point behind the time"),
            Map.entry("days", "(to - from).days"),
            Map.entry("now", "today()"),
            Map.entry("isblank", "field = null"),
            Map.entry("empty", "field = null"),
            Map.entry("iif", "if … then … else …"),
            Map.entry("if", "if … then … else …"),
            Map.entry("ifs", "if … then … else if … then … else …"),
            Map.entry("and", "a and b"),
            Map.entry("or", "a or b"),
            Map.entry("sumif", "sum(rows[condition].field)"),
            Map.entry("countif", "count(rows[condition])"),
            Map.entry("find", "contains(…, …)"),
            Map.entry("search", "contains(…, …)"),
            Map.entry("includes", "list contains(…, …)"),
            Map.entry("unique", "distinct values(…)"),
            Map.entry("join", "string join(…, \", \")"));

    /** A function that only has another name. */
    private static final Pattern CALL = Pattern.compile("([a-z ]+)\\(…\\)");

    private OtherWords() {}

    /**
     * What was probably meant by a word.
     *
     * @param says it in a sentence with a space before it; may be empty
     * @param instead what to write in the place of the word; null where that is not known
     */
    record Meant(String says, @Nullable String instead) {

        private static final Meant UNKNOWN = new Meant("", null);

        private static Meant name(String name) {
            return new Meant(" Did you mean “%s”?".formatted(name), name);
        }
    }

    /** How to write what an unknown function was probably meant to do. */
    static Meant forFunction(String name) {
        String known = FUNCTIONS.get(name.toLowerCase(Locale.ROOT));
        if (known == null) {
            return near(name, Functions.list().stream().map(Function::name).toList());
        }
        Matcher call = CALL.matcher(known);
        return new Meant(" Write %s.".formatted(known), call.matches() ? call.group(1) : null);
    }

    /** The name that was probably meant by another: the only one that has it as its beginning or a word, or the nearest. */
    static Meant near(String name, Collection<String> known) {
        String word = name.toLowerCase(Locale.ROOT);
        List<String> partly = known.stream()
                .filter(each -> word.length() > FARTHEST && each.indexOf('(') < 0)
                .filter(each -> each.startsWith(word) || each.contains("_" + word) || each.contains(" " + word))
                .toList();
        if (partly.size() == 1) {
            return Meant.name(partly.getFirst());
        }
        return known.stream()
                .filter(each -> each.length() > FARTHEST && Math.abs(each.length() - word.length()) <= FARTHEST)
                .filter(each -> distance(word, each) <= (word.length() <= SHORT ? 1 : FARTHEST))
                .min(Comparator.<String>comparingInt(each -> distance(word, each))
                        .thenComparing(Comparator.naturalOrder()))
                .map(Meant::name)
                .orElse(Meant.UNKNOWN);
    }

    /** How many letters have to be put in, taken away or exchanged (V. Levenshtein, 1965). */
    private static int distance(String from, String to) {
        int[] before = new int[to.length() + 1];
        for (int j = 0; j < before.length; j++) {
            before[j] = j;
        }
        for (int i = 1; i <= from.length(); i++) {
            int[] now = new int[before.length];
            now[0] = i;
            for (int j = 1; j < now.length; j++) {
                int exchanged = before[j - 1] + (from.charAt(i - 1) == to.charAt(j - 1) ? 0 : 1);
                now[j] = Math.min(exchanged, 1 + Math.min(before[j], now[j - 1]));
            }
            before = now;
        }
        return before[to.length()];
    }

    /** Tells what to write in place of a sign of other notations, where one stands. */
    static Optional<FormulaProblem> forSign(String text, int at) {
        if (text.startsWith("!=", at)) {
            return Optional.empty();
        }
        for (String[] sign : SIGNS) {
            if (text.startsWith(sign[0], at)) {
                return Optional.of(new FormulaProblem(
                        at, at + sign[0].length(), "“%s”: %s.".formatted(sign[0], sign[1]), sign[2]));
            }
        }
        return Optional.empty();
    }

    private static final @Nullable String[][] SIGNS = {
        {"==", "two values are compared with one “=”", "="},
        {"<>", "write “!=” for not equal", "!="},
        {"≠", "write “!=” for not equal", "!="},
        {"≤", "write “<=” for at most", "<="},
        {"≥", "write “>=” for at least", ">="},
        {"=>", "write “>=” for at least", ">="},
        {"=<", "write “<=” for at most", "<="},
        {"&&", "write “and”", " and "},
        {"||", "write “or”", " or "},
        {"&", "texts are put together with “+”", "+"},
        {"%", "write / 100 for per cent, or modulo(…, …) for what is left of a division", null},
        {"^", "write “**” for to the power of", "**"},
        {"×", "write “*” to multiply", "*"},
        {"·", "write “*” to multiply", "*"},
        {"÷", "write “/” to divide", "/"},
        {"−", "write a plain “-”", "-"},
        {"!", "write “not(…)”", null},
        {";", "arguments are parted by “,”", ","},
        {"'", "text stands in straight double quotation marks, \"…\"", "\""},
        {"“", "text stands in straight double quotation marks, \"…\"", "\""},
        {"”", "text stands in straight double quotation marks, \"…\"", "\""},
        {"„", "text stands in straight double quotation marks, \"…\"", "\""},
        {"‘", "text stands in straight double quotation marks, \"…\"", "\""},
        {"’", "text stands in straight double quotation marks, \"…\"", "\""},
        {"«", "text stands in straight double quotation marks, \"…\"", "\""},
    };
}
