package loesscape.formats.docx;

import java.io.ByteArrayOutputStream;
import java.util.Locale;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import loesscape.formats.paper.PrintableText;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** An element of a part of the file: what people write is text in it, whatever it holds. Names are written with their prefix. */
final class DocxElement {

    /** The namespaces of this file, declared at the root of each part. */
    enum Space {
        W("http://schemas.openxmlformats.org/wordprocessingml/2006/main"),
        R("http://schemas.openxmlformats.org/officeDocument/2006/relationships"),
        WP("http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing"),
        A("http://schemas.openxmlformats.org/drawingml/2006/main"),
        PIC("http://schemas.openxmlformats.org/drawingml/2006/picture"),
        MC("http://schemas.openxmlformats.org/markup-compatibility/2006"),
        W14("http://schemas.microsoft.com/office/word/2010/wordml"),
        W15("http://schemas.microsoft.com/office/word/2012/wordml");

        private final String address;

        Space(String address) {
            this.address = address;
        }

        private String prefix() {
            return name().toLowerCase(Locale.ROOT);
        }

        private static String of(String name) {
            return valueOf(name.substring(0, name.indexOf(':')).toUpperCase(Locale.ROOT)).address;
        }
    }

    private final Element here;

    private DocxElement(Element here) {
        this.here = here;
    }

    /** The root of a part, such as {@code w:document}. */
    static DocxElement root(String name) {
        try {
            Document document = DocumentBuilderFactory.newDefaultNSInstance()
                    .newDocumentBuilder()
                    .newDocument();
            Element root = document.createElementNS(Space.of(name), name);
            document.appendChild(root);
            for (Space space : Space.values()) {
                root.setAttributeNS(XMLConstants.XMLNS_ATTRIBUTE_NS_URI, "xmlns:" + space.prefix(), space.address);
            }
            // What is of later editions is passed over by readers that do not know it.
            root.setAttributeNS(Space.MC.address, "mc:Ignorable", "w14 w15");
            return new DocxElement(root);
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** An element in this one. */
    DocxElement in(String name) {
        Element element = here.getOwnerDocument().createElementNS(Space.of(name), name);
        here.appendChild(element);
        return new DocxElement(element);
    }

    /** An element in this one that says one thing, as {@code w:val}. */
    DocxElement in(String name, String value) {
        DocxElement element = in(name);
        element.with(name.substring(0, name.indexOf(':')) + ":val", value);
        return element;
    }

    /** This element with an attribute; one without a prefix is in no namespace. */
    DocxElement with(String attribute, String value) {
        String written = PrintableText.of(value);
        if (attribute.indexOf(':') < 0) {
            here.setAttribute(attribute, written);
        } else if (attribute.equals("xml:space")) {
            here.setAttributeNS(XMLConstants.XML_NS_URI, attribute, written);
        } else {
            here.setAttributeNS(Space.of(attribute), attribute, written);
        }
        return this;
    }

    /** This element with an attribute that is a number. */
    DocxElement with(String attribute, long value) {
        return with(attribute, Long.toString(value));
    }

    /** Text in this element. */
    DocxElement say(String text) {
        here.appendChild(here.getOwnerDocument().createTextNode(PrintableText.of(text)));
        return this;
    }

    /** The part as it is written. */
    byte[] bytes() {
        try {
            TransformerFactory factory = TransformerFactory.newDefaultInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            Transformer transformer = factory.newTransformer();
            transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
            transformer.setOutputProperty(OutputKeys.STANDALONE, "yes");
            here.getOwnerDocument().setXmlStandalone(true);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            transformer.transform(new DOMSource(here.getOwnerDocument()), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IllegalStateException(e);
        }
    }
}
