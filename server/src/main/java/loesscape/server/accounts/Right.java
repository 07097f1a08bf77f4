package loesscape.server.accounts;

/** What somebody may do with a template; each may also do what those before it may. */
public enum Right {
    NONE,
    /** See what came in, and how dispatches stand. */
    SEE,
    /** Send its releases, and make and end links. */
    SEND,
    /** Write and release it, and look after all of its dispatches. */
    WRITE,
    /** Say who else may do what. */
    OWN;

    /** As much of it as an account of some role may have. */
    public Right within(AccountRole role) {
        Right most = switch (role) {
            case READER -> SEE;
            case SENDER -> SEND;
            case AUTHOR -> OWN;
        };
        return compareTo(most) < 0 ? this : most;
    }

    /** Whether it is as much as another. */
    public boolean reaches(Right other) {
        return compareTo(other) >= 0;
    }
}
