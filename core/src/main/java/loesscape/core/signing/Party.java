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
 * @param check what is asked of the person beside following the link
 * @param isIdentified whether the person has passed it
 */
public record Party(
        String role,
        String title,
        int order,
        Person person,
        Turn turn,
        boolean hasOpened,
        boolean hasConsented,
        IdentityCheck check,
        boolean isIdentified) {

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

    static Party of(Event.Named named) {
        return new Party(
                named.role(),
                named.title(),
                named.order(),
                named.person(),
                Turn.WAITING,
                false,
                false,
                named.check(),
                false);
    }

    /** Whether the person is known to be the one who was named, as far as the sender asked for it. */
    public boolean isKnown() {
        return isIdentified || check == IdentityCheck.LINK;
    }

    Party at(Turn turn) {
        return new Party(role, title, order, person, turn, hasOpened, hasConsented, check, isIdentified);
    }

    Party opened() {
        return new Party(role, title, order, person, turn, true, hasConsented, check, isIdentified);
    }

    Party consented() {
        return new Party(role, title, order, person, turn, true, true, check, isIdentified);
    }

    Party identified() {
        return new Party(role, title, order, person, turn, hasOpened, hasConsented, check, true);
    }

    /** Somebody else in the same role, of whom nothing is known and who has neither opened nor consented yet. */
    Party by(Person other) {
        return new Party(role, title, order, other, turn, false, false, check, false);
    }
}
