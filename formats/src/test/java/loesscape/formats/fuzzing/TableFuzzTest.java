package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.api.FuzzedDataProvider;
import com.code_intelligence.jazzer.junit.FuzzTest;
import java.util.List;
import java.util.stream.Collectors;
import loesscape.core.editing.Refusal;
import loesscape.formats.table.SeparatedTable;

/** Tables as text: what is read is read again from what is written of it, quoted as RFC 4180 has it. */
class TableFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isReadOrRefused(FuzzedDataProvider data) {
        List<List<String>> lines;
        try {
            lines = SeparatedTable.read(data.consumeRemainingAsString());
        } catch (Refusal refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        String written = lines.stream()
                .map(line -> line.stream()
                        .map(cell -> "\"" + cell.replace("\"", "\"\"") + "\"")
                        .collect(Collectors.joining(",")))
                .collect(Collectors.joining("\r\n"));
        assertThat(SeparatedTable.read(written)).isEqualTo(lines);
    }
}
