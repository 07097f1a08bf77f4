package loesscape.core.evaluation;

import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What an evaluation has found out so far, by slot and row; outside of rows there is one place for each slot. */
final class Run {

    final Seen seen;
    final boolean[][] shown;
    final @Nullable Reading[][] readings;
    final boolean[][] overtyped;
    /** The addresses of what is settled. */
    final Set<String> settled;

    Run(int slots, Context context, Settled settled) {
        this.settled = Set.copyOf(settled.shown());
        this.seen = new Seen(slots, context);
        this.shown = new boolean[slots][];
        this.readings = new Reading[slots][];
        this.overtyped = new boolean[slots][];
    }
}
