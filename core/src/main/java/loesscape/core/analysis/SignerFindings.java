package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.model.Aspect;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/** Looks through the roles of a template for turns that cannot go as their author meant. */
final class SignerFindings {

    private static final String SHOWN = "shown";

    private final PreparedTemplate prepared;
    private final Template template;
    private final SymbolTable symbols;
    private final @Nullable Role first;
    private final List<Finding> found = new ArrayList<>();
    /** By key: an item, and all that holds it. */
    private final Map<String, List<Node>> around = new HashMap<>();

    private SignerFindings(PreparedTemplate prepared) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.first = template.roles().stream()
                .min(Comparator.comparingInt(Role::order))
                .orElse(null);
    }

    static List<Finding> of(PreparedTemplate prepared) {
        Template template = prepared.template();
        SignerFindings findings = new SignerFindings(prepared);
        if (!template.roles().isEmpty()) {
            template.roles().forEach(findings::role);
            template.pages()
                    .forEach(page -> page.sections().forEach(section -> findings.enter(section, List.of(page))));
            template.nodes().forEach(findings::node);
        }
        return findings.found;
    }

    private void enter(Section section, List<Node> holders) {
        List<Node> inside = new ArrayList<>(holders);
        inside.add(section);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                enter(inner, inside);
            } else {
                List<Node> all = new ArrayList<>(inside);
                all.add(item);
                around.put(item.key(), all);
            }
        }
    }

    /** Whose field it is: what was given to nobody is the first role's. */
    private @Nullable Role owner(Field field) {
        return field.role().isEmpty() ? first : symbols.role(field.role());
    }

    private void role(Role role) {
        List<Field> own = template.fields().stream()
                .filter(field -> role.equals(owner(field)))
                .toList();
        if (own.isEmpty()) {
            report("", "“%s” has nothing to do: no field is given to this role.".formatted(role.name()));
        } else if (own.stream().noneMatch(field -> field.kind() instanceof FieldKind.Signature)) {
            report("", "“%s” signs nothing: no signature is given to this role.".formatted(role.name()));
        }
        for (String source : symbols.sources(role.takesPart())) {
            Field field = symbols.field(source);
            Role giver = field == null ? null : owner(field);
            if (field == null || giver == null) {
                continue;
            }
            if (giver.equals(role)) {
                report(
                        "",
                        "Whether “%s” takes part hangs on “%s”, which only this role answers; it can never take part before."
                                .formatted(role.name(), field.name()));
            } else if (giver.order() >= role.order()) {
                report(
                        "",
                        "Whether “%s” takes part hangs on “%s”, which “%s” answers %s."
                                .formatted(role.name(), field.name(), giver.name(), when(giver, role)));
            }
        }
    }

    private void node(Node node) {
        Role asked = node instanceof Field field ? owner(field) : null;
        if (asked == null) {
            return;
        }
        for (Logic.Use use : prepared.uses(node.key())) {
            if (!use.what().equals(SHOWN)) {
                leaning(node, asked, use.what(), use.sources());
            }
        }
        dropping((Field) node, asked);
    }

    /** What is shown only on somebody's later answer would be signed and then drop out of the document. */
    private void dropping(Field field, Role asked) {
        Set<String> told = new HashSet<>();
        for (Node node : around.getOrDefault(field.key(), List.of())) {
            for (String source : symbols.sources(Aspect.SHOWN.of(node))) {
                Field followed = symbols.field(source);
                Role giver = followed == null ? null : owner(followed);
                if (giver != null && isNotBefore(giver, asked) && told.add(source)) {
                    found.add(new Finding(
                            FindingTopic.SIGNING,
                            field.key(),
                            "Whether “%s” is shown hangs on “%s”, which “%s” answers %s: what “%s” gives here may not be asked for any more when all have signed. It stays in the document, marked as answered before."
                                    .formatted(
                                            field.name(),
                                            Objects.requireNonNull(followed).name(),
                                            giver.name(),
                                            when(giver, asked),
                                            asked.name()),
                            true));
                }
            }
        }
    }

    private static boolean isNotBefore(Role giver, Role asked) {
        return !giver.equals(asked) && giver.order() >= asked.order();
    }

    private void leaning(Node node, Role asked, String what, Set<String> sources) {
        for (String source : sources) {
            Field field = symbols.field(source);
            Role giver = field == null ? null : owner(field);
            if (field != null && giver != null && isNotBefore(giver, asked)) {
                report(
                        node.key(),
                        "For “%s” it hangs on “%s”, which “%s” answers %s; “%s” will not see it that way."
                                .formatted(what, field.name(), giver.name(), when(giver, asked), asked.name()));
            }
        }
    }

    private static String when(Role giver, Role asked) {
        return giver.order() == asked.order() ? "at the same time" : "later";
    }

    private void report(String key, String message) {
        found.add(new Finding(FindingTopic.SIGNING, key, message));
    }
}
