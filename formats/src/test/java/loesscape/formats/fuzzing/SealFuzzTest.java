package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import loesscape.formats.seal.SealCheck;

/** Files that say they are sealed: a verdict with words, whatever they are; and nobody is known where nobody is named. */
class SealFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void hasAVerdict(byte[] file) {
        SealCheck check = SealCheck.of(file, null);
        assertThat(check.message()).isNotBlank();
        assertThat(check.verdict()).isNotEqualTo(SealCheck.Verdict.SEALED_HERE);
    }
}
