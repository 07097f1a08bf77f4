package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** A search ends, and so do many of them. */
class PatienceTest {

    /** One pigeon more than there are holes: of all ways to put them, each meets a contradiction (Haken 1985). */
    private static Solver pigeons(Patience patience, int holes) {
        Solver solver = new MiniSat(patience);
        int[][] sits = new int[holes + 1][holes];
        for (int pigeon = 0; pigeon <= holes; pigeon++) {
            for (int hole = 0; hole < holes; hole++) {
                sits[pigeon][hole] = solver.variable(false);
            }
        }
        for (int[] pigeon : sits) {
            solver.clause(pigeon);
        }
        for (int hole = 0; hole < holes; hole++) {
            for (int one = 0; one <= holes; one++) {
                for (int other = 0; other < one; other++) {
                    solver.clause(-sits[one][hole], -sits[other][hole]);
                }
            }
        }
        return solver;
    }

    @Test
    void whatIsHardIsGivenUpAndWhatIsEasyIsFound() {
        Patience patience = new Patience(1_000_000, 500, 10);
        Solver hard = pigeons(patience, 10);
        assertThat(hard.solve()).isNull();
        assertThat(hard.hasGivenUp()).isTrue();
        Solver easy = pigeons(patience, 3);
        assertThat(easy.solve()).isNull();
        assertThat(easy.hasGivenUp()).isFalse();
    }

    @Test
    void manyHardOnesShareWhatThereIsAndEasyOnesAreAnsweredStill() {
        Patience patience = new Patience(1_200, 500, 10);
        int met = 0;
        for (int i = 0; i < 20; i++) {
            int most = patience.most();
            Solver hard = pigeons(patience, 10);
            assertThat(hard.solve()).isNull();
            assertThat(hard.hasGivenUp()).isTrue();
            met += most;
        }
        assertThat(met).isEqualTo(3 * 500 + 17 * 10);
        Solver easy = new MiniSat(patience);
        int one = easy.variable(false);
        easy.clause(one);
        assertThat(easy.solve()).isNotNull();
        assertThat(easy.solve(-one)).isNull();
        assertThat(easy.hasGivenUp()).isFalse();
    }
}
