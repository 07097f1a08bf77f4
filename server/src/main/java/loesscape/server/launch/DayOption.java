package loesscape.server.launch;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;

/** {@code --today 2026-11-24}: the day on which something is looked at. */
final class DayOption {

    private DayOption() {}

    /**
     * Takes the day out of some arguments; today where it is not among them.
     *
     * @throws LaunchProblem where it is no day
     */
    static LocalDate take(List<String> arguments, String usage) {
        int at = arguments.indexOf("--today");
        if (at < 0) {
            return LocalDate.now(ZoneId.systemDefault());
        }
        try {
            LocalDate today = LocalDate.parse(at + 1 < arguments.size() ? arguments.get(at + 1) : "");
            arguments.subList(at, at + 2).clear();
            return today;
        } catch (DateTimeException e) {
            throw new LaunchProblem(2, usage);
        }
    }
}
