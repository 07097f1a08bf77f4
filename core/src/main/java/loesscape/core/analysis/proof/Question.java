package loesscape.core.analysis.proof;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Whether a gate can hold, asked of a fresh solver that knows the gates it reaches and no others. Answers of as few fields as
 * can be are looked for: blank is tried first, and afterwards every answer is taken away that is not needed.
 */
final class Question {

    private final AnswerVariables variables;
    private final Gates gates;
    private final Solver solver;
    /** By gate: what the solver calls it, from 1; 0 for what is not reached. */
    private final int[] numbers;

    private final List<Integer> reached = new ArrayList<>();
    private final Set<SharedVariables.Group> groups = new LinkedHashSet<>();
    private final Set<Integer> usual = new LinkedHashSet<>();
    private final Set<Integer> far = new LinkedHashSet<>();
    private final Set<OutOfReach> outOfReach = new LinkedHashSet<>();
    private final boolean isImpossible;

    Question(AnswerVariables variables, Supplier<Solver> solvers, int asked) {
        this.variables = variables;
        this.gates = variables.gates();
        this.solver = solvers.get();
        this.numbers = new int[gates.count()];
        this.isImpossible = asked == Gates.FALSE;
        if (!isImpossible && asked != Gates.TRUE) {
            solver.clause(literal(asked));
        }
    }

    /** Whether the search was ended before it was known. */
    boolean isOpen() {
        return solver.hasGivenUp();
    }

    /** What is out of reach and has to do with it. */
    Set<OutOfReach> outOfReach() {
        return outOfReach;
    }

    /** Which variables hold where the gate does, however many answers that takes; null where none are found. */
    @Nullable
    Model first() {
        boolean[] values = isImpossible ? null : solver.solve();
        return values == null ? null : new Model(values);
    }

    /** Which variables hold where the gate does, found anew with each call; null where there is nothing (more) to find. */
    @Nullable
    Model next() {
        if (isImpossible) {
            return null;
        }
        boolean[] values = solver.solve();
        if (values == null) {
            return null;
        }
        List<Integer> assumed = new ArrayList<>();
        for (int each : far) {
            values = preferred(-number(each), assumed, values);
        }
        for (SharedVariables.Group counts : variables.rows().values()) {
            values = fewest(counts.variables(), assumed, values);
        }
        for (int each : usual) {
            values = preferred(number(each), assumed, values);
        }
        return new Model(values);
    }

    /** What holds with as few rows as can be. */
    private boolean[] fewest(int[] counts, List<Integer> assumed, boolean[] values) {
        boolean[] fewer = values;
        for (int count : counts) {
            if (!isReached(count)) {
                return fewer;
            }
            fewer = preferred(number(count), assumed, fewer);
            if (fewer[number(count)]) {
                return fewer;
            }
        }
        return fewer;
    }

    /** What holds where something is so besides; the same as before where it cannot be so. */
    private boolean[] preferred(int literal, List<Integer> assumed, boolean[] values) {
        assumed.add(literal);
        if (values[Math.abs(literal)] == (literal > 0)) {
            return values;
        }
        boolean[] fewer =
                solver.solve(assumed.stream().mapToInt(Integer::intValue).toArray());
        if (fewer == null) {
            assumed.removeLast();
            return values;
        }
        return fewer;
    }

    /** Which variables hold. */
    final class Model {

        private final boolean[] values;

        Model(boolean[] values) {
            this.values = values;
        }

        /** Whether the question reaches a variable. */
        boolean reaches(int variable) {
            return isReached(variable);
        }

        /** Whether a variable that is reached holds. */
        boolean holds(int variable) {
            return reaches(variable) && values[number(variable)];
        }

        /** Asks for something else from now on. */
        void ruleOut() {
            int[] other = reached.stream()
                    .filter(each -> gates.parts(each).length == 0)
                    .mapToInt(each -> holds(each) ? -number(each) : number(each))
                    .toArray();
            solver.clause(other);
        }
    }

    private int number(int gate) {
        return numbers[gate];
    }

    /** What was made after the question is not reached by it. */
    private boolean isReached(int gate) {
        return gate < numbers.length && numbers[gate] != 0;
    }

    /** The literal of a gate, with everything that it rests on. */
    private int literal(int gate) {
        Deque<Integer> open = new ArrayDeque<>();
        reach(Math.abs(gate), open);
        while (!open.isEmpty()) {
            int next = open.pop();
            int[] parts = gates.parts(next);
            if (parts.length == 0) {
                variable(next, open);
                continue;
            }
            int[] all = new int[parts.length + 1];
            for (int i = 0; i < parts.length; i++) {
                reach(Math.abs(parts[i]), open);
                int part = signed(parts[i]);
                all[i] = -part;
                solver.clause(-number(next), part);
            }
            all[parts.length] = number(next);
            solver.clause(all);
        }
        return signed(gate);
    }

    private int signed(int gate) {
        return gate > 0 ? number(gate) : -number(-gate);
    }

    private void reach(int gate, Deque<Integer> open) {
        if (!isReached(gate)) {
            numbers[gate] = solver.variable(variables.shared().isUsual(gate));
            reached.add(gate);
            open.push(gate);
            if (variables.shared().isUsual(gate)) {
                usual.add(gate);
            }
            if (variables.shared().isFar(gate)) {
                far.add(gate);
            }
        }
    }

    private void variable(int variable, Deque<Integer> open) {
        OutOfReach rule = variables.shared().outOfReach(variable);
        if (rule != null) {
            outOfReach.add(rule);
        }
        int accepted = variables.shared().accepted(variable);
        if (accepted != Gates.TRUE) {
            reach(Math.abs(accepted), open);
            solver.clause(signed(accepted));
        }
        SharedVariables.Group group = variables.shared().group(variable);
        if (group == null || !groups.add(group)) {
            return;
        }
        int[] all = new int[group.variables().length];
        for (int i = 0; i < all.length; i++) {
            reach(group.variables()[i], open);
            all[i] = number(group.variables()[i]);
        }
        solver.clause(all);
        atMostOne(all);
    }

    /** At most one of many, by a row of marks that say that one was met (the sequential counter). */
    private void atMostOne(int[] all) {
        int before = 0;
        for (int i = 0; i < all.length; i++) {
            int now = i + 1 < all.length ? solver.variable(false) : 0;
            if (before != 0) {
                solver.clause(-all[i], -before);
                if (now != 0) {
                    solver.clause(-before, now);
                }
            }
            if (now != 0) {
                solver.clause(-all[i], now);
            }
            before = now;
        }
    }
}
