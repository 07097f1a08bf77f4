package loesscape.core.model;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.StringJoiner;

/** Names a chain of conditions that bites its own tail. */
final class Cycles {

    private Cycles() {}

    /** One sentence that names every link of the chain and says how to mend it. */
    static String sentence(Template template, List<String> cycle) {
        Map<String, String> names = new HashMap<>();
        template.nodes().forEach(node -> names.put(node.key(), node.name()));
        StringJoiner links = new StringJoiner(", ");
        for (int i = 0; i + 1 < cycle.size(); i++) {
            links.add("“%s” waits for “%s”".formatted(names.get(cycle.get(i)), names.get(cycle.get(i + 1))));
        }
        return "These go round in a circle: " + links + ". Take one of these conditions away.";
    }
}
