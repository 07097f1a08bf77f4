package loesscape.core.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A template with what is worked out of it once, however many look at it: what its names mean, who looks at whom, and in
 * which order its nodes are decided. Editing, validation, evaluation, wording and analysis of one revision share it. Safe to
 * share between threads.
 */
public final class PreparedTemplate {

    private final Template template;
    private final SymbolTable symbols;
    private volatile @Nullable Map<String, List<Logic.Use>> uses;
    private volatile @Nullable Map<String, Set<String>> followers;
    private volatile @Nullable Dependencies dependencies;

    private PreparedTemplate(Template template) {
        this.template = template;
        this.symbols = SymbolTable.of(template);
    }

    /** A template, which need not be valid. */
    public static PreparedTemplate of(Template template) {
        return new PreparedTemplate(template);
    }

    /** The template itself. */
    public Template template() {
        return template;
    }

    /** What its names mean. */
    public SymbolTable symbols() {
        return symbols;
    }

    /** What a node looks at, and for what; nothing for a key that no node has. */
    public List<Logic.Use> uses(String key) {
        return uses().getOrDefault(key, List.of());
    }

    private Map<String, List<Logic.Use>> uses() {
        Map<String, List<Logic.Use>> known = uses;
        if (known == null) {
            known = new LinkedHashMap<>();
            for (Node node : template.nodes()) {
                known.putIfAbsent(node.key(), Logic.uses(node, symbols));
            }
            uses = known;
        }
        return known;
    }

    /** The keys of the nodes that look at a field or a repeating section in any way, in document order. */
    public List<String> followers(String key) {
        Map<String, Set<String>> known = followers;
        if (known == null) {
            Map<String, Set<String>> fresh = new LinkedHashMap<>();
            uses().forEach((reader, all) -> all.forEach(use -> use.sources()
                    .forEach(source -> fresh.computeIfAbsent(source, ignored -> new LinkedHashSet<>())
                            .add(reader))));
            followers = fresh;
            known = fresh;
        }
        return new ArrayList<>(known.getOrDefault(key, Set.of()));
    }

    /** The order in which its nodes are decided, or the cycle that keeps it from having one. */
    public Dependencies dependencies() {
        Dependencies known = dependencies;
        if (known == null) {
            known = Dependencies.of(this);
            dependencies = known;
        }
        return known;
    }
}
