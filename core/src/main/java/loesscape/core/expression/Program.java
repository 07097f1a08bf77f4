package loesscape.core.expression;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A formula made ready to be run. Safe to share between threads. */
public final class Program {

    private final List<String> names;
    private final Code code;
    private final int slots;
    private final int kept;

    Program(List<String> names, Code code, int slots, int kept) {
        this.names = List.copyOf(names);
        this.code = code;
        this.slots = slots;
        this.kept = kept;
    }

    /**
     * What parts of a program gave that are the same for all rows, so that they are worked out once for all of them. New for
     * each set of answers.
     */
    public static final class SharedParts {
        private final @Nullable Object[] values;
        private final boolean[] known;
        private final Work work;

        private SharedParts(int parts, Work work) {
            this.values = new Object[parts];
            this.known = new boolean[parts];
            this.work = work;
        }

        @Nullable
        Object of(int part, Code code, Frame frame) {
            if (!known[part]) {
                values[part] = code.run(new Frame(frame.slots, work, this));
                known[part] = true;
            }
            return values[part];
        }
    }

    /** Whether parts of it are the same for all rows. */
    public boolean keeps() {
        return kept > 0;
    }

    /**
     * Where such parts are kept.
     *
     * @param work what all of them may do
     */
    public SharedParts kept(Work work) {
        return new SharedParts(kept, work);
    }

    /** One step of a program. */
    interface Code {
        @Nullable
        Object run(Frame frame);
    }

    /** What a program knows while it runs: the values of names, and how much it may still do. */
    static final class Frame {
        final @Nullable Object[] slots;
        final Work work;
        final SharedParts kept;

        Frame(@Nullable Object[] slots, Work work, SharedParts kept) {
            this.slots = slots;
            this.work = work;
            this.kept = kept;
        }
    }

    /** The names whose values it is run with, in order. */
    public List<String> names() {
        return names;
    }

    /**
     * Works the formula out.
     *
     * @param values of {@link names()}, in order
     * @return the result; null where there is none
     * @throws Work.TooMuchWork when it does more than a formula may
     */
    public @Nullable Object run(@Nullable Object... values) {
        Work work = new Work();
        return run(work, kept(work), values);
    }

    /**
     * Works the formula out for one of several rows.
     *
     * @param work what it may do
     * @param kept what is the same for all rows, from {@link kept(Work)} of this program
     * @throws Work.TooMuchWork when it does more than it may
     */
    public @Nullable Object run(Work work, SharedParts kept, @Nullable Object... values) {
        return code.run(new Frame(Arrays.copyOf(values, slots), work, kept));
    }
}
