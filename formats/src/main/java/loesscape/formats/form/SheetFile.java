package loesscape.formats.form;

import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.formats.form.PdfForm.FormPage;
import loesscape.formats.picture.Greyscale;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.pdfbox.util.Matrix;

/**
 * Makes sheets to be written on of the pages of a PDF: upright, from their upper left corner, without fields, links,
 * scripts and layers. What cannot stand in an archived document as it is (letters without their font, colours of printing
 * inks) becomes a picture. What is printed on a page goes along with it, to be read aloud.
 */
public final class SheetFile {

    /** Where the text of a page stands in its dictionary. */
    private static final COSName TEXT = COSName.getPDFName("LoesscapeText");

    private static final Set<String> GOING = Set.of("Widget", "Link", "Popup", "null");

    private static final int DOTS_PER_INCH = 220;

    /** The longest side of a picture of a page: a large drawing is kept as fine as that. */
    private static final int MOST_DOTS = 5_000;

    private static final int MOST_PICTURED = 60;

    private static final double POINTS_OF_A_MILLIMETRE = 72 / 25.4;

    private SheetFile() {}

    /**
     * A made file.
     *
     * @param content itself
     * @param pictured the numbers of its pages that became pictures, counted from 1
     */
    record MadeSheet(byte[] content, List<Integer> pictured) {}

    static MadeSheet of(PDDocument document, List<PrintedPage> printed) throws IOException {
        List<Integer> pictured = new ArrayList<>();
        try (PDDocument made = new PDDocument()) {
            LayerUtility layers = new LayerUtility(made);
            PDFRenderer renderer = new Bounded(document);
            for (int i = 0; i < document.getNumberOfPages(); i++) {
                PDPage page = document.getPage(i);
                boolean isAlone = withoutFields(page);
                boolean isKept = isAlone && printed.get(i).fontsInside() && ArchivableResources.of(page);
                FormPage seen = PlacedPage.of(page).seen();
                PDPage sheet = new PDPage(new PDRectangle(points(seen.width()), points(seen.height())));
                String text = printed.get(i).text();
                sheet.getCOSObject().setString(TEXT, text.isEmpty() ? text(page) : text);
                made.addPage(sheet);
                try (PDPageContentStream drawing = new PDPageContentStream(made, sheet)) {
                    if (isKept) {
                        PDFormXObject form = layers.importPageAsForm(document, page);
                        UnmarkedContent.make(form);
                        drawing.transform(upright(form, seen));
                        drawing.drawForm(form);
                    } else {
                        pictured.add(i + 1);
                        if (pictured.size() > MOST_PICTURED) {
                            throw new UnreadableForm(
                                    UnreadableForm.Reason.TOO_MUCH,
                                    "More than %d pages of the PDF would have to be kept as pictures, because of their letters or colours. Bring fewer pages, or save it anew with its fonts inside."
                                            .formatted(MOST_PICTURED));
                        }
                        drawing.drawImage(
                                LosslessFactory.createFromImage(made, picture(renderer, i, seen)),
                                0,
                                0,
                                points(seen.width()),
                                points(seen.height()));
                    }
                }
            }
            made.setDocumentId(1L);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            made.save(out);
            return new MadeSheet(out.toByteArray(), pictured);
        }
    }

    /** Takes fields and links off a page; tells whether nothing else lies on it, such as a stamp. */
    private static boolean withoutFields(PDPage page) throws IOException {
        List<PDAnnotation> others = page.getAnnotations().stream()
                .filter(each -> !GOING.contains(String.valueOf(each.getSubtype())))
                .toList();
        page.setAnnotations(new ArrayList<>(others));
        return others.isEmpty();
    }

    private static float points(double millimetres) {
        return (float) (millimetres * POINTS_OF_A_MILLIMETRE);
    }

    /** From where a form lies, turned as its page was, to a page that begins in its corner; larger where its unit is. */
    private static Matrix upright(PDFormXObject form, FormPage seen) {
        Rectangle2D box = new AffineTransform(form.getMatrix().createAffineTransform())
                .createTransformedShape(form.getBBox().toGeneralPath())
                .getBounds2D();
        double scale = points(seen.width()) / box.getWidth();
        AffineTransform upright = AffineTransform.getScaleInstance(scale, scale);
        upright.translate(-box.getMinX(), -box.getMinY());
        return new Matrix(upright);
    }

    private static BufferedImage picture(PDFRenderer renderer, int page, FormPage seen) throws IOException {
        return Greyscale.where(picture(renderer, page, seen, DOTS_PER_INCH));
    }

    private static BufferedImage picture(PDFRenderer renderer, int page, FormPage seen, int dotsPerInch)
            throws IOException {
        double inches = Math.max(seen.width(), seen.height()) / 25.4;
        float dots = (float) Math.min(dotsPerInch, MOST_DOTS / inches);
        return renderer.renderImageWithDPI(page, dots, ImageType.RGB);
    }

    /** The picture of a page as it is seen, drawn as long as it has an end. */
    static BufferedImage picture(PDDocument document, int page, int dotsPerInch) throws IOException {
        FormPage seen = PlacedPage.of(document.getPage(page)).seen();
        return picture(new Bounded(document), page, seen, dotsPerInch);
    }

    /** What is printed on a page of such a file; empty where nothing is, or it is a picture of letters. */
    public static String text(PDPage sheet) {
        String text = sheet.getCOSObject().getString(TEXT);
        return text == null ? "" : text;
    }

    /** Draws pages as long as they have an end. */
    private static final class Bounded extends PDFRenderer {

        Bounded(PDDocument document) {
            super(document);
        }

        @Override
        protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
            return new PageDrawer(parameters) {

                private int operations;

                @Override
                protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
                    if (++operations > PrintedPage.MOST_OPERATIONS) {
                        throw new UnreadableForm(
                                UnreadableForm.Reason.TOO_MUCH, "A page of the PDF draws without end.");
                    }
                    COSDictionary image = operator.getImageParameters();
                    if (image != null) {
                        long pixels = (long) image.getInt(COSName.W, COSName.WIDTH, 0)
                                * image.getInt(COSName.H, COSName.HEIGHT, 0);
                        if (pixels > UnpackingBound.MOST_PIXELS || pixels < 0) {
                            throw new UnreadableForm(
                                    UnreadableForm.Reason.TOO_MUCH, "A picture in the PDF is too large.");
                        }
                    }
                    super.processOperator(operator, operands);
                }
            };
        }
    }
}
