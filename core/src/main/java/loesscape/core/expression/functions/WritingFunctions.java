package loesscape.core.expression.functions;

import com.ibm.icu.text.RuleBasedNumberFormat;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.time.temporal.TemporalAccessor;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/**
 * Values as texts for readers. These are not of the standard. Numbers and dates are written by the patterns of Unicode
 * Technical Standard 35 (parts 3 and 4) with the names and signs of the Unicode CLDR, in the language of the document
 * unless another one is said.
 */
public final class WritingFunctions {

    /** The longest pattern. */
    private static final int LONGEST = 100;

    /** Numbers with more digits before or behind the point are not written out. */
    private static final int MOST_DIGITS = 60;

    /** About as many steps as it takes to write a number in words. */
    private static final int IN_WORDS = 2_000;

    static final List<Function> ALL = List.of(
            new Function(
                    "format",
                    List.of("value", "pattern", "language"),
                    2,
                    false,
                    "A number, date or time as text, by a pattern and in a language; halves are rounded up.",
                    "format(1234.5, \"#,##0.00\")",
                    (work, given) -> given.get(1) instanceof String pattern
                            ? format(given.get(0), pattern, language(given, 2))
                            : null),
            new Function(
                    "label",
                    List.of("choice"),
                    1,
                    false,
                    "What a choice is called in the document; of several choices a list.",
                    "label(purpose)",
                    (work, given) -> label(work, given.get(0), given.labels())),
            new Function(
                    "weekday name",
                    List.of("date", "language"),
                    1,
                    false,
                    "The name of the weekday, in the language of the document.",
                    "weekday name(date(2026, 11, 24), \"de\")",
                    (work, given) -> ofDay(given, WritingFunctions::weekday)),
            new Function(
                    "month name",
                    List.of("date", "language"),
                    1,
                    false,
                    "The name of the month, in the language of the document.",
                    "month name(date(2026, 11, 24), \"fr\")",
                    (work, given) -> ofDay(given, WritingFunctions::month)),
            new Function(
                    "spell out",
                    List.of("number", "language"),
                    1,
                    false,
                    "A number in words, in the language of the document.",
                    "spell out(1250)",
                    (work, given) -> {
                        work.take(IN_WORDS);
                        return given.get(0) instanceof BigDecimal number ? inWords(number, language(given, 1)) : null;
                    }));

    private WritingFunctions() {}

    /** The language that is said at a place; that of the document where none is. */
    private static Locale language(Arguments given, int place) {
        return given.get(place) instanceof String tag ? Locale.forLanguageTag(tag) : given.language();
    }

    private static @Nullable LocalDate day(@Nullable Object value) {
        return value instanceof LocalDateTime moment
                ? moment.toLocalDate()
                : value instanceof LocalDate day ? day : null;
    }

    private interface OfDay {
        String in(LocalDate day, Locale language);
    }

    private static @Nullable String ofDay(Arguments given, OfDay name) {
        LocalDate day = day(given.get(0));
        return day == null ? null : name.in(day, language(given, 1));
    }

    private static String weekday(LocalDate day, Locale language) {
        return day.getDayOfWeek().getDisplayName(TextStyle.FULL_STANDALONE, language);
    }

    private static String month(LocalDate day, Locale language) {
        return day.getMonth().getDisplayName(TextStyle.FULL_STANDALONE, language);
    }

    /**
     * A number, date, time, or date and time as text; null where the value is none, or the pattern does not fit it.
     *
     * @param pattern as {@link DecimalFormat} and {@link DateTimeFormatter} have them
     */
    public static @Nullable String format(@Nullable Object value, String pattern, Locale language) {
        if (pattern.isEmpty() || pattern.length() > LONGEST) {
            return null;
        }
        try {
            return switch (value) {
                case BigDecimal number
                when isShort(number) -> {
                    DecimalFormat format = new DecimalFormat(pattern, DecimalFormatSymbols.getInstance(language));
                    format.setRoundingMode(RoundingMode.HALF_UP);
                    yield format.format(number);
                }
                case LocalDate day -> formatted(day, pattern, language);
                case LocalTime time -> formatted(time, pattern, language);
                case LocalDateTime moment -> formatted(moment, pattern, language);
                case null, default -> null;
            };
        } catch (IllegalArgumentException | DateTimeException e) {
            return null;
        }
    }

    private static String formatted(TemporalAccessor value, String pattern, Locale language) {
        return DateTimeFormatter.ofPattern(pattern, language).format(value);
    }

    private static boolean isShort(BigDecimal number) {
        return Math.abs((long) number.precision() - number.scale()) <= MOST_DIGITS && number.scale() <= MOST_DIGITS;
    }

    private static @Nullable Object label(Work work, @Nullable Object value, Map<String, String> labels) {
        if (value instanceof List<?> several) {
            List<@Nullable Object> each = new ArrayList<>();
            for (Object one : several) {
                work.take(1);
                each.add(label(work, one, labels));
            }
            return each;
        }
        return value instanceof String choice ? labels.get(choice) : null;
    }

    /** A number in words, as the Unicode CLDR has them (by ICU4J); null for one that is too great or too long for words. */
    public static @Nullable String inWords(BigDecimal number, Locale language) {
        if (!isShort(number) || number.abs().compareTo(GREATEST_IN_WORDS) >= 0) {
            return null;
        }
        RuleBasedNumberFormat rules =
                new RuleBasedNumberFormat(ULocale.forLocale(language), RuleBasedNumberFormat.SPELLOUT);
        return rules.format(new com.ibm.icu.math.BigDecimal(Decimals.plain(number)))
                .replace(SOFT_HYPHEN, "");
    }

    /** Marks where a word may be parted at the end of a line; two words that look the same must be the same. */
    private static final String SOFT_HYPHEN = "\u00AD";

    /** What all languages have words for. */
    private static final BigDecimal GREATEST_IN_WORDS = BigDecimal.TEN.pow(15);
}
