package loesscape.core.translation;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Formulas that say one thing, as leaves of conditions. */
final class Leaves {

    private final SymbolTable symbols;
    private final ChoiceLeaves choices;
    private final TextLeaves texts;
    private final SizeLeaves sizes;
    private final CountLeaves counts;

    /** @param conditions reads what is asked of each row, and what is counted */
    Leaves(SymbolTable symbols, Function<Tree, Condition> conditions) {
        this.symbols = symbols;
        this.choices = new ChoiceLeaves(symbols);
        this.texts = new TextLeaves(symbols);
        this.sizes = new SizeLeaves(symbols);
        this.counts = new CountLeaves(symbols, conditions);
    }

    /** The band whose edges a tree names, the edges on the left; null where it names none. */
    @Nullable
    Clause band(Tree tree) {
        return sizes.band(tree);
    }

    /** What a tree says as one leaf; null where no leaf says it. */
    @Nullable
    Condition leaf(Tree tree) {
        return switch (tree) {
            case Tree.Name(var name) -> named(name);
            case Tree.Comparison it -> comparison(it);
            case Tree.In it -> in(it, false);
            case Tree.Between(var value, var low, var high) -> sizes.between(value, false, low, true, high, true);
            case Tree.Quantified it -> choices.quantified(it);
            case Tree.Call it -> call(it);
            default -> null;
        };
    }

    private @Nullable Condition named(String name) {
        if (symbols.shared(name) != null) {
            return new Condition.Shared(name);
        }
        Field field = symbols.field(name);
        return field != null && field.kind() instanceof FieldKind.YesNo
                ? ChoiceLeaves.choice(name, true, List.of(FieldKind.YesNo.YES))
                : null;
    }

    private @Nullable Condition comparison(Tree.Comparison it) {
        boolean equality = it.test() == Test.EQUAL || it.test() == Test.NOT_EQUAL;
        boolean is = it.test() == Test.EQUAL;
        Tree left = it.left();
        Tree right = it.right();
        if (equality
                && right.equals(Trees.NULL)
                && left instanceof Tree.Name(var name)
                && symbols.field(name) != null) {
            return is ? new Clause.IsBlank(name) : new Clause.Answered(name);
        }
        if (equality && left instanceof Tree.Name(var name) && (name.equals(Names.STAGE) || name.equals(Names.ROLE))) {
            return is ? standing(name, List.of(right)) : null;
        }
        Clause band = sizes.band(it);
        if (band != null) {
            return band;
        }
        if (CountLeaves.isCount(left)) {
            return counts.counted(it);
        }
        if (equality) {
            Condition clause = equality(is, left, right);
            if (clause != null) {
                return clause;
            }
        }
        return sizes.ordered(it.test(), left, right);
    }

    private @Nullable Condition standing(String name, List<Tree> values) {
        List<String> texts = new ArrayList<>();
        for (Tree value : values) {
            if (!(AsFormula.fixed(value) instanceof String text)) {
                return null;
            }
            texts.add(text);
        }
        if (name.equals(Names.ROLE)) {
            return texts.stream().allMatch(text -> symbols.role(text) != null) ? new Condition.RoleIs(texts) : null;
        }
        List<Stage> stages = new ArrayList<>();
        for (String text : texts) {
            for (Stage stage : Stage.values()) {
                if (stage.word().equals(text)) {
                    stages.add(stage);
                }
            }
        }
        return stages.size() == texts.size() ? new Condition.StageIs(stages) : null;
    }

    private @Nullable Condition equality(boolean is, Tree left, Tree right) {
        Tree.Call folded = Trees.callOf(left, "upper case", 1);
        Tree.Call sought = Trees.callOf(right, "upper case", 1);
        if (folded != null && sought != null) {
            return texts.text(is ? TextTest.IS : TextTest.IS_NOT, left, right);
        }
        String choice = choices.choiceField(left);
        if (choice != null) {
            String id = choices.identity(choice, right);
            return id == null ? null : ChoiceLeaves.choice(choice, is, List.of(id));
        }
        if (left instanceof Tree.Name(var name) && texts.isText(name)) {
            return texts.text(is ? TextTest.IS : TextTest.IS_NOT, left, right);
        }
        if (is && left instanceof Tree.Name(var name) && right instanceof Tree.ListOf(var elements)) {
            Field field = symbols.field(name);
            List<String> ids = field == null || !(field.kind() instanceof FieldKind.SeveralChoices)
                    ? null
                    : choices.identities(name, elements);
            boolean inOrder = ids != null
                    && !ids.isEmpty()
                    && symbols.choices(Objects.requireNonNull(field)).stream()
                            .filter(ids::contains)
                            .toList()
                            .equals(ids);
            return ids != null && inOrder ? new Clause.SetClause(name, SetTest.IS_EXACTLY, ids, null) : null;
        }
        return null;
    }

    private @Nullable Condition in(Tree.In it, boolean negated) {
        List<Tree> tests = it.tests();
        if (it.value() instanceof Tree.Name(var name) && (name.equals(Names.STAGE) || name.equals(Names.ROLE))) {
            return negated ? null : standing(name, tests);
        }
        String choice = choices.choiceField(it.value());
        if (choice != null) {
            List<String> ids = choices.identities(choice, tests);
            return ids == null ? null : ChoiceLeaves.choice(choice, !negated, ids);
        }
        if (tests.size() == 1
                && tests.getFirst() instanceof Tree.RangeOf range
                && (!negated || AsFormula.isRange(range.low(), range.high()))) {
            return sizes.between(
                    it.value(),
                    negated,
                    range.low(),
                    range.lowIncluded() != negated,
                    range.high(),
                    range.highIncluded() != negated);
        }
        return null;
    }

    private @Nullable Condition call(Tree.Call it) {
        List<Tree> arguments = it.arguments();
        if (!it.names().isEmpty()) {
            return null;
        }
        return switch (it.function()) {
            case "not" -> arguments.size() == 1 ? negated(arguments.getFirst()) : null;
            case "contains" -> texts.texts(TextTest.CONTAINS, arguments);
            case "starts with" -> texts.texts(TextTest.STARTS_WITH, arguments);
            case "ends with" -> texts.texts(TextTest.ENDS_WITH, arguments);
            case "matches" -> texts.matches(arguments);
            case "list contains" -> {
                if (arguments.size() == 2
                        && arguments.get(0) instanceof Tree.Name(var name)
                        && choices.isSeveral(name)) {
                    String id = choices.identity(name, arguments.get(1));
                    yield id == null ? null : new Clause.SetClause(name, SetTest.INCLUDES, List.of(id), null);
                }
                yield null;
            }
            default -> null;
        };
    }

    private @Nullable Condition negated(Tree tree) {
        if (tree instanceof Tree.In in) {
            return in(in, true);
        }
        if (tree instanceof Tree.And(Tree.Comparison low, Tree.Comparison high)
                && low.left().equals(high.left())
                && (low.test() == Test.MORE || low.test() == Test.AT_LEAST)
                && (high.test() == Test.LESS || high.test() == Test.AT_MOST)) {
            return AsFormula.isRange(low.right(), high.right())
                    ? null
                    : sizes.between(
                            low.left(),
                            true,
                            low.right(),
                            low.test() == Test.MORE,
                            high.right(),
                            high.test() == Test.LESS);
        }
        if (tree instanceof Tree.Name(var name) && choices.choiceField(tree) != null) {
            Field field = Objects.requireNonNull(symbols.field(name), name);
            return field.kind() instanceof FieldKind.YesNo
                    ? ChoiceLeaves.choice(name, true, List.of(FieldKind.YesNo.NO))
                    : null;
        }
        Tree.Call contains = Trees.callOf(tree, "contains", 2);
        // Of a blank it says nothing; the rule for blanks is around it.
        return contains != null
                        && texts.texts(TextTest.DOES_NOT_CONTAIN, contains.arguments())
                                instanceof Clause.TextClause clause
                ? clause.withRule(false)
                : null;
    }
}
