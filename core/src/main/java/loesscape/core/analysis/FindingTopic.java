package loesscape.core.analysis;

/** What something that was found has to do with, so that a page can show what belongs to it. */
public enum FindingTopic {
    /** What stands in the document, and how it looks. */
    CONTENT,
    /** When something is shown, required, offered or refused. */
    LOGIC,
    /** What is worked out. */
    VALUES,
    /** Texts with answers, phrases and references in them. */
    TEXTS,
    /** Who answers, takes part, signs and pays, and in which order. */
    SIGNING,
    /** Whether the document can be finished. */
    FINISHING,
    /** How it comes out in print. */
    PRINT
}
