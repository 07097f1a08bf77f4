package loesscape.formats.picture;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Set;
import java.util.regex.Pattern;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Pictures in SVG (W3C, Scalable Vector Graphics 2) reduced to what draws: shapes, texts, gradients and their looks.
 * Whatever could run, fetch, link or carry another document is left out, and so is everything that is not known here.
 */
final class SafeSvg {

    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final int DEEPEST = 50;
    private static final int MOST_ELEMENTS = 20_000;

    private static final Set<String> ELEMENTS = Set.of(
            "svg",
            "g",
            "defs",
            "title",
            "desc",
            "path",
            "rect",
            "circle",
            "ellipse",
            "line",
            "polyline",
            "polygon",
            "text",
            "tspan",
            "linearGradient",
            "radialGradient",
            "stop",
            "clipPath",
            "mask",
            "pattern",
            "symbol",
            "use",
            "marker");

    private static final Set<String> ATTRIBUTES = Set.of(
            "id",
            "class",
            "viewBox",
            "preserveAspectRatio",
            "version",
            "width",
            "height",
            "x",
            "y",
            "x1",
            "y1",
            "x2",
            "y2",
            "cx",
            "cy",
            "r",
            "rx",
            "ry",
            "fx",
            "fy",
            "d",
            "points",
            "transform",
            "fill",
            "fill-rule",
            "fill-opacity",
            "stroke",
            "stroke-width",
            "stroke-linecap",
            "stroke-linejoin",
            "stroke-dasharray",
            "stroke-dashoffset",
            "stroke-miterlimit",
            "stroke-opacity",
            "opacity",
            "color",
            "display",
            "visibility",
            "clip-path",
            "clip-rule",
            "mask",
            "offset",
            "stop-color",
            "stop-opacity",
            "gradientUnits",
            "gradientTransform",
            "spreadMethod",
            "patternUnits",
            "patternTransform",
            "maskUnits",
            "clipPathUnits",
            "markerWidth",
            "markerHeight",
            "markerUnits",
            "refX",
            "refY",
            "orient",
            "marker-start",
            "marker-mid",
            "marker-end",
            "font-family",
            "font-size",
            "font-weight",
            "font-style",
            "text-anchor",
            "dominant-baseline",
            "letter-spacing",
            "dx",
            "dy",
            "rotate",
            "role",
            "aria-label",
            "href");

    /** A reference inside the picture, or no reference at all. */
    private static final Pattern LOCAL = Pattern.compile("#[\\w.-]+");

    private static final Pattern FETCHES =
            Pattern.compile("url\\s*\\(\\s*['\"]?\\s*(?!#)|[a-z]+script\\s*:|data\\s*:|\\\\", Pattern.CASE_INSENSITIVE);

    private int elements;

    private SafeSvg() {}

    /** The picture without what could do harm. */
    static byte[] of(byte[] content) {
        Element root = parsed(content).getDocumentElement();
        if (!SVG.equals(root.getNamespaceURI()) || !"svg".equals(root.getLocalName())) {
            throw new UnsafePicture("This file is not an SVG picture.");
        }
        new SafeSvg().clean(root, 0);
        if (new DrawnShapes(root).count() > MOST_ELEMENTS) {
            throw new UnsafePicture("The SVG picture uses its shapes again too often. Draw them where they stand.");
        }
        return written(root);
    }

    private static Document parsed(byte[] content) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            DocumentBuilder builder = factory.newDocumentBuilder();
            builder.setErrorHandler(new DefaultHandler());
            return builder.parse(new ByteArrayInputStream(content));
        } catch (SAXException | IOException e) {
            throw new UnsafePicture("The SVG picture cannot be read: %s Save it as plain SVG, without a document type."
                    .formatted(e.getMessage()));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private void clean(Element element, int depth) {
        if (depth > DEEPEST || ++elements > MOST_ELEMENTS) {
            throw new UnsafePicture("The SVG picture has too many shapes, or nests them too deep. Simplify it.");
        }
        attributes(element);
        NodeList children = element.getChildNodes();
        for (int i = children.getLength() - 1; i >= 0; i--) {
            Node child = children.item(i);
            boolean draws = child instanceof Element inner
                    && SVG.equals(inner.getNamespaceURI())
                    && ELEMENTS.contains(inner.getLocalName());
            if (draws) {
                clean((Element) child, depth + 1);
            } else if (child.getNodeType() != Node.TEXT_NODE) {
                element.removeChild(child);
            }
        }
    }

    private static void attributes(Element element) {
        NamedNodeMap attributes = element.getAttributes();
        for (int i = attributes.getLength() - 1; i >= 0; i--) {
            Attr attribute = (Attr) attributes.item(i);
            String name = attribute.getLocalName();
            boolean space = XMLConstants.XMLNS_ATTRIBUTE_NS_URI.equals(attribute.getNamespaceURI());
            boolean known = !space
                    && ATTRIBUTES.contains(name)
                    && !FETCHES.matcher(attribute.getValue()).find();
            boolean local =
                    !"href".equals(name) || LOCAL.matcher(attribute.getValue()).matches();
            if (!known || !local) {
                element.removeAttributeNode(attribute);
            }
        }
    }

    private static byte[] written(Element root) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            TransformerFactory factory = TransformerFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            Transformer transformer = factory.newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            transformer.transform(new DOMSource(root), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IllegalStateException(e);
        }
    }
}
