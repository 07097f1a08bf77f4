package loesscape.core.model;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** Which fields a condition looks at, and conditions with these references changed. */
public final class References {

    private References() {}

    /** The clauses of a condition, in reading order; none for null. */
    public static List<Clause> clauses(@Nullable Condition condition) {
        return switch (condition) {
            case null -> List.of();
            case Condition.Always() -> List.of();
            case Condition.Never() -> List.of();
            case Clause clause -> List.of(clause);
            case Condition.All(var parts) ->
                parts.stream().flatMap(part -> clauses(part).stream()).toList();
            case Condition.Any(var parts) ->
                parts.stream().flatMap(part -> clauses(part).stream()).toList();
        };
    }

    /** The keys of the fields a condition looks at, in reading order. */
    public static Set<String> fields(@Nullable Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        clauses(condition).forEach(clause -> keys.add(clause.field()));
        return keys;
    }

    /** The condition with every field key replaced by {@code key.apply(old)}. */
    public static @Nullable Condition rename(@Nullable Condition condition, UnaryOperator<String> key) {
        return rewrite(condition, clause -> {
            String field = key.apply(clause.field());
            return switch (clause) {
                case Clause.Answered ignored -> new Clause.Answered(field);
                case Clause.IsBlank ignored -> new Clause.IsBlank(field);
                case Clause.ChoiceClause it -> new Clause.ChoiceClause(field, it.test(), it.choices(), it.whenBlank());
                case Clause.TextClause it -> new Clause.TextClause(field, it.test(), it.text(), it.whenBlank());
                case Clause.Comparison it -> new Clause.Comparison(field, it.test(), it.to(), it.whenBlank());
                case Clause.Between it ->
                    new Clause.Between(field, it.from(), it.fromIncluded(), it.to(), it.toIncluded(), it.whenBlank());
            };
        });
    }

    /**
     * The condition without the clauses that {@code drop} names. A group of which nothing is left goes too; null when
     * nothing is left at all, and the aspect returns to its plain default.
     */
    public static @Nullable Condition without(@Nullable Condition condition, Predicate<Clause> drop) {
        return rewrite(condition, clause -> drop.test(clause) ? null : clause);
    }

    /** The condition with each clause replaced; a clause that becomes null is left out. */
    public static @Nullable Condition rewrite(@Nullable Condition condition, Rewriting rewriting) {
        return switch (condition) {
            case null -> null;
            case Condition.Always always -> always;
            case Condition.Never never -> never;
            case Clause clause -> rewriting.rewrite(clause);
            case Condition.All(var parts) -> group(parts, rewriting, Condition.All::new);
            case Condition.Any(var parts) -> group(parts, rewriting, Condition.Any::new);
        };
    }

    private static @Nullable Condition group(
            List<Condition> parts, Rewriting rewriting, java.util.function.Function<List<Condition>, Condition> make) {
        List<Condition> kept = new ArrayList<>();
        for (Condition part : parts) {
            Condition rewritten = rewrite(part, rewriting);
            if (rewritten != null) {
                kept.add(rewritten);
            }
        }
        return kept.isEmpty() ? null : make.apply(kept);
    }

    /** What becomes of one clause; null to leave it out. */
    public interface Rewriting {
        @Nullable
        Clause rewrite(Clause clause);
    }
}
