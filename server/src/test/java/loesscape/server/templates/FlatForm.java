package loesscape.server.templates;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** A printed form without fields, of some lines of words. */
public final class FlatForm {

    private FlatForm() {}

    /** One page with each line beneath the other. */
    public static byte[] of(String... lines) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream drawing = new PDPageContentStream(document, page)) {
                float y = 740;
                for (String line : lines) {
                    drawing.beginText();
                    drawing.setFont(new PDType1Font(FontName.HELVETICA), 11);
                    drawing.newLineAtOffset(60, y);
                    drawing.showText(line);
                    drawing.endText();
                    y -= 30;
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }
}
