package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.analysis.Why.Explained;
import loesscape.core.analysis.Why.Reason;
import loesscape.core.analysis.Why.SeenAnswer;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.References;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/** Says why a document stands as it does for some answers. */
public final class Explaining {

    /** How deep shared conditions are explained in each other, so that no explanation is without end. */
    private static final int DEEPEST = 4;

    private final CompiledTemplate compiled;
    private final SymbolTable symbols;
    private final Sentences sentences;
    private final Answers answers;
    private final Context context;
    private final Standing standing;

    public Explaining(CompiledTemplate compiled, Answers answers, Context context) {
        this.compiled = compiled;
        this.symbols = compiled.symbols();
        this.sentences = new Sentences(compiled.prepared());
        this.answers = answers;
        this.context = context;
        this.standing = compiled.standing(answers, context);
    }

    /** Why the node at an address stands as it does. */
    public Why why(String address) {
        String key = RowNames.key(address);
        String row = RowNames.row(address);
        List<Node> path = path(key);
        Node node = path.getLast();
        String within = symbols.rowsAround(key);
        List<Reason> reasons = new ArrayList<>();
        for (Logic.StandingCondition place : Logic.conditions(node)) {
            reasons.add(new Reason(place.what(), explained(place.condition(), within, row)));
        }
        if (node instanceof Field field) {
            values(field, row, reasons);
        }
        List<String> foldedIn = path.subList(0, path.size() - 1).stream()
                .filter(holder -> !isShown(holder, row))
                .map(Node::name)
                .toList();
        return new Why(reasons, foldedIn, new SmallestChange(compiled, answers, context).ways(address, path));
    }

    /** Why a condition that belongs to no node holds or not: of a role, or for finishing. */
    public Explained explained(Condition condition) {
        return explained(condition, null, "");
    }

    private boolean isShown(Node node, String row) {
        String address = symbols.rowsAround(node.key()) == null ? node.key() : RowNames.address(node.key(), row);
        return standing.state().of(address).shown();
    }

    /** The nodes in which a node stands, the outermost first, and the node itself. */
    private List<Node> path(String key) {
        List<Node> path = new ArrayList<>();
        for (Page page : compiled.template().pages()) {
            path.add(page);
            if (page.key().equals(key) || page.sections().stream().anyMatch(section -> find(section, key, path))) {
                return path;
            }
            path.removeLast();
        }
        throw new IllegalArgumentException("No node has the key " + key);
    }

    private static boolean find(Section section, String key, List<Node> path) {
        path.add(section);
        if (section.key().equals(key)) {
            return true;
        }
        for (Item item : section.items()) {
            if (item instanceof Section inner
                    ? find(inner, key, path)
                    : item.key().equals(key)) {
                if (!(item instanceof Section)) {
                    path.add(item);
                }
                return true;
            }
        }
        path.removeLast();
        return false;
    }

    private void values(Field field, String row, List<Reason> reasons) {
        String within = symbols.rowsAround(field.key());
        if (field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
            reasons.add(new Reason(
                    "value",
                    formula(formula, !standing.counting(field.key(), row).isBlank(), within, row)));
        }
        Set<String> parents = switch (field.kind()) {
            case FieldKind.Choosing it -> {
                var offer = it.offer();
                yield offer == null ? Set.of() : Set.of(offer.parent());
            }
            case FieldKind.Lookup it -> Set.copyOf(it.filters().values());
            case FieldKind.Payment ignored -> Set.<String>of();
            case FieldKind.SelfContained ignored -> Set.<String>of();
        };
        if (!parents.isEmpty()) {
            List<SeenAnswer> seen =
                    parents.stream().map(key -> seen(key, within, row)).toList();
            boolean offers = standing.state().of(within == null ? field.key() : RowNames.address(field.key(), row))
                            instanceof NodeState.FieldState it
                    && it.offered() != null
                    && !it.offered().isEmpty();
            String text =
                    "choices follow " + seen.stream().map(SeenAnswer::name).collect(Collectors.joining(" and "));
            reasons.add(new Reason("choices", new Explained(text, offers, seen, List.of())));
        }
    }

    private Explained formula(String formula, boolean gives, @Nullable String within, String row) {
        List<SeenAnswer> seen = symbols.sources(formula).stream()
                .map(key -> seen(key, within, row))
                .toList();
        String blank = standing.blankPart(formula, within, row);
        String why = blank == null && !gives ? "What it gives is no answer that this field can have." : blank;
        return new Explained(formula, gives, seen, List.of(), why == null ? "" : why);
    }

    /** What leaves a condition undecided: the part of a formula that gives nothing; empty where there is none. */
    private String undecided(Condition condition, @Nullable String within, String row) {
        List<String> formulas = new ArrayList<>();
        if (condition instanceof Condition.Written(var formula)) {
            formulas.add(formula);
        }
        if (condition instanceof Condition.Leaf leaf) {
            for (Clause.Operand operand : References.operands(leaf)) {
                if (operand instanceof Clause.Operand.FormulaOperand(var formula)) {
                    formulas.add(formula);
                }
            }
        }
        return formulas.stream()
                .map(formula -> standing.blankPart(formula, within, row))
                .filter(Objects::nonNull)
                .collect(Collectors.joining(" "));
    }

    private Explained explained(Condition condition, @Nullable String within, String row) {
        return explained(condition, within, row, 0);
    }

    private Explained explained(Condition condition, @Nullable String within, String row, int depth) {
        boolean holds = standing.holds(condition, within, row);
        String text = sentences.of(condition).stream().map(Part::text).collect(Collectors.joining());
        return switch (condition) {
            case Condition.Group group ->
                new Explained(
                        text,
                        holds,
                        List.of(),
                        group.conditions().stream()
                                .map(part -> explained(part, within, row, depth))
                                .toList());
            case Condition.Shared(var key) -> {
                SharedCondition shared = Objects.requireNonNull(symbols.shared(key), key);
                yield new Explained(
                        text,
                        holds,
                        List.of(),
                        depth < DEEPEST ? List.of(explained(shared.condition(), within, row, depth + 1)) : List.of());
            }
            case Condition.OfRows it -> {
                List<Explained> rows = new ArrayList<>();
                for (String each : standing.rows(it.section())) {
                    rows.add(explained(it.condition(), it.section(), each, depth + 1));
                }
                yield new Explained(text, holds, List.of(seen(it.section(), within, row)), rows);
            }
            default ->
                new Explained(
                        text,
                        holds,
                        symbols.sources(condition).stream()
                                .map(key -> seen(key, within, row))
                                .toList(),
                        List.of(),
                        undecided(condition, within, row));
        };
    }

    private SeenAnswer seen(String key, @Nullable String within, String row) {
        Field field = symbols.field(key);
        if (field == null) {
            int rows = standing.rows(key).size();
            String name = Objects.requireNonNull(symbols.repeating(key), key).name();
            return new SeenAnswer(key, name, rows + (rows == 1 ? " row" : " rows"), true);
        }
        String around = symbols.rowsAround(key);
        if (around == null || around.equals(within)) {
            Value value = standing.counting(key, row);
            return new SeenAnswer(key, field.name(), Display.of(field.kind(), value), standing.shown(key, row));
        }
        List<String> all = new ArrayList<>();
        for (String each : standing.rows(around)) {
            Value value = standing.counting(key, each);
            all.add(value.isBlank() ? "–" : Display.of(field.kind(), value));
        }
        return new SeenAnswer(key, field.name(), String.join(", ", all), true);
    }
}
