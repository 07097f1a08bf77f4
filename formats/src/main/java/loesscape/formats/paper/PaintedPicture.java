package loesscape.formats.paper;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Optional;
import javax.imageio.ImageIO;
import loesscape.formats.picture.SafePicture;

/**
 * A picture as dots, for files that know no drawings.
 *
 * @param ending of its file: png or jpg
 * @param width in dots
 * @param height in dots
 */
public record PaintedPicture(byte[] content, String ending, int width, int height) {

    /** A picture as it is, or painted where it is a drawing. */
    public static PaintedPicture of(SafePicture picture) {
        if (picture.media().equals("image/svg+xml")) {
            return painted(picture.content());
        }
        return of(picture.content(), picture.media().equals("image/jpeg") ? "jpg" : "png");
    }

    /**
     * A signature that is drawn; empty where it is a name.
     *
     * @throws IllegalStateException where its picture cannot be read: a document without it must not be taken for signed
     */
    public static Optional<PaintedPicture> signature(String signed) {
        if (!Drawings.isDrawn(signed)) {
            return Optional.empty();
        }
        if (signed.startsWith("data:")) {
            return Optional.of(of(Base64.getDecoder().decode(signed.substring(signed.indexOf(',') + 1)), "png"));
        }
        return Optional.of(painted(Drawings.pen(signed).getBytes(StandardCharsets.UTF_8)));
    }

    private static PaintedPicture painted(byte[] svg) {
        try {
            BufferedImage image = InlineDrawing.painted(svg);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "png", out);
            return new PaintedPicture(out.toByteArray(), "png", image.getWidth(), image.getHeight());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static PaintedPicture of(byte[] content, String ending) {
        try {
            BufferedImage image = ImageIO.read(new ByteArrayInputStream(content));
            if (image == null) {
                throw new IllegalStateException("A picture in the document cannot be drawn");
            }
            return new PaintedPicture(content, ending, image.getWidth(), image.getHeight());
        } catch (IOException e) {
            throw new IllegalStateException("A picture in the document cannot be drawn", e);
        }
    }
}
