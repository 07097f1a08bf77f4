package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A document while it is being answered. A changed answer looks again only at what waits for it, in dependency order, and
 * stops where nothing changes; what comes out is what evaluating the whole document would give. Not for several threads.
 *
 * <pre>{@code
 * Session session = permit.session(Answers.NONE, Context.filling(today));
 * Map<String, NodeState> changed = session.answer("purpose", "irrigation");
 * session.answer("samples", "r1,r2");      // a row more
 * session.answer("acidity@r2", "5.4");     // an answer in it
 * }</pre>
 */
public final class Session {

    private final CompiledTemplate compiled;
    private final Slots slots;
    private final Waiting waiting;
    private final Run run;
    private final Map<String, NodeState> states = new LinkedHashMap<>();
    private final BitSet queued = new BitSet();
    private final BitSet touched = new BitSet();
    private final Set<String> gone = new HashSet<>();
    private final PriorityQueue<Integer> queue;
    private final Map<String, String> typed;
    /** How all stands, as long as nothing was answered since. */
    private @Nullable State known;

    Session(CompiledTemplate compiled, Run run, Answers answers) {
        this.compiled = compiled;
        this.slots = compiled.slots();
        this.waiting = compiled.waiting();
        this.run = run;
        this.typed = new HashMap<>(answers.typed());
        int[] rank = waiting.rank();
        this.queue = new PriorityQueue<>(Comparator.comparingInt(slot -> rank[slot]));
        State begun = compiled.state(run);
        this.known = begun;
        states.putAll(begun.nodes());
    }

    /** The answers as they are now. */
    public Answers answers() {
        return new Answers(typed);
    }

    /** How every node stands now. */
    public State state() {
        State now = known;
        if (now == null) {
            now = compiled.state(run);
            known = now;
        }
        return now;
    }

    /** How one node stands now; null where there is none at that address. */
    public @Nullable NodeState stateOf(String address) {
        return states.get(address);
    }

    /**
     * Takes one changed answer.
     *
     * @param address of the field; that of a repeating section, its key, takes its rows (see {@link RowNames}). Where
     *     nothing is there, nothing changes
     * @param text what stands in it now; empty where an answer was taken away, null where it is as if never touched
     * @return the nodes that stand otherwise than before or are new, with how they stand now, by address. Rows that are
     *     gone are told by their section
     */
    public Map<String, NodeState> answer(String address, @Nullable String text) {
        known = null;
        if (text == null) {
            typed.remove(address);
        } else {
            typed.put(address, text);
        }
        int slot = slots.find(RowNames.key(address));
        if (slot == Slots.NONE) {
            return Map.of();
        }
        queue(slot);
        while (true) {
            Integer next = queue.poll();
            if (next == null) {
                break;
            }
            queued.clear(next);
            decide(next);
        }
        return changed();
    }

    private void queue(int slot) {
        if (!queued.get(slot)) {
            queued.set(slot);
            queue.add(slot);
        }
    }

    private void decide(int slot) {
        Run.Found before = run.found(slot);
        run.forget(slot);
        compiled.decide(run, slot, typed::get);
        touched.set(slot);
        Run.Found now = run.found(slot);
        boolean otherRows = !now.hasRowsLike(before);
        if (otherRows) {
            rowsChanged(slot, before.rows());
        }
        if (!now.isShownLike(before)) {
            for (int held : waiting.held()[slot]) {
                queue(held);
            }
        }
        if (otherRows || !now.countsLike(before)) {
            for (int reader : waiting.deciding()[slot]) {
                queue(reader);
                touched.set(reader);
            }
            for (int reader : waiting.otherwise()[slot]) {
                touched.set(reader);
            }
        }
    }

    private void rowsChanged(int section, String[] before) {
        gone.addAll(Arrays.asList(before));
        gone.removeAll(Arrays.asList(run.seen.rows[section]));
        for (String row : gone) {
            for (int slot = section; slot < slots.end(section); slot++) {
                states.remove(slots.address(slot, row));
            }
        }
        gone.clear();
        for (int slot = section + 1; slot < slots.end(section); slot++) {
            queue(slot);
        }
    }

    private Map<String, NodeState> changed() {
        Map<String, NodeState> changed = new LinkedHashMap<>();
        BitSet sections = new BitSet();
        for (int slot = touched.nextSetBit(0); slot >= 0; slot = touched.nextSetBit(slot + 1)) {
            int section = slots.rows(slot);
            if (section == Slots.NONE) {
                note(slots.key(slot), compiled.states().of(run, slot, 0), changed);
                if (slots.isRepeating(slot)) {
                    sections.set(slot);
                }
                continue;
            }
            sections.set(section);
            String[] rows = run.seen.rows[section];
            for (int row = 0; row < rows.length; row++) {
                note(slots.address(slot, rows[row]), compiled.states().of(run, slot, row), changed);
            }
        }
        sections.stream().forEach(section -> {
            String[] rows = run.seen.rows[section];
            for (int row = 0; row < rows.length; row++) {
                note(slots.address(section, rows[row]), compiled.states().row(run, section, row), changed);
            }
        });
        touched.clear();
        return changed;
    }

    private void note(String address, NodeState now, Map<String, NodeState> changed) {
        if (!now.equals(states.put(address, now))) {
            changed.put(address, now);
        }
    }
}
