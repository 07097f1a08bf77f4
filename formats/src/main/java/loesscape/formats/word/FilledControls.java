package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** What stands in the content controls of a document (ISO/IEC 29500-1, 17.5.2), in reading order. */
public final class FilledControls {

    /** How deep elements stand in each other at the most; documents of people have a few dozen. */
    private static final int DEEPEST = 500;

    private final List<Filled> all = new ArrayList<>();

    private FilledControls() {}

    /**
     * A control with what stands in it.
     *
     * @param tag by which whoever made the document knows it
     * @param row in which row of those that can be added it stands, counted from 1; 0 for none
     * @param text that stands there, as a list stores it, or the day as in 2026-11-28; empty where it asks to be filled in
     * @param isMark whether it is a mark, which is set or not
     * @param isSet whether a mark is set
     */
    public record Filled(String tag, int row, String text, boolean isMark, boolean isSet) {}

    /**
     * Reads a document.
     *
     * @throws UnreadableDocument where it is broken, or more than is read
     */
    public static List<Filled> of(byte[] file) {
        if (file.length > ImportedDocument.LARGEST) {
            throw new UnreadableDocument("The file has %d MB; at most %d are read."
                    .formatted(file.length >> 20, ImportedDocument.LARGEST >> 20));
        }
        FilledControls controls = new FilledControls();
        controls.read(DocumentParts.of(file).xml("word/document.xml"), 0, 0);
        return List.copyOf(controls.all);
    }

    private void read(Node holder, int row, int depth) {
        if (depth > DEEPEST) {
            throw new UnreadableDocument("The document is nested so deep that it cannot be read.");
        }
        int next = 0;
        for (Element element : Elements.in(holder)) {
            Element properties = Elements.first(element, "sdtPr");
            if (properties == null) {
                read(element, row, depth + 1);
            } else if (Elements.has(properties, "repeatingSectionItem")) {
                next++;
                read(element, next, depth + 1);
            } else if (Elements.value(properties, "tag").isEmpty() || Elements.has(properties, "repeatingSection")) {
                read(element, row, depth + 1);
            } else {
                all.add(filled(element, properties, row));
            }
        }
    }

    private static Filled filled(Element control, Element properties, int row) {
        String tag = Elements.value(properties, "tag");
        Element mark = Elements.first(properties, "checkbox");
        if (mark != null) {
            String set = Elements.value(mark, "checked");
            return new Filled(tag, row, "", true, set.equals("1") || set.equals("true") || set.equals("on"));
        }
        if (Elements.has(properties, "showingPlcHdr")) {
            return new Filled(tag, row, "", false, false);
        }
        String day = Elements.attribute(Elements.first(properties, "date"), "fullDate");
        String text = day.length() >= 10 ? day.substring(0, 10) : text(Elements.first(control, "sdtContent"));
        return new Filled(tag, row, stored(properties, text), false, false);
    }

    /** What is stored of a text that a list offers; of one that it does not, the text. */
    private static String stored(Element properties, String text) {
        for (String list : List.of("dropDownList", "comboBox")) {
            for (Element item : Elements.in(Elements.first(properties, list))) {
                String stored = Elements.attribute(item, "value");
                if (Elements.attribute(item, "displayText").equals(text) && !stored.isEmpty()) {
                    return stored;
                }
            }
        }
        return text;
    }

    private static String text(@Nullable Element content) {
        StringBuilder text = new StringBuilder();
        if (content != null) {
            for (Element each : Elements.all(content, "*")) {
                switch (each.getLocalName()) {
                    case "t" -> text.append(each.getTextContent());
                    case "br", "cr" -> text.append('\n');
                    case "tab" -> text.append('\t');
                    case "p" -> text.append(text.isEmpty() ? "" : "\n");
                    default -> {}
                }
            }
        }
        return text.toString();
    }
}
