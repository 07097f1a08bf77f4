package loesscape.core.editing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Condition;
import loesscape.core.model.Expectation;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.Logic;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Role;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Trial;
import org.jspecify.annotations.Nullable;

/** Edits what belongs to no node: roles, lookup lists and trials. */
final class Others {

    private Others() {}

    static TemplateIndex put(TemplateIndex parts, Role role) {
        Map<String, Role> roles = new LinkedHashMap<>(parts.rest().roles());
        String key = role.key().isEmpty() ? Keys.from(role.name(), "role", roles::containsKey) : role.key();
        roles.put(key, new Role(key, role.name(), role.order(), role.takesPart()));
        return parts.with(parts.rest().withRoles(roles));
    }

    static TemplateIndex remove(TemplateIndex parts, Edit.RemoveRole edit) {
        Map<String, Role> roles = new LinkedHashMap<>(parts.rest().roles());
        Role removed = roles.remove(edit.key());
        if (removed == null) {
            throw new Refusal("There is no role “%s” any more.".formatted(edit.key()));
        }
        List<Refusal.Follower> followers = Followers.ofRole(parts, edit.key());
        if (!followers.isEmpty() && !edit.dropFollowers()) {
            throw new Refusal("“%s” is used.".formatted(removed.name()), followers);
        }
        Map<String, Node> nodes = new LinkedHashMap<>(parts.nodes());
        nodes.replaceAll((key, node) ->
                node instanceof Field field && field.role().equals(edit.key()) ? field.withRole("") : node);
        TemplateIndex freed = new TemplateIndex(
                parts.title(),
                parts.subtitle(),
                nodes,
                parts.held(),
                parts.rest()
                        .withRoles(roles)
                        .withPromises(withoutRole(parts.rest().promises(), edit.key()))
                        .withTrials(withoutRole(parts.rest().trials(), edit.key())));
        return Mappings.mapped(freed, Mappings.rewriting(leaf -> without(leaf, edit.key())));
    }

    private static List<PromiseRule> withoutRole(List<PromiseRule> promises, String role) {
        return promises.stream()
                .filter(rule ->
                        !(rule.promised() instanceof Promised.RoleSigns(var signs, var ignored) && signs.equals(role)))
                .toList();
    }

    private static Map<String, Trial> withoutRole(Map<String, Trial> trials, String role) {
        Map<String, Trial> without = new LinkedHashMap<>(trials);
        without.replaceAll((name, trial) -> new Trial(
                name,
                trial.answers(),
                trial.stage(),
                trial.role().equals(role) ? "" : trial.role(),
                trial.day(),
                trial.expected().stream()
                        .filter(each ->
                                !(each instanceof Expectation.TakesPart(var takes, var ignored) && takes.equals(role)))
                        .toList()));
        return without;
    }

    private static @Nullable Condition without(Condition.Leaf leaf, String role) {
        if (leaf instanceof Condition.RoleIs(var roles) && roles.contains(role)) {
            List<String> rest = new ArrayList<>(roles);
            rest.remove(role);
            return rest.isEmpty() ? null : new Condition.RoleIs(rest);
        }
        return leaf;
    }

    static TemplateIndex put(TemplateIndex parts, LookupList list) {
        Map<String, LookupList> lists = new LinkedHashMap<>(parts.rest().lists());
        String key = list.key().isEmpty() ? Keys.from(list.name(), "list", lists::containsKey) : list.key();
        lists.put(key, new LookupList(key, list.name(), keyed(list.columns()), list.rows(), list.source()));
        return parts.with(parts.rest().withLists(lists));
    }

    static TemplateIndex put(TemplateIndex parts, Edit.PutTable edit) {
        LookupList known = parts.rest().lists().get(edit.key());
        LookupList list = Tables.list(edit.name().strip(), edit.table(), known);
        String name = list.name().isEmpty() ? list.columns().getFirst().title() : list.name();
        return put(parts, new LookupList(edit.key(), name, list.columns(), list.rows(), null));
    }

    /** A list whose columns have keys, made from their titles where they had none. */
    static LookupList keyed(LookupList list) {
        return new LookupList(list.key(), list.name(), keyed(list.columns()), list.rows(), list.source());
    }

    private static List<LookupList.Column> keyed(List<LookupList.Column> columns) {
        Set<String> taken = new HashSet<>();
        columns.forEach(column -> taken.add(column.key()));
        return columns.stream()
                .map(column -> {
                    String key = column.key().isEmpty()
                            ? Keys.from(column.title(), "column", taken::contains)
                            : column.key();
                    taken.add(key);
                    return new LookupList.Column(key, column.title(), column.number());
                })
                .toList();
    }

    static TemplateIndex removeList(TemplateIndex parts, String key) {
        Map<String, LookupList> lists = new LinkedHashMap<>(parts.rest().lists());
        LookupList removed = lists.remove(key);
        if (removed == null) {
            throw new Refusal("There is no lookup list “%s” any more.".formatted(key));
        }
        SymbolTable symbols = parts.symbols();
        List<Refusal.Follower> followers = new ArrayList<>();
        for (Node node : parts.nodes().values()) {
            if (node instanceof Field field
                    && field.kind() instanceof FieldKind.Lookup lookup
                    && lookup.list().equals(key)) {
                followers.add(new Refusal.Follower(node.key(), node.name(), "choices"));
            }
            if (Logic.formulas(node).stream()
                    .anyMatch(formula -> symbols.listsNamed(formula).contains(key))) {
                followers.add(new Refusal.Follower(node.key(), node.name(), "value"));
            }
            for (Logic.StandingCondition place : Logic.conditions(node)) {
                if (symbols.listsNamed(place.condition()).contains(key)) {
                    followers.add(new Refusal.Follower(node.key(), node.name(), place.what()));
                }
            }
        }
        parts.rest().conditions().values().stream()
                .filter(shared -> symbols.listsNamed(shared.condition()).contains(key))
                .forEach(
                        shared -> followers.add(new Refusal.Follower(shared.key(), shared.name(), "shared condition")));
        if (!followers.isEmpty()) {
            throw new Refusal("“%s” is used.".formatted(removed.name()), followers);
        }
        return parts.with(parts.rest().withLists(lists));
    }

    static TemplateIndex put(TemplateIndex parts, List<Trial> put) {
        Map<String, Trial> trials = new LinkedHashMap<>(parts.rest().trials());
        for (Trial trial : put) {
            trials.put(
                    trial.name().strip(),
                    new Trial(
                            trial.name().strip(),
                            trial.answers(),
                            trial.stage(),
                            trial.role(),
                            trial.day(),
                            trial.expected()));
        }
        return parts.with(parts.rest().withTrials(trials));
    }

    static TemplateIndex removeTrial(TemplateIndex parts, String name) {
        Map<String, Trial> trials = new LinkedHashMap<>(parts.rest().trials());
        if (trials.remove(name) == null) {
            throw new Refusal("There is no trial “%s” any more.".formatted(name));
        }
        return parts.with(parts.rest().withTrials(trials));
    }
}
