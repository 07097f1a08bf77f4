package loesscape.core.evaluation;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.model.Value;

/** Reads times of the day of 24 hours: 9:30, 09:30, 09.30, 09:30:15. */
final class TimeReading {

    private static final Pattern SPELLING = Pattern.compile("(\\d{1,2})[:.](\\d{2})(?:[:.](\\d{2}))?");

    private TimeReading() {}

    static Reading of(String typed) {
        Matcher matcher = SPELLING.matcher(typed.strip());
        if (matcher.matches()) {
            try {
                String seconds = matcher.group(3);
                return new Reading.Read(new Value.Time(LocalTime.of(
                        Integer.parseInt(matcher.group(1)),
                        Integer.parseInt(matcher.group(2)),
                        seconds == null ? 0 : Integer.parseInt(seconds))));
            } catch (DateTimeException e) {
                // Falls through: the message is the same for what is no time and what is no time of the day.
            }
        }
        return new Reading.Unreadable("This is not a time of the day; write hours and minutes, like 14:30.");
    }
}
