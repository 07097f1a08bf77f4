package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Period;
import java.time.format.TextStyle;
import java.time.temporal.IsoFields;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import loesscape.core.expression.Months;
import loesscape.core.expression.Temporals;
import org.jspecify.annotations.Nullable;

/** Dates, times and durations (DMN 1.4, 10.3.4.1 and 10.3.4.7). */
final class TemporalFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "date",
                    List.of("from", "month", "day"),
                    1,
                    false,
                    "A date from a text, from a date and time, or from year, month and day.",
                    "date(2026, 2, 28) + duration(\"P1D\")",
                    (work, given) -> given.size() == 3 ? date(given) : given.size() == 1 ? date(given.get(0)) : null),
            new Function(
                    "time",
                    List.of("from", "minute", "second"),
                    1,
                    false,
                    "A time from a text, from a date and time, or from hour, minute and second.",
                    "time(\"09:42:00\").hour",
                    (work, given) -> given.size() == 3 ? time(given) : given.size() == 1 ? time(given.get(0)) : null),
            new Function(
                    "date and time",
                    List.of("from", "time"),
                    1,
                    false,
                    "A date and time from a text, or from a date and a time.",
                    "date and time(\"2026-11-24T09:42:00\")",
                    (work, given) -> {
                        if (given.size() == 2) {
                            return date(given.get(0)) instanceof LocalDate day && given.get(1) instanceof LocalTime time
                                    ? day.atTime(time)
                                    : null;
                        }
                        return given.get(0) instanceof String text ? Temporals.dateTime(text) : null;
                    }),
            new Function(
                    "duration",
                    List.of("from"),
                    1,
                    false,
                    "A duration from a text.",
                    "duration(\"P1Y2M\").months",
                    (work, given) -> given.get(0) instanceof String text ? Temporals.duration(text) : null),
            new Function(
                    "years and months duration",
                    List.of("from", "to"),
                    2,
                    false,
                    "The whole months from one day to another.",
                    "years and months duration(date(\"2024-12-24\"), date(\"2026-11-24\"))",
                    (work, given) -> months(day(given.get(0)), day(given.get(1)))),
            of(
                    "day of year",
                    "Which day of the year it is.",
                    "day of year(date(2026, 2, 1))",
                    day -> BigDecimal.valueOf(day.getDayOfYear())),
            of(
                    "day of week",
                    "The name of the weekday.",
                    "day of week(date(2026, 11, 24))",
                    day -> day.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH)),
            of(
                    "month of year",
                    "The name of the month.",
                    "month of year(date(2026, 11, 24))",
                    day -> day.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH)),
            of(
                    "week of year",
                    "The week of the year, as ISO 8601 counts them.",
                    "week of year(date(2005, 1, 1))",
                    day -> BigDecimal.valueOf(day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR))));

    private TemporalFunctions() {}

    private interface OfDay {
        Object of(LocalDate day);
    }

    private static Function of(String name, String says, String example, OfDay body) {
        return new Function(
                name,
                List.of("date"),
                1,
                false,
                says,
                example,
                (work, given) -> given.get(0) instanceof LocalDate || given.get(0) instanceof LocalDateTime
                        ? body.of((LocalDate) Objects.requireNonNull(date(given.get(0))))
                        : null);
    }

    private static @Nullable Object date(@Nullable Object from) {
        return from instanceof String text ? Temporals.date(text) : day(from);
    }

    private static @Nullable LocalDate day(@Nullable Object from) {
        return switch (from) {
            case LocalDate day -> day;
            case LocalDateTime moment -> moment.toLocalDate();
            case null, default -> null;
        };
    }

    private static @Nullable Months months(@Nullable LocalDate from, @Nullable LocalDate to) {
        return from == null || to == null
                ? null
                : new Months(Period.between(from, to).toTotalMonths());
    }

    private static @Nullable Object time(@Nullable Object from) {
        return switch (from) {
            case String text -> Temporals.time(text);
            case LocalTime time -> time;
            case LocalDateTime moment -> moment.toLocalTime();
            case LocalDate ignored -> LocalTime.MIDNIGHT;
            case null, default -> null;
        };
    }

    private static @Nullable LocalDate date(Arguments parts) {
        if (parts.get(0) instanceof BigDecimal year
                && parts.get(1) instanceof BigDecimal month
                && parts.get(2) instanceof BigDecimal day) {
            try {
                return LocalDate.of(year.intValueExact(), month.intValueExact(), day.intValueExact());
            } catch (DateTimeException | ArithmeticException e) {
                return null;
            }
        }
        return null;
    }

    /** Seconds can have parts, but do not make up a minute. */
    private static BigDecimal ofMinute(BigDecimal second) {
        if (second.signum() < 0 || second.compareTo(BigDecimal.valueOf(60)) >= 0) {
            throw new DateTimeException("No second of a minute");
        }
        return second;
    }

    private static @Nullable LocalTime time(Arguments parts) {
        if (parts.get(0) instanceof BigDecimal hour
                && parts.get(1) instanceof BigDecimal minute
                && parts.get(2) instanceof BigDecimal second) {
            try {
                return LocalTime.of(hour.intValueExact(), minute.intValueExact())
                        .plusNanos(ofMinute(second).movePointRight(9).longValueExact());
            } catch (DateTimeException | ArithmeticException e) {
                return null;
            }
        }
        return null;
    }
}
