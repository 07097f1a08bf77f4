package loesscape.formats.fillable;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceCharacteristicsDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;

/** How fields look before anything is written: frames, marks, what lies over what is folded. */
final class FieldMarks {

    private static final double ROUND = 0.5523;

    /** What a mark looks like; a cross needs a box that is printed there. */
    enum DrawnMark {
        ROUND,
        SQUARE,
        CROSS
    }

    private final PDDocument document;

    FieldMarks(PDDocument document) {
        this.document = document;
    }

    /** A frame around what is written, on white. */
    static void framed(PDAnnotationWidget widget) {
        PDAppearanceCharacteristicsDictionary looks = new PDAppearanceCharacteristicsDictionary(new COSDictionary());
        looks.setBorderColour(colour(0.54f, 0.59f, 0.57f));
        looks.setBackground(colour(1, 1, 1));
        widget.setAppearanceCharacteristics(looks);
        PDBorderStyleDictionary border = new PDBorderStyleDictionary();
        border.setWidth(0.6f);
        widget.setBorderStyle(border);
    }

    private static PDColor colour(float red, float green, float blue) {
        return new PDColor(new float[] {red, green, blue}, PDDeviceRGB.INSTANCE);
    }

    /** White over what is folded. */
    void covering(PDAnnotationWidget widget) throws IOException {
        PDAppearanceCharacteristicsDictionary looks = new PDAppearanceCharacteristicsDictionary(new COSDictionary());
        looks.setBackground(colour(1, 1, 1));
        widget.setAppearanceCharacteristics(looks);
        PDRectangle box = widget.getRectangle();
        drawn(widget, String.format(Locale.ROOT, "1 g 0 0 %.2f %.2f re f", box.getWidth(), box.getHeight()));
    }

    /** One drawing, whatever stands in it. */
    void drawn(PDAnnotationWidget widget, String drawing) throws IOException {
        PDAppearanceDictionary appearance = new PDAppearanceDictionary();
        appearance.setNormalAppearance(stream(widget.getRectangle(), drawing));
        widget.setAppearance(appearance);
    }

    /**
     * A mark that is set or not. What holds the two drawings must be direct, or poppler 22.12 draws neither.
     *
     * @param state its name where it is set
     */
    void marked(PDAnnotationWidget widget, String state, DrawnMark shape, boolean isSet) throws IOException {
        PDRectangle box = widget.getRectangle();
        COSDictionary states = new COSDictionary();
        states.setItem(COSName.getPDFName(state), stream(box, mark(box, shape, true)));
        states.setItem(COSName.Off, stream(box, mark(box, shape, false)));
        states.setDirect(true);
        COSDictionary appearance = new COSDictionary();
        appearance.setItem(COSName.N, states);
        appearance.setDirect(true);
        widget.getCOSObject().setItem(COSName.AP, appearance);
        widget.setAppearanceState(isSet ? state : "Off");
        PDAppearanceCharacteristicsDictionary looks = new PDAppearanceCharacteristicsDictionary(new COSDictionary());
        looks.setNormalCaption(
                switch (shape) {
                    case ROUND -> "l";
                    case SQUARE -> "4";
                    case CROSS -> "8";
                });
        widget.setAppearanceCharacteristics(looks);
    }

    private PDAppearanceStream stream(PDRectangle box, String drawing) throws IOException {
        PDAppearanceStream stream = new PDAppearanceStream(document);
        stream.setBBox(new PDRectangle(box.getWidth(), box.getHeight()));
        stream.setResources(new PDResources());
        try (OutputStream out = stream.getStream().createOutputStream(COSName.FLATE_DECODE)) {
            out.write(drawing.getBytes(StandardCharsets.US_ASCII));
        }
        return stream;
    }

    private static String mark(PDRectangle box, DrawnMark shape, boolean isSet) {
        double side = Math.min(box.getWidth(), box.getHeight());
        double left = (box.getWidth() - side) / 2;
        double bottom = (box.getHeight() - side) / 2;
        return switch (shape) {
            case ROUND ->
                "q 0.12 0.16 0.16 RG 1 g 0.9 w "
                        + circle(left + side / 2, bottom + side / 2, side / 2 - 0.6) + " b "
                        + (isSet
                                ? "0.13 0.27 0.24 rg " + circle(left + side / 2, bottom + side / 2, side / 4) + " f "
                                : "")
                        + "Q";
            case SQUARE ->
                "q 0.12 0.16 0.16 RG 1 g 0.9 w "
                        + String.format(
                                Locale.ROOT,
                                "%.2f %.2f %.2f %.2f re b ",
                                left + 0.6,
                                bottom + 0.6,
                                side - 1.2,
                                side - 1.2)
                        + (isSet
                                ? String.format(
                                        Locale.ROOT,
                                        "0.13 0.27 0.24 RG 1.6 w %.2f %.2f m %.2f %.2f l %.2f %.2f l S ",
                                        left + side * 0.22,
                                        bottom + side * 0.52,
                                        left + side * 0.42,
                                        bottom + side * 0.28,
                                        left + side * 0.8,
                                        bottom + side * 0.76)
                                : "")
                        + "Q";
            case CROSS ->
                isSet
                        ? String.format(
                                Locale.ROOT,
                                "q 0.12 0.16 0.16 RG 1.4 w %.2f %.2f m %.2f %.2f l S %.2f %.2f m %.2f %.2f l S Q",
                                left + side * 0.2,
                                bottom + side * 0.2,
                                left + side * 0.8,
                                bottom + side * 0.8,
                                left + side * 0.2,
                                bottom + side * 0.8,
                                left + side * 0.8,
                                bottom + side * 0.2)
                        : "";
        };
    }

    private static String circle(double x, double y, double radius) {
        double pull = ROUND * radius;
        return String.format(
                Locale.ROOT,
                "%1$.2f %2$.2f m %1$.2f %3$.2f %4$.2f %5$.2f %6$.2f %5$.2f c %7$.2f %5$.2f %8$.2f %3$.2f %8$.2f %2$.2f c %8$.2f %9$.2f %7$.2f %10$.2f %6$.2f %10$.2f c %4$.2f %10$.2f %1$.2f %9$.2f %1$.2f %2$.2f c",
                x + radius,
                y,
                y + pull,
                x + pull,
                y + radius,
                x,
                x - pull,
                x - radius,
                y - pull,
                y - radius);
    }
}
