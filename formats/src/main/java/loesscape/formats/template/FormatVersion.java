package loesscape.formats.template;

import loesscape.formats.json.JsonProblem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The number that says in which form a file is written. */
final class FormatVersion {

    /** What it is called in every file. */
    static final String PROPERTY = "formatVersion";

    private FormatVersion() {}

    /**
     * The number of a file's form; refuses one that this program does not read.
     *
     * @param newest that is read; the first is 1
     * @param what the file is, in words
     */
    static int check(ObjectNode file, int newest, String what) {
        @Nullable JsonNode version = file.get(PROPERTY);
        if (version == null
                || !version.isIntegralNumber()
                || version.bigIntegerValue().signum() < 1) {
            throw new JsonProblem(
                    "/" + PROPERTY, "“%s” is missing or no number, so this is no %s file.".formatted(PROPERTY, what));
        }
        if (!version.canConvertToInt() || version.intValue() > newest) {
            throw new JsonProblem(
                    "/" + PROPERTY,
                    "The file is of format version %s; this Loesscape reads up to %d. Open it with a newer one."
                            .formatted(version.asString(), newest));
        }
        return version.intValue();
    }
}
