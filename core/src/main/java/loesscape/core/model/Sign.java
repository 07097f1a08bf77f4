package loesscape.core.model;

/**
 * What an indicator shows.
 *
 * @param label words for the reader; may be empty, then nothing is said
 * @param look how it looks
 * @param picture a picture in place of the mark, by the name of its file beside the template; empty for none
 */
public record Sign(
        @MayBeLeftOut String label,
        @MayBeLeftOut Look look,
        @MayBeLeftOut String picture) {

    /** A sign of words alone. */
    public static Sign saying(String words) {
        return new Sign(words, Look.PLAIN, "");
    }
}
