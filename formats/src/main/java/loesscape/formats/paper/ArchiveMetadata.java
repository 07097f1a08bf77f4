package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
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

    private static final DocumentBuilderFactory READERS = DocumentBuilderFactory.newDefaultNSInstance();
    private static final TransformerFactory WRITERS = TransformerFactory.newDefaultInstance();

    private ArchiveMetadata() {}

    /** Puts a time in the places of the times at which it was made. */
    public static void date(PDDocument document, Instant at) throws IOException {
        PDMetadata metadata = document.getDocumentCatalog().getMetadata();
        Document packet = read(metadata.toByteArray());
        date(packet, at);
        metadata.importXMPMetadata(written(packet));
    }

    /** Gives a document this metadata, with a title, a description and a time in the places of others. */
    static void say(PDDocument document, Document packet, String title, String description, Instant at)
            throws IOException {
        first(packet, "title", title);
        first(packet, "description", description);
        date(packet, at);
        document.getDocumentCatalog().setMetadata(new PDMetadata(document, new ByteArrayInputStream(written(packet))));
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

    /** Takes metadata apart. */
    static Document read(byte[] metadata) throws IOException {
        try {
            return reader().parse(new ByteArrayInputStream(metadata));
        } catch (SAXException e) {
            throw new IllegalStateException("The metadata that was just written cannot be read", e);
        }
    }

    private static byte[] written(Document packet) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            writer().transform(new DOMSource(packet), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IllegalStateException("Metadata cannot be written", e);
        }
    }

    /** What makes readers takes long to be found, and is not said to be safe for several threads. */
    private static DocumentBuilder reader() {
        synchronized (READERS) {
            try {
                READERS.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
                return READERS.newDocumentBuilder();
            } catch (ParserConfigurationException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private static Transformer writer() throws TransformerException {
        synchronized (WRITERS) {
            Transformer writer = WRITERS.newTransformer();
            writer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            return writer;
        }
    }
}
