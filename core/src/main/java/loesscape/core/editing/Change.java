package loesscape.core.editing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import loesscape.core.model.AcceptedFinding;
import loesscape.core.model.FinishRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.model.Node;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import org.jspecify.annotations.Nullable;

/**
 * What one edit changed: for each thing it touched, how it was and how it is. A change can be applied to any template
 * in which these things are still as they were, and so it can be taken back even after later edits elsewhere.
 *
 * @param title null where it stayed
 * @param subtitle null where it stayed
 * @param nodes the nodes that were added, changed or taken away, by key
 * @param held the lists of held keys that changed, by holder
 * @param roles the roles that were added, changed or taken away, by key
 * @param conditions the same of shared conditions
 * @param lists the same of lookup lists
 * @param finish the conditions for finishing; null where they stayed
 * @param pageSettings how the document lies on its pages; null where it stayed
 * @param trials the same of trials, by name
 * @param promises all of them; null where they stayed
 * @param accepted all findings that are accepted; null where they stayed
 */
public record Change(
        @Nullable Swap<String> title,
        @Nullable Swap<String> subtitle,
        Map<String, Swap<Node>> nodes,
        Map<String, Swap<List<String>>> held,
        @MayBeLeftOut Map<String, Swap<Role>> roles,
        @MayBeLeftOut Map<String, Swap<SharedCondition>> conditions,
        @MayBeLeftOut Map<String, Swap<LookupList>> lists,
        @Nullable Swap<List<FinishRule>> finish,
        @Nullable Swap<PageSettings> pageSettings,
        @MayBeLeftOut Map<String, Swap<Trial>> trials,
        @Nullable Swap<List<PromiseRule>> promises,
        @Nullable Swap<List<AcceptedFinding>> accepted) {

    /**
     * How something was and how it is; null where there was or is nothing.
     *
     * @param <T> what changed
     */
    public record Swap<T>(@Nullable T was, @Nullable T is) {

        Swap<T> reversed() {
            return new Swap<>(is, was);
        }
    }

    /** The change that leads from one template to another. */
    public static Change between(TemplateIndex before, TemplateIndex after) {
        TemplateIndex.Rest was = before.rest();
        TemplateIndex.Rest is = after.rest();
        return new Change(
                swap(before.title(), after.title()),
                swap(before.subtitle(), after.subtitle()),
                swaps(before.nodes(), after.nodes()),
                swaps(before.held(), after.held()),
                swaps(was.roles(), is.roles()),
                swaps(was.conditions(), is.conditions()),
                swaps(was.lists(), is.lists()),
                swap(was.finish(), is.finish()),
                swap(was.pageSettings(), is.pageSettings()),
                swaps(was.trials(), is.trials()),
                swap(was.promises(), is.promises()),
                swap(was.accepted(), is.accepted()));
    }

    private static <T> @Nullable Swap<T> swap(T before, T after) {
        return before.equals(after) ? null : new Swap<>(before, after);
    }

    private static <T> Map<String, Swap<T>> swaps(Map<String, T> before, Map<String, T> after) {
        Map<String, Swap<T>> swaps = new LinkedHashMap<>();
        before.forEach((key, was) -> {
            T is = after.get(key);
            if (!was.equals(is)) {
                swaps.put(key, new Swap<>(was, is));
            }
        });
        after.forEach((key, is) -> {
            if (!before.containsKey(key)) {
                swaps.put(key, new Swap<>(null, is));
            }
        });
        return swaps;
    }

    /** Tells whether nothing changed. */
    public boolean isEmpty() {
        return title == null
                && subtitle == null
                && nodes.isEmpty()
                && held.isEmpty()
                && roles.isEmpty()
                && conditions.isEmpty()
                && lists.isEmpty()
                && finish == null
                && pageSettings == null
                && trials.isEmpty()
                && promises == null
                && accepted == null;
    }

    /** The change that takes this one back. */
    public Change reversed() {
        return new Change(
                title == null ? null : title.reversed(),
                subtitle == null ? null : subtitle.reversed(),
                map(nodes, Swap::reversed),
                map(held, Swap::reversed),
                map(roles, Swap::reversed),
                map(conditions, Swap::reversed),
                map(lists, Swap::reversed),
                finish == null ? null : finish.reversed(),
                pageSettings == null ? null : pageSettings.reversed(),
                map(trials, Swap::reversed),
                promises == null ? null : promises.reversed(),
                accepted == null ? null : accepted.reversed());
    }

    private static <T> Map<String, Swap<T>> map(Map<String, Swap<T>> swaps, Function<Swap<T>, Swap<T>> with) {
        Map<String, Swap<T>> mapped = new LinkedHashMap<>();
        swaps.forEach((key, swap) -> mapped.put(key, with.apply(swap)));
        return mapped;
    }

    /**
     * Makes this change.
     *
     * @throws Refusal when something it touches is no longer as it was, or the template would not be valid
     */
    public Template applyTo(Template template) {
        TemplateIndex now = TemplateIndex.of(template);
        List<String> moved = new ArrayList<>();
        if ((title != null && !now.title().equals(title.was()))
                || (subtitle != null && !now.subtitle().equals(subtitle.was()))) {
            moved.add("the title");
        }
        nodes.forEach((key, swap) -> {
            Node node = now.nodes().get(key);
            if (!Objects.equals(node, swap.was())) {
                moved.add("“%s”".formatted(node == null ? key : node.name()));
            }
        });
        held.forEach((holder, swap) -> {
            if (!Objects.equals(now.held().get(holder), swap.was())) {
                Node node = now.nodes().get(holder);
                moved.add("the order in “%s”".formatted(node == null ? now.title() : node.name()));
            }
        });
        moved(roles, now.rest().roles(), Role::name, moved);
        moved(conditions, now.rest().conditions(), SharedCondition::name, moved);
        moved(lists, now.rest().lists(), LookupList::name, moved);
        if (finish != null && !now.rest().finish().equals(finish.was())) {
            moved.add("the conditions for finishing");
        }
        if (pageSettings != null && !now.rest().pageSettings().equals(pageSettings.was())) {
            moved.add("the page settings");
        }
        moved(trials, now.rest().trials(), Trial::name, moved);
        if (promises != null && !now.rest().promises().equals(promises.was())) {
            moved.add("the promises");
        }
        if (accepted != null && !now.rest().accepted().equals(accepted.was())) {
            moved.add("what is accepted of the findings");
        }
        if (!moved.isEmpty()) {
            throw new Refusal("Changed since by another edit: %s.".formatted(String.join(", ", moved)));
        }
        return Editing.valid(overlaid(now).template());
    }

    private static <T> void moved(
            Map<String, Swap<T>> swaps, Map<String, T> now, Function<T, String> name, List<String> moved) {
        swaps.forEach((key, swap) -> {
            T stands = now.get(key);
            if (!Objects.equals(stands, swap.was())) {
                moved.add("“%s”".formatted(stands == null ? key : name.apply(stands)));
            }
        });
    }

    private TemplateIndex overlaid(TemplateIndex now) {
        TemplateIndex.Rest rest = now.rest();
        return new TemplateIndex(
                title == null || title.is() == null ? now.title() : title.is(),
                subtitle == null || subtitle.is() == null ? now.subtitle() : subtitle.is(),
                overlaid(now.nodes(), nodes),
                overlaid(now.held(), held),
                new TemplateIndex.Rest(
                        overlaid(rest.roles(), roles),
                        overlaid(rest.conditions(), conditions),
                        overlaid(rest.lists(), lists),
                        finish == null || finish.is() == null ? rest.finish() : finish.is(),
                        pageSettings == null || pageSettings.is() == null ? rest.pageSettings() : pageSettings.is(),
                        overlaid(rest.trials(), trials),
                        promises == null || promises.is() == null ? rest.promises() : promises.is(),
                        accepted == null || accepted.is() == null ? rest.accepted() : accepted.is()));
    }

    private static <T> Map<String, T> overlaid(Map<String, T> now, Map<String, Swap<T>> swaps) {
        Map<String, T> changed = new LinkedHashMap<>(now);
        swaps.forEach((key, swap) -> put(changed, key, swap.is()));
        return changed;
    }

    private static <T> void put(Map<String, T> map, String key, @Nullable T value) {
        if (value == null) {
            map.remove(key);
        } else {
            map.put(key, value);
        }
    }
}
