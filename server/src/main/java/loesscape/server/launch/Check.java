package loesscape.server.launch;

import java.util.List;
import loesscape.core.model.Template;

/** {@code check TEMPLATE.loess.json}: whether a template file can be taken, and all that is wrong with it if not. */
public final class Check {

    private Check() {}

    /** One line about a template that can be taken; a problem with a line for each thing that is wrong otherwise. */
    public static String run(List<String> arguments) {
        if (arguments.size() != 1) {
            throw new LaunchProblem(2, "check needs one file: TEMPLATE.loess.json");
        }
        Template template = Evaluate.template(arguments.getFirst());
        return "“%s” can be taken: %d fields in %d pages, sections and items.%n"
                .formatted(
                        template.title(),
                        template.fields().size(),
                        template.nodes().size());
    }
}
