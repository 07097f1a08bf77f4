package loesscape.core.evaluation;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.format.ResolverStyle;
import loesscape.core.model.Value;

/** Reads dates in the calendar form of ISO 8601, which date controls of browsers send: 2026-11-24. */
final class DateReading {

    /** Strict, so that 2026-02-29 is refused and not moved to another day. */
    private static final DateTimeFormatter ISO =
            DateTimeFormatter.ISO_LOCAL_DATE.withResolverStyle(ResolverStyle.STRICT);

    private static final int MOST_YEAR = 9999;

    private DateReading() {}

    static Reading of(String typed) {
        try {
            LocalDate date = LocalDate.parse(typed.strip(), ISO);
            if (date.getYear() >= 1 && date.getYear() <= MOST_YEAR) {
                return new Reading.Read(new Value.Date(date));
            }
        } catch (DateTimeParseException e) {
            // Falls through: the message is the same for what is no date and what is no day of the calendar.
        }
        return new Reading.Unreadable("This is not a day of the calendar; write year, month and day, like 2026-11-24.");
    }
}
