package loesscape.core.expression.functions;

import com.google.re2j.Pattern;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.TextPattern;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/** Texts (DMN 1.4, 10.3.4.3). Characters are Unicode code points; patterns run in linear time, without backreferences. */
final class TextFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "string length",
                    List.of("string"),
                    1,
                    false,
                    "How many characters a text has.",
                    "string length(\"soil\")",
                    (work, given) -> given.get(0) instanceof String text
                            ? BigDecimal.valueOf(text.codePointCount(0, text.length()))
                            : null),
            new Function(
                    "substring",
                    List.of("string", "start position", "length"),
                    2,
                    false,
                    "A part of a text; the first character is 1, the last -1.",
                    "substring(\"borehole\", 3, 2)",
                    (work, given) -> substring(given)),
            one("upper case", "In capitals.", "upper case(\"aBc4\")", text -> text.toUpperCase(Locale.ROOT)),
            one("lower case", "In small letters.", "lower case(\"aBc4\")", text -> text.toLowerCase(Locale.ROOT)),
            two(
                    "substring before",
                    "match",
                    "What stands before the first place of another text; empty where it is nowhere.",
                    "substring before(\"foobar\", \"bar\")",
                    (text, match) -> {
                        int at = text.indexOf(match);
                        return at < 0 ? "" : text.substring(0, at);
                    }),
            two(
                    "substring after",
                    "match",
                    "What stands after the first place of another text; empty where it is nowhere.",
                    "substring after(\"foobar\", \"ob\")",
                    (text, match) -> {
                        int at = text.indexOf(match);
                        return at < 0 ? "" : text.substring(at + match.length());
                    }),
            two(
                    "contains",
                    "match",
                    "Whether a text has another in it, upper and lower case told apart.",
                    "contains(\"foobar\", \"of\")",
                    String::contains),
            two(
                    "starts with",
                    "match",
                    "Whether a text begins with another.",
                    "starts with(\"foobar\", \"fo\")",
                    String::startsWith),
            two(
                    "ends with",
                    "match",
                    "Whether a text ends with another.",
                    "ends with(\"foobar\", \"r\")",
                    String::endsWith),
            new Function(
                    "matches",
                    List.of("input", "pattern", "flags"),
                    2,
                    false,
                    "Whether a pattern is found in a text; flags are i (case), s (any character), m (lines), x (white space in the pattern is left out).",
                    "matches(\"VM-204417\", \"^[A-Z]{2}-[0-9]{6}$\")",
                    (work, given) -> {
                        TextPattern pattern = pattern(given, 1, 2);
                        if (pattern == null || !(given.get(0) instanceof String text)) {
                            return null;
                        }
                        work.take(pattern.work(text));
                        return pattern.pattern().matcher(text).find();
                    }),
            new Function(
                    "replace",
                    List.of("input", "pattern", "replacement", "flags"),
                    3,
                    false,
                    "With every place of a pattern replaced; $1 stands for its first group.",
                    "replace(\"2026-11\", \"(\\\\d+)-(\\\\d+)\", \"$2/$1\")",
                    TextFunctions::replace),
            new Function(
                    "split",
                    List.of("string", "delimiter"),
                    2,
                    false,
                    "The parts between the places of a pattern.",
                    "split(\"clay; sand; silt\", \";\\\\s*\")",
                    TextFunctions::split),
            new Function(
                    "string join",
                    List.of("list", "delimiter"),
                    1,
                    false,
                    "The texts of a list one behind the other; null elements are left out.",
                    "string join([\"a\", \"b\"], \", \")",
                    TextFunctions::join));

    private TextFunctions() {}

    private interface OfText {
        String of(String text);
    }

    private interface OfTwo {
        Object of(String text, String other);
    }

    private static Function one(String name, String says, String example, OfText body) {
        return new Function(
                name,
                List.of("string"),
                1,
                false,
                says,
                example,
                (work, given) -> given.get(0) instanceof String text ? body.of(text) : null);
    }

    private static Function two(String name, String other, String says, String example, OfTwo body) {
        return new Function(
                name,
                List.of("string", other),
                2,
                false,
                says,
                example,
                (work, given) -> given.get(0) instanceof String text && given.get(1) instanceof String match
                        ? body.of(text, match)
                        : null);
    }

    private static @Nullable String substring(Arguments given) {
        Object wanted = given.size() > 2 ? given.get(2) : null;
        if (!(given.get(0) instanceof String text)
                || !(given.get(1) instanceof BigDecimal start)
                || (given.size() > 2 && !(wanted instanceof BigDecimal))) {
            return null;
        }
        int length = text.codePointCount(0, text.length());
        long position = Decimals.place(start);
        long from = position < 0 ? length + position : position - 1;
        if (position == 0 || from < 0 || from >= length) {
            return null;
        }
        long most = wanted instanceof BigDecimal count ? Decimals.place(count) : length;
        if (most < 0 || (wanted != null && most < 1)) {
            return null;
        }
        int begin = text.offsetByCodePoints(0, (int) from);
        return text.substring(begin, text.offsetByCodePoints(begin, (int) Math.min(most, length - from)));
    }

    private static @Nullable TextPattern pattern(Arguments given, int at, int flagsAt) {
        Object flags = given.size() > flagsAt ? given.get(flagsAt) : "";
        if (!(given.get(at) instanceof String written) || !(flags instanceof String letters)) {
            return null;
        }
        String text = written;
        int set = 0;
        for (int i = 0; i < letters.length(); i++) {
            switch (letters.charAt(i)) {
                case 'i' -> set |= Pattern.CASE_INSENSITIVE;
                case 's' -> set |= Pattern.DOTALL;
                case 'm' -> set |= Pattern.MULTILINE;
                case 'x' -> text = withoutSpace(text);
                default -> {
                    return null;
                }
            }
        }
        try {
            return TextPattern.of(text, set);
        } catch (TextPattern.NoPattern e) {
            return null;
        }
    }

    /** A pattern without the white space that only makes it easier to read (flag x of XPath, 5.6.2). */
    private static String withoutSpace(String pattern) {
        StringBuilder without = new StringBuilder();
        int open = 0;
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            boolean isEscaped = c == '\\' && i + 1 < pattern.length();
            open += c == '[' ? 1 : c == ']' && open > 0 ? -1 : 0;
            if (!Character.isWhitespace(c) || open > 0) {
                without.append(c);
            }
            if (isEscaped) {
                i++;
                while (i < pattern.length() - 1 && Character.isWhitespace(pattern.charAt(i))) {
                    i++;
                }
                without.append(pattern.charAt(i));
            }
        }
        return without.toString();
    }

    private static @Nullable String replace(Work work, Arguments given) {
        TextPattern pattern = pattern(given, 1, 3);
        if (pattern == null || !(given.get(0) instanceof String text) || !(given.get(2) instanceof String by)) {
            return null;
        }
        if (pattern.pattern().matcher("").find()) {
            // What is found in nothing would be found between any two characters (XPath functions, 5.6.3: FORX0003).
            return null;
        }
        work.take((long) (text.length() + 1) * (by.length() + 1) + pattern.work(text));
        try {
            return pattern.pattern().matcher(text).replaceAll(by);
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            return null;
        }
    }

    private static @Nullable List<String> split(Work work, Arguments given) {
        TextPattern pattern = pattern(given, 1, 2);
        if (pattern == null || !(given.get(0) instanceof String text)) {
            return null;
        }
        work.take(pattern.work(text) + text.length());
        return Arrays.asList(pattern.pattern().split(text, -1));
    }

    private static @Nullable String join(Work work, Arguments given) {
        Object delimiter = given.size() > 1 && given.get(1) != null ? given.get(1) : "";
        if (!(given.get(0) instanceof List<?> list) || !(delimiter instanceof String between)) {
            return null;
        }
        List<String> texts = new ArrayList<>();
        for (Object element : list) {
            if (element instanceof String text) {
                work.take(text.length() + between.length());
                texts.add(text);
            } else if (element != null) {
                return null;
            }
        }
        return String.join(between, texts);
    }
}
