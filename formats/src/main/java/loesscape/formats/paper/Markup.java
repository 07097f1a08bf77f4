package loesscape.formats.paper;

import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Writes a page as a tree of elements: what people write is text in it, whatever it holds. */
public final class Markup {

    private static final int LONGEST_PIECE = 1_000;

    private final Element here;

    private Markup(Element here) {
        this.here = here;
    }

    /** A new page. */
    public static Markup page(String language, boolean isRightToLeft) {
        try {
            Document document = DocumentBuilderFactory.newDefaultNSInstance()
                    .newDocumentBuilder()
                    .newDocument();
            Element html = document.createElement("html");
            document.appendChild(html);
            return new Markup(html).with("lang", language).with("dir", isRightToLeft ? "rtl" : "ltr");
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The whole page. */
    public Document document() {
        return here.getOwnerDocument();
    }

    /** An element in this one. */
    public Markup in(String name) {
        Element element = document().createElement(name);
        here.appendChild(element);
        return new Markup(element);
    }

    /** An element of a class in this one. */
    public Markup in(String name, String classes) {
        return in(name).with("class", classes);
    }

    /** An element of a namespace in this one. */
    Markup in(String space, String name, String classes) {
        Element element = document().createElementNS(space, name);
        here.appendChild(element);
        return new Markup(element).with("class", classes);
    }

    /** This element with an attribute; without it where it would be empty. */
    public Markup with(String attribute, String value) {
        if (!value.isEmpty()) {
            here.setAttribute(attribute, PrintableText.of(value));
        }
        return this;
    }

    /** Text in this element; each of its lines on one of its own. */
    public Markup say(String text) {
        String[] lines = PrintableText.of(text).split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            if (i > 0) {
                in("br");
            }
            append(lines[i]);
        }
        return this;
    }

    /**
     * Adds a line in pieces, for each time one of its lines on paper is broken all that is left of a piece is measured:
     * with 200,000 letters in one piece that takes minutes. An endless word is parted where a piece ends.
     */
    private void append(String line) {
        int from = 0;
        while (line.length() - from > LONGEST_PIECE) {
            int space = line.lastIndexOf(' ', from + LONGEST_PIECE);
            boolean hasSpace = space > from;
            int to = hasSpace
                    ? space + 1
                    : line.offsetByCodePoints(from, line.codePointCount(from, from + LONGEST_PIECE));
            here.appendChild(document().createTextNode(line.substring(from, to)));
            if (!hasSpace) {
                in("br");
            }
            from = to;
        }
        if (from < line.length()) {
            here.appendChild(document().createTextNode(line.substring(from)));
        }
    }

    /** A copy of an element of another page in this one. */
    Markup take(Element other) {
        here.appendChild(document().importNode(other, true));
        return this;
    }
}
