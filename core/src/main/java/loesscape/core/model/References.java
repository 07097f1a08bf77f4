package loesscape.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import loesscape.core.model.Clause.Operand;
import org.jspecify.annotations.Nullable;

/** The leaves of conditions, and conditions with what they refer to changed. */
public final class References {

    private References() {}

    /** The leaves of a condition, in reading order, those asked of rows included; none for null. */
    public static List<Condition.Leaf> leaves(@Nullable Condition condition) {
        return switch (condition) {
            case null -> List.of();
            case Condition.Always() -> List.of();
            case Condition.Never() -> List.of();
            case Condition.OfRows it -> {
                List<Condition.Leaf> all = new ArrayList<>();
                all.add(it);
                all.addAll(leaves(it.condition()));
                yield all;
            }
            case Condition.Leaf leaf -> List.of(leaf);
            case Condition.Group group ->
                group.conditions().stream()
                        .flatMap(part -> leaves(part).stream())
                        .toList();
        };
    }

    /** The other sides of a leaf's comparison; none where it has none. */
    public static List<Operand> operands(Condition.Leaf leaf) {
        return leaf instanceof Comparing comparing ? comparing.operands() : List.of();
    }

    /**
     * The condition with every key of a field, section or shared condition replaced by {@code key.apply(old)}.
     *
     * @param formulas the new text of a formula
     */
    public static @Nullable Condition rename(
            @Nullable Condition condition, UnaryOperator<String> key, UnaryOperator<String> formulas) {
        return rewrite(condition, leaf -> renamed(leaf, key, formulas));
    }

    private static Condition.Leaf renamed(
            Condition.Leaf leaf, UnaryOperator<String> key, UnaryOperator<String> formulas) {
        Condition.Leaf renamed = switch (leaf) {
            case Condition.Written(var formula) -> new Condition.Written(formulas.apply(formula));
            case Condition.StageIs it -> it;
            case Condition.RoleIs it -> it;
            case Condition.Shared(var shared) -> new Condition.Shared(key.apply(shared));
            // What is asked of each row has been renamed already.
            case Condition.OfRows(var section, var quantity, var condition, var whenBlank) ->
                new Condition.OfRows(key.apply(section), quantity, condition, whenBlank);
            case Condition.RowCount(var section, var test, var count) ->
                new Condition.RowCount(key.apply(section), test, count);
            case Condition.Total(var field, var test, var to, var whenBlank) ->
                new Condition.Total(key.apply(field), test, to, whenBlank);
            case Clause clause -> clause.withField(key.apply(clause.field()));
        };
        return renamed instanceof Comparing comparing
                ? comparing.withOperands(comparing.operands().stream()
                        .map(operand -> renamed(operand, key, formulas))
                        .toList())
                : renamed;
    }

    private static Operand renamed(Operand operand, UnaryOperator<String> key, UnaryOperator<String> formulas) {
        return switch (operand) {
            case Operand.FieldOperand(var other) -> new Operand.FieldOperand(key.apply(other));
            case Operand.FormulaOperand(var formula) -> new Operand.FormulaOperand(formulas.apply(formula));
            default -> operand;
        };
    }

    /**
     * The condition with each leaf replaced. A leaf that becomes null is left out; a group of which nothing is left goes
     * too, and so does what is asked of rows when nothing is left of it. Null when nothing is left at all, and the
     * aspect returns to its plain default.
     */
    public static @Nullable Condition rewrite(@Nullable Condition condition, LeafRewriting rewriting) {
        return switch (condition) {
            case null -> null;
            case Condition.Always always -> always;
            case Condition.Never never -> never;
            case Condition.OfRows it -> {
                Condition inner = rewrite(it.condition(), rewriting);
                yield inner == null
                        ? null
                        : rewriting.rewrite(new Condition.OfRows(it.section(), it.quantity(), inner, it.whenBlank()));
            }
            case Condition.Leaf leaf -> rewriting.rewrite(leaf);
            case Condition.Group group -> {
                List<Condition> kept = new ArrayList<>();
                for (Condition part : group.conditions()) {
                    Condition rewritten = rewrite(part, rewriting);
                    if (rewritten != null) {
                        kept.add(rewritten);
                    }
                }
                yield kept.isEmpty() ? null : group.of(kept);
            }
        };
    }

    /** What becomes of one leaf; null to leave it out. */
    public interface LeafRewriting {
        @Nullable
        Condition rewrite(Condition.Leaf leaf);
    }
}
