package loesscape.formats.picture;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;

/**
 * A picture that is safe to be shown: one that says of itself what it is, of bounded size, and, where it is drawn with
 * lines and shapes, without anything that runs or fetches.
 *
 * @param name of its own, made from what it holds; the same picture has the same name
 * @param media its media type
 */
public record SafePicture(String name, String media, byte[] content) {

    /** The largest file, in bytes. */
    public static final int LARGEST = 2 * 1024 * 1024;

    /** The most pixels on a side. */
    public static final int MOST_PIXELS = 6_000;

    private static final int DIGITS = 16;
    private static final int PIXELS_ON_PAPER = 1_600;
    private static final int MOST_PIXELS_READ = 20_000;

    /**
     * Reads a picture.
     *
     * @param name what its file is called; only its words are taken over
     * @throws UnsafePicture when it is no PNG, JPEG or SVG, or is too large; the message says what to do
     */
    public static SafePicture read(String name, byte[] content) {
        if (content.length > LARGEST) {
            throw new UnsafePicture("The picture has more than 2 MB. Make it smaller.");
        }
        String ending = ending(content);
        if (ending.isEmpty()) {
            throw new UnsafePicture("This is not a PNG, JPEG or SVG picture. Save it as one of these.");
        }
        byte[] safe = ending.equals("svg") ? SafeSvg.of(content) : measured(content, ending);
        String stem = name.replaceFirst("\\.[^.]*$", "")
                .replaceAll("[^A-Za-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String words = stem.isEmpty() ? "picture" : stem.substring(0, Math.min(60, stem.length()));
        return new SafePicture("%s-%s.%s".formatted(words, digest(safe), ending), media(ending), safe);
    }

    private static String ending(byte[] content) {
        if (starts(content, 0x89, 'P', 'N', 'G', 0x0d, 0x0a, 0x1a, 0x0a)) {
            return "png";
        }
        if (starts(content, 0xff, 0xd8, 0xff)) {
            return "jpg";
        }
        String begin = new String(content, 0, Math.min(content.length, 2_000), StandardCharsets.UTF_8);
        return begin.stripLeading().startsWith("<") && begin.contains("<svg") ? "svg" : "";
    }

    private static boolean starts(byte[] content, int... with) {
        if (content.length < with.length) {
            return false;
        }
        for (int i = 0; i < with.length; i++) {
            if ((content[i] & 0xff) != with[i]) {
                return false;
            }
        }
        return true;
    }

    private static String media(String ending) {
        return switch (ending) {
            case "png" -> "image/png";
            case "jpg" -> "image/jpeg";
            default -> "image/svg+xml";
        };
    }

    /** The picture itself, once its head says that it is a readable picture of a bearable size; it is not unpacked for that. */
    private static byte[] measured(byte[] content, String ending) {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(ending);
        ImageReader reader = readers.next();
        try (ImageInputStream input = new MemoryCacheImageInputStream(new ByteArrayInputStream(content))) {
            reader.setInput(input);
            if (reader.getWidth(0) > MOST_PIXELS || reader.getHeight(0) > MOST_PIXELS) {
                throw new UnsafePicture(
                        "The picture has more than %d pixels on a side. Make it smaller.".formatted(MOST_PIXELS));
            }
            return content;
        } catch (IOException e) {
            throw new UnsafePicture("The picture cannot be read. Save it anew as PNG or JPEG.");
        } finally {
            reader.dispose();
        }
    }

    /** How many pixels a picture has, as its head says; none where it is drawn with lines and shapes. */
    public long pixels() {
        String kind = ending(content);
        if (!kind.equals("png") && !kind.equals("jpg")) {
            return 0;
        }
        ImageReader reader = ImageIO.getImageReadersByFormatName(kind).next();
        try (ImageInputStream input = new MemoryCacheImageInputStream(new ByteArrayInputStream(content))) {
            reader.setInput(input);
            return (long) reader.getWidth(0) * reader.getHeight(0);
        } catch (IOException e) {
            return 0;
        } finally {
            reader.dispose();
        }
    }

    /**
     * A small picture, taken apart and put together anew as PNG, so that nothing is in it but what is seen.
     *
     * @param most the most pixels on a side
     * @param pixels the most pixels in all; a larger one is made smaller
     * @throws UnsafePicture when it is no picture that can be read to its end, or larger
     */
    public static byte[] redrawn(byte[] content, int most, int pixels) {
        String ending = ending(content);
        if (content.length > LARGEST || (!ending.equals("png") && !ending.equals("jpg"))) {
            throw new UnsafePicture("This is not a small PNG or JPEG picture.");
        }
        ImageReader reader = ImageIO.getImageReadersByFormatName(ending).next();
        try (ImageInputStream input = new MemoryCacheImageInputStream(new ByteArrayInputStream(content))) {
            reader.setInput(input);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if (width > most || height > most) {
                throw new UnsafePicture(
                        "The picture has more than %d pixels on a side. Make it smaller.".formatted(most));
            }
            double scale = Math.min(1, Math.sqrt(pixels / ((double) width * height)));
            int across = Math.max(1, (int) (width * scale));
            int down = Math.max(1, (int) (height * scale));
            BufferedImage seen = new BufferedImage(across, down, BufferedImage.TYPE_INT_ARGB);
            Graphics2D pen = seen.createGraphics();
            pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
            pen.drawImage(reader.read(0), 0, 0, across, down, null);
            pen.dispose();
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            ImageIO.write(seen, "png", png);
            return png.toByteArray();
        } catch (IOException | RuntimeException e) {
            if (e instanceof UnsafePicture unsafe) {
                throw unsafe;
            }
            throw new UnsafePicture("The picture cannot be read. Save it anew as PNG or JPEG.");
        } finally {
            reader.dispose();
        }
    }

    /**
     * A photograph made small enough for paper and drawn anew, so that nothing is in it but what is seen: not where it was
     * taken either. Empty where it cannot be read as PNG or JPEG.
     */
    public static Optional<SafePicture> reduced(byte[] content) {
        String ending = ending(content);
        if (!ending.equals("png") && !ending.equals("jpg")) {
            return Optional.empty();
        }
        ImageReader reader = ImageIO.getImageReadersByFormatName(ending).next();
        try (ImageInputStream input = new MemoryCacheImageInputStream(new ByteArrayInputStream(content))) {
            reader.setInput(input);
            int larger = Math.max(reader.getWidth(0), reader.getHeight(0));
            int every = (larger + PIXELS_ON_PAPER - 1) / PIXELS_ON_PAPER;
            if (larger > MOST_PIXELS_READ) {
                return Optional.empty();
            }
            ImageReadParam wanted = reader.getDefaultReadParam();
            wanted.setSourceSubsampling(every, every, 0, 0);
            BufferedImage read = reader.read(0, wanted);
            BufferedImage seen = new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_RGB);
            Graphics2D pen = seen.createGraphics();
            pen.drawImage(read, 0, 0, Color.WHITE, null);
            pen.dispose();
            ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
            ImageIO.write(seen, "jpg", jpeg);
            return Optional.of(new SafePicture("photograph.jpg", media("jpg"), jpeg.toByteArray()));
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        } finally {
            reader.dispose();
        }
    }

    private static String digest(byte[] content) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(content);
            return HexFormat.of().formatHex(hash).substring(0, DIGITS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
