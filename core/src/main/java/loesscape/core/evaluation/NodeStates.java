package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.evaluation.NodeState.NoticeState;
import loesscape.core.evaluation.NodeState.PlainState;
import loesscape.core.evaluation.NodeState.RowState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Currencies;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Notice;
import loesscape.core.model.Section;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import org.jspecify.annotations.Nullable;

/** Makes the states of nodes when all that is shown and all that counts is decided. */
final class NodeStates {

    private static final int MOST_TOLD = 500;

    private static final int SHOWN = 1;
    private static final int REQUIRED = 2;
    private static final int EDITABLE = 4;
    private static final int OPEN = 8;
    private static final List<List<Aspect>> MET = List.copyOf(met());

    private final Slots slots;
    private final Rules[] rules;
    private final Map<String, CompiledCondition> takesPart;

    /**
     * @param takesPart whether a role does, by its key
     */
    NodeStates(Slots slots, Rules[] rules, Map<String, CompiledCondition> takesPart) {
        this.slots = slots;
        this.rules = rules;
        this.takesPart = takesPart;
    }

    /** The states of all nodes by address, in document order, rows one after the other. Cannot be changed. */
    Map<String, NodeState> all(Run run) {
        if (!slots.hasRows()) {
            NodeState[] states = new NodeState[slots.count()];
            for (int slot = 0; slot < states.length; slot++) {
                states[slot] = of(run, slot, 0);
            }
            return new StatesBySlot(slots, states);
        }
        Map<String, NodeState> states = LinkedHashMap.newLinkedHashMap(slots.count());
        int slot = 0;
        while (slot < slots.count()) {
            states.put(slots.key(slot), of(run, slot, 0));
            if (slots.isRepeating(slot)) {
                String[] rows = run.seen.rows[slot];
                for (int row = 0; row < rows.length; row++) {
                    states.put(slots.address(slot, rows[row]), row(run, slot, row));
                    for (int inner = slot + 1; inner < slots.end(slot); inner++) {
                        states.put(slots.address(inner, rows[row]), of(run, inner, row));
                    }
                }
                slot = slots.end(slot);
            } else {
                slot++;
            }
        }
        return Collections.unmodifiableMap(states);
    }

    /** How one row of a repeating section stands. */
    RowState row(Run run, int section, int row) {
        run.seen.row = row;
        for (int slot = section + 1; slot < slots.end(section); slot++) {
            Look look = run.isShown(slot, row) ? rules[slot].look(LookRule.Extent.ROW, run.seen) : null;
            if (look != null) {
                return RowState.of(look);
            }
        }
        return RowState.of(Look.PLAIN);
    }

    /** How one node stands, in one of its rows where it stands in rows. */
    NodeState of(Run run, int slot, int row) {
        Seen seen = run.seen;
        seen.row = row;
        Rules own = rules[slot];
        Field field = own.field();
        boolean shown = run.isShown(slot, row);
        boolean isRequired = Rules.holds(own.required(), false, seen);
        boolean isEditable = Rules.holds(own.editable(), true, seen);
        boolean isOpen = Rules.holds(own.open(), true, seen);
        int met = (own.shown() != null && isShownByItself(run, slot, row, shown, own.shown()) ? SHOWN : 0)
                | (isRequired ? REQUIRED : 0)
                | (own.editable() != null && isEditable ? EDITABLE : 0)
                | (own.open() != null && isOpen ? OPEN : 0);
        if (field == null) {
            return other(run, slot, row, shown, MET.get(met), isOpen);
        }
        if (own.isPlain()) {
            return !shown && met == 0
                    ? FieldState.FOLDED
                    : plain(run, slot, row, field, shown, MET.get(met), isEditable, isRequired);
        }
        return field(run, slot, row, field, shown, MET.get(met), isEditable, isRequired);
    }

    private NodeState other(Run run, int slot, int row, boolean shown, List<Aspect> met, boolean isOpen) {
        Rules own = rules[slot];
        return switch (own.node()) {
            case Indicator it -> new IndicatorState(shown, met, sign(it, run.counting(slots.of(it.follows()), row)));
            case Section it -> section(it, slot, shown, met, isOpen, own, run.seen);
            case Notice ignored ->
                new NoticeState(shown, met, look(own, run.seen), "", own.text().apply(run.seen));
            default -> new PlainState(shown, met);
        };
    }

    private static SectionState section(
            Section section, int slot, boolean shown, List<Aspect> met, boolean open, Rules own, Seen seen) {
        Section.Rows rows = section.rows();
        if (rows == null) {
            return new SectionState(shown, met, open, look(own, seen), null, null);
        }
        List<String> names = List.of(seen.rows[slot]);
        String problem = null;
        if (shown && names.size() > rows.most()) {
            problem = "At most %d %s here.".formatted(rows.most(), rows.most() == 1 ? "row fits" : "rows fit");
        }
        return new SectionState(shown, met, open, look(own, seen), names, problem);
    }

    private static Look look(Rules own, Seen seen) {
        Look look = own.look(LookRule.Extent.ITEM, seen);
        return look == null ? Look.PLAIN : look;
    }

    /** A field as most are: there is less to be asked of it. */
    private FieldState plain(
            Run run,
            int slot,
            int row,
            Field field,
            boolean shown,
            List<Aspect> met,
            boolean isEditableThen,
            boolean isAskedFor) {
        Rules own = rules[slot];
        Value value = run.counting(slot, row);
        boolean isEditable = shown && isEditableThen && own.isTyped() && isAnswered(run, field);
        boolean isRequired = isAskedFor && isEditable && !isLeftOut(field, run.seen);
        String problem = value.isBlank() ? run.unreadable(slot, row) : own.refusal(value, run.seen);
        return new FieldState(
                shown,
                met,
                isEditable,
                isRequired,
                isRequired && value.isBlank() && problem == null,
                value,
                null,
                Look.PLAIN,
                null,
                run.isOvertyped(slot, row),
                null,
                problem);
    }

    private FieldState field(
            Run run,
            int slot,
            int row,
            Field field,
            boolean shown,
            List<Aspect> met,
            boolean isEditableThen,
            boolean isAskedFor) {
        Rules own = rules[slot];
        Seen seen = run.seen;
        Value value = run.counting(slot, row);
        boolean isOpen = shown && isEditableThen && isAnswered(run, field);
        boolean isEditable = isOpen && own.isTyped();
        Offered offered = offered(own, field, shown, seen);
        String unreadable = run.unreadable(slot, row);
        BigDecimal due = shown ? due(own, field, seen) : null;
        boolean canAnswer = (isEditable || (isOpen && due != null)) && (offered == null || !offered.isEmpty());
        boolean isRequired = isAskedFor && canAnswer && !isLeftOut(field, seen);
        String unpaid = unpaid(field, value, due);
        String band = band(field.bands(), value);
        Look look = own.look(LookRule.Extent.ITEM, seen);
        return new FieldState(
                shown,
                met,
                isEditable,
                isRequired,
                isRequired && value.isBlank() && unreadable == null,
                value,
                band,
                look != null ? look : bandLook(field.bands(), band),
                offered == null ? null : told(offered),
                run.isOvertyped(slot, row),
                due,
                unpaid != null ? unpaid : value.isBlank() ? unreadable : own.refusal(value, seen));
    }

    /** What is to be paid; null where nothing is, or it is not known. */
    private static @Nullable BigDecimal due(Rules own, Field field, Seen seen) {
        return field.kind() instanceof FieldKind.Payment(var currency, var ignored)
                ? own.amount(seen, Currencies.decimals(currency))
                : null;
    }

    /** What can be chosen, where that depends on other answers or is looked up; null for others. */
    private static @Nullable Offered offered(Rules own, Field field, boolean shown, Seen seen) {
        if (own.offering() == null) {
            return null;
        }
        Offered offered = shown ? own.offering().now(seen) : Offered.NOTHING;
        return offered.isRestricted() || field.kind() instanceof FieldKind.Lookup ? offered : null;
    }

    /** What is told of what can be chosen: of a very long list only the beginning, for nobody reads on. */
    private static List<String> told(Offered offered) {
        return offered.ids().size() <= MOST_TOLD ? offered.ids() : offered.ids().subList(0, MOST_TOLD);
    }

    /** Whether whoever is there can answer the field: what is finished or printed only shows, and others' fields are theirs. */
    private static boolean isAnswered(Run run, Field field) {
        String acting = run.seen.context.role();
        return run.isAnswered
                && (acting.isEmpty() || field.role().isEmpty() || field.role().equals(acting));
    }

    /**
     * Whether the field is that of a role that takes no part, of which nothing is asked. Whoever acts takes part: that was
     * decided when the turn came, whatever others have answered since.
     */
    private boolean isLeftOut(Field field, Seen seen) {
        if (takesPart.isEmpty()) {
            return false;
        }
        CompiledCondition takes = takesPart.get(field.role());
        return takes != null && !field.role().equals(seen.context.role()) && !takes.holds(seen);
    }

    /** What was paid is what is due; answers that change the amount afterwards have to be changed back. */
    private static @Nullable String unpaid(Field field, Value value, @Nullable BigDecimal due) {
        if (!(value instanceof Value.Paid(var paid, var ignored)) || (due != null && due.compareTo(paid) == 0)) {
            return null;
        }
        return "%s was paid, but %s is due now; change back what the amount hangs on."
                .formatted(
                        Display.number(field.kind(), paid),
                        due == null ? "nothing" : Display.number(field.kind(), due));
    }

    private static @Nullable String band(List<Band> bands, Value value) {
        return bands.isEmpty() ? null : Band.of(bands, value).map(Band::id).orElse(null);
    }

    private static Look bandLook(List<Band> bands, @Nullable String id) {
        for (Band band : bands) {
            if (band.id().equals(id)) {
                return band.look();
            }
        }
        return Look.PLAIN;
    }

    private static @Nullable String sign(Indicator indicator, Value value) {
        if (indicator.presence() != null) {
            return value.isBlank() ? Indicator.BLANK : Indicator.ANSWERED;
        }
        if (!indicator.bands().isEmpty()) {
            return band(indicator.bands(), value);
        }
        List<String> chosen = value instanceof Value.ChosenSet(var choices, var ignored)
                ? choices
                : Optional.ofNullable(Offerings.chosen(value)).stream().toList();
        return indicator.choices().stream()
                .map(Indicator.ChoiceSign::choice)
                .filter(chosen::contains)
                .findFirst()
                .orElse(null);
    }

    /**
     * Whether the node's own condition for being shown holds. Where what holds the node is shown, that has decided it; in
     * what is folded nobody has asked yet.
     */
    private boolean isShownByItself(Run run, int slot, int row, boolean shown, CompiledCondition own) {
        if (run.hasSettled) {
            return own.holds(run.seen);
        }
        int holder = slots.holder(slot);
        return shown || (holder != Slots.NONE && !run.isShown(holder, row) && own.holds(run.seen));
    }

    /** The aspects whose conditions hold, by all the ways in which they can: made once, for they are told of every node. */
    private static List<List<Aspect>> met() {
        List<List<Aspect>> all = new ArrayList<>();
        for (int bits = 0; bits < 2 * OPEN; bits++) {
            List<Aspect> met = new ArrayList<>();
            addIfSet(met, bits & SHOWN, Aspect.SHOWN);
            addIfSet(met, bits & REQUIRED, Aspect.REQUIRED);
            addIfSet(met, bits & EDITABLE, Aspect.EDITABLE);
            addIfSet(met, bits & OPEN, Aspect.OPEN);
            all.add(List.copyOf(met));
        }
        return all;
    }

    private static void addIfSet(List<Aspect> met, int bit, Aspect aspect) {
        if (bit != 0) {
            met.add(aspect);
        }
    }
}
