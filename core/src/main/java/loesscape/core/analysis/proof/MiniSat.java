package loesscape.core.analysis.proof;

import org.jspecify.annotations.Nullable;
import org.logicng.collections.LNGIntVector;
import org.logicng.datastructures.Tristate;
import org.logicng.handlers.SATHandler;
import org.logicng.solvers.sat.MiniSat2Solver;
import org.logicng.solvers.sat.MiniSatStyleSolver;

/** The solver of LogicNG. It counts variables from 0. */
final class MiniSat implements Solver {

    private final MiniSat2Solver solver = new MiniSat2Solver();
    private final Patience patience;
    private int variables;
    private boolean hasGivenUp;

    MiniSat(Patience patience) {
        this.patience = patience;
    }

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
        Counting counting = new Counting(patience.most());
        Tristate found = assumed.length == 0 ? solver.solve(counting) : solver.solve(counting, vector(assumed));
        patience.met(counting.conflicts);
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

    /** Ends a search that meets too many contradictions. */
    private static final class Counting implements SATHandler {

        private final int most;
        private int conflicts;

        Counting(int most) {
            this.most = most;
        }

        @Override
        public boolean detectedConflict() {
            conflicts++;
            return conflicts <= most;
        }

        @Override
        public boolean aborted() {
            return conflicts > most;
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
