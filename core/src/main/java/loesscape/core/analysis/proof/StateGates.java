package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Promised;
import loesscape.core.model.Role;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * How a document stands, as gates: what is required, editable and opened out, how it looks, who takes part, what holds it up.
 * It says the same as the states of the evaluation, over what is typed, the stage and who is acting.
 */
final class StateGates {

    private final Template template;
    private final SymbolTable symbols;
    private final Encoding encoding;
    private final AnswerVariables variables;
    private final Gates gates;
    private final Map<String, Role> roles;

    StateGates(PreparedTemplate prepared, Encoding encoding, AnswerVariables variables) {
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.encoding = encoding;
        this.variables = variables;
        this.gates = variables.gates();
        this.roles = template.roles().stream().collect(Collectors.toMap(Role::key, Function.identity()));
    }

    int is(Node node, Aspect aspect) {
        return switch (aspect) {
            case SHOWN -> encoding.shown(node.key());
            case OPEN -> condition(node, Aspect.OPEN);
            case EDITABLE -> node instanceof Field field ? editable(field) : Gates.FALSE;
            case REQUIRED -> node instanceof Field field ? required(field) : Gates.FALSE;
        };
    }

    private int condition(Node node, Aspect aspect) {
        Condition condition = aspect.of(node);
        return condition == null
                ? aspect.plainDefault() ? Gates.TRUE : Gates.FALSE
                : encoding.met(condition, symbols.rowsAround(node.key()));
    }

    private int editable(Field field) {
        return field.isTyped() ? gates.and(isOpen(field), condition(field, Aspect.EDITABLE)) : Gates.FALSE;
    }

    /** Whether a field is shown while the document is answered, and is not that of somebody else. */
    private int isOpen(Field field) {
        return gates.and(encoding.shown(field.key()), isAnswered(), -isOthers(field));
    }

    private int isAnswered() {
        return variables.stage(List.of(Stage.FILLING, Stage.REVIEWING));
    }

    private int isOthers(Field field) {
        return field.role().isEmpty()
                ? Gates.FALSE
                : variables.role(roles.keySet().stream()
                        .filter(role -> !role.equals(field.role()))
                        .toList());
    }

    int isInTurn(Field field) {
        int others = variables.role(roles.keySet().stream()
                .filter(role -> !role.equals(field.role()))
                .toList());
        return gates.and(isAnswered(), -others);
    }

    private int required(Field field) {
        int asked = condition(field, Aspect.REQUIRED);
        if (asked == Gates.FALSE) {
            return Gates.FALSE;
        }
        int canBeGiven = field.kind() instanceof FieldKind.Payment
                ? gates.and(isOpen(field), condition(field, Aspect.EDITABLE), encoding.amount(field, "due"))
                : gates.and(editable(field), offersAny(field));
        return gates.and(asked, canBeGiven, -isLeftOut(field));
    }

    /** Whether there is anything to choose from. */
    private int offersAny(Field field) {
        return switch (field.kind()) {
            case FieldKind.Choosing it ->
                it.offer() == null
                        ? Gates.TRUE
                        : gates.or(it.withOther().stream()
                                .map(choice -> encoding.offered(field, choice.id()))
                                .toList());
            case FieldKind.Lookup ignored -> anyCell(field);
            case FieldKind.Payment ignored -> Gates.TRUE;
            case FieldKind.SelfContained ignored -> Gates.TRUE;
        };
    }

    private int anyCell(Field field) {
        if (!(variables.regions(field.key()) instanceof FieldRegions.OneOf(var regions))) {
            return Gates.TRUE;
        }
        List<Integer> any = new ArrayList<>();
        for (Region region : regions) {
            if (region.value() instanceof Value.Chosen(var cell, var ignored)) {
                any.add(encoding.offered(field, cell));
            }
        }
        return gates.or(any);
    }

    private int isLeftOut(Field field) {
        Role role = roles.get(field.role());
        return role == null || role.takesPart() == null
                ? Gates.FALSE
                : gates.and(-variables.role(List.of(role.key())), -takesPart(role.key()));
    }

    int takesPart(String role) {
        Condition condition = Objects.requireNonNull(roles.get(role), role).takesPart();
        return condition == null ? Gates.TRUE : encoding.met(condition, null);
    }

    /** Whether a node looks like this: by the first rule that is met, else by the band its answer lies in, else plainly. */
    int looks(Node node, Look look) {
        String within = symbols.rowsAround(node.key());
        List<Integer> any = new ArrayList<>();
        List<Integer> open = new ArrayList<>();
        int none = Gates.TRUE;
        for (LookRule rule : Logic.looks(node)) {
            int met = encoding.met(rule.when(), within);
            int decides = gates.and(none, met);
            if (rule.extent() == LookRule.Extent.ROW) {
                open.add(decides);
            } else if (rule.look().equals(look)) {
                any.add(decides);
            }
            none = gates.and(none, -met);
        }
        open.add(none);
        any.add(gates.and(gates.or(open), looksByBand(node, look, within)));
        return gates.or(any);
    }

    private int looksByBand(Node node, Look look, @Nullable String within) {
        List<Integer> any = new ArrayList<>();
        List<Integer> all = new ArrayList<>();
        List<Band> bands = node instanceof Field field ? field.bands() : List.of();
        for (Band band : bands) {
            int lies = encoding.met(new Clause.BandClause(node.key(), List.of(band.id()), null), within);
            all.add(lies);
            if (band.look().equals(look)) {
                any.add(lies);
            }
        }
        if (look.equals(Look.PLAIN)) {
            any.add(-gates.or(all));
        }
        return gates.or(any);
    }

    int someShown(List<String> keys, Promised.HowMany count) {
        int[] shown = keys.stream().mapToInt(encoding::shown).toArray();
        int one = gates.or(shown);
        return switch (count) {
            case AT_LEAST_ONE -> one;
            case AT_MOST_ONE -> -gates.atLeast(2, shown);
            case EXACTLY_ONE -> gates.and(one, -gates.atLeast(2, shown));
        };
    }

    /** Whether a condition for finishing is not met, or a check refuses an answer: of rows, in any that is told apart. */
    int isHeldUp() {
        List<Integer> any = new ArrayList<>();
        for (FinishRule rule : template.finish()) {
            any.add(-encoding.met(rule.when(), null));
        }
        template.fields()
                .forEach(field -> encoding.everywhere(field.key()).forEach(row -> any.add(row.refuses(field))));
        return gates.or(any);
    }

    /** Whether a check refuses the answer to a field, its limits what is worked out for it, or something else was paid than is due. */
    int refuses(Field field) {
        String within = symbols.rowsAround(field.key());
        List<Integer> any = new ArrayList<>();
        field.checks().forEach(check -> any.add(encoding.met(check.refusedWhen(), within)));
        any.add(encoding.isBeyondLimits(field));
        if (field.kind() instanceof FieldKind.Payment) {
            any.add(encoding.amount(field, "paid amiss"));
        }
        return gates.and(within == null ? Gates.TRUE : encoding.row(within), encoding.answered(field), gates.or(any));
    }
}
