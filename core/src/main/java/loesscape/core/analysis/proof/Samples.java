package loesscape.core.analysis.proof;

import java.util.Arrays;
import java.util.BitSet;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;

/**
 * Some fillings, with what every gate is in each of them: most things that can be so are so in one of these, and need not be
 * asked of a solver. Some are drawn, always the same ones; the others are what a solver found before, for whoever asks one
 * thing of a document asks the next of what stands beside it.
 */
final class Samples {

    private static final int DRAWN = 4;
    private static final int LEARNED = 8;
    private static final int WORDS = DRAWN + LEARNED;
    private static final long SEED = 7;

    private final SharedVariables variables;
    private final Gates gates;
    private final RandomGenerator random =
            RandomGeneratorFactory.of("L64X128MixRandom").create(SEED);
    private long[][] values = new long[0][];
    private final long[] accepted = new long[WORDS];
    /** The variables that hold where nothing is asked of them: of several, the first does. */
    private final BitSet firsts = new BitSet();

    private int known;
    private int learned;

    Samples(SharedVariables variables) {
        this.variables = variables;
        this.gates = variables.gates();
        Arrays.fill(accepted, 0, DRAWN, -1);
    }

    /** Takes in a filling that a solver found, in the place of one that was taken in long ago. */
    void learn(Question.Model model) {
        update();
        int place = learned++ % (LEARNED * Long.SIZE);
        int word = DRAWN + place / Long.SIZE;
        long bit = 1L << place % Long.SIZE;
        accepted[word] |= bit;
        for (int gate = Gates.TRUE + 1; gate < known; gate++) {
            int[] parts = gates.parts(gate);
            boolean holds = parts.length == 0
                    ? model.reaches(gate) ? model.holds(gate) : firsts.get(gate)
                    : areAll(parts, word, bit);
            values[gate][word] = holds ? values[gate][word] | bit : values[gate][word] & ~bit;
        }
    }

    private boolean areAll(int[] parts, int word, long bit) {
        for (int part : parts) {
            if ((value(part, word) & bit) == 0) {
                return false;
            }
        }
        return true;
    }

    /** Whether a gate holds in one of them. Where it does not, it may still hold in others. */
    boolean holds(int gate) {
        update();
        for (int word = 0; word < WORDS; word++) {
            if ((value(gate, word) & accepted[word]) != 0) {
                return true;
            }
        }
        return false;
    }

    private long value(int gate, int word) {
        return gate > 0 ? values[gate][word] : ~values[-gate][word];
    }

    /** Looks at the gates that have come since; each rests on earlier ones only. */
    private void update() {
        int count = gates.count();
        if (known == count) {
            return;
        }
        values = Arrays.copyOf(values, count);
        int first = known;
        for (int gate = first; gate < count; gate++) {
            if (values[gate] == null) {
                values[gate] = new long[WORDS];
                sample(gate);
            }
        }
        known = count;
        for (int gate = first; gate < count; gate++) {
            int bounds = variables.accepted(gate);
            for (int word = 0; bounds != Gates.TRUE && word < DRAWN; word++) {
                accepted[word] &= value(bounds, word);
            }
        }
    }

    private void sample(int gate) {
        long[] own = values[gate];
        int[] parts = gates.parts(gate);
        if (gate == Gates.TRUE) {
            Arrays.fill(own, -1);
        } else if (parts.length > 0) {
            Arrays.fill(own, -1);
            for (int part : parts) {
                for (int word = 0; word < WORDS; word++) {
                    own[word] &= value(part, word);
                }
            }
        } else if (variables.group(gate) instanceof SharedVariables.Group(var members)) {
            alternatives(members);
        } else {
            for (int word = 0; word < DRAWN; word++) {
                own[word] = random.nextLong();
            }
        }
    }

    private void alternatives(int[] members) {
        for (int member : members) {
            if (values[member] == null) {
                values[member] = new long[WORDS];
            }
        }
        Arrays.fill(values[members[0]], DRAWN, WORDS, -1);
        firsts.set(members[0]);
        for (int word = 0; word < DRAWN; word++) {
            for (int bit = 0; bit < Long.SIZE; bit++) {
                values[members[random.nextInt(members.length)]][word] |= 1L << bit;
            }
        }
    }
}
