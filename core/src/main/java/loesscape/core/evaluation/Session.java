package loesscape.core.evaluation;

import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.PriorityQueue;
import loesscape.core.evaluation.CompiledTemplate.Run;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * A document while it is being answered. A changed answer looks again only at what waits for it, in dependency order, and
 * stops where nothing changes; what comes out is what evaluating the whole document would give. Not for several threads.
 *
 * <pre>{@code
 * Session session = permit.session(Answers.NONE, Context.filling(today));
 * Map<String, NodeState> changed = session.answer("purpose", "irrigation");
 * }</pre>
 */
public final class Session {

    private final CompiledTemplate compiled;
    private final Waiting waiting;
    private final Run run;
    private final @Nullable NodeState[] states;
    private final BitSet queued = new BitSet();
    private final BitSet touched = new BitSet();
    private final PriorityQueue<Integer> queue;
    private final Map<String, String> typed;

    Session(CompiledTemplate compiled, Run run, Answers answers) {
        this.compiled = compiled;
        this.waiting = compiled.waiting();
        this.run = run;
        this.typed = new HashMap<>(answers.typed());
        this.states = new NodeState[run.isShown().length];
        int[] rank = waiting.rank();
        this.queue = new PriorityQueue<>(Comparator.comparingInt(slot -> rank[slot]));
        for (int slot = 0; slot < states.length; slot++) {
            states[slot] = compiled.state(run, slot);
        }
    }

    /** The answers as they are now. */
    public Answers answers() {
        return new Answers(typed);
    }

    /** How every node stands now. */
    public State state() {
        return compiled.state(run);
    }

    /**
     * Takes one changed answer.
     *
     * @param key of the field; a field that is not there changes nothing
     * @param text what stands in it now; empty where nothing does
     * @return the nodes that stand otherwise than before, with how they stand now, in document order
     */
    public Map<String, NodeState> answer(String key, String text) {
        if (text.isEmpty()) {
            typed.remove(key);
        } else {
            typed.put(key, text);
        }
        int field = compiled.fieldSlot(key);
        if (field < 0) {
            return Map.of();
        }
        queue(field);
        while (true) {
            Integer slot = queue.poll();
            if (slot == null) {
                break;
            }
            queued.clear(slot);
            decide(slot);
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
        boolean wasShown = run.isShown()[slot];
        Value before = run.seen().counting()[slot];
        compiled.decide(run, slot, key -> typed.getOrDefault(key, ""));
        touched.set(slot);
        if (run.isShown()[slot] != wasShown) {
            for (int held : waiting.held()[slot]) {
                queue(held);
            }
        }
        if (!run.seen().counting()[slot].equals(before)) {
            for (int reader : waiting.shown()[slot]) {
                queue(reader);
                touched.set(reader);
            }
            for (int reader : waiting.otherwise()[slot]) {
                touched.set(reader);
            }
        }
    }

    private Map<String, NodeState> changed() {
        Map<String, NodeState> changed = new LinkedHashMap<>();
        for (int slot = touched.nextSetBit(0); slot >= 0; slot = touched.nextSetBit(slot + 1)) {
            NodeState now = compiled.state(run, slot);
            if (!now.equals(states[slot])) {
                states[slot] = now;
                changed.put(compiled.key(slot), now);
            }
        }
        touched.clear();
        return changed;
    }
}
