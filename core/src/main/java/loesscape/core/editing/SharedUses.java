package loesscape.core.editing;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import loesscape.core.expression.Names;
import loesscape.core.model.Condition;
import loesscape.core.model.Keys;
import loesscape.core.model.Logic;
import loesscape.core.model.References;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Makes, uses, writes out and takes away shared conditions. */
final class SharedUses {

    private SharedUses() {}

    static TemplateIndex add(TemplateIndex parts, Edit.NewShared edit) {
        return with(parts, new SharedCondition(key(parts, edit.name()), name(edit.name()), edit.condition()));
    }

    static TemplateIndex set(TemplateIndex parts, Edit.SetShared edit) {
        SharedCondition shared = find(parts, edit.key());
        SharedCondition changed = new SharedCondition(edit.key(), shared.name(), edit.condition());
        return shared.name().isEmpty() && edit.name().isBlank()
                ? with(parts, changed)
                : named(parts, changed, name(edit.name()));
    }

    private static String name(String name) {
        if (name.isBlank()) {
            throw new Refusal("A shared condition of one's own making has a name; give it one.");
        }
        return name.strip();
    }

    private static String key(TemplateIndex parts, String name) {
        return Keys.from(name, "condition", parts::uses);
    }

    private static TemplateIndex with(TemplateIndex parts, SharedCondition shared) {
        Map<String, SharedCondition> conditions =
                new LinkedHashMap<>(parts.rest().conditions());
        conditions.put(shared.key(), shared);
        return parts.with(parts.rest().withConditions(conditions));
    }

    private static SharedCondition find(TemplateIndex parts, String key) {
        SharedCondition shared = parts.rest().conditions().get(key);
        if (shared == null) {
            throw new Refusal("There is no shared condition “%s” any more.".formatted(key));
        }
        return shared;
    }

    static TemplateIndex extract(TemplateIndex parts, Edit.Extract edit) {
        Condition condition = edit.aspect().of(parts.node(edit.key()));
        if (condition == null) {
            throw new Refusal("There is no condition to share.");
        }
        if (condition instanceof Condition.Shared(var key)) {
            return named(parts, find(parts, key), name(edit.name()));
        }
        SharedCondition shared = new SharedCondition(key(parts, edit.name()), name(edit.name()), condition);
        Logic.Mapping everywhere = each -> each.equals(condition) ? new Condition.Shared(shared.key()) : each;
        return with(Mappings.mapped(parts, everywhere), shared);
    }

    /** A shared condition under another name; one that had none gets a key of that name too, for formulas to use. */
    private static TemplateIndex named(TemplateIndex parts, SharedCondition shared, String name) {
        if (!shared.name().isEmpty()) {
            return with(parts, new SharedCondition(shared.key(), name, shared.condition()));
        }
        String to = key(parts, name);
        TemplateIndex renamed = Mappings.mapped(
                without(parts, shared.key()),
                Mappings.renaming(key -> key.equals(shared.key()) ? to : key, parts.symbols()));
        return with(renamed, new SharedCondition(to, name, shared.condition()));
    }

    /** A condition made one that several places can share; one that says nothing of answers stays as it is. */
    static WithShared shared(TemplateIndex parts, Condition condition) {
        boolean plain = condition instanceof Condition.Always
                || condition instanceof Condition.Never
                || condition instanceof Condition.Shared;
        if (plain) {
            return new WithShared(parts, condition);
        }
        Optional<SharedCondition> known = parts.rest().conditions().values().stream()
                .filter(each -> each.name().isEmpty() && each.condition().equals(condition))
                .findFirst();
        String key = known.map(SharedCondition::key).orElseGet(() -> Keys.unused("condition_1", parts::uses));
        TemplateIndex with = known.isPresent() ? parts : with(parts, new SharedCondition(key, "", condition));
        return new WithShared(with, new Condition.Shared(key));
    }

    /** Parts with a shared condition in them, and how it is used. */
    record WithShared(TemplateIndex parts, Condition use) {}

    static TemplateIndex inline(TemplateIndex parts, String key) {
        SharedCondition shared = find(parts, key);
        TemplateIndex written = Mappings.mapped(
                parts,
                Mappings.rewriting(leaf ->
                        leaf instanceof Condition.Shared(var used) && used.equals(key) ? shared.condition() : leaf));
        TemplateIndex without = without(written, key);
        var followers = Followers.ofShared(without, key);
        if (!followers.isEmpty()) {
            throw new Refusal(
                    "Formulas use “%s” by its name “%s”. Change these first.".formatted(shared.name(), key), followers);
        }
        return without;
    }

    private static TemplateIndex without(TemplateIndex parts, String key) {
        Map<String, SharedCondition> conditions =
                new LinkedHashMap<>(parts.rest().conditions());
        conditions.remove(key);
        return parts.with(parts.rest().withConditions(conditions));
    }

    static TemplateIndex remove(TemplateIndex parts, Edit.RemoveShared edit) {
        SharedCondition shared = find(parts, edit.key());
        var followers = Followers.ofShared(parts, edit.key());
        if (!followers.isEmpty() && !edit.dropFollowers()) {
            throw new Refusal("“%s” is used.".formatted(shared.name()), followers);
        }
        Logic.Mapping dropping = new Logic.Mapping() {
            @Override
            public @Nullable Condition condition(Condition condition) {
                return References.rewrite(condition, leaf -> Followers.usesShared(leaf, edit.key()) ? null : leaf);
            }

            @Override
            public @Nullable String formula(String formula) {
                return Names.in(formula).contains(edit.key()) ? null : formula;
            }

            @Override
            public String field(String key) {
                return key;
            }
        };
        return Mappings.mapped(without(parts, edit.key()), dropping);
    }

    /**
     * Copies of the shared conditions that the originals use and that look at one of them, so that the copies can look at
     * each other; their keys are added to {@code copies}.
     */
    static TemplateIndex copied(TemplateIndex parts, Map<String, String> copies) {
        SymbolTable symbols = parts.symbols();
        Set<String> originals = Set.copyOf(copies.keySet());
        Set<String> used = new LinkedHashSet<>();
        originals.forEach(key ->
                Logic.conditions(parts.node(key)).forEach(place -> used.addAll(symbols.sharedIn(place.condition()))));
        used.removeIf(key -> symbols.sources(new Condition.Shared(key)).stream().noneMatch(originals::contains));
        used.forEach(key ->
                copies.put(key, Keys.unused(key, taken -> parts.uses(taken) || copies.containsValue(taken))));
        Logic.Mapping mapping = Mappings.renaming(old -> copies.getOrDefault(old, old), symbols);
        TemplateIndex with = parts;
        for (String key : used) {
            SharedCondition shared = find(parts, key);
            Condition copy = mapping.condition(shared.condition());
            with = with(
                    with,
                    new SharedCondition(
                            copies.getOrDefault(key, key),
                            shared.name().isEmpty() ? "" : shared.name() + " (copy)",
                            copy == null ? shared.condition() : copy));
        }
        return with;
    }

    /** Takes away shared conditions without a name that nothing uses, and writes out those that one place uses. */
    static TemplateIndex tidied(TemplateIndex parts) {
        TemplateIndex tidy = parts;
        Set<String> open = new LinkedHashSet<>(parts.rest().conditions().keySet());
        while (!open.isEmpty()) {
            String key = open.iterator().next();
            open.remove(key);
            // As it is by now: one that it used may have been put in its place, or it may be gone.
            SharedCondition each = tidy.rest().conditions().get(key);
            if (each == null || !each.name().isEmpty()) {
                continue;
            }
            int uses = uses(tidy, key);
            if (uses == 0) {
                tidy = without(tidy, key);
                // What only it used is used by nobody now.
                open.addAll(namedIn(tidy, each.condition()));
            } else if (uses == 1 && Followers.ofShared(inlined(tidy, each), key).isEmpty()) {
                tidy = without(inlined(tidy, each), key);
            }
        }
        return tidy;
    }

    private static List<String> namedIn(TemplateIndex parts, Condition condition) {
        List<Condition.Leaf> leaves = References.leaves(condition);
        return parts.rest().conditions().keySet().stream()
                .filter(key -> leaves.stream().anyMatch(leaf -> Followers.usesShared(leaf, key)))
                .toList();
    }

    private static TemplateIndex inlined(TemplateIndex parts, SharedCondition shared) {
        return Mappings.mapped(
                parts,
                Mappings.rewriting(leaf -> leaf instanceof Condition.Shared(var used) && used.equals(shared.key())
                        ? shared.condition()
                        : leaf));
    }

    private static int uses(TemplateIndex parts, String key) {
        int[] count = {0};
        Mappings.mapped(parts, new Logic.Mapping() {
            @Override
            public Condition condition(Condition condition) {
                count[0] += (int) References.leaves(condition).stream()
                        .filter(leaf -> Followers.usesShared(leaf, key))
                        .count();
                return condition;
            }

            @Override
            public String formula(String formula) {
                count[0] += Names.in(formula).contains(key) ? 1 : 0;
                return formula;
            }

            @Override
            public String field(String field) {
                return field;
            }
        });
        return count[0];
    }
}
