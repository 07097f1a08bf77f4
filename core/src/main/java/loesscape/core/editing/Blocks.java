package loesscape.core.editing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.expression.Names;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.Logic;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Origin;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.References;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * Sections kept to be used again. A block is a template of two pages: the section, and the fields outside of it that its
 * logic looks at, bare, so that they can be found again where the block is used.
 */
public final class Blocks {

    private Blocks() {}

    /** A section cut out of a template as a block. Logic that looks at rows elsewhere is left behind. */
    public static Template cut(Template template, String key) {
        TemplateIndex parts = TemplateIndex.of(template);
        Section section = section(parts, key);
        Set<String> inside = Set.copyOf(parts.withContent(key));
        SymbolTable symbols = parts.symbols();
        Set<String> around = new LinkedHashSet<>();
        for (String each : inside) {
            Logic.uses(parts.node(each), symbols).forEach(use -> around.addAll(use.sources()));
        }
        around.removeIf(each -> inside.contains(each)
                || !(parts.nodes().get(each) instanceof Field)
                || symbols.rowsAround(each) != null);
        List<String> old = parts.heldBy(TemplateIndex.ROOT);
        TemplateIndex cut = moved(parts, List.of(key), fresh(parts, "block"), null);
        cut = cut.with(section.withOrigin(null));
        if (!around.isEmpty()) {
            for (String each : around) {
                cut = cut.with(bare(parts.field(each)));
            }
            cut = moved(cut, List.copyOf(around), fresh(cut, "around"), fresh(cut, "around_section"));
        }
        cut = Deletions.delete(cut, new Edit.Delete(old, true));
        return Editing.valid(
                SharedUses.tidied(trimmed(cut).titled(section.name(), "")).template());
    }

    /** What a block leaves of the template around it: only what it uses. */
    private static TemplateIndex trimmed(TemplateIndex parts) {
        Set<String> roles = new HashSet<>();
        Set<String> lists = new HashSet<>();
        Set<String> shared = new HashSet<>();
        SymbolTable symbols = parts.symbols();
        for (Node node : parts.nodes().values()) {
            if (node instanceof Field field) {
                roles.add(field.role());
                if (field.kind() instanceof FieldKind.Lookup lookup) {
                    lists.add(lookup.list());
                }
            }
            for (Logic.StandingCondition place : Logic.conditions(node)) {
                shared.addAll(symbols.sharedIn(place.condition()));
                rolesIn(place.condition(), roles);
                lists.addAll(symbols.listsNamed(place.condition()));
            }
            Logic.formulas(node).forEach(formula -> {
                shared.addAll(Names.in(formula));
                lists.addAll(symbols.listsNamed(formula));
            });
        }
        shared.addAll(List.copyOf(shared).stream()
                .flatMap(each -> symbols.sharedIn(new Condition.Shared(each)).stream())
                .toList());
        Map<String, SharedCondition> conditions =
                new LinkedHashMap<>(parts.rest().conditions());
        conditions.keySet().retainAll(shared);
        conditions.values().forEach(each -> {
            rolesIn(each.condition(), roles);
            lists.addAll(symbols.listsNamed(each.condition()));
        });
        Map<String, Role> keptRoles = new LinkedHashMap<>();
        parts.rest().roles().forEach((key, role) -> {
            if (roles.contains(key)) {
                keptRoles.put(key, new Role(key, role.name(), role.order(), null));
            }
        });
        Map<String, LookupList> keptLists = new LinkedHashMap<>(parts.rest().lists());
        keptLists.keySet().retainAll(lists);
        return parts.with(new TemplateIndex.Rest(
                keptRoles, conditions, keptLists, List.of(), PageSettings.PLAIN, Map.of(), List.of(), List.of()));
    }

    private static void rolesIn(Condition condition, Set<String> roles) {
        for (Condition.Leaf leaf : References.leaves(condition)) {
            if (leaf instanceof Condition.RoleIs(var named)) {
                roles.addAll(named);
            }
        }
    }

    /** Some sections or fields on a page of their own, the fields in a section of their own. */
    private static TemplateIndex moved(TemplateIndex parts, List<String> keys, String page, @Nullable String section) {
        TemplateIndex with = parts;
        for (String key : keys) {
            String from = with.holder(key);
            List<String> rest = new ArrayList<>(with.heldBy(from));
            rest.remove(key);
            with = with.holding(from, rest);
        }
        with = with.with(new Page(page, "", null, List.of()));
        if (section != null) {
            with = with.with(Section.of(section, "", List.of()))
                    .holding(section, keys)
                    .holding(page, List.of(section));
        } else {
            with = with.holding(page, keys);
        }
        return with.inserted(
                page, TemplateIndex.ROOT, with.heldBy(TemplateIndex.ROOT).getLast());
    }

    private static String fresh(TemplateIndex parts, String stem) {
        return Keys.unused(stem, parts::uses);
    }

    /** A field without logic. */
    private static Field bare(Field field) {
        FieldKind kind = switch (field.kind()) {
            case FieldKind.Choosing it -> it.withOffer(null);
            case FieldKind.Lookup it -> new FieldKind.Lookup(it.list(), it.column(), Map.of());
            case FieldKind.Payment it -> new FieldKind.Payment(it.currency(), "0");
            case FieldKind other -> other;
        };
        return Field.of(field.key(), field.label(), kind).withBands(field.bands());
    }

    /** A section; refused where there is none under this key. */
    static Section section(TemplateIndex parts, String key) {
        if (parts.node(key) instanceof Section section) {
            return section;
        }
        throw new Refusal("“%s” is not a section.".formatted(parts.node(key).name()));
    }

    /** The section that a block holds. */
    private static String sectionOf(Template template) {
        TemplateIndex block = TemplateIndex.of(Editing.valid(template));
        List<String> pages = block.heldBy(TemplateIndex.ROOT);
        List<String> sections = pages.isEmpty() ? List.of() : block.heldBy(pages.getFirst());
        if (sections.size() != 1) {
            throw new Refusal("This is not a block: its first page does not hold one section.");
        }
        return sections.getFirst();
    }

    static TemplateIndex use(TemplateIndex parts, Edit.UseBlock edit) {
        String section = sectionOf(edit.block());
        PlacedBlock fitted = PlacedBlock.to(parts, TemplateIndex.of(edit.block()), Map.of());
        String top = fitted.key(section);
        TemplateIndex with = fitted.rest(parts);
        for (String key : fitted.block().withContent(top)) {
            with = copied(with, fitted.block(), key);
        }
        Moves.checkFits(with, with.node(top), edit.holder());
        with = with.with(section(with, top).withOrigin(new Origin(edit.id(), edit.version(), fitted.keys())));
        return with.inserted(top, edit.holder(), edit.after());
    }

    private static TemplateIndex copied(TemplateIndex parts, TemplateIndex block, String key) {
        TemplateIndex with = parts.with(block.node(key));
        return block.held().containsKey(key) ? with.holding(key, block.heldBy(key)) : with;
    }

    static TemplateIndex takeOver(TemplateIndex parts, Edit.TakeOver edit) {
        Section section = section(parts, edit.key());
        Origin origin = section.origin();
        if (origin == null) {
            throw new Refusal("“%s” was not made from a block.".formatted(section.name()));
        }
        sectionOf(edit.block());
        PlacedBlock fitted = PlacedBlock.to(parts, TemplateIndex.of(edit.block()), origin.keys());
        TemplateIndex block = fitted.block();
        Set<String> wanted = new LinkedHashSet<>();
        edit.items()
                .forEach(item -> wanted.add(
                        fitted.keys().getOrDefault(item, origin.keys().getOrDefault(item, item))));
        TemplateIndex with = fitted.rest(parts);
        for (String key : block.withContent(edit.key())) {
            if (!wanted.contains(key)) {
                continue;
            }
            boolean known = with.nodes().containsKey(key);
            Node node = block.node(key);
            with = with.with(key.equals(edit.key()) && node instanceof Section it ? it.withOrigin(origin) : node);
            if (!known) {
                with = node instanceof Section ? with.holding(key, List.of()) : with;
                with = placed(with, block, key);
            }
        }
        List<String> gone = wanted.stream()
                .filter(key -> !block.nodes().containsKey(key) && parts.nodes().containsKey(key))
                .toList();
        if (!gone.isEmpty()) {
            with = Deletions.delete(with, new Edit.Delete(gone, false));
        }
        Map<String, String> keys = new LinkedHashMap<>(origin.keys());
        keys.putAll(fitted.keys());
        keys.values().retainAll(with.nodes().keySet());
        return with.with(section(with, edit.key()).withOrigin(new Origin(origin.block(), edit.version(), keys)));
    }

    /** What is new in a block, behind what stands before it there, as far as that stands here. */
    private static TemplateIndex placed(TemplateIndex parts, TemplateIndex block, String key) {
        String holder = block.holder(key);
        List<String> siblings = block.heldBy(holder);
        String after = null;
        for (String sibling : siblings.subList(0, siblings.indexOf(key))) {
            after = parts.heldBy(holder).contains(sibling) ? sibling : after;
        }
        return parts.inserted(key, holder, after);
    }

    /** How something in a later version of a block differs from what stands in the document. */
    public enum Compared {
        NEW,
        OTHERWISE,
        GONE
    }

    /**
     * A difference between a section and a later version of its block.
     *
     * @param item the key in the block
     * @param name what its author calls it
     * @param here its sentences in the document; empty where it is new
     * @param there its sentences in the later version; empty where it is gone
     * @param own whether it was changed in the document since
     */
    public record Difference(
            String item, String name, Compared turn, List<String> here, List<String> there, boolean own) {}

    /**
     * What a later version of a block would change in a section made from it.
     *
     * @param base the version that the section goes back to
     * @param later the later version
     */
    public static List<Difference> differences(Template template, String key, Template base, Template later) {
        TemplateIndex parts = TemplateIndex.of(template);
        Origin origin = section(parts, key).origin();
        if (origin == null) {
            return List.of();
        }
        PlacedBlock before = PlacedBlock.to(parts, TemplateIndex.of(base), origin.keys());
        PlacedBlock after = PlacedBlock.to(parts, TemplateIndex.of(later), origin.keys());
        Described here = new Described(template);
        Described there = new Described(after.whole(parts, key).template());
        List<Difference> differences = new ArrayList<>();
        Set<String> known = new LinkedHashSet<>(after.block().withContent(key));
        known.addAll(before.block().withContent(key));
        for (String each : known) {
            Node was = before.block().nodes().get(each);
            Node is = after.block().nodes().get(each);
            Node now = parts.nodes().get(each);
            boolean same = Objects.equals(alone(was), alone(is)) || Objects.equals(alone(now), alone(is));
            if (same || (now == null && was != null)) {
                continue;
            }
            Compared turn = is == null ? Compared.GONE : now == null ? Compared.NEW : Compared.OTHERWISE;
            Node told = is == null ? now : is;
            differences.add(new Difference(
                    original(each, before, after),
                    told == null ? each : told.name(),
                    turn,
                    now == null ? List.of() : here.of(now),
                    is == null ? List.of() : there.of(is),
                    now != null && was != null && !Objects.equals(alone(now), alone(was))));
        }
        return differences;
    }

    private static String original(String key, PlacedBlock before, PlacedBlock after) {
        for (PlacedBlock fitted : List.of(after, before)) {
            for (Map.Entry<String, String> entry : fitted.keys().entrySet()) {
                if (entry.getValue().equals(key)) {
                    return entry.getKey();
                }
            }
        }
        return key;
    }

    private static @Nullable Node alone(@Nullable Node node) {
        return node instanceof Section section ? section.withOrigin(null) : node;
    }

    /** What is said of the nodes of a template: label, kind, and the sentences of the margin. */
    private static final class Described {

        private final Sentences sentences;

        Described(Template template) {
            this.sentences = new Sentences(PreparedTemplate.of(template));
        }

        List<String> of(Node node) {
            List<String> said = new ArrayList<>();
            said.add(
                    node instanceof Field field
                            ? "%s (%s)"
                                    .formatted(
                                            node.name(), Keys.words(kind(field)).toLowerCase(Locale.ROOT))
                            : node.name());
            sentences.of(node).forEach(sentence -> said.add(sentence.text()));
            return said;
        }

        private static String kind(Field field) {
            return field.kind().getClass().getSimpleName().replaceAll("([a-z])([A-Z])", "$1_$2");
        }
    }
}
