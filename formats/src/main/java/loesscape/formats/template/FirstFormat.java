package loesscape.formats.template;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.prose.Prose;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What was kept in the first format, made readable as the second. In the first, texts of notices were plain: only a key in
 * braces meant anything, and all other marks stood for themselves.
 */
final class FirstFormat {

    private static final Pattern MERGED = Pattern.compile("\\{[a-z][a-z0-9_]*\\}");

    private FirstFormat() {}

    /** Brings a file up to the format of now, in place; one that is of it already stays as it is. */
    static void update(ObjectNode file, int version) {
        if (version == 1) {
            texts(file);
        }
    }

    private static void texts(JsonNode node) {
        if (node instanceof ObjectNode object
                && object.path("type").asString("").equals("notice")
                && object.path("text").isString()) {
            object.put("text", escaped(object.path("text").stringValue()));
        }
        node.forEach(FirstFormat::texts);
    }

    private static String escaped(String text) {
        StringBuilder escaped = new StringBuilder();
        Matcher matcher = MERGED.matcher(text);
        int from = 0;
        while (matcher.find()) {
            escaped.append(Prose.literal(text.substring(from, matcher.start()))).append(matcher.group());
            from = matcher.end();
        }
        return escaped.append(Prose.literal(text.substring(from))).toString();
    }
}
