package loesscape.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Role;
import loesscape.core.wording.Part.FieldName;
import loesscape.core.wording.Part.Figure;
import loesscape.core.wording.Part.Strong;
import loesscape.core.wording.Part.Words;

/** Writes promises as sentences. Not for several threads at once. */
public final class PromiseSentences {

    private final Sentences sentences;
    private final PreparedTemplate prepared;
    private final Map<String, Node> nodes;

    public PromiseSentences(PreparedTemplate prepared) {
        this.sentences = new Sentences(prepared);
        this.prepared = prepared;
        this.nodes = prepared.template().nodes().stream()
                .collect(Collectors.toMap(Node::key, Function.identity(), (a, b) -> a));
    }

    /** A promise as a sentence: “Whenever Depth is more than 30, Casing is always required.” */
    public Sentence of(PromiseRule rule) {
        List<Part> parts = new ArrayList<>();
        boolean isUnconditional = rule.whenever() instanceof Condition.Always;
        if (!isUnconditional) {
            parts.add(new Strong("Whenever "));
            parts.addAll(sentences.of(rule.whenever()));
            parts.add(new Words(", "));
        }
        List<Part> promised = of(rule.promised());
        parts.addAll(isUnconditional ? first(promised) : promised);
        parts.add(new Words("."));
        return new Sentence(List.of(), parts);
    }

    private List<Part> of(Promised promised) {
        return switch (promised) {
            case Promised.NodeIs(var key, var aspect, var is) ->
                List.of(name(key), new Words(" is "), new Strong(often(is) + " " + aspect.words()));
            case Promised.NodeLooks(var key, var look, var is) ->
                List.of(name(key), new Words(" is "), new Strong(often(is) + " "), new Figure(Sentences.look(look)));
            case Promised.SomeShown(var keys, var count) -> several(keys, count);
            case Promised.RoleSigns(var role, var is) ->
                List.of(new Figure(role(role)), new Words(" "), new Strong(often(is) + " takes part"));
            case Promised.CanFinish(var is) ->
                List.of(
                        new Words("it can "),
                        new Strong(often(is) + " be finished"),
                        new Words(is ? " once nothing is missing" : ""));
            case Promised.IsMet(var condition, var is) -> {
                List<Part> parts = new ArrayList<>();
                parts.add(new Words("it is "));
                parts.add(new Strong(often(is) + " so"));
                parts.add(new Words(" that "));
                parts.addAll(sentences.of(condition));
                yield parts;
            }
        };
    }

    /** The same as the beginning of a sentence. */
    private static List<Part> first(List<Part> parts) {
        List<Part> first = new ArrayList<>(parts);
        first.set(
                0,
                switch (parts.getFirst()) {
                    case Words(var text) -> new Words(capitalized(text));
                    case Strong(var text) -> new Strong(capitalized(text));
                    default -> parts.getFirst();
                });
        return first;
    }

    private static String capitalized(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    private List<Part> several(List<String> keys, Promised.HowMany count) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Strong(count.words()));
        parts.add(new Words(" of "));
        for (int i = 0; i < keys.size(); i++) {
            parts.add(new Words(i == 0 ? "" : i + 1 == keys.size() ? " and " : ", "));
            parts.add(name(keys.get(i)));
        }
        parts.add(new Words(" is always "));
        parts.add(new Strong(Aspect.SHOWN.words()));
        return parts;
    }

    private static String often(boolean is) {
        return is ? "always" : "never";
    }

    private FieldName name(String key) {
        Node node = nodes.get(key);
        return new FieldName(key, node == null ? key : node.name());
    }

    private String role(String key) {
        Role role = prepared.symbols().role(key);
        return role == null ? key : role.name();
    }
}
