package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Random;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;

class LentSheetsTest {

    private static byte[] pages(int count, int filling) throws IOException {
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < count; i++) {
                document.addPage(new PDPage());
            }
            document.getDocumentInformation()
                    .setTitle(new Random(filling)
                            .ints(filling, ' ', 0x2000)
                            .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                            .toString());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void aFileIsReadOnceForADocumentAndLentToTheNext() throws IOException {
        byte[] file = pages(3, 0);
        PDDocument read;
        try (LentSheets sheets = new LentSheets()) {
            read = sheets.of(file);
            assertThat(read.getNumberOfPages()).isEqualTo(3);
            assertThat(sheets.of(file.clone())).isSameAs(read);
        }
        try (LentSheets sheets = new LentSheets()) {
            assertThat(sheets.of(file.clone())).isSameAs(read);
            assertThat(sheets.of(pages(2, 0)).getNumberOfPages()).isEqualTo(2);
        }
    }

    @Test
    void nothingIsLentToTwoAtOnce() throws IOException {
        byte[] file = pages(4, 0);
        try (LentSheets first = new LentSheets();
                LentSheets second = new LentSheets()) {
            assertThat(first.of(file)).isNotSameAs(second.of(file));
        }
    }

    @Test
    void whatWasUsedLongAgoIsClosedAndReadAnew() throws IOException {
        byte[] file = pages(5, 0);
        PDDocument read;
        try (LentSheets sheets = new LentSheets()) {
            read = sheets.of(file);
        }
        for (int others = 0; others < 4; others++) {
            try (LentSheets sheets = new LentSheets()) {
                sheets.of(pages(1, 1 + others));
            }
        }
        assertThat(read.getDocument().isClosed()).isTrue();
        try (LentSheets sheets = new LentSheets()) {
            assertThat(sheets.of(file).getNumberOfPages()).isEqualTo(5);
        }
    }

    @Test
    void largeFilesAreNotKept() throws IOException {
        byte[] file = pages(1, 4_000_001);
        PDDocument read;
        try (LentSheets sheets = new LentSheets()) {
            read = sheets.of(file);
        }
        assertThat(read.getDocument().isClosed()).isTrue();
    }

    @Test
    void whatIsBrokenIsNotKept() {
        try (LentSheets sheets = new LentSheets()) {
            assertThatThrownBy(() -> sheets.of(new byte[] {1, 2, 3})).isInstanceOf(IOException.class);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }
}
