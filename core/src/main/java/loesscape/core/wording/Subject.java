package loesscape.core.wording;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;

/**
 * What a template says of something that was found in it: the sentences of the node it is about and of those that are named
 * in it, of what holds these, and of what they look at. Two templates that say the same there have the same fingerprint,
 * whatever else they say. Not for several threads at once.
 */
public final class Subject {

    private final PreparedTemplate prepared;
    private final Template template;
    private final SymbolTable symbols;
    private final Sentences sentences;
    private final Map<String, Node> nodes = new LinkedHashMap<>();
    private final Map<String, Node> holders = new LinkedHashMap<>();

    public Subject(PreparedTemplate prepared) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.sentences = new Sentences(prepared);
        for (Page page : template.pages()) {
            nodes.put(page.key(), page);
            page.sections().forEach(section -> enter(section, page));
        }
    }

    private void enter(Item item, Node holder) {
        nodes.put(item.key(), item);
        holders.put(item.key(), holder);
        if (item instanceof Section section) {
            section.items().forEach(inner -> enter(inner, section));
        }
    }

    /**
     * The SHA-256 of what is said there, in hexadecimal digits.
     *
     * @param key of a node; empty for what belongs to the document as a whole: its roles, its shared conditions, when it can be
     *     finished
     * @param message what was found, which names other nodes in quotation marks
     */
    public String fingerprint(String key, String message) {
        StringBuilder said = new StringBuilder();
        Set<Node> about = new LinkedHashSet<>();
        Node node = nodes.get(key);
        if (node != null) {
            about.add(node);
        } else {
            template.finish().forEach(rule -> line(said, sentences.finishing(rule)));
            template.conditions().forEach(shared -> shared(said, shared));
            roles(said);
        }
        for (Node each : nodes.values()) {
            if (!each.name().isBlank() && message.contains("“" + each.name() + "”")) {
                about.add(each);
            }
        }
        nodes(said, about);
        try {
            byte[] digest =
                    MessageDigest.getInstance("SHA-256").digest(said.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("Every Java has SHA-256.", missing);
        }
    }

    private void nodes(StringBuilder said, Set<Node> about) {
        Set<Node> around = new LinkedHashSet<>();
        Set<String> shared = new LinkedHashSet<>();
        for (Node node : about) {
            for (Node at = node; at != null; at = holders.get(at.key())) {
                around.add(at);
            }
        }
        Set<Node> all = new LinkedHashSet<>(around);
        for (Node each : around) {
            for (Logic.Use use : prepared.uses(each.key())) {
                use.sources().stream().map(nodes::get).filter(Objects::nonNull).forEach(all::add);
            }
        }
        for (Node each : all) {
            said.append(each.name()).append('\n');
            sentences.of(each).forEach(sentence -> line(said, sentence));
            if (each instanceof Field field) {
                said.append(field.kind().facts().key()).append('\n');
                if (field.kind() instanceof FieldKind.Choosing kind) {
                    kind.withOther().stream()
                            .map(Choice::label)
                            .forEach(label -> said.append(label).append('\n'));
                }
            }
            Logic.conditions(each).forEach(place -> collect(place.condition(), shared));
        }
        for (String key : shared) {
            SharedCondition each = symbols.shared(key);
            if (each != null) {
                shared(said, each);
            }
        }
        if (about.stream().anyMatch(Field.class::isInstance)) {
            roles(said);
        }
    }

    private void collect(Condition condition, Set<String> shared) {
        for (String key : symbols.sharedIn(condition)) {
            SharedCondition each = symbols.shared(key);
            if (shared.add(key) && each != null) {
                collect(each.condition(), shared);
            }
        }
    }

    private void shared(StringBuilder said, SharedCondition shared) {
        said.append(shared.name()).append(": ");
        sentences.of(shared.condition()).forEach(part -> said.append(part.text()));
        said.append('\n');
    }

    private void roles(StringBuilder said) {
        for (Role role : template.roles()) {
            said.append(role.order()).append(' ').append(role.name()).append('\n');
            line(said, sentences.takesPart(role));
        }
    }

    private static void line(StringBuilder said, Sentence sentence) {
        said.append(sentence.text()).append('\n');
    }
}
