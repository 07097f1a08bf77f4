package loesscape.formats.word;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.xml.sax.SAXException;

/**
 * The parts of a packed document that are read, within bounds.
 *
 * @param names of all that is in it
 * @param content of those that are read
 */
record DocumentParts(Set<String> names, Map<String, byte[]> content) {

    private static final int LARGEST_PART = 20_000_000;
    private static final int LARGEST = 40_000_000;
    private static final int MOST_PARTS = 5_000;

    private static final Pattern READ = Pattern.compile(
            "word/(document|styles|numbering)\\.xml|word/_rels/document\\.xml\\.rels|content\\.xml|styles\\.xml|mimetype");

    static DocumentParts of(byte[] file) {
        Set<String> names = new HashSet<>();
        Map<String, byte[]> content = new HashMap<>();
        int total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (names.size() >= MOST_PARTS) {
                    throw new UnreadableDocument("The document has more than %d parts.".formatted(MOST_PARTS));
                }
                names.add(entry.getName());
                if (READ.matcher(entry.getName()).matches()) {
                    byte[] part = zip.readNBytes(LARGEST_PART + 1);
                    total += part.length;
                    if (part.length > LARGEST_PART || total > LARGEST) {
                        throw new UnreadableDocument(
                                "The document unpacks to so much that it is not looked into: its part %s."
                                        .formatted(entry.getName()));
                    }
                    content.put(entry.getName(), part);
                }
            }
        } catch (IOException | IllegalArgumentException broken) {
            throw new UnreadableDocument(
                    "The document is broken and cannot be unpacked. Open it elsewhere and save it anew, then try again.");
        }
        return new DocumentParts(Set.copyOf(names), Map.copyOf(content));
    }

    boolean has(String part) {
        return content.containsKey(part);
    }

    /** A part as it is marked up; an empty document where there is none. */
    Document xml(String part) {
        byte[] bytes = content.get(part);
        return bytes == null ? builder().newDocument() : parsed(bytes, part);
    }

    private static javax.xml.parsers.DocumentBuilder builder() {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            javax.xml.parsers.DocumentBuilder builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder;
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Document parsed(byte[] bytes, String part) {
        try {
            return builder().parse(new ByteArrayInputStream(bytes));
        } catch (SAXException | IOException broken) {
            throw new UnreadableDocument(
                    "The document is broken: its part %s cannot be read. Open it elsewhere and save it anew, then try again."
                            .formatted(part));
        }
    }
}
