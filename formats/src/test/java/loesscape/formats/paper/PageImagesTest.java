package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** Pages as pictures: as a reader of PNG of somebody else's making (the JDK's, ISO/IEC 15948) sees them, dot for dot. */
class PageImagesTest {

    /** The first page has many shades of many colours, the second none. */
    private static byte[] pages() throws IOException {
        try (PDDocument document = new PDDocument()) {
            for (boolean isColoured : new boolean[] {true, false}) {
                PDPage page = new PDPage(new PDRectangle(201, 143));
                document.addPage(page);
                try (PDPageContentStream drawing = new PDPageContentStream(document, page)) {
                    for (int i = 0; i < 20; i++) {
                        drawing.setStrokingColor(
                                isColoured ? Color.getHSBColor(i / 20f, 0.8f, 0.7f) : new Color(i, i, i));
                        drawing.moveTo(3.3f * i, 1.7f);
                        drawing.lineTo(190 - 5.1f * i, 140);
                        drawing.stroke();
                    }
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static BufferedImage shown(byte[] pdf, int page, int dots) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(PageImages.png(pdf, page, dots)));
    }

    @Test
    void aPageIsShownDotForDot() throws IOException {
        byte[] pdf = pages();
        assertThat(PageImages.count(pdf)).isEqualTo(2);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int page = 1; page <= 2; page++) {
                BufferedImage shown = shown(pdf, page, 110);
                BufferedImage drawn = new PDFRenderer(document).renderImageWithDPI(page - 1, 110, ImageType.RGB);
                assertThat(shown.getWidth()).isEqualTo(drawn.getWidth());
                assertThat(shown.getHeight()).isEqualTo(drawn.getHeight());
                for (int y = 0; y < drawn.getHeight(); y++) {
                    for (int x = 0; x < drawn.getWidth(); x++) {
                        assertThat(colour(shown, x, y)).as("%d, %d", x, y).isEqualTo(drawn.getRGB(x, y) & 0xffffff);
                    }
                }
            }
        }
    }

    /** As stored: a picture of greys alone is not turned into the greys of a screen. */
    private static int colour(BufferedImage image, int x, int y) {
        return image.getRaster().getNumBands() == 1
                ? image.getRaster().getSample(x, y, 0) * 0x10101
                : image.getRGB(x, y) & 0xffffff;
    }

    @Test
    void aPageWithoutColoursTakesOneShadeForEachDot() throws IOException {
        byte[] pdf = pages();
        assertThat(shown(pdf, 1, 110).getRaster().getNumBands()).isEqualTo(3);
        assertThat(shown(pdf, 2, 110).getRaster().getNumBands()).isEqualTo(1);
    }

    @Test
    void itIsAsFineAsAskedFor() throws IOException {
        byte[] pdf = pages();
        assertThat(shown(pdf, 1, 72).getWidth()).isEqualTo(201);
        assertThat(shown(pdf, 1, 144).getWidth()).isEqualTo(402);
    }
}
