package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What stands behind a point: entries of contexts, and the parts of dates, times, durations and ranges (DMN 1.4, table 65). */
final class PathProperties {

    private PathProperties() {}

    private static final Set<String> KNOWN = Set.of(
            "year",
            "month",
            "day",
            "weekday",
            "hour",
            "minute",
            "second",
            "years",
            "months",
            "days",
            "hours",
            "minutes",
            "seconds",
            "start",
            "end",
            "start included",
            "end included",
            "value");

    /** Whether dates, times, durations or ranges have a property of a name. */
    static boolean isKnown(String name) {
        return KNOWN.contains(name);
    }

    /** The properties of values of a type; none where it has none. */
    static List<String> of(Type.Simple type) {
        return switch (type) {
            case DATE -> List.of("year", "month", "day", "weekday", "value");
            case TIME -> List.of("hour", "minute", "second", "value");
            case DATE_TIME -> List.of("year", "month", "day", "weekday", "hour", "minute", "second", "value");
            case DAYS -> List.of("days", "hours", "minutes", "seconds", "value");
            case MONTHS -> List.of("years", "months", "value");
            case RANGE -> List.of("start", "end", "start included", "end included");
            case NUMBER, TEXT, YES_NO, NOTHING, ANY -> List.of();
        };
    }

    /** Whether two words together are the name of one property. */
    static boolean isLong(String first, String second) {
        return (first.equals("start") || first.equals("end")) && second.equals("included");
    }

    /** The property of a value; null where it has none of that name. Of a list, the properties of its elements. */
    static @Nullable Object of(@Nullable Object value, String name) {
        return switch (value) {
            case Map<?, ?> map -> map.get(name);
            case List<?> list -> {
                List<@Nullable Object> each = new ArrayList<>(list.size());
                for (Object element : list) {
                    each.add(of(element, name));
                }
                yield each;
            }
            case LocalDate date -> date(date, name);
            case LocalTime time -> time(time, name);
            case LocalDateTime both when name.equals("value") -> BigDecimal.valueOf(both.toEpochSecond(ZoneOffset.UTC));
            case LocalDateTime both -> {
                Object part = date(both.toLocalDate(), name);
                yield part != null ? part : time(both.toLocalTime(), name);
            }
            case Months months ->
                switch (name) {
                    case "years" -> BigDecimal.valueOf(months.years());
                    case "months" -> BigDecimal.valueOf(months.months());
                    case "value" -> BigDecimal.valueOf(months.total());
                    default -> null;
                };
            case Duration duration -> duration(duration, name);
            case Range range ->
                switch (name) {
                    case "start" -> range.low();
                    case "end" -> range.high();
                    case "start included" -> range.lowIncluded();
                    case "end included" -> range.highIncluded();
                    default -> null;
                };
            case null, default -> null;
        };
    }

    private static @Nullable Object date(LocalDate date, String name) {
        return switch (name) {
            case "year" -> BigDecimal.valueOf(date.getYear());
            case "month" -> BigDecimal.valueOf(date.getMonthValue());
            case "day" -> BigDecimal.valueOf(date.getDayOfMonth());
            case "weekday" -> BigDecimal.valueOf(date.getDayOfWeek().getValue());
            case "value" -> BigDecimal.valueOf(date.atStartOfDay().toEpochSecond(ZoneOffset.UTC));
            default -> null;
        };
    }

    private static @Nullable Object time(LocalTime time, String name) {
        return switch (name) {
            case "hour" -> BigDecimal.valueOf(time.getHour());
            case "minute" -> BigDecimal.valueOf(time.getMinute());
            case "second" -> BigDecimal.valueOf(time.getSecond());
            case "value" -> BigDecimal.valueOf(time.toSecondOfDay());
            default -> null;
        };
    }

    private static @Nullable Object duration(Duration duration, String name) {
        return switch (name) {
            case "days" -> BigDecimal.valueOf(duration.toDays());
            case "hours" -> BigDecimal.valueOf(duration.toHours() % 24);
            case "minutes" -> BigDecimal.valueOf(duration.toMinutes() % 60);
            case "seconds" -> BigDecimal.valueOf(duration.toSeconds() % 60);
            case "value" -> BigDecimal.valueOf(duration.toSeconds());
            default -> null;
        };
    }
}
