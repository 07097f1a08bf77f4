package loesscape.core.analysis.proof;

import java.util.List;

/** Whether something can be so, over all answers that are accepted. */
public sealed interface Decision {

    /** It is so for no answers at all. */
    record Impossible() implements Decision {}

    /** It is so for these, which were tried. */
    record Possible(Example example) implements Decision {}

    /**
     * It cannot be told.
     *
     * @param because the rules that are out of reach, in words
     */
    record NotDecided(List<String> because) implements Decision {

        public NotDecided {
            because = List.copyOf(because);
        }
    }
}
