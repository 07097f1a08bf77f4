package loesscape.core.evaluation;

import java.util.List;
import java.util.Map;

/**
 * What stands as it stood when somebody's turn ended: it is shown, and its answer counts as it was given then, whatever
 * conditions, choices and formulas say since.
 *
 * @param shown the addresses of fields that were answered, of what holds them, and of what stood beside them, in alphabetical order
 * @param notes what is to be said of answers that would not be asked any more as things stand now, by address
 */
public record Settled(List<String> shown, Map<String, String> notes) {

    /** Where nobody's turn has ended. */
    public static final Settled NOTHING = new Settled(List.of(), Map.of());

    public Settled {
        shown = List.copyOf(shown);
        notes = Map.copyOf(notes);
    }
}
