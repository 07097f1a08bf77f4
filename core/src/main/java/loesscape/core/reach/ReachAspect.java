package loesscape.core.reach;

import loesscape.core.model.Aspect;
import loesscape.core.model.Look;

/** What of a follower a column is about. */
public sealed interface ReachAspect {

    /** Whether it is shown, required, editable, opened out. */
    record OfNode(Aspect aspect) implements ReachAspect {}

    /**
     * Whether one of its looks is asked for.
     *
     * @param rule which of its rules for looks, from 0
     */
    record OfLook(int rule, Look look) implements ReachAspect {}

    /**
     * Whether one of its checks refuses what is answered.
     *
     * @param check which of its checks, from 0
     */
    record OfCheck(int check) implements ReachAspect {}

    /**
     * Whether one of the phrases of a text is said.
     *
     * @param phrase which of its phrases, from 0
     */
    record OfPhrase(int phrase) implements ReachAspect {}

    /**
     * Whether it offers one of its choices.
     *
     * @param choice the identity of the choice
     */
    record OfChoice(String choice) implements ReachAspect {}

    /** What is worked out for it; of a payment, what is to be paid. */
    record OfValue() implements ReachAspect {}

    /** What a text says that has the answer in it. */
    record OfText() implements ReachAspect {}

    /** Which picture stands there. */
    record OfPicture() implements ReachAspect {}

    /** What is left of its list to choose from. */
    record OfList() implements ReachAspect {}

    /** What an indicator tells. */
    record OfSign() implements ReachAspect {}

    /**
     * Whether a role takes part.
     *
     * @param role its key
     */
    record OfRole(String role) implements ReachAspect {}

    /**
     * Whether the document can be finished, as far as one condition for that goes.
     *
     * @param rule which of them, from 0
     */
    record OfFinish(int rule) implements ReachAspect {}

    /** Whether it is said with yes or no; otherwise with words of its own. */
    default boolean isYesOrNo() {
        return switch (this) {
            case OfNode ignored -> true;
            case OfLook ignored -> true;
            case OfCheck ignored -> true;
            case OfPhrase ignored -> true;
            case OfChoice ignored -> true;
            case OfRole ignored -> true;
            case OfFinish ignored -> true;
            case OfValue ignored -> false;
            case OfText ignored -> false;
            case OfPicture ignored -> false;
            case OfList ignored -> false;
            case OfSign ignored -> false;
        };
    }
}
