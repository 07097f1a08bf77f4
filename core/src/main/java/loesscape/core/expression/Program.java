package loesscape.core.expression;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A formula made ready to be run. Safe to share between threads. */
public final class Program {

    private final List<String> names;
    private final Code code;
    private final int slots;

    Program(List<String> names, Code code, int slots) {
        this.names = List.copyOf(names);
        this.code = code;
        this.slots = slots;
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

        Frame(@Nullable Object[] slots, Work work) {
            this.slots = slots;
            this.work = work;
        }
    }

    /** The names whose values it is run with, in order. */
    public List<String> names() {
        return names;
    }

    /**
     * Works the formula out.
     *
     * @param values of {@link #names()}, in order
     * @return the result; null where there is none
     * @throws Work.TooMuchWork when it does more than a formula may
     */
    public @Nullable Object run(@Nullable Object... values) {
        return run(new Work(), values);
    }

    /**
     * Works the formula out as one of several that share what they may do.
     *
     * @throws Work.TooMuchWork when it does more than is left
     */
    public @Nullable Object run(Work work, @Nullable Object... values) {
        return code.run(new Frame(Arrays.copyOf(values, slots), work));
    }
}
