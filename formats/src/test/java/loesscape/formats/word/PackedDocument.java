package loesscape.formats.word;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A document of a word processor put together part by part. */
final class PackedDocument {

    private static final String W = "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\""
            + " xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\""
            + " xmlns:w15=\"http://schemas.microsoft.com/office/word/2012/wordml\""
            + " xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\"";

    private static final String STYLES = """
            <w:styles %s>
             <w:style w:type="paragraph" w:styleId="T"><w:name w:val="Title"/></w:style>
             <w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/></w:style>
             <w:style w:type="paragraph" w:styleId="H2"><w:name w:val="heading 2"/></w:style>
             <w:style w:type="paragraph" w:styleId="O"><w:name w:val="Part"/><w:pPr><w:outlineLvl w:val="0"/></w:pPr></w:style>
            </w:styles>""".formatted(W);

    private static final String NUMBERING = """
            <w:numbering %s>
             <w:abstractNum w:abstractNumId="7"><w:lvl w:ilvl="0"><w:numFmt w:val="decimal"/></w:lvl>
              <w:lvl w:ilvl="1"><w:numFmt w:val="lowerLetter"/></w:lvl></w:abstractNum>
             <w:abstractNum w:abstractNumId="8"><w:lvl w:ilvl="0"><w:numFmt w:val="bullet"/></w:lvl></w:abstractNum>
             <w:num w:numId="1"><w:abstractNumId w:val="7"/></w:num><w:num w:numId="2"><w:abstractNumId w:val="8"/></w:num>
            </w:numbering>""".formatted(W);

    private final Map<String, byte[]> parts = new LinkedHashMap<>();

    static PackedDocument docx(String body) {
        return new PackedDocument()
                .with("word/document.xml", "<w:document %s><w:body>%s</w:body></w:document>".formatted(W, body))
                .with("word/styles.xml", STYLES)
                .with("word/numbering.xml", NUMBERING);
    }

    static String line(String words) {
        return "<w:p><w:r><w:t xml:space=\"preserve\">%s</w:t></w:r></w:p>".formatted(words);
    }

    static String styled(String style, String words) {
        return "<w:p><w:pPr><w:pStyle w:val=\"%s\"/></w:pPr><w:r><w:t>%s</w:t></w:r></w:p>".formatted(style, words);
    }

    static String listed(int list, int depth, String words) {
        return "<w:p><w:pPr><w:numPr><w:ilvl w:val=\"%d\"/><w:numId w:val=\"%d\"/></w:numPr></w:pPr><w:r><w:t>%s</w:t></w:r></w:p>"
                .formatted(depth, list, words);
    }

    static String row(String... cells) {
        StringBuilder row = new StringBuilder("<w:tr>");
        for (String cell : cells) {
            row.append("<w:tc>")
                    .append(cell.startsWith("<") ? cell : line(cell))
                    .append("</w:tc>");
        }
        return row.append("</w:tr>").toString();
    }

    static String table(String... rows) {
        return "<w:tbl>" + String.join("", rows) + "</w:tbl>";
    }

    static String control(String properties, String shown) {
        return "<w:p><w:sdt><w:sdtPr>%s</w:sdtPr><w:sdtContent><w:r><w:t>%s</w:t></w:r></w:sdtContent></w:sdt></w:p>"
                .formatted(properties, shown);
    }

    PackedDocument with(String part, String content) {
        parts.put(part, content.getBytes(StandardCharsets.UTF_8));
        return this;
    }

    byte[] file() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    ImportedDocument read() {
        return ImportedDocument.read(file(), "A document");
    }
}
