package loesscape.formats.fillable;

import loesscape.core.model.Field;
import loesscape.core.model.Indicator;

/** What a place on a page is for. */
sealed interface SlotUse {

    /** An answer that is written or chosen from a list, or a signature. */
    record Written(Field field, String address) implements SlotUse {}

    /** A mark for one choice of several. */
    record Marked(Field field, String address, String choice, String label) implements SlotUse {}

    /** The words of whoever chose something else. */
    record OwnWords(Field field, String address) implements SlotUse {}

    /** What lies over a part of the page while it is folded; {@code address} is that of what folds. */
    record Covering(String address) implements SlotUse {}

    /** What an indicator shows. */
    record Shown(Indicator indicator, String address) implements SlotUse {}

    /** What is still missing. */
    record Status() implements SlotUse {}
}
