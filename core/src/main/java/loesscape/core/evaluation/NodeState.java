package loesscape.core.evaluation;

import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** How a page, a section or an item stands for one set of answers. */
public sealed interface NodeState {

    /** Whether it is there for the reader: its own condition holds and what holds it is shown. */
    boolean shown();

    /** The aspects with a condition of their own that holds now, whatever becomes of the node otherwise. */
    List<Aspect> met();

    /** How a page, a section or a notice stands. */
    record PlainState(boolean shown, List<Aspect> met) implements NodeState {}

    /**
     * How a field stands.
     *
     * @param shown see {@link NodeState#shown()}
     * @param met see {@link NodeState#met()}
     * @param editable whether it is shown and can be answered; otherwise it is locked
     * @param required whether it is shown, editable and an answer is asked for
     * @param missing whether it is required and blank
     * @param value the counting value: what was answered, or blank where the field is folded or cannot be read
     * @param band the identity of the band its number lies in; null for none
     * @param problem what is wrong with what was typed, in words that say how to mend it; null when nothing is or the
     *     field is folded
     */
    record FieldState(
            boolean shown,
            List<Aspect> met,
            boolean editable,
            boolean required,
            boolean missing,
            Value value,
            @Nullable String band,
            @Nullable String problem)
            implements NodeState {}

    /**
     * How an indicator stands.
     *
     * @param shown see {@link NodeState#shown()}
     * @param met see {@link NodeState#met()}
     * @param band the identity of the band the followed number lies in; null while it is blank
     */
    record IndicatorState(
            boolean shown, List<Aspect> met, @Nullable String band) implements NodeState {}
}
