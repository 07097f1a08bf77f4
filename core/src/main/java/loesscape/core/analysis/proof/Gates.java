package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What can be true or false, and what follows from it. Each thing is a whole number, its opposite the number below zero;
 * the same parts make the same gate, so that equal conditions are one, however often they are written.
 */
final class Gates {

    /** What always holds; its opposite never does. */
    static final int TRUE = 1;

    static final int FALSE = -TRUE;

    private static final int[] NO_PARTS = {};

    private final List<int[]> parts = new ArrayList<>(List.of(NO_PARTS, NO_PARTS));
    private final Map<Parts, Integer> known = new HashMap<>();

    /** The sorted parts of a gate, compared by what they are. */
    private record Parts(int[] all) {

        @Override
        public boolean equals(Object other) {
            return other instanceof Parts(var others) && Arrays.equals(all, others);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(all);
        }
    }

    /** Something that can be either, whatever else is so. */
    int variable() {
        parts.add(NO_PARTS);
        return parts.size() - 1;
    }

    /** How many numbers are taken; all above zero are below it. */
    int count() {
        return parts.size();
    }

    /** What has to hold for a gate to hold; nothing for a variable. */
    int[] parts(int gate) {
        return parts.get(gate);
    }

    int and(int... all) {
        int[] parts = sorted(all);
        int count = 0;
        for (int i = 0; i < parts.length; i++) {
            int part = parts[i];
            if (part == TRUE || (count > 0 && part == parts[count - 1])) {
                continue;
            }
            if (part == FALSE || (count > 0 && part == -parts[count - 1])) {
                return FALSE;
            }
            parts[count++] = part;
        }
        if (count <= 1) {
            return count == 0 ? TRUE : parts[0];
        }
        return known.computeIfAbsent(new Parts(Arrays.copyOf(parts, count)), made -> {
            this.parts.add(made.all());
            return this.parts.size() - 1;
        });
    }

    /** By the number, what is below zero before its opposite. */
    private static int[] sorted(int[] all) {
        int[] keys = new int[all.length];
        for (int i = 0; i < all.length; i++) {
            keys[i] = all[i] > 0 ? 2 * all[i] + 1 : -2 * all[i];
        }
        Arrays.sort(keys);
        for (int i = 0; i < keys.length; i++) {
            int number = keys[i] / 2;
            keys[i] = keys[i] % 2 == 1 ? number : -number;
        }
        return keys;
    }

    int or(int... any) {
        return -and(opposites(any));
    }

    private static int[] opposites(int[] all) {
        int[] opposites = new int[all.length];
        for (int i = 0; i < all.length; i++) {
            opposites[i] = -all[i];
        }
        return opposites;
    }

    int or(List<Integer> any) {
        return or(any.stream().mapToInt(Integer::intValue).toArray());
    }

    int and(List<Integer> all) {
        return and(all.stream().mapToInt(Integer::intValue).toArray());
    }

    /** Holds where two things are the same. */
    int same(int one, int other) {
        return -or(and(one, -other), and(-one, other));
    }

    /** Holds where at least so many do. */
    int atLeast(int wanted, int... of) {
        if (wanted <= 0) {
            return TRUE;
        }
        if (wanted > of.length) {
            return FALSE;
        }
        // From behind: enough[k] says whether k of those looked at so far hold.
        int[] enough = new int[wanted + 1];
        Arrays.fill(enough, FALSE);
        enough[0] = TRUE;
        for (int i = of.length - 1; i >= 0; i--) {
            for (int k = Math.min(wanted, of.length - i); k >= 1; k--) {
                enough[k] = or(enough[k], and(of[i], enough[k - 1]));
            }
        }
        return enough[wanted];
    }
}
