package loesscape.core.wording;

/** A piece of a sentence in the margin. */
public sealed interface Part {

    /** The piece as plain text. */
    String text();

    /** Plain words. */
    record Words(String text) implements Part {}

    /** What the sentence is about: shown, required, … */
    record Strong(String text) implements Part {}

    /** The name of a field or a repeating section that is followed. */
    record FieldName(String key, String text) implements Part {}

    /** The name of a shared condition. */
    record SharedName(String key, String text) implements Part {}

    /** A value that is compared with, or a limit. */
    record Figure(String text) implements Part {}

    /** What a clause says of a blank. */
    record BlankRule(String text) implements Part {}
}
