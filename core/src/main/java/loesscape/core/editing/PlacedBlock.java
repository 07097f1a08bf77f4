package loesscape.core.editing;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.expression.Names;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import org.jspecify.annotations.Nullable;

/**
 * A block with the keys it gets in a document, so that it can be put there.
 *
 * @param block the block under these keys; fields outside of it that the document has not got are gone
 * @param keys by the key in the block of everything in its section, the key in the document
 */
record PlacedBlock(TemplateIndex block, Map<String, String> keys) {

    /**
     * Fits a block to a document.
     *
     * @param known keys that things of the block have in the document already
     */
    static PlacedBlock to(TemplateIndex document, TemplateIndex block, Map<String, String> known) {
        String top = block.heldBy(block.heldBy(TemplateIndex.ROOT).getFirst()).getFirst();
        TemplateIndex fitted = withoutStrangers(document, block);
        fitted = withLists(document, fitted);
        fitted = withConditions(document, fitted);
        Map<String, String> keys = new LinkedHashMap<>();
        for (String key : fitted.withContent(top)) {
            keys.put(key, known.getOrDefault(key, ""));
        }
        Set<String> taken = new HashSet<>(keys.values());
        TemplateIndex whole = fitted;
        keys.replaceAll((key, to) -> {
            if (!to.isEmpty()) {
                return to;
            }
            String fresh = Keys.unused(
                    key,
                    each -> document.uses(each) || taken.contains(each) || (!each.equals(key) && whole.uses(each)));
            taken.add(fresh);
            return fresh;
        });
        // In two steps, so that one key can be what another was.
        for (String key : keys.keySet()) {
            fitted = Rekeying.rename(fitted, key, parked(key, keys.size()));
        }
        for (Map.Entry<String, String> entry : keys.entrySet()) {
            fitted = Rekeying.rename(fitted, parked(entry.getKey(), keys.size()), entry.getValue());
        }
        return new PlacedBlock(fitted, keys);
    }

    private static String parked(String key, int count) {
        return "parked_%d_%s".formatted(count, key.length() > 40 ? Integer.toHexString(key.hashCode()) + "_h" : key);
    }

    /** The key in the document of something in the block. */
    String key(String original) {
        return Objects.requireNonNull(keys.get(original), original);
    }

    /** The document with the roles, lists and shared conditions of the block besides its own. */
    TemplateIndex rest(TemplateIndex document) {
        TemplateIndex.Rest rest = document.rest();
        Map<String, Role> roles = new LinkedHashMap<>(block.rest().roles());
        roles.putAll(rest.roles());
        Map<String, SharedCondition> conditions =
                new LinkedHashMap<>(block.rest().conditions());
        conditions.putAll(rest.conditions());
        Map<String, LookupList> lists = new LinkedHashMap<>(block.rest().lists());
        lists.putAll(rest.lists());
        return document.with(rest.withRoles(roles).withConditions(conditions).withLists(lists));
    }

    /** The document with the block in the place of the section that was made from it. */
    TemplateIndex whole(TemplateIndex document, String section) {
        TemplateIndex with = rest(document);
        for (String key : block.withContent(section)) {
            with = with.with(block.node(key));
            if (block.held().containsKey(key)) {
                with = with.holding(key, block.heldBy(key));
            }
        }
        return with;
    }

    /** Without the fields around the block that the document has not got, and what looks at them. */
    private static TemplateIndex withoutStrangers(TemplateIndex document, TemplateIndex block) {
        List<String> pages = block.heldBy(TemplateIndex.ROOT);
        if (pages.size() < 2) {
            return block;
        }
        List<String> strangers = block.withContent(pages.get(1)).stream()
                .filter(key -> block.node(key) instanceof Field field && !isThere(document, block, field))
                .toList();
        return strangers.isEmpty() ? block : Deletions.delete(block, new Edit.Delete(strangers, true));
    }

    private static boolean isThere(TemplateIndex document, TemplateIndex block, Field field) {
        return document.nodes().get(field.key()) instanceof Field other
                && document.symbols().rowsAround(field.key()) == null
                && other.kind().getClass().equals(field.kind().getClass())
                && choices(other).containsAll(choices(field))
                && bands(other).containsAll(bands(field))
                && Objects.equals(list(document, other), list(block, field))
                && column(other).equals(column(field));
    }

    /** The column whose cells are the choices of a lookup; conditions name them. */
    private static String column(Field field) {
        return field.kind() instanceof FieldKind.Lookup it ? it.column() : "";
    }

    private static List<String> bands(Field field) {
        return field.bands().stream().map(Band::id).toList();
    }

    private static @Nullable LookupList list(TemplateIndex parts, Field field) {
        return field.kind() instanceof FieldKind.Lookup it
                ? parts.rest().lists().get(it.list())
                : null;
    }

    private static List<String> choices(Field field) {
        return field.kind() instanceof FieldKind.Choosing it
                ? it.choices().stream().map(Choice::id).toList()
                : List.of();
    }

    /** With other keys for lists that the document knows under theirs as something else. */
    private static TemplateIndex withLists(TemplateIndex document, TemplateIndex block) {
        TemplateIndex with = block;
        for (LookupList list : block.rest().lists().values()) {
            LookupList other = document.rest().lists().get(list.key());
            if (other == null || other.equals(list)) {
                continue;
            }
            String key = Keys.unused(list.key(), document.rest().lists()::containsKey);
            Map<String, LookupList> lists = new LinkedHashMap<>(with.rest().lists());
            lists.remove(list.key());
            lists.put(key, new LookupList(key, list.name(), list.columns(), list.rows(), list.source()));
            with = with.with(with.rest().withLists(lists));
            String before = Names.list(list.key());
            with = Mappings.mapped(
                    with, Mappings.renaming(name -> name.equals(before) ? Names.list(key) : name, block.symbols()));
            for (Node node : with.nodes().values()) {
                if (node instanceof Field field
                        && field.kind() instanceof FieldKind.Lookup it
                        && it.list().equals(list.key())) {
                    with = with.with(field.withKind(new FieldKind.Lookup(key, it.column(), it.filters())));
                }
            }
        }
        return with;
    }

    /** With other keys for shared conditions that the document knows under theirs as something else. */
    private static TemplateIndex withConditions(TemplateIndex document, TemplateIndex block) {
        TemplateIndex with = block;
        for (SharedCondition shared : block.rest().conditions().values()) {
            boolean known = shared.equals(document.rest().conditions().get(shared.key()));
            if (known || !document.uses(shared.key())) {
                continue;
            }
            TemplateIndex now = with;
            String to = Keys.unused(shared.key(), each -> document.uses(each) || now.uses(each));
            TemplateIndex renamed = Mappings.mapped(
                    with, Mappings.renaming(key -> key.equals(shared.key()) ? to : key, with.symbols()));
            Map<String, SharedCondition> conditions =
                    new LinkedHashMap<>(renamed.rest().conditions());
            SharedCondition mapped = Objects.requireNonNull(conditions.remove(shared.key()), shared.key());
            conditions.put(to, new SharedCondition(to, mapped.name(), mapped.condition()));
            with = renamed.with(renamed.rest().withConditions(conditions));
        }
        return with;
    }
}
