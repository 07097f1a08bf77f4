package loesscape.core.reach;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Comparing;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;

/**
 * Writes a condition anew so that it is met, or not met, for some parts of the answers to a field. What it says of that field
 * becomes the shortest that says it; what it says of others stays, with “and” or “or” as it stood.
 */
final class ConditionRewriting {

    private final Field field;
    private final List<AnswerPiece> pieces;
    private final SymbolTable symbols;
    private final ClauseMeaning meaning;

    ConditionRewriting(Field field, List<AnswerPiece> pieces, SymbolTable symbols) {
        this.field = field;
        this.pieces = pieces;
        this.symbols = symbols;
        this.meaning = new ClauseMeaning(symbols);
    }

    /**
     * The condition anew.
     *
     * @param old as it was; what always or never is so where it has none
     * @param rows the places of the parts
     * @param is whether it is to be met there
     */
    Condition of(Condition old, Set<Integer> rows, boolean is) {
        if (old instanceof Condition.Always || old instanceof Condition.Never) {
            return begun(old, rows, is);
        }
        if (isOther(old)) {
            return joined(old, rows, is);
        }
        if (isOwn(old)) {
            return shortest(with(met(old), rows, is));
        }
        return switch (old) {
            case Condition.All(var parts) when parts.stream().allMatch(this::isOwnOrOther) -> all(parts, rows, is);
            case Condition.Any(var parts) when parts.stream().allMatch(this::isOwnOrOther) -> any(parts, rows, is);
            default ->
                is
                        ? new Condition.Any(List.of(old, shortest(rows)))
                        : new Condition.All(List.of(old, shortest(but(rows))));
        };
    }

    /** What follows for the first time follows in these lines alone. */
    private Condition begun(Condition old, Set<Integer> rows, boolean is) {
        if (is) {
            return shortest(rows);
        }
        return old instanceof Condition.Never ? old : shortest(but(rows));
    }

    private Condition joined(Condition other, Set<Integer> rows, boolean is) {
        Condition own = shortest(is ? rows : but(rows));
        return switch (own) {
            case Condition.Always ignored -> other;
            case Condition.Never ignored -> own;
            default ->
                other instanceof Condition.All(var parts)
                        ? new Condition.All(before(own, parts))
                        : new Condition.All(List.of(own, other));
        };
    }

    private static List<Condition> before(Condition own, List<Condition> parts) {
        List<Condition> all = new ArrayList<>(List.of(own));
        all.addAll(parts);
        return all;
    }

    private Condition all(List<Condition> parts, Set<Integer> rows, boolean is) {
        Condition own = shortest(with(met(new Condition.All(own(parts))), rows, is));
        return switch (own) {
            case Condition.Always ignored -> group(others(parts), true);
            case Condition.Never ignored -> own;
            case Condition.All(var several) -> new Condition.All(replaced(parts, several));
            default -> new Condition.All(replaced(parts, List.of(own)));
        };
    }

    private Condition any(List<Condition> parts, Set<Integer> rows, boolean is) {
        Condition own = shortest(with(met(new Condition.Any(own(parts))), rows, is));
        return switch (own) {
            case Condition.Never ignored -> group(others(parts), false);
            case Condition.Always ignored -> own;
            case Condition.Any(var several) -> new Condition.Any(replaced(parts, several));
            default -> new Condition.Any(replaced(parts, List.of(own)));
        };
    }

    private static Condition group(List<Condition> parts, boolean isAll) {
        return parts.size() == 1 ? parts.getFirst() : isAll ? new Condition.All(parts) : new Condition.Any(parts);
    }

    private List<Condition> own(List<Condition> parts) {
        return parts.stream().filter(part -> !isOther(part)).toList();
    }

    private List<Condition> others(List<Condition> parts) {
        return parts.stream().filter(this::isOther).toList();
    }

    /** The parts with what is said of the field in the place where that stood first. */
    private List<Condition> replaced(List<Condition> parts, List<Condition> own) {
        List<Condition> all = new ArrayList<>();
        boolean isSaid = false;
        for (Condition part : parts) {
            if (isOther(part)) {
                all.add(part);
            } else if (!isSaid) {
                all.addAll(own);
                isSaid = true;
            }
        }
        return all;
    }

    private Condition shortest(Set<Integer> rows) {
        return ShortestCondition.of(field, pieces, rows, meaning);
    }

    private static Set<Integer> with(Set<Integer> met, Set<Integer> rows, boolean is) {
        Set<Integer> all = new HashSet<>(met);
        if (is) {
            all.addAll(rows);
        } else {
            all.removeAll(rows);
        }
        return all;
    }

    private Set<Integer> but(Set<Integer> rows) {
        Set<Integer> all = new HashSet<>();
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i).shape() != PieceShape.REFUSED && !rows.contains(i)) {
                all.add(i);
            }
        }
        return all;
    }

    private boolean isOther(Condition condition) {
        return !symbols.sources(condition).contains(field.key());
    }

    private boolean isOwnOrOther(Condition condition) {
        return isOther(condition) || isOwn(condition);
    }

    /** Whether a condition says something of the field alone, so that it is known for every part of its answers. */
    private boolean isOwn(Condition condition) {
        return switch (condition) {
            case Condition.Always ignored -> true;
            case Condition.Never ignored -> true;
            case Condition.Group group -> group.conditions().stream().allMatch(this::isOwn);
            case Condition.Shared(var key) -> {
                SharedCondition shared = symbols.shared(key);
                yield shared != null && isOwn(shared.condition());
            }
            case Clause clause ->
                clause.field().equals(field.key())
                        && (!(clause instanceof Comparing comparing)
                                || comparing.operands().stream().allMatch(ConditionRewriting::isFixed));
            case Condition.Leaf ignored -> false;
        };
    }

    private static boolean isFixed(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand ignored -> true;
            case Operand.DateOperand ignored -> true;
            case Operand.TimeOperand ignored -> true;
            case Operand.TodayOperand ignored -> false;
            case Operand.FieldOperand ignored -> false;
            case Operand.FormulaOperand ignored -> false;
        };
    }

    private Set<Integer> met(Condition condition) {
        Set<Integer> met = new HashSet<>();
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i).shape() != PieceShape.REFUSED
                    && isMet(
                            condition,
                            Reading.settled(field.kind(), pieces.get(i).typed()).value())) {
                met.add(i);
            }
        }
        return met;
    }

    private boolean isMet(Condition condition, Value value) {
        return switch (condition) {
            case Condition.Always ignored -> true;
            case Condition.Never ignored -> false;
            case Condition.All(var parts) -> parts.stream().allMatch(part -> isMet(part, value));
            case Condition.Any(var parts) -> parts.stream().anyMatch(part -> isMet(part, value));
            case Condition.None(var parts) -> parts.stream().noneMatch(part -> isMet(part, value));
            case Condition.AtLeast(var count, var parts) ->
                parts.stream().filter(part -> isMet(part, value)).count() >= count;
            case Condition.Shared(var key) -> {
                SharedCondition shared = symbols.shared(key);
                yield shared != null && isMet(shared.condition(), value);
            }
            case Clause clause ->
                meaning.meets(
                        clause,
                        value,
                        clause instanceof Comparing comparing
                                ? comparing.operands().stream()
                                        .map(ConditionRewriting::value)
                                        .toList()
                                : List.of());
            case Condition.Leaf leaf -> throw new IllegalArgumentException("Is not about the field alone: " + leaf);
        };
    }

    private static Value value(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> new Value.Number(number);
            case Operand.DateOperand(var date) -> new Value.Date(date);
            case Operand.TimeOperand(var time) -> new Value.Time(time);
            case Operand other -> throw new IllegalArgumentException("Is not known beforehand: " + other);
        };
    }
}
