package loesscape.core.expression;

/** How much a formula may do in one run, so that none can hold up a document or fill memory. */
public final class Work {

    /** The most steps of one run. */
    public static final long MOST = 2_000_000;

    private long left;

    /** As much as one formula may do. */
    public Work() {
        this(MOST);
    }

    /** Some steps. */
    public Work(long steps) {
        this.left = steps;
    }

    /** Accounts for some steps, or as many characters or elements that are made. */
    public void take(long steps) {
        left -= steps;
        if (left < 0) {
            throw new TooMuchWork();
        }
    }

    /** A formula that does more than it may. */
    public static final class TooMuchWork extends RuntimeException {
        TooMuchWork() {
            super("The formula does too much; it was stopped.");
        }
    }
}
