package loesscape.core.analysis.proof;

import org.jspecify.annotations.Nullable;
import org.sat4j.core.VecInt;
import org.sat4j.minisat.SolverFactory;
import org.sat4j.specs.ContradictionException;
import org.sat4j.specs.ISolver;
import org.sat4j.specs.TimeoutException;

/** The solver of Sat4j, which shares nothing with the one that is used: a second opinion. */
final class Sat4jSolver implements Solver {

    private final ISolver solver = SolverFactory.newDefault();
    private int variables;
    private boolean isContradictory;

    @Override
    public int variable(boolean usually) {
        variables++;
        solver.newVar(variables);
        return variables;
    }

    @Override
    public void clause(int... literals) {
        try {
            solver.addClause(new VecInt(literals.clone()));
        } catch (ContradictionException e) {
            isContradictory = true;
        }
    }

    @Override
    public boolean @Nullable [] solve(int... assumed) {
        try {
            if (isContradictory || !solver.isSatisfiable(new VecInt(assumed.clone()))) {
                return null;
            }
            boolean[] values = new boolean[variables + 1];
            for (int literal : solver.model()) {
                values[Math.abs(literal)] = literal > 0;
            }
            return values;
        } catch (TimeoutException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public boolean hasGivenUp() {
        return false;
    }
}
