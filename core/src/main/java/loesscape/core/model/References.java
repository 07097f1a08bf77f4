package loesscape.core.model;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import loesscape.core.expression.Names;
import loesscape.core.model.Clause.Operand;
import org.jspecify.annotations.Nullable;

/** Which fields a condition looks at, and conditions with these references changed. */
public final class References {

    private References() {}

    /** The leaves of a condition, in reading order; none for null. */
    public static List<Condition.Leaf> leaves(@Nullable Condition condition) {
        return switch (condition) {
            case null -> List.of();
            case Condition.Always() -> List.of();
            case Condition.Never() -> List.of();
            case Condition.Leaf leaf -> List.of(leaf);
            case Condition.Group group ->
                group.conditions().stream()
                        .flatMap(part -> leaves(part).stream())
                        .toList();
        };
    }

    /** The keys of the fields a condition looks at, in reading order. */
    public static Set<String> fields(@Nullable Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        for (Condition.Leaf leaf : leaves(condition)) {
            switch (leaf) {
                case Condition.Written(var formula) -> keys.addAll(Names.in(formula));
                case Condition.StageIs ignored -> {}
                case Clause clause -> {
                    keys.add(clause.field());
                    operands(clause).forEach(operand -> {
                        if (operand instanceof Operand.FieldOperand(var other)) {
                            keys.add(other);
                        }
                    });
                }
            }
        }
        return keys;
    }

    private static List<Operand> operands(Clause clause) {
        return switch (clause) {
            case Clause.Comparison it -> List.of(it.to());
            case Clause.Between it -> List.of(it.from(), it.to());
            default -> List.of();
        };
    }

    /** The condition with every field key replaced by {@code key.apply(old)}. */
    public static @Nullable Condition rename(@Nullable Condition condition, UnaryOperator<String> key) {
        return rewrite(condition, leaf -> switch (leaf) {
            case Condition.Written(var formula) -> new Condition.Written(Names.renamed(formula, key));
            case Condition.StageIs it -> it;
            case Clause clause -> renamed(clause, key);
        });
    }

    private static Clause renamed(Clause clause, UnaryOperator<String> key) {
        String field = key.apply(clause.field());
        return switch (clause) {
            case Clause.Answered ignored -> new Clause.Answered(field);
            case Clause.IsBlank ignored -> new Clause.IsBlank(field);
            case Clause.ChoiceClause it -> new Clause.ChoiceClause(field, it.test(), it.choices(), it.whenBlank());
            case Clause.TextClause it ->
                new Clause.TextClause(field, it.test(), it.text(), it.matchCase(), it.whenBlank());
            case Clause.LengthClause it -> new Clause.LengthClause(field, it.test(), it.length(), it.whenBlank());
            case Clause.BandClause it -> new Clause.BandClause(field, it.bands(), it.whenBlank());
            case Clause.Comparison it -> new Clause.Comparison(field, it.test(), renamed(it.to(), key), it.whenBlank());
            case Clause.Between it ->
                new Clause.Between(
                        field,
                        it.outside(),
                        renamed(it.from(), key),
                        it.fromIncluded(),
                        renamed(it.to(), key),
                        it.toIncluded(),
                        it.whenBlank());
        };
    }

    private static Operand renamed(Operand operand, UnaryOperator<String> key) {
        return operand instanceof Operand.FieldOperand(var other)
                ? new Operand.FieldOperand(key.apply(other))
                : operand;
    }

    /**
     * The condition with each leaf replaced. A leaf that becomes null is left out; a group of which nothing is left goes
     * too. Null when nothing is left at all, and the aspect returns to its plain default.
     */
    public static @Nullable Condition rewrite(@Nullable Condition condition, Rewriting rewriting) {
        return switch (condition) {
            case null -> null;
            case Condition.Always always -> always;
            case Condition.Never never -> never;
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
    public interface Rewriting {
        Condition.@Nullable Leaf rewrite(Condition.Leaf leaf);
    }
}
