package loesscape.formats.docx;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.DocumentDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FtrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.HdrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.NumberingDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.SettingsDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.StylesDocument;

/** What the published schemas of WordprocessingML (ECMA-376, part 4) find wrong in a file. */
final class WordSchema {

    private WordSchema() {}

    /** The parts of a packed file by name. */
    static Map<String, byte[]> parts(byte[] file) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                parts.put(entry.getName(), zip.readAllBytes());
            }
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        return parts;
    }

    /** What is wrong, with the part it is in; elements of later editions, which other readers pass over, are not. */
    static List<String> problems(byte[] file) {
        List<String> problems = new ArrayList<>();
        parts(file).forEach((name, content) -> {
            if (name.startsWith("word/") && name.endsWith(".xml")) {
                for (XmlError error : errors(name, content)) {
                    if (!error.getMessage()
                            .matches("(?s).*(Ignorable|2010/wordml|2012/wordml|markup-compatibility).*")) {
                        problems.add(name + ": " + error.getMessage());
                    }
                }
            }
        });
        return problems;
    }

    private static List<XmlError> errors(String name, byte[] content) {
        List<XmlError> errors = new ArrayList<>();
        part(name, content).validate(new XmlOptions().setErrorListener(errors));
        return errors;
    }

    private static XmlObject part(String name, byte[] content) {
        ByteArrayInputStream xml = new ByteArrayInputStream(content);
        try {
            return switch (name.replaceAll("\\d*\\.xml$", "")) {
                case "word/document" -> DocumentDocument.Factory.parse(xml);
                case "word/styles" -> StylesDocument.Factory.parse(xml);
                case "word/numbering" -> NumberingDocument.Factory.parse(xml);
                case "word/settings" -> SettingsDocument.Factory.parse(xml);
                case "word/header" -> HdrDocument.Factory.parse(xml);
                case "word/footer" -> FtrDocument.Factory.parse(xml);
                default -> throw new AssertionError("No schema is known for " + name);
            };
        } catch (XmlException | IOException e) {
            throw new AssertionError(name, e);
        }
    }
}
