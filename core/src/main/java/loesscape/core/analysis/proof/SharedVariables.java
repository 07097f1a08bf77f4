package loesscape.core.analysis.proof;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Gates and variables, and what was found of them. The same is asked for by the same name, whatever revision of a template it
 * stands in: so a condition that an edit did not touch, over fields it did not touch, is the same gate after it, and what was
 * found of a gate is so for ever. Not for several threads.
 */
final class SharedVariables {

    /** How many gates are remembered from one revision to the next; where there are more, the next begins anew. */
    private static final int MOST_GATES = 120_000;

    private static final int MOST_NOTES = 20_000;

    private final LocalDate today;
    private final Gates gates = new Gates();
    private final Map<Object, int[]> variables = new HashMap<>();
    private final Map<Object, Integer> unknown = new HashMap<>();
    private final Map<Object, int[]> known = new HashMap<>();
    private final Set<Integer> usual = new HashSet<>();
    private final Set<Integer> far = new HashSet<>();
    private final Map<Integer, Integer> accepted = new HashMap<>();
    private final Map<Integer, Group> groups = new HashMap<>();
    private final Map<Integer, OutOfReach> outOfReach = new HashMap<>();
    private final Map<Object, Sought<Together>> together = new HashMap<>();
    private final Map<Object, Sought<TurningPoints.Along>> along = new HashMap<>();
    private final Map<Object, Object> notes = new HashMap<>();
    private final Map<Integer, Boolean> impossible = new HashMap<>();
    private final Map<Integer, Example> examples = new HashMap<>();

    /**
     * What came of looking for something.
     *
     * @param found null where it cannot be told
     */
    record Sought<T>(@Nullable T found) {}

    /** Variables exactly one of which holds. */
    record Group(int[] variables) {}

    /**
     * @param today the day on which all that is remembered is so
     */
    SharedVariables(LocalDate today) {
        this.today = today;
    }

    Gates gates() {
        return gates;
    }

    /** Whether what is remembered is so on a day, and is not too much to go on with. */
    boolean goesOn(LocalDate day) {
        return today.equals(day) && gates.count() < MOST_GATES;
    }

    /** The group of a variable exactly one of whose members holds; null where it is in none. */
    @Nullable
    Group group(int variable) {
        return groups.get(variable);
    }

    /** Whether a variable says what is usual: that a field is blank, that there is no row. */
    boolean isUsual(int variable) {
        return usual.contains(variable);
    }

    /** Whether a variable says that an answer is a number as nobody gives one, though it would be taken. */
    boolean isFar(int variable) {
        return far.contains(variable);
    }

    void setFar(int variable) {
        far.add(variable);
    }

    /** What has to hold besides where a variable is asked about. */
    int accepted(int variable) {
        return accepted.getOrDefault(variable, Gates.TRUE);
    }

    void setAccepted(int variable, int bounds) {
        accepted.put(variable, bounds);
    }

    /** What is out of reach where this variable stands for it; null for any other variable. */
    @Nullable
    OutOfReach outOfReach(int variable) {
        return outOfReach.get(variable);
    }

    void setOutOfReach(int variable, OutOfReach rule) {
        outOfReach.put(variable, rule);
    }

    /**
     * Variables exactly one of which holds, the first of which is what is usual: blank, no row, nobody in particular.
     *
     * @param identity all that they are, by value
     */
    Group usuallyFirst(Object identity, int size) {
        Group group = oneOf(identity, size);
        if (size > 0) {
            usual.add(group.variables()[0]);
        }
        return group;
    }

    /** Variables exactly one of which holds. */
    Group oneOf(Object identity, int size) {
        int[] members = some(identity, size);
        Group group = new Group(members);
        for (int member : members) {
            groups.putIfAbsent(member, group);
        }
        return group;
    }

    /** Variables of which any may hold. */
    int[] some(Object identity, int size) {
        return variables.computeIfAbsent(identity, ignored -> {
            int[] fresh = new int[size];
            for (int i = 0; i < size; i++) {
                fresh[i] = gates.variable();
            }
            return fresh;
        });
    }

    /**
     * Whether something is so that is out of reach; the same variable for the same rule over the same gates.
     *
     * @param signature all that decides it
     */
    int unknown(OutOfReach rule, Object signature) {
        return unknown.computeIfAbsent(List.of(rule, signature), ignored -> {
            int variable = gates.variable();
            outOfReach.put(variable, rule);
            return variable;
        });
    }

    /**
     * What is known of a formula; the same for the same formula over the same gates, in whichever version it stands first.
     *
     * @param signature all that decides it
     * @param fresh what is known of it; null for nothing, which is not remembered
     */
    int @Nullable [] known(Object signature, Supplier<int @Nullable []> fresh) {
        // What is looked at may ask for others meanwhile.
        int[] before = known.get(signature);
        int[] found = before == null ? fresh.get() : before;
        if (before == null && found != null) {
            known.put(signature, found);
        }
        return found;
    }

    /** The bands of two fields that are looked at together; null where they were not looked for. */
    @Nullable
    Sought<Together> together(Object identity) {
        return together.get(identity);
    }

    void setTogether(Object identity, @Nullable Together found) {
        together.put(identity, new Sought<>(found));
    }

    /** Where a formula turns along a field; null where that was not looked for. */
    @Nullable
    Sought<TurningPoints.Along> along(Object identity) {
        return along.get(identity);
    }

    void setAlong(Object identity, TurningPoints.@Nullable Along found) {
        along.put(identity, new Sought<>(found));
    }

    /** What was worked out beside the gates; null where nothing was. */
    @Nullable
    Object note(Object identity) {
        return notes.get(identity);
    }

    void setNote(Object identity, Object note) {
        if (notes.size() >= MOST_NOTES) {
            notes.clear();
        }
        notes.put(identity, note);
    }

    /** Whether a gate was found to hold for no answers; null where that was not asked. */
    @Nullable
    Boolean isImpossible(int gate) {
        return impossible.get(gate);
    }

    void setImpossible(int gate, boolean is) {
        impossible.put(gate, is);
    }

    /** An example for which a gate held; null where none was found before. */
    @Nullable
    Example example(int gate) {
        return examples.get(gate);
    }

    void setExample(int gate, Example example) {
        examples.put(gate, example);
    }
}
