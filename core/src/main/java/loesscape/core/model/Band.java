package loesscape.core.model;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A range of numbers or days with a label and a look. A band starts where the one before it ends, so that the bands of a field
 * can neither overlap nor leave a gap: an edge belongs to the lower band if {@code upTo} includes it, otherwise to the
 * next one.
 *
 * @param id unique among its siblings; never changes
 * @param label words for the reader; may be empty, then nothing is said
 * @param look how the field or indicator looks in this band
 * @param picture a picture an indicator shows in place of the mark, by the name of its file beside the template; empty
 *     for none
 * @param upTo where the band ends; null for the last one, which has no end
 */
public record Band(
        String id,
        @MayBeLeftOut String label,
        @MayBeLeftOut Look look,
        @MayBeLeftOut String picture,
        @Nullable Bound upTo) {

    /** A band without a picture. */
    public static Band of(String id, String label, Look look, @Nullable Bound upTo) {
        return new Band(id, label, look, "", upTo);
    }

    /** The band in which a value lies; empty when there are no bands, or it is neither a number nor a day. */
    public static Optional<Band> of(List<Band> bands, Value value) {
        return switch (value) {
            case Value.Number(var number) -> of(bands, number);
            case Value.Date(var day) -> of(bands, Bound.number(day));
            default -> Optional.empty();
        };
    }

    /** The band in which a number lies, or a day as {@link Bound#number} has it; empty when there are no bands. */
    public static Optional<Band> of(List<Band> bands, BigDecimal number) {
        for (Band band : bands) {
            if (band.upTo() == null || band.upTo().holdsBelow(number)) {
                return Optional.of(band);
            }
        }
        return Optional.empty();
    }
}
