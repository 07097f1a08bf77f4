package loesscape.core.analysis.proof;

import java.util.List;

/** All the answers that a field accepts, as far as rules tell them apart. */
public sealed interface FieldRegions {

    /**
     * One of several regions.
     *
     * @param regions blank first
     */
    record OneOf(List<Region> regions) implements FieldRegions {

        public OneOf {
            regions = List.copyOf(regions);
        }
    }

    /**
     * Any of several choices, each of them or not; none of them is blank.
     *
     * @param choices their identities
     * @param least the fewest of an answer
     * @param most the most of an answer
     */
    record AnyOf(List<String> choices, int least, int most) implements FieldRegions {

        public AnyOf {
            choices = List.copyOf(choices);
        }
    }
}
