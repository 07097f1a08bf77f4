package loesscape.server.platform.database;

/** Tells whether something was not kept because the disk is full. */
public final class DatabaseFull {

    private DatabaseFull() {}

    /** Passes a failure on where that is behind it: nothing can be said of one thing that cannot be kept of any. */
    public static void passOn(RuntimeException failure) {
        if (isBehind(failure)) {
            throw failure;
        }
    }

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
