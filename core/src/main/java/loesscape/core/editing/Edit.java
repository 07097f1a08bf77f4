package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Condition;
import loesscape.core.model.Field.Width;
import loesscape.core.model.FieldKind;
import org.jspecify.annotations.Nullable;

/** One change to a template, as its author makes it. Keys name the nodes it is about. */
public sealed interface Edit {

    /** Names the document. */
    record Retitle(String title, String subtitle) implements Edit {}

    /**
     * Adds something new.
     *
     * @param what what is added
     * @param label its label or title, or the text of a notice; may be empty for a default
     * @param holder the section that gets an item, the page that gets a section
     * @param after the sibling it comes after; null for the first place
     */
    record Add(
            Novelty what,
            String label,
            String holder,
            @Nullable String after) implements Edit {}

    /** Changes a label or title, or the text of a notice. */
    record Relabel(String key, String label) implements Edit {}

    /** Changes the help of a field or section. */
    record SetHelp(String key, String help) implements Edit {}

    /** Changes a key, everywhere it is used. */
    record RenameKey(String key, String to) implements Edit {}

    /** Changes how much of the row a field takes. */
    record SetWidth(String key, Width width) implements Edit {}

    /**
     * Changes what kind of answer a field takes, or the limits of that kind. Choices stay as they are; they have edits
     * of their own.
     */
    record SetKind(String key, FieldKind kind) implements Edit {}

    /** Adds a choice after another; null for the first place. */
    record AddChoice(String key, String label, @Nullable String after) implements Edit {}

    /** Changes the label of a choice; its identity and all that follows it stay. */
    record RelabelChoice(String key, String choice, String label) implements Edit {}

    /** Moves a choice behind another; null for the first place. */
    record MoveChoice(String key, String choice, @Nullable String after) implements Edit {}

    /**
     * Takes a choice away.
     *
     * @param dropFollowers whether conditions that name it lose it; otherwise such conditions are a reason to refuse
     */
    record RemoveChoice(String key, String choice, boolean dropFollowers) implements Edit {}

    /** Sets when an aspect of some nodes is so; null for the plain default. */
    record SetCondition(
            List<String> keys, Aspect aspect, @Nullable Condition condition) implements Edit {

        public SetCondition {
            keys = List.copyOf(keys);
        }
    }

    /** Sets the bands of a field or an indicator. */
    record SetBands(String key, List<Band> bands) implements Edit {

        public SetBands {
            bands = List.copyOf(bands);
        }
    }

    /** Lets an indicator follow another field. */
    record Follow(String key, String field) implements Edit {}

    /**
     * Moves a node.
     *
     * @param holder the page or section it moves to
     * @param after the sibling it comes after; null for the first place
     */
    record Move(String key, String holder, @Nullable String after) implements Edit {}

    /** Puts a copy right behind the original; logic inside the copy refers to the copy. */
    record Duplicate(String key) implements Edit {}

    /**
     * Deletes nodes with all that they hold.
     *
     * @param dropFollowers whether conditions of others that look at them are dropped; otherwise such conditions are a
     *     reason to refuse
     */
    record Delete(List<String> keys, boolean dropFollowers) implements Edit {

        public Delete {
            keys = List.copyOf(keys);
        }
    }

    /** What can be added. */
    enum Novelty {
        SECTION,
        TEXT,
        LONG_TEXT,
        EMAIL,
        PHONE,
        WEB_ADDRESS,
        NUMBER,
        MONEY,
        YES_NO,
        ONE_CHOICE,
        DATE,
        NOTICE,
        INDICATOR
    }
}
