package loesscape.core.testing;

import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.IntStream;

/**
 * Runs a property over many random cases, small ones first, so that the first failure is near the smallest. A failure
 * names the seed and size that make it again: {@code -Dcases.seed=... -Dcases.size=...}. A long search for what one run
 * seldom meets takes {@code -Dcases.times=50}, fifty times as many cases; {@code -Dcases.times=0.02} only some, and
 * {@code -Dcases.begin=1} the same ones each time, as mutation testing needs it.
 */
public final class Cases {

    private static final int LARGEST = 24;
    private static final int LEAST = 10;

    private Cases() {}

    /** A property of one case, made of a source of chance and a size from 1 up. */
    public interface Property {
        void holds(RandomGenerator random, int size);
    }

    /** Checks a property over a number of cases; prints the seed they began with. */
    public static void check(String name, int count, Property property) {
        Long again = Long.getLong("cases.seed");
        if (again != null) {
            property.holds(random(again), Integer.getInteger("cases.size", LARGEST));
            return;
        }
        long start = Long.getLong("cases.begin", System.nanoTime());
        int cases = Math.max(LEAST, (int) (count * times()));
        System.out.printf("%s: %,d cases from seed %d%n", name, cases, start);
        for (int i = 0; i < cases; i++) {
            long seed = start + i;
            int size = 1 + (int) ((long) i * LARGEST / cases);
            try {
                property.holds(random(seed), size);
            } catch (RuntimeException | AssertionError failure) {
                throw new AssertionError(
                        "%s fails: -Dcases.seed=%d -Dcases.size=%d%n%s"
                                .formatted(name, seed, size, failure.getMessage()),
                        failure);
            }
        }
    }

    /** All of a list, or the share of it that is asked for, spread over it evenly. */
    public static <T> List<T> share(List<T> all) {
        int wanted = Math.max(LEAST, (int) (all.size() * times()));
        return wanted >= all.size()
                ? all
                : IntStream.range(0, wanted)
                        .mapToObj(i -> all.get((int) ((long) i * all.size() / wanted)))
                        .toList();
    }

    /** Whether at least as many cases are run as are asked for, so that what is rare is met too. */
    public static boolean areAll() {
        return Long.getLong("cases.seed") == null && times() >= 1;
    }

    private static double times() {
        return Double.parseDouble(System.getProperty("cases.times", "1"));
    }

    private static RandomGenerator random(long seed) {
        return RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
    }
}
