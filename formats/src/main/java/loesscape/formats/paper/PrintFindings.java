package loesscape.formats.paper;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.FindingTopic;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Template;

/** What of a template cannot be printed as it stands there: characters that no shipped font has. */
public final class PrintFindings {

    private static final int MOST_SHOWN = 10;

    private PrintFindings() {}

    /** One finding for each node whose words have such characters, and one for the title of the document. */
    public static List<Finding> of(Template template) {
        List<Finding> found = new ArrayList<>();
        report("", template.title() + template.subtitle(), found);
        for (Node node : template.nodes()) {
            report(node.key(), words(node), found);
        }
        return found;
    }

    private static String words(Node node) {
        return switch (node) {
            case Notice notice -> notice.text();
            case Field field ->
                field.label()
                        + field.kind().offered().stream().map(Choice::label).collect(Collectors.joining());
            default -> node.name();
        };
    }

    private static void report(String key, String words, List<Finding> found) {
        Set<String> missing = new LinkedHashSet<>();
        words.codePoints()
                .filter(character -> !Character.isWhitespace(character) && !Character.isISOControl(character))
                .filter(character -> !ShippedFont.canShow(character))
                .limit(MOST_SHOWN)
                .forEach(character -> missing.add("%s (U+%04X)".formatted(Character.toString(character), character)));
        if (!missing.isEmpty()) {
            found.add(new Finding(
                    FindingTopic.PRINT,
                    key,
                    "No font of the PDF has %s; \uFFFD stands there in print.".formatted(String.join(", ", missing))));
        }
    }
}
