package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Condition;
import loesscape.core.model.Logic;
import loesscape.core.model.Promised;
import loesscape.core.model.References;
import loesscape.core.model.Template;

/** All the conditions of a template, wherever they stand. */
final class TemplateConditions {

    private TemplateConditions() {}

    /** Those of nodes, shared ones, those of roles, those for finishing and those of promises. */
    static List<Condition> of(Template template) {
        List<Condition> all = new ArrayList<>();
        template.nodes().forEach(node -> Logic.conditions(node).forEach(place -> all.add(place.condition())));
        template.conditions().forEach(shared -> all.add(shared.condition()));
        template.roles().forEach(role -> {
            if (role.takesPart() != null) {
                all.add(role.takesPart());
            }
        });
        template.finish().forEach(rule -> all.add(rule.when()));
        template.promises().forEach(rule -> {
            all.add(rule.whenever());
            if (rule.promised() instanceof Promised.IsMet(var condition, var ignored)) {
                all.add(condition);
            }
        });
        return all;
    }

    /** All their leaves. */
    static List<Condition.Leaf> leaves(Template template) {
        return of(template).stream()
                .flatMap(condition -> References.leaves(condition).stream())
                .toList();
    }
}
