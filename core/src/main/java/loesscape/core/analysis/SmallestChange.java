package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.analysis.Why.AnswerChange;
import loesscape.core.analysis.Why.Way;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Finds the smallest change of answers that opens something: first one answer, then two, then three, out of the answers
 * at which a condition on the way changes its mind. The search is bounded; where it ends without a find, there is none to
 * tell.
 */
final class SmallestChange {

    private static final int MOST_CHANGES = 3;
    private static final int MOST_TRIES = 20_000;
    private static final int MOST_FIELDS = 60;

    private final CompiledTemplate compiled;
    private final SymbolTable symbols;
    private final Answers answers;
    private final Context context;
    private final Standing standing;
    private final Map<String, Node> nodes = new LinkedHashMap<>();
    private int tries;

    SmallestChange(CompiledTemplate compiled, Answers answers, Context context) {
        this.compiled = compiled;
        this.symbols = compiled.symbols();
        this.answers = answers;
        this.context = context;
        this.standing = compiled.standing(answers, context);
        compiled.template().nodes().forEach(node -> nodes.put(node.key(), node));
    }

    /** One way for each of shown, editable and open that is not so now; none where no small change does it. */
    List<Way> ways(String address, List<Node> path) {
        List<Way> ways = new ArrayList<>();
        for (Aspect aspect : Aspect.values()) {
            Node node = path.getLast();
            if (!aspect.plainDefault()
                    || !aspect.fits(node)
                    || isSo(standing.state().nodes().get(address), aspect)) {
                continue;
            }
            List<AnswerChange> changes = search(address, aspect, path);
            if (changes != null) {
                ways.add(new Way(aspect, changes));
            }
            if (aspect == Aspect.SHOWN) {
                break;
            }
        }
        return ways;
    }

    private static boolean isSo(@Nullable NodeState state, Aspect aspect) {
        return state != null && state.is(aspect);
    }

    private @Nullable List<AnswerChange> search(String address, Aspect aspect, List<Node> path) {
        List<Option> options = options(address, aspect, path);
        Session session = compiled.session(answers, context);
        tries = 0;
        for (int most = 1; most <= MOST_CHANGES; most++) {
            List<AnswerChange> found = search(session, new Goal(address, aspect), options, 0, most);
            if (found != null) {
                return found;
            }
        }
        return null;
    }

    private record Goal(String address, Aspect aspect) {}

    /** A field and what could be typed into it. */
    private record Option(Field field, String address, List<String> typed) {}

    /** Tries so many changes, each of a field further down the list than the one before. */
    private @Nullable List<AnswerChange> search(Session session, Goal goal, List<Option> options, int from, int most) {
        for (int i = from; i < options.size(); i++) {
            Option option = options.get(i);
            String before = answers.touched(option.address());
            for (String typed : option.typed()) {
                if (typed.equals(before) || tries++ > MOST_TRIES) {
                    continue;
                }
                session.answer(option.address(), typed);
                List<AnswerChange> rest = most == 1
                        ? (isSo(session.stateOf(goal.address()), goal.aspect()) ? List.of() : null)
                        : search(session, goal, options, i + 1, most - 1);
                session.answer(option.address(), before);
                if (rest != null) {
                    List<AnswerChange> changes = new ArrayList<>();
                    changes.add(new AnswerChange(option.address(), typed, Boundaries.words(option.field(), typed)));
                    changes.addAll(rest);
                    return changes;
                }
            }
        }
        return null;
    }

    /** The fields that what is to be opened rests on, directly or by way of others, with the answers worth trying. */
    private List<Option> options(String address, Aspect aspect, List<Node> path) {
        Set<String> keys = new LinkedHashSet<>();
        List<Condition> conditions = new ArrayList<>();
        List<Node> open = new ArrayList<>(path);
        Condition own = aspect.of(path.getLast());
        note(own, conditions, keys);
        Set<String> seen = new LinkedHashSet<>();
        while (!open.isEmpty() && keys.size() < MOST_FIELDS) {
            Node node = open.removeFirst();
            if (!seen.add(node.key())) {
                continue;
            }
            note(node.shown(), conditions, keys);
            compiled.prepared().uses(node.key()).stream()
                    .filter(Logic.Use::decides)
                    .forEach(use -> keys.addAll(use.sources()));
            for (String key : keys) {
                open.addAll(holders(key));
            }
        }
        String row = RowNames.row(address);
        String within = symbols.rowsAround(RowNames.key(address));
        List<Option> options = new ArrayList<>();
        for (String key : keys) {
            Field field = symbols.field(key);
            String around = symbols.rowsAround(key);
            boolean reached = around == null || around.equals(within);
            if (field == null || !reached || !field.isTyped()) {
                continue;
            }
            String at = around == null ? key : RowNames.address(key, row);
            options.add(new Option(
                    field,
                    at,
                    Boundaries.of(field, conditions, symbols, context, other -> counting(other, within, row))));
        }
        return options;
    }

    /** What stands in a field as it is seen from a row; blank for one in rows elsewhere. */
    private Value counting(String key, @Nullable String within, String row) {
        String around = symbols.rowsAround(key);
        return around == null || around.equals(within) ? standing.counting(key, row) : Value.blank();
    }

    private void note(@Nullable Condition condition, List<Condition> conditions, Set<String> keys) {
        if (condition != null) {
            conditions.add(condition);
            keys.addAll(symbols.sources(condition));
            symbols.sharedIn(condition).forEach(key -> {
                var shared = symbols.shared(key);
                if (shared != null) {
                    conditions.add(shared.condition());
                }
            });
        }
    }

    /** A node and what holds it. */
    private List<Node> holders(String key) {
        List<Node> holders = new ArrayList<>();
        Node node = nodes.get(key);
        while (node != null) {
            holders.add(node);
            node = nodes.get(compiled.holder(node.key()));
        }
        return holders;
    }
}
