package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class AnswersTest {

    private static final Answers SOME = Answers.NONE
            .with("depth", "5")
            .with("depth_note", "dry")
            .with("visits", "r1,r2")
            .with("cost@r1", "10")
            .with("cost@r2", "");

    @Test
    void whatNobodyTypedIsEmptyAndWasNotTouched() {
        assertThat(SOME.of("depth")).isEqualTo("5");
        assertThat(SOME.of("nothing")).isEmpty();
        assertThat(SOME.touched("cost@r2")).isEmpty();
        assertThat(SOME.touched("nothing")).isNull();
    }

    @Test
    void anotherKeyIsAnotherKeyInAllRows() {
        assertThat(SOME.renamed("cost", "price").typed())
                .containsOnlyKeys("depth", "depth_note", "visits", "price@r1", "price@r2")
                .containsEntry("price@r1", "10");
        assertThat(SOME.renamed("depth", "deep").typed())
                .containsOnlyKeys("deep", "depth_note", "visits", "cost@r1", "cost@r2")
                .containsEntry("deep", "5");
    }

    @Test
    void otherRowsLeaveWhatWasTypedInThem() {
        assertThat(SOME.withRows("visits", List.of("r2", "r3")).typed())
                .containsEntry("visits", "r2,r3")
                .containsEntry("cost@r1", "10");
    }
}
