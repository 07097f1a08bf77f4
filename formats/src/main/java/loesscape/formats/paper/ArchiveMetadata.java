package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.function.Consumer;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** The metadata of a document (XMP, ISO 16684-1), with the time at which it was finished in place of now. */
public final class ArchiveMetadata {

    private static final String DUBLIN_CORE = "http://purl.org/dc/elements/1.1/";
    private static final String[] DATES = {"CreateDate", "ModifyDate", "MetadataDate"};

    private ArchiveMetadata() {}

    /** Puts a time in the places of the times at which it was made. */
    public static void date(PDDocument document, Instant at) throws IOException {
        edit(document, packet -> date(packet, at));
    }

    /** Puts a title, a description and a time in the places of others. */
    static void say(PDDocument document, String title, String description, Instant at) throws IOException {
        edit(document, packet -> {
            first(packet, "title", title);
            first(packet, "description", description);
            date(packet, at);
        });
    }

    private static void date(Document packet, Instant at) {
        for (String name : DATES) {
            NodeList dates = packet.getElementsByTagNameNS("*", name);
            for (int i = 0; i < dates.getLength(); i++) {
                dates.item(i).setTextContent(at.truncatedTo(ChronoUnit.SECONDS).toString());
            }
        }
    }

    private static void first(Document packet, String name, String text) {
        NodeList named = packet.getElementsByTagNameNS(DUBLIN_CORE, name);
        for (int i = 0; i < named.getLength(); i++) {
            NodeList written = ((Element) named.item(i)).getElementsByTagNameNS("*", "li");
            for (int j = 0; j < written.getLength(); j++) {
                written.item(j).setTextContent(text);
            }
        }
    }

    private static void edit(PDDocument document, Consumer<Document> editing) throws IOException {
        PDMetadata metadata = document.getDocumentCatalog().getMetadata();
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            Document packet = factory.newDocumentBuilder().parse(new ByteArrayInputStream(metadata.toByteArray()));
            editing.accept(packet);
            Transformer transformer = TransformerFactory.newDefaultInstance().newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            transformer.transform(new DOMSource(packet), new StreamResult(out));
            metadata.importXMPMetadata(out.toByteArray());
        } catch (SAXException | ParserConfigurationException | TransformerException e) {
            throw new IllegalStateException("The metadata that was just written cannot be read", e);
        }
    }
}
