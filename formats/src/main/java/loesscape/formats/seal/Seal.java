package loesscape.formats.seal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.GregorianCalendar;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.SignatureOptions;

/** Seals PDF files. */
public final class Seal {

    private static final int ROOM = 24_576;

    private Seal() {}

    /**
     * A PDF with a seal over all of it (ISO 32000-2, 12.8, and ETSI EN 319 142-1). The bytes given stay as they are; the
     * seal is added behind them.
     *
     * @param pdf a whole PDF file
     * @param reason why it was sealed, in words
     * @param now when it is sealed
     */
    public static byte[] seal(byte[] pdf, Authority authority, String reason, Instant now) {
        try (PDDocument document = Loader.loadPDF(pdf);
                SignatureOptions options = new SignatureOptions()) {
            PDSignature signature = new PDSignature();
            signature.setFilter(COSName.getPDFName("Loesscape"));
            signature.setSubFilter(COSName.getPDFName("ETSI.CAdES.detached"));
            signature.setName(authority.name());
            signature.setReason(reason);
            signature.setSignDate(GregorianCalendar.from(now.atZone(ZoneOffset.UTC)));
            options.setPreferredSignatureSize(ROOM);
            document.addSignature(signature, content -> authority.sign(content, now), options);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
