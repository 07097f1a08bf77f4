package loesscape.core.evaluation;

import java.util.AbstractMap;
import java.util.AbstractSet;
import java.util.Iterator;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;

/**
 * The states of a document in which nothing repeats, by address and in document order: every node has one place, so that
 * nothing has to be hashed to keep them. Cannot be changed.
 */
final class StatesBySlot extends AbstractMap<String, NodeState> {

    private final Slots slots;
    private final NodeState[] states;

    /**
     * @param states one for each slot, not changed from now on
     */
    StatesBySlot(Slots slots, NodeState[] states) {
        this.slots = slots;
        this.states = states;
    }

    @Override
    public @Nullable NodeState get(Object key) {
        int slot = key instanceof String address ? slots.find(address) : Slots.NONE;
        return slot == Slots.NONE ? null : states[slot];
    }

    @Override
    public boolean containsKey(Object key) {
        return get(key) != null;
    }

    @Override
    public int size() {
        return states.length;
    }

    @Override
    public void forEach(BiConsumer<? super String, ? super NodeState> action) {
        for (int slot = 0; slot < states.length; slot++) {
            action.accept(slots.key(slot), states[slot]);
        }
    }

    @Override
    public Set<Map.Entry<String, NodeState>> entrySet() {
        return new AbstractSet<>() {
            @Override
            public Iterator<Map.Entry<String, NodeState>> iterator() {
                return new Iterator<>() {
                    private int next;

                    @Override
                    public boolean hasNext() {
                        return next < states.length;
                    }

                    @Override
                    public Map.Entry<String, NodeState> next() {
                        if (!hasNext()) {
                            throw new NoSuchElementException();
                        }
                        Map.Entry<String, NodeState> entry = Map.entry(slots.key(next), states[next]);
                        next++;
                        return entry;
                    }
                };
            }

            @Override
            public int size() {
                return states.length;
            }
        };
    }
}
