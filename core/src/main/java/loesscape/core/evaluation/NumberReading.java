package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Reads numbers as people type them: a point or a comma as decimal sign, spaces or the other sign between thousands. A
 * lone comma before exactly three digits could be either, so it is asked about and never guessed.
 */
final class NumberReading {

    private static final int LONGEST = 100;

    /** So many digits and a point fit a long. */
    private static final int MOST_COUNTED = 18;

    /** Space, no-break space, thin space, narrow no-break space, apostrophes: what stands between thousands. */
    private static final String SPACES = "[ \\u00A0\\u2009\\u202F'’]";

    private static final Pattern SPACED = Pattern.compile("[-+]?\\d{1,3}(?:" + SPACES + "\\d{3})+(?:[.,]\\d+)?");
    private static final Pattern PLAIN = Pattern.compile("[-+]?(?:\\d+(?:[.,]\\d*)?|[.,]\\d+)");
    private static final Pattern COMMAS =
            Pattern.compile("[-+]?\\d{1,3}(?:,\\d{3})+\\.\\d+|[-+]?\\d{1,3}(?:,\\d{3}){2,}");
    private static final Pattern POINTS =
            Pattern.compile("[-+]?\\d{1,3}(?:\\.\\d{3})+,\\d+|[-+]?\\d{1,3}(?:\\.\\d{3}){2,}");
    private static final Pattern EITHER = Pattern.compile("([-+]?[1-9]\\d{0,2}),(\\d{3})");

    /** Small whole numbers, which is what most numbers in documents are: made once, as nobody can change them. */
    private static final Reading.Read[] SMALL = IntStream.range(0, 1000)
            .mapToObj(number -> read(BigDecimal.valueOf(number)))
            .toArray(Reading.Read[]::new);

    private NumberReading() {}

    private static final Pattern EITHER_POINT = Pattern.compile("([-+]?[1-9]\\d{0,2})\\.(\\d{3})");

    /** Reads a number where points stand between thousands: one like “1.234” could be two there. */
    static Reading withPoints(String typed) {
        String text = typed.strip().replace('\u2212', '-');
        Matcher either = EITHER_POINT.matcher(text.replace(',', '.'));
        return text.length() <= LONGEST && either.matches()
                ? new Reading.Unreadable("This could be %s%s or %s,%s0; write it one of these ways."
                        .formatted(either.group(1), either.group(2), either.group(1), either.group(2)))
                : of(typed);
    }

    /** Whether a language has points between thousands (Unicode CLDR, as the JDK carries it). */
    static boolean partsWithPoints(Locale language) {
        return DecimalFormatSymbols.getInstance(language).getGroupingSeparator() == '.';
    }

    /** A number as a text that is the same number in every language. */
    static String text(BigDecimal number) {
        String plain = Numbers.plain(number);
        return EITHER_POINT.matcher(plain).matches() ? plain + "0" : plain;
    }

    static Reading of(String typed) {
        Reading plain = plain(typed);
        return plain == null ? written(typed) : plain;
    }

    /** Whether a comma in it could stand before decimals as well as between thousands. */
    static boolean couldBeTwo(String typed) {
        return EITHER.matcher(typed.strip().replace('\u2212', '-')).matches();
    }

    /**
     * A number that is written in the plainest way: some digits, and perhaps a point and more digits. Null for any other,
     * and for one too long to be counted as a whole number: most that is typed need not be taken apart twice.
     */
    static @Nullable Reading plain(String typed) {
        int length = typed.length();
        if (length > MOST_COUNTED) {
            return null;
        }
        long digits = 0;
        int point = -1;
        for (int i = 0; i < length; i++) {
            char c = typed.charAt(i);
            if (c >= '0' && c <= '9') {
                digits = 10 * digits + (c - '0');
            } else if (c == '.' && point < 0 && i > 0) {
                point = i;
            } else {
                return null;
            }
        }
        if (length == 0 || point == length - 1) {
            return null;
        }
        if (point < 0) {
            return digits < SMALL.length ? SMALL[(int) digits] : read(BigDecimal.valueOf(digits));
        }
        return read(BigDecimal.valueOf(digits, length - 1 - point));
    }

    private static Reading.Read read(BigDecimal number) {
        return new Reading.Read(new Value.Number(number));
    }

    private static Reading written(String typed) {
        String text = typed.strip().replace('\u2212', '-');
        if (text.length() > LONGEST) {
            return new Reading.Unreadable("This is too long for a number.");
        }
        Matcher either = EITHER.matcher(text);
        if (either.matches()) {
            return new Reading.Unreadable("This could be %s%s or %s.%s; write it one of these ways."
                    .formatted(either.group(1), either.group(2), either.group(1), either.group(2)));
        }
        if (PLAIN.matcher(text).matches()) {
            return number(text.replace(',', '.'));
        }
        if (SPACED.matcher(text).matches()) {
            return number(text.replaceAll(SPACES, "").replace(',', '.'));
        }
        if (COMMAS.matcher(text).matches()) {
            return number(text.replace(",", ""));
        }
        if (POINTS.matcher(text).matches()) {
            return number(text.replace(".", "").replace(',', '.'));
        }
        return new Reading.Unreadable("This is not a number; write digits, like 120 or 12.5.");
    }

    private static Reading number(String text) {
        BigDecimal number = new BigDecimal(text.endsWith(".") ? text.substring(0, text.length() - 1) : text);
        return Numbers.isReasonable(number)
                ? read(number)
                : new Reading.Unreadable("A number has at most %d digits.".formatted(Numbers.MOST_DIGITS));
    }
}
