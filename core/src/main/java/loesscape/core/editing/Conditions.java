package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Section;
import org.jspecify.annotations.Nullable;

/** Sets the conditions of aspects. */
final class Conditions {

    private Conditions() {}

    static TemplateIndex set(TemplateIndex parts, Edit.SetCondition edit) {
        TemplateIndex changed = parts;
        Condition condition = edit.condition();
        if (condition != null && edit.keys().size() * edit.aspects().size() > 1) {
            SharedUses.WithShared made = SharedUses.shared(parts, condition);
            changed = made.parts();
            condition = made.use();
        }
        for (String key : edit.keys()) {
            for (Aspect aspect : edit.aspects()) {
                changed = changed.with(with(changed.node(key), aspect, condition));
            }
        }
        return changed;
    }

    static TemplateIndex copy(TemplateIndex parts, Edit.CopyLogic edit) {
        TemplateIndex changed = parts;
        for (Aspect aspect : Aspect.values()) {
            Node from = changed.node(edit.from());
            Condition condition = aspect.of(from);
            if (!aspect.fits(from)) {
                continue;
            }
            if (condition != null) {
                SharedUses.WithShared made = SharedUses.shared(changed, condition);
                changed = made.parts().with(with(from, aspect, made.use()));
                condition = made.use();
            }
            for (String key : edit.to()) {
                Node to = changed.node(key);
                if (aspect.fits(to)) {
                    changed = changed.with(with(to, aspect, condition));
                }
            }
        }
        for (String key : edit.to()) {
            changed = looksLike(changed, edit.from(), key);
        }
        return changed;
    }

    private static TemplateIndex looksLike(TemplateIndex parts, String from, String to) {
        boolean both = hasLooks(parts.node(from)) && hasLooks(parts.node(to));
        return both ? PropertyEdits.looks(parts, new Edit.SetLooks(List.of(to), Logic.looks(parts.node(from)))) : parts;
    }

    private static boolean hasLooks(Node node) {
        return node instanceof Field || node instanceof Section || node instanceof Notice;
    }

    /** A node with another condition for one aspect; refused where it does not have that aspect. */
    static Node with(Node node, Aspect aspect, @Nullable Condition condition) {
        if (!aspect.fits(node)) {
            throw new Refusal(
                    "“%s” cannot be %s; only a %s can.".formatted(node.name(), aspect.words(), aspect.nodes()));
        }
        return aspect.with(node, condition);
    }
}
