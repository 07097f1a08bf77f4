package loesscape.formats.export;

import java.awt.Color;
import java.io.IOException;
import java.util.Base64;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Draws signatures on paper: the path of a pen, a picture, or a name, above a ruled line. */
final class SignatureDrawing {

    /** The pad on which pens are drawn, in its own units. */
    private static final float PAD_WIDTH = 320;

    private static final float PAD_HEIGHT = 96;

    /** How large the pad is on paper, in points. */
    static final float WIDTH = 180;

    static final float HEIGHT = WIDTH * PAD_HEIGHT / PAD_WIDTH;
    private static final float PEN = 1.4f;
    private static final Pattern MOVE = Pattern.compile("([ML])\\s*(\\d{1,5}(?:\\.\\d+)?)[ ,](\\d{1,5}(?:\\.\\d+)?)");
    private static final String PICTURE = "data:image/png;base64,";

    private SignatureDrawing() {}

    /** Whether what was given is a drawing or a picture, and not a name. */
    static boolean isDrawn(String signed) {
        return (signed.startsWith("M") && MOVE.matcher(signed).lookingAt()) || signed.startsWith(PICTURE);
    }

    /** Draws with the lower left corner of the pad at a place. */
    static void draw(PDDocument document, PDPageContentStream page, String signed, float x, float y, Color ink)
            throws IOException {
        if (signed.startsWith(PICTURE)) {
            byte[] png = Base64.getDecoder().decode(signed.substring(PICTURE.length()));
            PDImageXObject image = PDImageXObject.createFromByteArray(document, png, "signature");
            float scale = Math.min(WIDTH / image.getWidth(), HEIGHT / image.getHeight());
            page.drawImage(image, x, y, image.getWidth() * scale, image.getHeight() * scale);
            return;
        }
        page.setStrokingColor(ink);
        page.setLineWidth(PEN);
        page.setLineCapStyle(1);
        page.setLineJoinStyle(1);
        Matcher move = MOVE.matcher(signed);
        boolean any = false;
        float scale = WIDTH / PAD_WIDTH;
        while (move.find()) {
            float toX = x + Float.parseFloat(move.group(2)) * scale;
            float toY = y + HEIGHT - Float.parseFloat(move.group(3)) * scale;
            if (move.group(1).equals("M") || !any) {
                page.moveTo(toX, toY);
                // A dot is a line of no length, which round caps make visible.
                page.lineTo(toX, toY);
            } else {
                page.lineTo(toX, toY);
            }
            any = true;
        }
        if (any) {
            page.stroke();
        }
    }
}
