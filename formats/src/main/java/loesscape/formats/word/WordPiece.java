package loesscape.formats.word;

import java.util.List;

/** A part of a line. */
sealed interface WordPiece {

    /** Words in one style. */
    record Words(String text, boolean isBold, boolean isItalic) implements WordPiece {

        boolean looksLike(Words other) {
            return isBold == other.isBold && isItalic == other.isItalic;
        }
    }

    /** Something to be filled in that the file knows of. */
    record Asked(Control control) implements WordPiece {}

    /** Room to write, as underscores, dots or underlined blanks. */
    record Room() implements WordPiece {}

    /** A square to be marked. */
    record Square() implements WordPiece {}

    /** What the file knows of something to be filled in. */
    enum Asking {
        TEXT,
        LONG_TEXT,
        ONE_CHOICE,
        CHOICE_OR_OTHER,
        DATE,
        MARK,
        PICTURE
    }

    /**
     * A field of the file.
     *
     * @param label what it is called for people; may be empty
     * @param name what the file calls it, which is the same for the same answer; may be empty
     * @param choices of a choice
     */
    record Control(Asking kind, String label, String name, List<String> choices) {

        public Control {
            choices = List.copyOf(choices);
        }

        static Control text(String label, String name) {
            return new Control(Asking.TEXT, label, name, List.of());
        }
    }
}
