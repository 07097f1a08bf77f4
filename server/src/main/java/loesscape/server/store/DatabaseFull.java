package loesscape.server.store;

/** Tells whether something was not kept because the disk is full. */
public final class DatabaseFull {

    private DatabaseFull() {}

    /** Whether that is behind a failure. */
    public static boolean isBehind(Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof DiskRoom.Full) {
                return true;
            }
        }
        return false;
    }
}
