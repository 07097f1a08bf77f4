package loesscape.formats.answers;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/** Answers to the fields of a PDF as XML (ISO 19444-1, 6.2: xfdf, fields, field, value, value-richtext). */
final class XfdfFile {

    private static final int DEEPEST = 20;

    private XfdfFile() {}

    static GivenAnswers read(byte[] file) {
        Element root = root(file);
        if (!"xfdf".equals(root.getLocalName())) {
            throw new UnreadableAnswers("This XML is no XFDF: it begins with “%s”.".formatted(root.getNodeName()));
        }
        Map<String, List<String>> values = new LinkedHashMap<>();
        for (Node node = root.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element fields && "fields".equals(fields.getLocalName())) {
                fields(fields, "", 0, values);
            }
        }
        return new GivenAnswers(values);
    }

    private static void fields(Element holder, String around, int depth, Map<String, List<String>> values) {
        if (depth > DEEPEST) {
            throw new UnreadableAnswers("The fields of the XFDF file are nested more than %d deep.".formatted(DEEPEST));
        }
        for (Node node = holder.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (!(node instanceof Element each)) {
                continue;
            }
            switch (each.getLocalName()) {
                case "field" -> {
                    String part = each.getAttribute("name");
                    fields(each, around.isEmpty() ? part : around + "." + part, depth + 1, values);
                }
                case "value" -> {
                    String text = each.getTextContent();
                    AnswersBrought.put(values, around, text.equals("Off") ? "" : text);
                }
                default -> {
                    // Rich text says the same again, in letters of some look.
                }
            }
        }
    }

    private static Element root(byte[] file) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder.parse(new ByteArrayInputStream(file)).getDocumentElement();
        } catch (SAXException | IOException e) {
            throw new UnreadableAnswers("The XML cannot be read: %s".formatted(e.getMessage()));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }
}
