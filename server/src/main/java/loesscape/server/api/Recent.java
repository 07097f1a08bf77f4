package loesscape.server.api;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Remembers what was used last, up to a number of things. Safe to share between threads. */
final class Recent<K, V> {

    private final Map<K, V> entries;

    Recent(int most) {
        this.entries = new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    synchronized @Nullable V get(K key) {
        return entries.get(key);
    }

    synchronized void put(K key, V value) {
        entries.put(key, value);
    }
}
