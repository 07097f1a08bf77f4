package loesscape.formats.template;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.prose.Prose;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What was kept in earlier formats, made readable as that of now. Texts of notices have come to say more with every format, so
 * what stood for itself in an earlier one is written so that it still does:
 *
 * <ul>
 *   <li>in the first, texts were plain: only a key in braces meant anything
 *   <li>in the second there were no tables: a bar at the beginning of a paragraph was one
 * </ul>
 */
final class EarlierFormats {

    private static final Pattern MERGED = Pattern.compile("\\{[a-z][a-z0-9_]*\\}");
    private static final Pattern BAR = Pattern.compile("([ \\t]*)(\\|.*)", Pattern.DOTALL);

    private EarlierFormats() {}

    /** Brings a file up to the format of now, in place; one that is of it already stays as it is. */
    static void update(ObjectNode file, int version) {
        if (version < 2) {
            texts(file, EarlierFormats::plain);
        }
        if (version < 3) {
            texts(file, EarlierFormats::withoutTables);
        }
    }

    private static void texts(JsonNode node, UnaryOperator<String> anew) {
        if (node instanceof ObjectNode object
                && object.path("type").asString("").equals("notice")
                && object.path("text").isString()) {
            object.put("text", anew.apply(object.path("text").stringValue()));
        }
        node.forEach(inner -> texts(inner, anew));
    }

    private static String plain(String text) {
        StringBuilder escaped = new StringBuilder();
        Matcher matcher = MERGED.matcher(text);
        int from = 0;
        while (matcher.find()) {
            escaped.append(Prose.literal(text.substring(from, matcher.start()))).append(matcher.group());
            from = matcher.end();
        }
        return escaped.append(Prose.literal(text.substring(from))).toString();
    }

    private static String withoutTables(String text) {
        List<String> lines = new ArrayList<>();
        boolean begins = true;
        for (String line : text.split("\n", -1)) {
            Matcher bar = BAR.matcher(line);
            lines.add(begins && bar.matches() ? bar.group(1) + "\\" + bar.group(2) : line);
            begins = line.isBlank();
        }
        return String.join("\n", lines);
    }
}
