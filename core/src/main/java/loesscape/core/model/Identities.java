package loesscape.core.model;

import java.util.Set;
import java.util.function.BiConsumer;

/** The rule that identities keep: spelt like keys, and each used once. */
final class Identities {

    private Identities() {}

    static void check(String path, String id, Set<String> taken, BiConsumer<String, String> report) {
        if (!Keys.isKey(id)) {
            report.accept(
                    path, "“%s” cannot be an identity; it is spelt like a key.".formatted(TextBounds.shortened(id)));
        }
        if (!taken.add(id)) {
            report.accept(path, "The identity “%s” is used twice.".formatted(TextBounds.shortened(id)));
        }
    }
}
