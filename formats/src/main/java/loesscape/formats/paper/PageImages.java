package loesscape.formats.paper;

import com.pngencoder.PngEncoder;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import loesscape.formats.picture.Greyscale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Pages of a document as pictures, to be looked at on a screen. */
public final class PageImages {

    private PageImages() {}

    /** How many pages a document of our own making has. */
    public static int count(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A page as PNG.
     *
     * @param page counts from 1
     * @param dotsPerInch how finely it is drawn
     */
    public static byte[] png(byte[] pdf, int page, int dotsPerInch) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage image = new PDFRenderer(document).renderImageWithDPI(page - 1, dotsPerInch, ImageType.RGB);
            return png(Greyscale.where(image));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Packed quickly: it is waited for, and a tenth smaller would take twice as long. */
    private static byte[] png(BufferedImage image) {
        return new PngEncoder()
                .withBufferedImage(image)
                .withCompressionLevel(QUICKLY)
                .withMultiThreadedCompressionEnabled(false)
                .toBytes();
    }

    private static final int QUICKLY = 2;
}
