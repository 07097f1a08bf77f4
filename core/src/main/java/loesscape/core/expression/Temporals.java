package loesscape.core.expression;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.time.format.SignStyle;
import java.time.temporal.ChronoField;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Dates, times and durations as texts (ISO 8601 in the forms of XML Schema, which DMN 1.4 names in 10.3.2.3.4 to 8).
 * Days of the calendar and times of day have no zone here, as answers in a document have none.
 */
public final class Temporals {

    private static final DateTimeFormatter DATE = new DateTimeFormatterBuilder()
            .appendValue(ChronoField.YEAR, 4, 9, SignStyle.NORMAL)
            .appendPattern("-MM-dd")
            .toFormatter()
            .withResolverStyle(ResolverStyle.STRICT);
    private static final DateTimeFormatter TIME = new DateTimeFormatterBuilder()
            .appendPattern("HH:mm:ss")
            .appendFraction(ChronoField.NANO_OF_SECOND, 0, 9, true)
            .toFormatter()
            .withResolverStyle(ResolverStyle.STRICT);

    private static final Pattern MONTHS = Pattern.compile("(-?)P(?:(\\d{1,18})Y)?(?:(\\d{1,18})M)?");
    private static final Pattern DAYS = Pattern.compile(
            "(-?)P(?:(\\d{1,18})D)?(?:T(?:(\\d{1,18})H)?(?:(\\d{1,18})M)?(?:(\\d{1,18})(?:\\.(\\d{1,9}))?S)?)?");

    private Temporals() {}

    /** A date, time, date and time, or duration; null where the text is none of them. */
    public static @Nullable Object of(String text) {
        if (text.startsWith("P") || text.startsWith("-P")) {
            return duration(text);
        }
        if (text.indexOf('T') > 0) {
            return dateTime(text);
        }
        return text.indexOf(':') > 0 ? time(text) : date(text);
    }

    /** A day like 2026-11-24; null where the text is none. */
    public static @Nullable LocalDate date(String text) {
        try {
            return LocalDate.parse(text, DATE);
        } catch (DateTimeException e) {
            return null;
        }
    }

    /** A time of day like 09:42:00; null where the text is none. */
    public static @Nullable LocalTime time(String text) {
        try {
            return LocalTime.parse(text, TIME);
        } catch (DateTimeException e) {
            return null;
        }
    }

    /** A day and a time like 2026-11-24T09:42:00; a day alone begins at midnight; null where the text is neither. */
    public static @Nullable LocalDateTime dateTime(String text) {
        int t = text.indexOf('T');
        LocalDate date = date(t < 0 ? text : text.substring(0, t));
        LocalTime time = t < 0 ? LocalTime.MIDNIGHT : time(text.substring(t + 1));
        return date == null || time == null ? null : date.atTime(time);
    }

    /** A duration like P3D, PT12H or P1Y2M; null where the text is none, or more than a duration can be. */
    public static @Nullable Object duration(String text) {
        try {
            return exactDuration(text);
        } catch (ArithmeticException e) {
            return null;
        }
    }

    private static @Nullable Object exactDuration(String text) {
        Matcher months = MONTHS.matcher(text);
        if (months.matches() && (months.group(2) != null || months.group(3) != null)) {
            long total = Math.addExact(Math.multiplyExact(12, number(months.group(2))), number(months.group(3)));
            return new Months(months.group(1).isEmpty() ? total : -total);
        }
        Matcher days = DAYS.matcher(text);
        if (!days.matches() || text.endsWith("T") || text.endsWith("P")) {
            return null;
        }
        Duration duration = Duration.ofDays(number(days.group(2)))
                .plusHours(number(days.group(3)))
                .plusMinutes(number(days.group(4)))
                .plusSeconds(number(days.group(5)))
                .plusNanos(days.group(6) == null ? 0 : number((days.group(6) + "00000000").substring(0, 9)));
        return days.group(1).isEmpty() ? duration : duration.negated();
    }

    private static long number(@Nullable String digits) {
        return digits == null ? 0 : Long.parseLong(digits);
    }

    /** A date, time, date and time or duration as text. */
    public static String text(Object value) {
        return switch (value) {
            case LocalDate date -> DATE.format(date);
            case LocalTime time -> TIME.format(time);
            case LocalDateTime both -> DATE.format(both) + "T" + TIME.format(both);
            case Duration duration -> text(duration);
            default -> value.toString();
        };
    }

    private static String text(Duration duration) {
        Duration all = duration.abs();
        StringBuilder text = new StringBuilder(duration.isNegative() ? "-P" : "P");
        if (all.toDays() > 0) {
            text.append(all.toDays()).append('D');
        }
        String time = (all.toHoursPart() > 0 ? all.toHoursPart() + "H" : "")
                + (all.toMinutesPart() > 0 ? all.toMinutesPart() + "M" : "")
                + seconds(all);
        if (!time.isEmpty()) {
            text.append('T').append(time);
        }
        return all.isZero() ? "PT0S" : text.toString();
    }

    private static String seconds(Duration all) {
        if (all.toSecondsPart() == 0 && all.toNanosPart() == 0) {
            return "";
        }
        String fraction = all.toNanosPart() == 0
                ? ""
                : ".%09d".formatted(all.toNanosPart()).replaceAll("0+$", "");
        return all.toSecondsPart() + fraction + "S";
    }
}
