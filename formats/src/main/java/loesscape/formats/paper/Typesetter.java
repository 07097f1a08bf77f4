package loesscape.formats.paper;

import com.openhtmltopdf.extend.FSCacheEx;
import com.openhtmltopdf.extend.FSCacheValue;
import com.openhtmltopdf.extend.impl.FSDefaultCacheStore;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceType;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder.PdfAConformance;
import com.openhtmltopdf.util.XRLog;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;

/** Sets a page as PDF, tagged, with all its fonts inside. Nothing is fetched but what the page carries in itself. */
public final class Typesetter {

    static final byte[] COLOURS = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();

    /** Measures of fonts, kept, so that a font that is only there for what others lack is not read for each document. */
    private static final FSCacheEx<String, FSCacheValue> MEASURES = new FSDefaultCacheStore();

    static {
        XRLog.setLoggingEnabled(false);
    }

    private Typesetter() {}

    /** What is done with the pages while it is still known where each element lies. */
    public interface Laid {
        void on(PdfBoxRenderer renderer) throws IOException;
    }

    /** Adds the pages of some markup to an empty document, to be archived. */
    static void set(Document markup, PDDocument document, LentFonts fonts) throws IOException {
        set(markup, document, fonts, true, renderer -> {});
    }

    /**
     * Adds the pages of some markup to a document.
     *
     * @param fonts given back when the document is written, and closed
     * @param isArchivable whether it keeps ISO 19005-3, which forms with scripts do not
     */
    public static void set(Document markup, PDDocument document, LentFonts fonts, boolean isArchivable, Laid laid)
            throws IOException {
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useExternalResourceAccessControl(
                Typesetter::isInside, ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
        builder.useExternalResourceAccessControl(
                Typesetter::isInside, ExternalResourceControlPriority.RUN_AFTER_RESOLVING_URI);
        builder.useSVGDrawer(new InlineDrawing());
        builder.useUnicodeBidiSplitter(TextDirection.Runs::new);
        builder.useUnicodeBidiReorderer(new TextDirection());
        builder.useCacheStore(PdfRendererBuilder.CacheStore.PDF_FONT_METRICS, MEASURES);
        builder.useReplacementText("\uFFFD");
        for (ShippedFont font : ShippedFont.values()) {
            builder.useFont(
                    new Supplied(document, fonts, font),
                    font.family(),
                    font.isBold() ? 700 : 400,
                    FontStyle.NORMAL,
                    true);
        }
        builder.usePdfUaAccessibility(true);
        if (isArchivable) {
            builder.usePdfAConformance(PdfAConformance.PDFA_3_A);
            builder.useColorProfile(COLOURS);
        }
        builder.withProducer("Loesscape");
        builder.usePDDocument(document);
        builder.withW3cDocument(markup, "about:blank");
        try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            laid.on(renderer);
        }
    }

    private static boolean isInside(@Nullable String address, ExternalResourceType type) {
        return type == ExternalResourceType.IMAGE_RASTER
                && address != null
                && (address.startsWith("data:image/png;base64,") || address.startsWith("data:image/jpeg;base64,"));
    }

    /** A font that is read when it is first needed. */
    private static final class Supplied extends PDFontSupplier {

        private final PDDocument document;
        private final LentFonts fonts;
        private final ShippedFont font;
        private @Nullable PDFont made;

        @SuppressWarnings("NullAway") // The font is made by supply(), so that there is none to be given here.
        Supplied(PDDocument document, LentFonts fonts, ShippedFont font) {
            super(null);
            this.document = document;
            this.fonts = fonts;
            this.font = font;
        }

        @Override
        public PDFont supply() {
            PDFont known = made;
            if (known == null) {
                try {
                    known = PDType0Font.load(document, fonts.of(font), true);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                made = known;
            }
            return known;
        }
    }
}
