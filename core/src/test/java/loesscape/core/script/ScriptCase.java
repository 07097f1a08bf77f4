package loesscape.core.script;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Numbers;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** A template with answers, as its script is to see them and as the evaluation does. */
final class ScriptCase {

    private final CompiledTemplate compiled;
    private final DocumentScript script;
    private final Map<String, String> typed = new LinkedHashMap<>();
    private final Map<String, List<String>> rows = new LinkedHashMap<>();

    ScriptCase(CompiledTemplate compiled, DocumentScript script, Answers answers) {
        this.compiled = compiled;
        this.script = script;
        Template template = compiled.template();
        for (Node node : template.nodes()) {
            if (node instanceof Field field) {
                String section = compiled.symbols().rowsAround(field.key());
                List<String> addresses = section == null
                        ? List.of(field.key())
                        : IntStream.rangeClosed(1, rooms(template).getOrDefault(section, 0))
                                .mapToObj(row -> RowNames.address(field.key(), "r" + row))
                                .toList();
                addresses.forEach(address ->
                        typed.put(address, given(field, answers.typed().get(address))));
            }
        }
        for (Node node : template.nodes()) {
            if (node instanceof Section section && section.rows() != null) {
                rows.put(section.key(), rows(section, section.rows()));
            }
        }
    }

    /** How many rows there is room for. */
    static Map<String, Integer> rooms(Template template) {
        Map<String, Integer> rooms = new LinkedHashMap<>();
        for (Node node : template.nodes()) {
            if (node instanceof Section section && section.rows() != null) {
                rooms.put(section.key(), section.rows().most());
            }
        }
        return rooms;
    }

    /** What no script can be told is not answered, and what is worked out is not typed over. */
    private static String given(Field field, @Nullable String typed) {
        boolean isTyped = !field.kind().isGiven()
                && !(field.value() instanceof FieldValue.WorkedOut)
                && switch (field.kind().answer()) {
                    case SIGNATURE, FILES, PAYMENT -> false;
                    case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, DAY, TIME -> true;
                };
        return isTyped && typed != null ? typed : "";
    }

    /** The rows up to the last one in which something is typed. */
    private List<String> rows(Section section, Section.Rows rows) {
        int last = rows.least();
        for (int row = rows.least() + 1; row <= rows.most(); row++) {
            for (String key : compiled.symbols().fieldsOfRows(section.key())) {
                if (!typed.getOrDefault(RowNames.address(key, "r" + row), "").isBlank()) {
                    last = row;
                }
            }
        }
        return IntStream.rangeClosed(1, last).mapToObj(row -> "r" + row).toList();
    }

    /** The call that prints how everything stands. */
    String call(@Nullable LocalDate today) {
        String given = typed.entrySet().stream()
                .filter(each -> !each.getValue().isEmpty())
                .map(each -> ScriptText.of(each.getKey()) + ":" + ScriptText.of(each.getValue()))
                .collect(Collectors.joining(",", "{", "}"));
        return "tell(%s,%s,%s);\n"
                .formatted(
                        given, today == null ? "null" : Long.toString(today.toEpochDay()), ScriptText.of(compared()));
    }

    /** The keys of which the script is to say the same. */
    private List<String> compared() {
        Set<String> told = new LinkedHashSet<>();
        compiled.template().nodes().forEach(node -> told.add(node.key()));
        told.removeAll(script.undecided());
        script.leftOut().forEach(each -> told.remove(each.key()));
        return List.copyOf(told);
    }

    /** How large a part of all that could be compared is. */
    double share() {
        return compared().size()
                / (double) Math.max(1, compiled.template().nodes().size());
    }

    /** What it is to print, a line for each node and row. */
    List<String> expected(@Nullable LocalDate today) {
        Map<String, String> all = new LinkedHashMap<>(typed);
        rows.forEach((section, names) -> all.put(section, RowNames.text(names)));
        State state = compiled.evaluate(new Answers(all), new Context(today, Stage.FILLING, ""));
        Map<String, Node> nodes = new LinkedHashMap<>();
        compiled.template().nodes().forEach(node -> nodes.put(node.key(), node));
        Set<String> compared = Set.copyOf(compared());
        List<String> lines = new ArrayList<>();
        state.nodes().forEach((address, stands) -> {
            Node node = nodes.get(RowNames.key(address));
            if (node != null && compared.contains(node.key()) && !(stands instanceof NodeState.RowState)) {
                lines.add(address + " " + told(node, stands));
            }
        });
        boolean isComplete =
                script.leftOut().stream().noneMatch(each -> each.key().isEmpty());
        if (isComplete) {
            lines.add("unmet " + state.unmet());
        }
        lines.sort(null);
        return lines;
    }

    private static String told(Node node, NodeState state) {
        return switch (state) {
            case NodeState.FieldState it ->
                "%s %s %s %s %s %s %s [%s] %s"
                        .formatted(
                                it.shown(),
                                it.editable(),
                                it.required(),
                                it.missing(),
                                it.problem() != null,
                                it.band(),
                                isWholeList(node) ? null : it.offered(),
                                it.value().isBlank() ? "" : typedText(it),
                                look(node, it.look(), it.shown()));
            case NodeState.IndicatorState it -> it.shown() + " " + it.band();
            case NodeState.NoticeState it -> it.shown() + " " + look(node, it.look(), it.shown());
            case NodeState.SectionState it -> it.shown() + " " + look(node, it.look(), it.shown());
            case NodeState.PlainState it -> Boolean.toString(it.shown());
            case NodeState.RowState ignored -> "";
        };
    }

    /** The entries of a list are offered as they are. */
    private static boolean isWholeList(Node node) {
        return node instanceof Field field
                && field.kind() instanceof FieldKind.Lookup lookup
                && lookup.filters().isEmpty();
    }

    private static String typedText(NodeState.FieldState state) {
        String text = TypedText.of(state.value());
        // What else was written is not kept beside the choice by the script.
        int own = text.startsWith("=") ? 0 : text.indexOf(",=");
        String chosen = own < 0 ? text : text.substring(0, own) + (own > 0 ? ",other" : "other");
        return state.value() instanceof Value.Number(var number) ? Numbers.plain(number) : chosen;
    }

    /** A look that one of the node's own rules gives; bands have looks of their own. */
    private static String look(Node node, Look look, boolean isShown) {
        boolean isRuled = Logic.looks(node).stream().map(LookRule::look).anyMatch(look::equals);
        return isShown && isRuled && look.shade() != Look.Shade.PLAIN
                ? look.shade().name()
                : "-";
    }

    /** The looks of each node, for what the script prints. */
    static String looks(Template template) {
        return template.nodes().stream()
                .filter(node -> !Logic.looks(node).isEmpty())
                .map(node -> ScriptText.of(node.key()) + ":"
                        + ScriptText.of(Logic.looks(node).stream()
                                .map(rule -> rule.look().shade().name())
                                .toList()))
                .collect(Collectors.joining(",", "{", "}"));
    }
}
