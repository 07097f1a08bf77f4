package loesscape.server.platform;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Remembers what was used last, up to a number of things. Safe to share between threads. */
public final class Recent<K, V> {

    private final Map<K, V> entries;

    public Recent(int most) {
        this.entries = new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    public synchronized @Nullable V get(K key) {
        return entries.get(key);
    }

    public synchronized void put(K key, V value) {
        entries.put(key, value);
    }
}
