package loesscape.formats.seal;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.junit.jupiter.api.Test;

/** Files that unpack to much more than they are, are told before anything unpacks them. */
class PackedPdfTest {

    private static byte[] deflated(byte[] bytes) {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed, new Deflater(9))) {
            out.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return packed.toByteArray();
    }

    private static byte[] file(String dictionary, byte[] stream) {
        String head = "%PDF-1.7\n1 0 obj\n<< " + dictionary + " /Length " + stream.length + " >>\nstream\r\n";
        String tail = "\nendstream\nendobj\ntrailer\n<< /Root 1 0 R >>\n%%EOF\n";
        return (head + new String(stream, ISO_8859_1) + tail).getBytes(ISO_8859_1);
    }

    private static void refused(byte[] pdf, String message) {
        assertThat(pdf.length).isLessThan(3_000_000);
        assertThatThrownBy(() -> PackedPdf.check(pdf))
                .isInstanceOf(IOException.class)
                .hasMessageContaining(message);
        SealCheck check = SealCheck.of(pdf, null);
        assertThat(check.verdict()).isEqualTo(SealCheck.Verdict.UNREADABLE);
        assertThat(check.message()).contains(message);
    }

    @Test
    void whatUnpacksToGigabytesIsNotUnpacked() {
        byte[] megabytes = new byte[450_000_000];
        refused(file("/Filter /FlateDecode", deflated(megabytes)), "unpacks to so much");
    }

    @Test
    void whatIsPackedTwiceIsCountedTwice() {
        byte[] once = deflated(new byte[450_000_000]);
        refused(file("/Filter [/FlateDecode /FlateDecode]", deflated(once)), "unpacks to so much");
        refused(
                file("/Filter [/FlateDecode /FlateDecode /FlateDecode]", deflated(deflated(once))),
                "unpacks to so much");
    }

    @Test
    void millionsOfObjectsAreNotMade() {
        byte[] objects = "<<>>".repeat(2_500_000).getBytes(US_ASCII);
        refused(
                file("/Type /ObjStm /N 2500000 /First 10 /Filter /FlateDecode", deflated(objects)),
                "unpacks to so much");
        refused(
                file("/Type /ObjStm /N 1 /Fir#73t 10 /Filter /FlateDecode", deflated(new byte[9_000_000])),
                "unpacks to so much");
        refused(("%PDF-1.7\n1 0 obj\n" + "[]".repeat(600_000) + "\nendobj\n").getBytes(US_ASCII), "unpacks to so much");
    }

    @Test
    void otherWaysOfPackingAreNotTried() throws IOException {
        for (String filter : new String[] {"/LZWDecode", "/L#5aWDecode", "/A85", "/Run#4cengthDecode"}) {
            refused(file("/Filter " + filter, "abc".getBytes(US_ASCII)), "packed or encrypted");
        }
        ByteArrayOutputStream encrypted = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.protect(new StandardProtectionPolicy("owner", "", new AccessPermission()));
            document.save(encrypted);
        }
        refused(encrypted.toByteArray(), "packed or encrypted");
    }

    @Test
    void anOrdinaryFileIsLookedInto() throws IOException {
        ByteArrayOutputStream saved = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < 500; i++) {
                document.addPage(new PDPage());
            }
            document.save(saved);
        }
        assertThatCode(() -> PackedPdf.check(saved.toByteArray())).doesNotThrowAnyException();
        assertThat(SealCheck.of(saved.toByteArray(), null).verdict()).isEqualTo(SealCheck.Verdict.NOT_SEALED);
        assertThatCode(() -> PackedPdf.check("/stream endstream stream".getBytes(US_ASCII)))
                .doesNotThrowAnyException();
    }
}
