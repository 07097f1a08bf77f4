package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Temporals;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/** Days on which people work: Monday to Friday, without holidays. These are not of the standard. */
final class WorkingDayFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "working days",
                    List.of("from", "to", "holidays"),
                    2,
                    false,
                    "How many working days there are from one day to another, both counted; below 0 where it goes backwards.",
                    "working days(date(2026, 12, 21), date(2027, 1, 4), [date(2026, 12, 25), date(2027, 1, 1)])",
                    WorkingDayFunctions::count),
            new Function(
                    "working day after",
                    List.of("date", "days", "holidays"),
                    2,
                    false,
                    "The day some working days after a day, or before it where the number is below 0.",
                    "working day after(date(2026, 12, 23), 3, [date(2026, 12, 25)])",
                    WorkingDayFunctions::after));

    private static final int DAYS_A_WEEK = 7;
    private static final int WORKING_DAYS_A_WEEK = 5;

    private WorkingDayFunctions() {}

    private static @Nullable LocalDate day(@Nullable Object value) {
        return switch (value) {
            case LocalDate day -> day;
            case LocalDateTime moment -> moment.toLocalDate();
            case String text -> Temporals.date(text.strip());
            case null, default -> null;
        };
    }

    private static boolean isWeekday(LocalDate day) {
        return day.getDayOfWeek() != DayOfWeek.SATURDAY && day.getDayOfWeek() != DayOfWeek.SUNDAY;
    }

    /** The holidays that fall on weekdays; null where one is no date. Blank ones are none. */
    private static @Nullable Set<LocalDate> holidays(Work work, @Nullable Object given) {
        Set<LocalDate> holidays = new HashSet<>();
        for (Object each : given instanceof List<?> list ? list : given == null ? List.of() : List.of(given)) {
            work.take(1);
            LocalDate day = day(each);
            if (each != null && day == null) {
                return null;
            }
            if (day != null && isWeekday(day)) {
                holidays.add(day);
            }
        }
        return holidays;
    }

    private static @Nullable BigDecimal count(Work work, Arguments given) {
        LocalDate from = day(given.get(0));
        LocalDate to = day(given.get(1));
        Set<LocalDate> holidays = holidays(work, given.get(2));
        if (from == null || to == null || holidays == null) {
            return null;
        }
        boolean backwards = to.isBefore(from);
        LocalDate first = backwards ? to : from;
        LocalDate last = backwards ? from : to;
        long count = weekdaysBefore(last.toEpochDay() + 1)
                - weekdaysBefore(first.toEpochDay())
                - holidays.stream()
                        .filter(day -> !day.isBefore(first) && !day.isAfter(last))
                        .count();
        return BigDecimal.valueOf(backwards ? -count : count);
    }

    /** How many weekdays there are before a day since a Monday long ago; days are counted from 1970-01-01, a Thursday. */
    private static long weekdaysBefore(long epochDay) {
        long sinceMonday = epochDay + 3;
        return Math.floorDiv(sinceMonday, DAYS_A_WEEK) * WORKING_DAYS_A_WEEK
                + Math.min(Math.floorMod(sinceMonday, DAYS_A_WEEK), WORKING_DAYS_A_WEEK);
    }

    private static @Nullable LocalDate after(Work work, Arguments given) {
        LocalDate day = day(given.get(0));
        Set<LocalDate> holidays = holidays(work, given.get(2));
        if (day == null || holidays == null || !(given.get(1) instanceof BigDecimal days)) {
            return null;
        }
        int left = Decimals.place(days);
        int step = Integer.signum(left);
        while (left != 0) {
            work.take(1);
            day = day.plusDays(step);
            left -= isWeekday(day) && !holidays.contains(day) ? step : 0;
        }
        return day;
    }
}
