package loesscape.core.analysis.proof;

import org.jspecify.annotations.Nullable;
import org.logicng.collections.LNGIntVector;
import org.logicng.datastructures.Tristate;
import org.logicng.handlers.SATHandler;
import org.logicng.solvers.sat.MiniSat2Solver;
import org.logicng.solvers.sat.MiniSatStyleSolver;

/** The solver of LogicNG. It counts variables from 0. */
final class MiniSat implements Solver {

    private static final int MOST_CONFLICTS = 10_000;

    private final MiniSat2Solver solver = new MiniSat2Solver();
    private int variables;
    private boolean hasGivenUp;

    @Override
    public int variable(boolean usually) {
        solver.newVar(!usually, true);
        return ++variables;
    }

    @Override
    public void clause(int... literals) {
        solver.addClause(vector(literals), null);
    }

    @Override
    public boolean @Nullable [] solve(int... assumed) {
        Patience patience = new Patience();
        Tristate found = assumed.length == 0 ? solver.solve(patience) : solver.solve(patience, vector(assumed));
        hasGivenUp = found == Tristate.UNDEF;
        if (found != Tristate.TRUE) {
            return null;
        }
        boolean[] values = new boolean[variables + 1];
        for (int i = 1; i <= variables; i++) {
            values[i] = solver.model().get(i - 1);
        }
        return values;
    }

    @Override
    public boolean hasGivenUp() {
        return hasGivenUp;
    }

    /** Ends a search that meets too many contradictions: deciding may take time without end, and nobody waits for that. */
    private static final class Patience implements SATHandler {

        private int conflicts;

        @Override
        public boolean detectedConflict() {
            conflicts++;
            return conflicts <= MOST_CONFLICTS;
        }

        @Override
        public boolean aborted() {
            return conflicts > MOST_CONFLICTS;
        }
    }

    private static LNGIntVector vector(int[] literals) {
        LNGIntVector vector = new LNGIntVector(literals.length);
        for (int literal : literals) {
            vector.push(MiniSatStyleSolver.mkLit(Math.abs(literal) - 1, literal < 0));
        }
        return vector;
    }
}
