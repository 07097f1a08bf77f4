package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.Locale;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import loesscape.core.model.Look;
import loesscape.formats.picture.SafePicture;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;

/** What is drawn in a page: marks of looks and choices, signatures, pictures. Each says what it is to those who cannot see it. */
final class Drawings {

    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final Pattern PEN = Pattern.compile("M\\s*\\d{1,5}(?:\\.\\d+)?[ ,]\\d{1,5}(?:\\.\\d+)?[ML\\d., ]*");
    private static final String PICTURE = "data:image/png;base64,";

    private Drawings() {}

    /** Whether what was given as a signature is a drawing or a picture, and not a name. */
    static boolean isDrawn(String signed) {
        return signed.startsWith(PICTURE) || PEN.matcher(signed).matches();
    }

    /**
     * A signature that is drawn.
     *
     * @throws IllegalStateException where its picture cannot be read: a document without it must not be taken for signed
     */
    static void signature(Markup in, String signed, String words) {
        if (signed.startsWith(PICTURE)) {
            if (!isReadable(signed.substring(PICTURE.length()))) {
                throw new IllegalStateException("A signature in the document cannot be drawn");
            }
            in.in("img").with("alt", words).with("src", signed);
            return;
        }
        Markup drawing =
                drawing(in, "pen", "0 0 320 96", words).with("width", "182").with("height", "55");
        line(drawing, withDots(signed)).with("stroke", "#174a70").with("stroke-width", "2.5");
    }

    /** A dot is a line of no length, which round caps make visible. */
    private static String withDots(String path) {
        return path.replaceAll("(M\\s*([\\d.]+[ ,][\\d.]+))", "$1L$2");
    }

    /** A signature by the path of the pen, as a drawing of its own. */
    static String pen(String path) {
        return """
                <svg xmlns="http://www.w3.org/2000/svg" width="320" height="96" viewBox="0 0 320 96">
                <path d="%s" fill="none" stroke="#174a70" stroke-width="2.5" stroke-linecap="round"/></svg>""".formatted(withDots(path));
    }

    private static boolean isReadable(String encoded) {
        try {
            return ImageIO.read(new ByteArrayInputStream(Base64.getDecoder().decode(encoded))) != null;
        } catch (IOException | RuntimeException e) {
            return false;
        }
    }

    /** A picture; an SVG is drawn, not shown. */
    static void picture(Markup in, SafePicture picture, String classes, String words) {
        if (picture.media().equals("image/svg+xml")) {
            Element root = read(picture.content());
            root.setAttribute("class", classes);
            root.setAttribute("alt", words);
            in.take(root);
            return;
        }
        in.in("img", classes)
                .with("alt", words)
                .with(
                        "src",
                        "data:%s;base64,%s"
                                .formatted(picture.media(), Base64.getEncoder().encodeToString(picture.content())));
    }

    /** The mark of a choice, with a tick in it where it was chosen. */
    static void choice(Markup in, boolean isChosen, String words) {
        Markup drawing =
                drawing(in, "mark", "0 0 16 16", words).with("width", "12").with("height", "12");
        line(drawing, "M1 1L15 1L15 15L1 15Z").with("stroke", "#5a6764").with("stroke-width", "1");
        if (isChosen) {
            line(drawing, "M3.4 8.4L6.8 12L12.8 4").with("stroke", "#1e2a28").with("stroke-width", "2.2");
        }
    }

    /** The mark of a look, as lines on a square of 16 units, the same as on the screen. */
    static void mark(Markup in, Look.Mark mark, String colour) {
        String path = switch (mark) {
            case NONE -> "";
            case TICK -> "M2.5 8.5L6.1 12.3L13.5 3.9";
            case DROP ->
                "M8 1.8C10.6 5.1 12.4 7.2 12.4 9.8C12.4 12.2 10.4 14.2 8 14.2C5.6 14.2 3.6 12.2 3.6 9.8C3.6 7.2 5.4 5.1 8 1.8Z";
            case EYE ->
                "M1.5 8C5.1 2.8 10.9 2.8 14.5 8C10.9 13.2 5.1 13.2 1.5 8ZM9.9 8A1.9 1.9 0 1 1 6.1 8A1.9 1.9 0 1 1 9.9 8Z";
            case WARNING -> "M8 2L14.6 13.7L1.4 13.7ZM8 6.4L8 9.7M8 11.7L8 11.8";
            case STOP -> "M14.2 8A6.2 6.2 0 1 1 1.8 8A6.2 6.2 0 1 1 14.2 8ZM4.8 8L11.2 8";
        };
        if (!path.isEmpty()) {
            String words = mark.name().toLowerCase(Locale.ROOT);
            line(drawing(in, "sign", "0 0 16 16", words).with("width", "14").with("height", "14"), path)
                    .with("stroke", colour)
                    .with("stroke-width", "1.7");
        }
    }

    private static Markup drawing(Markup in, String classes, String box, String words) {
        return in.in(SVG, "svg", classes).with("viewBox", box).with("alt", words);
    }

    private static Markup line(Markup drawing, String path) {
        return drawing.in(SVG, "path", "")
                .with("d", path)
                .with("fill", "none")
                .with("stroke-linecap", "round")
                .with("stroke-linejoin", "round");
    }

    private static Element read(byte[] svg) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            return factory.newDocumentBuilder()
                    .parse(new ByteArrayInputStream(svg))
                    .getDocumentElement();
        } catch (SAXException | IOException | ParserConfigurationException e) {
            throw new IllegalStateException("A picture that was cleaned cannot be read", e);
        }
    }
}
