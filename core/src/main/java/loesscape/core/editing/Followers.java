package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import loesscape.core.expression.Names;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import loesscape.core.model.Promised;
import loesscape.core.model.References;
import loesscape.core.model.SymbolTable;

/** What looks at something: the conditions, formulas and indicators that follow it. */
final class Followers {

    private Followers() {}

    /** What follows or refers to one of these fields, sections or clauses and is none of them. */
    static List<Refusal.Follower> of(TemplateIndex parts, Collection<String> keys) {
        SymbolTable symbols = parts.symbols();
        List<Refusal.Follower> followers = new ArrayList<>();
        parts.nodes().forEach((key, node) -> {
            Set<String> what = new LinkedHashSet<>();
            if (!keys.contains(key)) {
                Logic.uses(node, symbols).stream()
                        .filter(use -> use.sources().stream().anyMatch(keys::contains))
                        .forEach(use -> what.add(use.what()));
                if (Logic.references(node).stream().anyMatch(keys::contains)) {
                    what.add("reference");
                }
            }
            add(followers, key, node.name(), what);
        });
        Predicate<Condition> looks =
                condition -> symbols.sources(condition).stream().anyMatch(keys::contains);
        others(parts, looks, followers);
        Promises.about(parts, keys).forEach(followers::add);
        return followers;
    }

    /** What names a choice of a field. */
    static List<Refusal.Follower> ofChoice(TemplateIndex parts, String field, String choice) {
        return naming(parts, leaf -> namesChoice(leaf, field, choice), node -> followsChoice(node, field, choice));
    }

    private static boolean namesChoice(Condition.Leaf leaf, String field, String choice) {
        return switch (leaf) {
            case Clause.ChoiceClause it ->
                it.field().equals(field) && it.choices().contains(choice);
            case Clause.SetClause it -> it.field().equals(field) && it.choices().contains(choice);
            case Condition.Written(var formula) ->
                Names.in(formula).contains(field) && formula.contains("\"" + choice + "\"");
            default -> false;
        };
    }

    private static boolean followsChoice(Node node, String field, String choice) {
        return switch (node) {
            case Indicator it ->
                it.follows().equals(field)
                        && it.choices().stream().anyMatch(each -> each.choice().equals(choice));
            case Field it
            when it.kind() instanceof FieldKind.Choosing of -> {
                Offer offer = of.offer();
                yield offer != null
                        && offer.parent().equals(field)
                        && offer.perAnswer().containsKey(choice);
            }
            default -> false;
        };
    }

    /** What uses a role: fields that it answers and conditions that name it. */
    static List<Refusal.Follower> ofRole(TemplateIndex parts, String role) {
        List<Refusal.Follower> followers = naming(
                parts,
                leaf -> leaf instanceof Condition.RoleIs(var roles) && roles.contains(role),
                node -> node instanceof Field field && field.role().equals(role));
        parts.rest().promises().stream()
                .filter(rule ->
                        rule.promised() instanceof Promised.RoleSigns(var signs, var ignored) && signs.equals(role))
                .map(rule -> Promises.follower(parts, rule))
                .forEach(followers::add);
        return followers;
    }

    /** What uses a shared condition. */
    static List<Refusal.Follower> ofShared(TemplateIndex parts, String key) {
        return naming(
                parts,
                leaf -> usesShared(leaf, key),
                node -> Logic.formulas(node).stream()
                        .anyMatch(formula -> Names.in(formula).contains(key)));
    }

    /** Whether a leaf uses a shared condition directly. */
    static boolean usesShared(Condition.Leaf leaf, String key) {
        return switch (leaf) {
            case Condition.Shared(var used) -> used.equals(key);
            case Condition.Written(var formula) -> Names.in(formula).contains(key);
            default ->
                References.operands(leaf).stream()
                        .anyMatch(operand -> operand instanceof Clause.Operand.FormulaOperand(var formula)
                                && Names.in(formula).contains(key));
        };
    }

    private static List<Refusal.Follower> naming(
            TemplateIndex parts, Predicate<Condition.Leaf> leaf, Predicate<Node> itself) {
        List<Refusal.Follower> followers = new ArrayList<>();
        Predicate<Condition> names =
                condition -> References.leaves(condition).stream().anyMatch(leaf);
        parts.nodes().forEach((key, node) -> {
            Set<String> what = new LinkedHashSet<>();
            Logic.conditions(node).stream()
                    .filter(place -> names.test(place.condition()))
                    .forEach(place -> what.add(place.what()));
            if (itself.test(node)) {
                what.add("itself");
            }
            add(followers, key, node.name(), what);
        });
        others(parts, names, followers);
        return followers;
    }

    private static void others(TemplateIndex parts, Predicate<Condition> names, List<Refusal.Follower> followers) {
        parts.rest().roles().values().forEach(role -> {
            Condition takesPart = role.takesPart();
            if (takesPart != null && names.test(takesPart)) {
                followers.add(new Refusal.Follower(role.key(), role.name(), "takes part"));
            }
        });
        parts.rest().conditions().values().forEach(shared -> {
            if (names.test(shared.condition())) {
                String name = shared.name().isEmpty() ? "shared condition" : shared.name();
                followers.add(new Refusal.Follower(shared.key(), name, "condition"));
            }
        });
        parts.rest().finish().forEach(rule -> {
            if (names.test(rule.when())) {
                followers.add(new Refusal.Follower("", rule.message(), "can be finished"));
            }
        });
        parts.rest().promises().stream()
                .filter(rule -> Promises.conditions(rule).stream().anyMatch(names))
                .map(rule -> Promises.follower(parts, rule))
                .forEach(followers::add);
    }

    private static void add(List<Refusal.Follower> followers, String key, String name, Set<String> what) {
        if (!what.isEmpty()) {
            followers.add(new Refusal.Follower(key, name, String.join(", ", what)));
        }
    }
}
