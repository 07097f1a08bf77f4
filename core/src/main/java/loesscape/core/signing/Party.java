package loesscape.core.signing;

/**
 * A role in a dispatch with the person who plays it.
 *
 * @param role the key of the role
 * @param title what the role is called
 * @param order when its turn comes; the same number is the same time
 * @param turn how far it has come
 * @param hasOpened whether the document was opened in this turn
 * @param hasConsented whether the person agreed to sign electronically
 */
public record Party(
        String role, String title, int order, Person person, Turn turn, boolean hasOpened, boolean hasConsented) {

    /** How far a role has come. */
    public enum Turn {
        /** Its turn has not come. */
        WAITING,
        /** It is asked now. */
        ACTING,
        /** It has given its answers and signatures. */
        FINISHED,
        /** It does not take part, as the answers are. */
        SKIPPED
    }

    Party at(Turn turn) {
        return new Party(role, title, order, person, turn, hasOpened, hasConsented);
    }

    Party opened() {
        return new Party(role, title, order, person, turn, true, hasConsented);
    }

    Party consented() {
        return new Party(role, title, order, person, turn, true, true);
    }

    /** Somebody else in the same role; that person has neither opened nor consented yet. */
    Party by(Person other) {
        return new Party(role, title, order, other, turn, false, false);
    }
}
