package loesscape.core.model;

import java.util.List;

/** What an author promises. {@code is} tells whether always or never. */
public sealed interface Promised {

    /**
     * A page, section or item is shown, required, editable or opened out. Whether it is required or editable is said of the
     * time in which the document is filled in, and of whoever answers there.
     *
     * @param key of a node that has the aspect
     */
    record NodeIs(String key, Aspect aspect, boolean is) implements Promised {}

    /**
     * A section, text or field has a look while it is shown.
     *
     * @param key of a node that can have looks
     */
    record NodeLooks(String key, Look look, boolean is) implements Promised {}

    /**
     * So many of some pages, sections and items are shown.
     *
     * @param keys of two nodes or more; all in rows of the same section, or none
     */
    record SomeShown(List<String> keys, HowMany count) implements Promised {

        public SomeShown {
            keys = List.copyOf(keys);
        }
    }

    /** A role takes part. */
    record RoleSigns(String role, boolean is) implements Promised {}

    /** Nothing but answers that are still missing, or that are not offered any more, keeps the document from being finished. */
    record CanFinish(boolean is) implements Promised {}

    /** A condition is met: that an answer is at least so much, or the same as another. */
    record IsMet(Condition condition, boolean is) implements Promised {}

    /** How many of several. */
    enum HowMany {
        EXACTLY_ONE("exactly one"),
        AT_MOST_ONE("at most one"),
        AT_LEAST_ONE("at least one");

        private final String words;

        HowMany(String words) {
            this.words = words;
        }

        /** As it is said in a sentence. */
        public String words() {
            return words;
        }

        /** Whether a number of them is so many. */
        public boolean is(long number) {
            return switch (this) {
                case EXACTLY_ONE -> number == 1;
                case AT_MOST_ONE -> number <= 1;
                case AT_LEAST_ONE -> number >= 1;
            };
        }
    }
}
