package loesscape.core.analysis;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * Whether a condition can be met at all, as far as can be seen from clauses about one field each: choices that exclude
 * each other, ranges without a common number. What it does not see through counts as one that can be met, so that nothing
 * is ever wrongly found.
 */
final class Satisfiable {

    private static final String BLANK = "";
    private static final int DEEPEST = 20;

    private final SymbolTable symbols;

    Satisfiable(SymbolTable symbols) {
        this.symbols = symbols;
    }

    boolean isNever(Condition condition) {
        return isNever(condition, 0);
    }

    private boolean isNever(Condition condition, int depth) {
        if (depth > DEEPEST) {
            return false;
        }
        return switch (condition) {
            case Condition.Never ignored -> true;
            case Condition.All all -> {
                Room room = new Room();
                yield narrows(all, room, depth);
            }
            case Condition.Any any -> any.conditions().stream().allMatch(each -> isNever(each, depth + 1));
            case Condition.AtLeast it ->
                it.conditions().stream()
                                .filter(each -> !isNever(each, depth + 1))
                                .count()
                        < it.count();
            case Condition.Shared(var key) -> {
                SharedCondition shared = symbols.shared(key);
                yield shared != null && isNever(shared.condition(), depth + 1);
            }
            case Clause clause -> new Room().isEmptyWith(clause);
            default -> false;
        };
    }

    /** Takes in what has to hold together; true once there is no room left. */
    private boolean narrows(Condition condition, Room room, int depth) {
        if (depth > DEEPEST) {
            return false;
        }
        return switch (condition) {
            case Condition.All all -> all.conditions().stream().anyMatch(each -> narrows(each, room, depth + 1));
            case Condition.Shared(var key) -> {
                SharedCondition shared = symbols.shared(key);
                yield shared != null && narrows(shared.condition(), room, depth + 1);
            }
            case Clause clause -> room.isEmptyWith(clause);
            case Condition other -> isNever(other, depth + 1);
        };
    }

    /** What answers are still possible for each field. */
    private final class Room {

        private final Map<String, Set<String>> choices = new HashMap<>();
        private final Map<String, Span> spans = new HashMap<>();

        boolean isEmptyWith(Clause clause) {
            Field field = symbols.field(clause.field());
            if (field == null) {
                return false;
            }
            return switch (clause) {
                case Clause.ChoiceClause it
                when !(field.kind() instanceof FieldKind.Lookup) -> {
                    Set<String> met = new HashSet<>(it.choices());
                    if (it.test() == Clause.ChoiceClause.ChoiceTest.IS_NOT) {
                        met = new HashSet<>(symbols.choices(field));
                        it.choices().forEach(met::remove);
                    }
                    if (it.metWhenBlank()) {
                        met.add(BLANK);
                    }
                    Set<String> left = choices.computeIfAbsent(it.field(), key -> all(field));
                    left.retainAll(met);
                    yield left.isEmpty();
                }
                case Clause.Answered it -> span(it.field(), Span.ANSWERED) || without(field, it.field(), BLANK);
                case Clause.IsBlank it -> span(it.field(), Span.BLANK) || only(field, it.field());
                case Clause.Comparison it -> {
                    BigDecimal to = number(it.to());
                    yield to != null && span(it.field(), Span.of(it.test(), to, it.metWhenBlank()));
                }
                case Clause.Between it
                when !it.outside() -> {
                    BigDecimal from = number(it.from());
                    BigDecimal to = number(it.to());
                    yield from != null
                            && to != null
                            && span(
                                    it.field(),
                                    new Span(from, it.fromIncluded(), to, it.toIncluded(), it.metWhenBlank()));
                }
                default -> false;
            };
        }

        private Set<String> all(Field field) {
            Set<String> all = new HashSet<>(symbols.choices(field));
            all.add(BLANK);
            return all;
        }

        private boolean hasChoices(Field field) {
            return field.kind() instanceof FieldKind.YesNo || field.kind() instanceof FieldKind.OneChoice;
        }

        private boolean without(Field field, String key, String choice) {
            if (!hasChoices(field)) {
                return false;
            }
            Set<String> left = choices.computeIfAbsent(key, ignored -> all(field));
            left.remove(choice);
            return left.isEmpty();
        }

        private boolean only(Field field, String key) {
            if (!hasChoices(field)) {
                return false;
            }
            Set<String> left = choices.computeIfAbsent(key, ignored -> all(field));
            left.retainAll(Set.of(BLANK));
            return left.isEmpty();
        }

        private boolean span(String key, Span with) {
            Span left = spans.merge(key, with, Span::and);
            return left.isEmpty();
        }
    }

    private static @Nullable BigDecimal number(Clause.Operand operand) {
        return switch (operand) {
            case Clause.Operand.NumberOperand(var number) -> number;
            case Clause.Operand.DateOperand(var date) -> BigDecimal.valueOf(date.toEpochDay());
            default -> null;
        };
    }

    /** A range of numbers or days, with or without blank; a null edge is none. */
    private record Span(
            @Nullable BigDecimal from,
            boolean fromIn,
            @Nullable BigDecimal to,
            boolean toIn,
            boolean blank) {

        static final Span ANSWERED = new Span(null, true, null, true, false);
        static final Span BLANK = new Span(BigDecimal.ONE, false, BigDecimal.ONE, false, true);

        static Span of(Clause.Comparison.OrderTest test, BigDecimal to, boolean blank) {
            return switch (test) {
                case EQUAL -> new Span(to, true, to, true, blank);
                case LESS -> new Span(null, true, to, false, blank);
                case AT_MOST -> new Span(null, true, to, true, blank);
                case MORE -> new Span(to, false, null, true, blank);
                case AT_LEAST -> new Span(to, true, null, true, blank);
                case NOT_EQUAL -> new Span(null, true, null, true, blank);
            };
        }

        Span and(Span other) {
            boolean lower = other.from != null && (from == null || other.from.compareTo(from) > 0);
            boolean upper = other.to != null && (to == null || other.to.compareTo(to) < 0);
            boolean sameFrom = from != null && other.from != null && from.compareTo(other.from) == 0;
            boolean sameTo = to != null && other.to != null && to.compareTo(other.to) == 0;
            return new Span(
                    lower ? other.from : from,
                    sameFrom ? fromIn && other.fromIn : lower ? other.fromIn : fromIn,
                    upper ? other.to : to,
                    sameTo ? toIn && other.toIn : upper ? other.toIn : toIn,
                    blank && other.blank);
        }

        boolean isEmpty() {
            if (blank || from == null || to == null) {
                return false;
            }
            int order = from.compareTo(to);
            return order > 0 || (order == 0 && !(fromIn && toIn));
        }
    }
}
