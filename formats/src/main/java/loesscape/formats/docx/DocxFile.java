package loesscape.formats.docx;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.LocalDateTime;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import loesscape.formats.paper.PaintedPicture;
import loesscape.formats.paper.PrintableText;

/** The parts of a file and how they hang together (ISO/IEC 29500-2); the same bytes for the same parts. */
final class DocxFile {

    private static final String HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n";
    private static final String RELATIONS = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
    private static final String WORD = "application/vnd.openxmlformats-officedocument.wordprocessingml.";
    private static final LocalDateTime NEVER = LocalDateTime.of(1980, 1, 1, 0, 0);

    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final Map<String, String> types = new LinkedHashMap<>();
    private final StringBuilder relations = new StringBuilder();
    private final Map<String, Map<String, String>> pictures = new LinkedHashMap<>();
    private int related;

    /** Adds a part beside the document, such as its styles, and tells by which name the document refers to it. */
    String beside(String kind, byte[] part, String name) {
        parts.put("word/" + name + ".xml", part);
        types.put("/word/" + name + ".xml", WORD + kind + "+xml");
        return relate(kind, name + ".xml");
    }

    private String relate(String kind, String target) {
        String id = "rId" + ++related;
        relations.append(relation(id, kind, target));
        return id;
    }

    private static String relation(String id, String kind, String target) {
        return "<Relationship Id=\"%s\" Type=\"%s%s\" Target=\"%s\"/>".formatted(id, RELATIONS, kind, target);
    }

    /** Adds a picture, once however often it stands there, and tells by which name a part refers to it. */
    String picture(PaintedPicture picture, String part) {
        String name = "media/%s.%s".formatted(digest(picture.content()), picture.ending());
        parts.put("word/" + name, picture.content());
        Map<String, String> known = pictures.computeIfAbsent(part, ignored -> new LinkedHashMap<>());
        return known.computeIfAbsent(name, ignored -> part.equals("document") ? relate("image", name) : "rId1");
    }

    /** Adds the answers that the content controls are bound to (ISO/IEC 29500-1, 17.5.2.6). */
    void answers(String answers, String identity) {
        parts.put("customXml/item1.xml", (HEAD + answers).getBytes(StandardCharsets.UTF_8));
        put(
                "customXml/itemProps1.xml",
                "<ds:datastoreItem xmlns:ds=\"http://schemas.openxmlformats.org/officeDocument/2006/customXml\" ds:itemID=\"%s\"><ds:schemaRefs><ds:schemaRef ds:uri=\"%s\"/></ds:schemaRefs></ds:datastoreItem>"
                        .formatted(identity, DocxControls.ANSWERS));
        types.put("/customXml/itemProps1.xml", "application/vnd.openxmlformats-officedocument.customXmlProperties+xml");
        put("customXml/_rels/item1.xml.rels", relationships(relation("rId1", "customXmlProps", "itemProps1.xml")));
        relate("customXml", "../customXml/item1.xml");
    }

    private void put(String name, String xml) {
        parts.put(name, (HEAD + xml).getBytes(StandardCharsets.UTF_8));
    }

    private static String relationships(String all) {
        return "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">" + all
                + "</Relationships>";
    }

    /** The file. */
    byte[] bytes(DocxElement document, String title, String language) {
        parts.put("word/document.xml", document.bytes());
        types.put("/word/document.xml", WORD + "document.main+xml");
        put("word/_rels/document.xml.rels", relationships(relations.toString()));
        pictures.forEach((part, known) -> {
            if (!part.equals("document")) {
                StringBuilder all = new StringBuilder();
                known.forEach((name, id) -> all.append(relation(id, "image", name)));
                put("word/_rels/%s.xml.rels".formatted(part), relationships(all.toString()));
            }
        });
        put(
                "docProps/core.xml",
                "<cp:coreProperties xmlns:cp=\"http://schemas.openxmlformats.org/package/2006/metadata/core-properties\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"><dc:title>%s</dc:title><dc:language>%s</dc:language></cp:coreProperties>"
                        .formatted(escaped(title), escaped(language)));
        types.put("/docProps/core.xml", "application/vnd.openxmlformats-package.core-properties+xml");
        put(
                "_rels/.rels",
                relationships(
                        relation("rId1", "officeDocument", "word/document.xml")
                                + "<Relationship Id=\"rId2\" Type=\"http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties\" Target=\"docProps/core.xml\"/>"));
        return packed();
    }

    private byte[] packed() {
        StringBuilder all = new StringBuilder(
                "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/><Default Extension=\"xml\" ContentType=\"application/xml\"/><Default Extension=\"png\" ContentType=\"image/png\"/><Default Extension=\"jpg\" ContentType=\"image/jpeg\"/>");
        types.forEach(
                (part, type) -> all.append("<Override PartName=\"%s\" ContentType=\"%s\"/>".formatted(part, type)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            // Readers find out by the first entry what the file is.
            write(zip, "[Content_Types].xml", (HEAD + all.append("</Types>")).getBytes(StandardCharsets.UTF_8));
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                write(zip, part.getKey(), part.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void write(ZipOutputStream zip, String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(NEVER);
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }

    /** A text as it can stand in a part that is written by hand. */
    static String escaped(String text) {
        return PrintableText.of(text)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }

    private static String digest(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content), 0, 8);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
