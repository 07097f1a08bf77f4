package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RowNamesTest {

    @Test
    void anAddressIsAKeyAndARow() {
        assertThat(RowNames.address("depth", "r2")).isEqualTo("depth@r2");
        assertThat(RowNames.key("depth@r2")).isEqualTo("depth");
        assertThat(RowNames.row("depth@r2")).isEqualTo("r2");
        assertThat(RowNames.key("depth")).isEqualTo("depth");
        assertThat(RowNames.row("depth")).isEmpty();
        assertThat(RowNames.key("@r2")).isEmpty();
        assertThat(RowNames.row("@r2")).isEqualTo("r2");
        assertThat(RowNames.row("depth@")).isEmpty();
    }

    @Test
    void aNewRowHasANameThatNoneEverHad() {
        assertThat(RowNames.added(List.of(), Set.of())).containsExactly("r1");
        assertThat(RowNames.added(List.of("r1", "r2"), Set.of())).containsExactly("r1", "r2", "r3");
        assertThat(RowNames.added(List.of("r1", "r3"), Set.of())).containsExactly("r1", "r3", "r4");
        assertThat(RowNames.added(List.of("r1"), Set.of("r2", "r3"))).containsExactly("r1", "r4");
        assertThat(RowNames.added(List.of("mine"), Set.of("r1"))).containsExactly("mine", "r2");
    }

    @Test
    void rowsThatNobodyNamedAreCounted() {
        assertThat(RowNames.first(0)).isEmpty();
        assertThat(RowNames.first(3)).containsExactly("r1", "r2", "r3");
        assertThat(RowNames.text(List.of("r1", "r2"))).isEqualTo("r1,r2");
    }
}
