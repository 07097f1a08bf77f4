package loesscape.server.draft;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Locale;
import javax.imageio.ImageIO;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The finished document as its author sees it before anybody has filled anything in, and the paper it is on. */
class PaperPreviewTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static String words(Visitor author, String paper) throws IOException {
        try (PDDocument document =
                Loader.loadPDF(author.get(paper + "/pdf").ok().response().body())) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static String version(Visitor author, String paper) {
        return author.get(paper).ok().json().get("version").stringValue();
    }

    @Test
    void itFollowsAnswersWordsAndPaper() throws IOException {
        Visitor author = SERVER.author();
        String draft = "/api/templates/" + author.template("Borehole and well permit") + "/draft";
        String paper = draft + "/paper";
        String before = version(author, paper);
        assertThat(version(author, paper)).isEqualTo(before);
        author.put(draft + "/answers", "{\"key\":\"applicant_name\",\"typed\":\"Wilma Terhoek\"}")
                .ok();
        String answered = version(author, paper);
        assertThat(answered).isNotEqualTo(before);
        assertThat(words(author, paper)).contains("Wilma Terhoek", "Tried out, not finished", "Sluice Lane 4");
        author.put(
                        "/api/organisation/stationery",
                        "{\"letterhead\":\"Dyke Road 9\\nVeldhollow\",\"footer\":\"Since 1871\",\"typeface\":\"serif\",\"paper\":\"a4\"}")
                .ok();
        assertThat(version(author, paper)).isNotEqualTo(answered);
        assertThat(words(author, paper)).contains("Dyke Road 9", "Since 1871").doesNotContain("Sluice Lane 4");
    }

    @Test
    void pagesArePicturesAndThereAreNoOthers() throws IOException {
        Visitor author = SERVER.author();
        String paper = "/api/templates/" + author.template("Soil sample series") + "/draft/paper";
        int pages = author.get(paper).ok().json().get("pages").intValue();
        assertThat(pages).isGreaterThan(1);
        for (int page = 1; page <= pages; page++) {
            byte[] png = author.get(paper + "/pages/" + page).ok().response().body();
            assertThat(ImageIO.read(new ByteArrayInputStream(png)).getWidth()).isBetween(800, 1_000);
        }
        author.get(paper + "/pages/0").problem(404);
        author.get(paper + "/pages/" + (pages + 1)).problem(404);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1\\n2\\n3\\n4\\n5\\n6\\n7 | ''  | at most 6 lines",
                "x{501}                   | ''  | 500 characters",
                "''                       | x{201} | longer than 200"
            })
    void whatDoesNotFitOnPaperIsRefused(String letterhead, String footer, String message) {
        String json = "{\"letterhead\":\"%s\",\"footer\":\"%s\",\"typeface\":\"sans\",\"paper\":\"a4\"}"
                .formatted(letterhead.replace("x{501}", "x".repeat(501)), footer.replace("x{201}", "x".repeat(201)));
        assertThat(SERVER.author()
                        .put("/api/organisation/stationery", json)
                        .problem(422)
                        .text()
                        .toLowerCase(Locale.ROOT))
                .contains(message);
    }
}
