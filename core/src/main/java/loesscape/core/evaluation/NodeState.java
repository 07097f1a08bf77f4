package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Look;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** How a page, a section, a row or an item stands for one set of answers. */
public sealed interface NodeState {

    /** Whether it is there for the reader: its own condition holds and what holds it is shown. */
    boolean shown();

    /** The aspects with a condition of their own that holds now, whatever becomes of the node otherwise. */
    List<Aspect> met();

    /** Whether an aspect is so now; never where a node has none of that name. */
    default boolean is(Aspect aspect) {
        return switch (aspect) {
            case SHOWN -> shown();
            case REQUIRED -> this instanceof FieldState field && field.required();
            case EDITABLE -> this instanceof FieldState field && field.editable();
            case OPEN -> this instanceof SectionState section && section.open();
        };
    }

    /** How it looks; null for what has no looks. */
    default @Nullable Look look() {
        return null;
    }

    /** What is wrong with what was typed, in words that say how to mend it; null where nothing is. */
    default @Nullable String problem() {
        return null;
    }

    /** How a page, a picture or a divider stands. */
    record PlainState(boolean shown, List<Aspect> met) implements NodeState {}

    /**
     * How a notice stands.
     *
     * @param look how it looks now
     * @param number of a clause, where the state was {@link State#numbered numbered}; empty for none
     * @param text what it says now
     */
    record NoticeState(boolean shown, List<Aspect> met, Look look, String number, List<Passage> text)
            implements NodeState {

        /** The same with its number, and with those of others that it refers to. */
        NoticeState numbered(String number, DocumentNumbers numbering) {
            List<Passage> told = Passage.numbered(text, numbering);
            return number.equals(this.number) && told.equals(text)
                    ? this
                    : new NoticeState(shown, met, look, number, told);
        }
    }

    /**
     * How a section stands.
     *
     * @param open whether it is opened out; otherwise only its heading is seen
     * @param look how it looks now
     * @param rows the names of its rows in their order; null where it does not repeat
     * @param problem what is wrong with the number of its rows; null when nothing is or it is folded
     * @param number of a section on a page, where the state was {@link State#numbered numbered}; empty for none
     */
    record SectionState(
            boolean shown,
            List<Aspect> met,
            boolean open,
            Look look,
            @Nullable List<String> rows,
            @Nullable String problem,
            String number)
            implements NodeState {

        /** A section of which nobody has counted how many stand before it. */
        public SectionState(
                boolean shown,
                List<Aspect> met,
                boolean open,
                Look look,
                @Nullable List<String> rows,
                @Nullable String problem) {
            this(shown, met, open, look, rows, problem, "");
        }

        /**
         * A folded one.
         *
         * @param rows the names of its rows; null where it does not repeat
         * @param number its number; empty for none
         */
        public static SectionState folded(@Nullable List<String> rows, String number) {
            return new SectionState(false, List.of(), true, Look.PLAIN, rows, null, number);
        }

        /** The same with its number. */
        SectionState numbered(String number) {
            return number.equals(this.number) ? this : new SectionState(shown, met, open, look, rows, problem, number);
        }
    }

    /**
     * How one row of a repeating section stands.
     *
     * @param shown always, for a folded section has no rows
     * @param met always empty, for a row has no conditions of its own
     * @param look how the row as a whole looks now
     */
    record RowState(boolean shown, List<Aspect> met, Look look) implements NodeState {

        /** A row that looks like this. */
        static RowState of(Look look) {
            return new RowState(true, List.of(), look);
        }
    }

    /**
     * How a field stands.
     *
     * @param shown see {@link NodeState#shown()}
     * @param met see {@link NodeState#met()}
     * @param editable whether it is shown and can be answered; otherwise it is locked
     * @param required whether it is shown, editable and an answer is asked for
     * @param missing whether it is required and blank
     * @param value the counting value: what was answered or worked out, or blank where the field is folded or cannot be
     *     read
     * @param band the identity of the band its number lies in; null for none
     * @param look how it looks now: by the first of its looks whose condition holds, otherwise by its band
     * @param offered what can be chosen, where that depends on other answers or is looked up (no more than the first 500
     *     then); null where all choices always can be
     * @param overtyped whether its worked-out value was typed over
     * @param due what is to be paid; null where nothing is or it is not known
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
            Look look,
            @Nullable List<String> offered,
            boolean overtyped,
            @Nullable BigDecimal due,
            @Nullable String problem)
            implements NodeState {

        /** A field that is folded, of whose answer nothing is told. */
        public static final FieldState FOLDED = new FieldState(
                false, List.of(), false, false, false, Value.blank(), null, Look.PLAIN, null, false, null, null);

        /** The same for somebody who cannot answer: locked, and nothing is asked. */
        public FieldState locked() {
            return new FieldState(shown, met, false, false, false, value, band, look, offered, overtyped, due, null);
        }
    }

    /**
     * How an indicator stands.
     *
     * @param shown see {@link NodeState#shown()}
     * @param met see {@link NodeState#met()}
     * @param band the identity of what it shows: of the band the followed number lies in, of the choice that was made, or
     *     whether there is an answer; null where it shows nothing
     */
    record IndicatorState(
            boolean shown, List<Aspect> met, @Nullable String band) implements NodeState {}
}
