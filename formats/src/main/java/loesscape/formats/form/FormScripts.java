package loesscape.formats.form;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import loesscape.formats.form.PdfForm.FormScript;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.jspecify.annotations.Nullable;

/** The texts of scripts (ISO 32000-2, 12.6.4.17), so that whoever takes a form over can write its rules anew. */
final class FormScripts {

    private static final int LONGEST = 20_000;
    private static final int MOST = 500;
    private static final int DEEPEST = 20;
    private static final COSName SCRIPT = COSName.getPDFName("JavaScript");
    private static final COSName TEXT = COSName.getPDFName("JS");

    private FormScripts() {}

    /** Those of a field, or of one of its places. */
    static void of(String field, COSDictionary holder, List<FormScript> scripts) {
        add(field, "A", holder.getCOSDictionary(COSName.A), scripts);
        COSDictionary more = holder.getCOSDictionary(COSName.AA);
        if (more != null) {
            more.keySet().forEach(event -> add(field, event.getName(), more.getCOSDictionary(event), scripts));
        }
    }

    /** Those of the document as a whole. */
    static void ofDocument(COSDictionary root, List<FormScript> scripts) {
        add("", "OpenAction", root.getCOSDictionary(COSName.OPEN_ACTION), scripts);
        COSDictionary names = root.getCOSDictionary(COSName.NAMES);
        if (names != null) {
            named(names.getCOSDictionary(SCRIPT), scripts, 0);
        }
    }

    /** A tree of names, bounded in depth: it may lead back to itself. */
    private static void named(@Nullable COSDictionary tree, List<FormScript> scripts, int depth) {
        if (tree == null || depth > DEEPEST || scripts.size() >= MOST) {
            return;
        }
        COSArray names = tree.getCOSArray(COSName.NAMES);
        for (int i = 1; names != null && i < names.size(); i += 2) {
            if (names.getObject(i) instanceof COSDictionary action) {
                add("", "Names", action, scripts);
            }
        }
        COSArray kids = tree.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size() && scripts.size() < MOST; i++) {
            if (kids.getObject(i) instanceof COSDictionary kid) {
                named(kid, scripts, depth + 1);
            }
        }
    }

    private static void add(String field, String event, @Nullable COSDictionary action, List<FormScript> scripts) {
        if (action == null || !SCRIPT.equals(action.getCOSName(COSName.S)) || scripts.size() >= MOST) {
            return;
        }
        String text = text(action.getDictionaryObject(TEXT));
        if (!text.isBlank()) {
            scripts.add(new FormScript(
                    field, event, text.length() > LONGEST ? text.substring(0, LONGEST) + "…" : text.strip()));
        }
    }

    private static String text(@Nullable COSBase script) {
        if (script instanceof COSString string) {
            return string.getString();
        }
        if (script instanceof COSStream stream) {
            try (InputStream in = stream.createInputStream()) {
                return new String(in.readNBytes(LONGEST), StandardCharsets.UTF_8);
            } catch (IOException unreadable) {
                return "";
            }
        }
        return "";
    }
}
