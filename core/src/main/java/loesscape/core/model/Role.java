package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * Somebody who takes part in a document: fills in, signs, or both.
 *
 * @param key unique among the roles
 * @param name what the role is called, such as Landowner
 * @param order when its turn comes; the same number is the same time
 * @param takesPart when the role takes part; null for always. A role left out is skipped
 */
public record Role(
        String key,
        String name,
        @MayBeLeftOut int order,
        @Nullable Condition takesPart) {

    /** The most characters its name has. */
    public static final int LONGEST_NAME = 200;
}
