package loesscape.core.model;

import java.util.Locale;

/**
 * Where something is for its reader: on the screen while the document is filled in, on the paper it becomes, or both. What it
 * means for conditions stays the same; an answer counts wherever it stands.
 */
public enum Medium {
    BOTH("while filling and in the document"),
    /** Asked or said while it is filled in, and not part of what is made of it. */
    FILLING("while filling only"),
    /** Part of what is made of it, and not in the way of whoever fills it in. */
    DOCUMENT("in the document only");

    private final String words;

    Medium(String words) {
        this.words = words;
    }

    /** Where that is, in words. */
    public String words() {
        return words;
    }

    /** What it is called in JSON. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether it is there while the document is filled in. */
    public boolean isOnScreen() {
        return this != DOCUMENT;
    }

    /** Whether it is part of the finished document. */
    public boolean isOnPaper() {
        return this != FILLING;
    }

    /** Where something of a node's own stands; what cannot say otherwise stands on both. */
    public static Medium of(Node node) {
        return switch (node) {
            case Section it -> it.medium();
            case Notice it -> it.medium();
            case Field it -> it.medium();
            case Page ignored -> BOTH;
            case Indicator ignored -> BOTH;
            case Picture ignored -> BOTH;
            case Divider ignored -> BOTH;
            case Overlay ignored -> DOCUMENT;
        };
    }
}
