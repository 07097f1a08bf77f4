package loesscape.core.evaluation;

import com.google.re2j.Pattern;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import loesscape.core.expression.TextPattern;
import loesscape.core.expression.Work;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;

/** What clauses say of values: the one meaning that evaluation and analysis share. */
public final class ClauseMeaning {

    private final SymbolTable symbols;

    /** The meaning of clauses over the fields of a template. */
    public ClauseMeaning(SymbolTable symbols) {
        this.symbols = symbols;
    }

    /**
     * Whether a clause is met.
     *
     * @param value the counting value of its field
     * @param others what its other sides are, in reading order: none, one, or two
     */
    public boolean meets(Clause clause, Value value, List<Value> others) {
        if (value.isBlank()) {
            return clause.metWhenBlank();
        }
        return switch (clause) {
            case Clause.Comparison it -> meets(it, value, others.getFirst());
            case Clause.Between it -> meets(it, value, others.getFirst(), others.getLast());
            case Clause other -> fixed(other).test(value);
        };
    }

    /** What a comparison says of a value that is not blank. */
    static boolean meets(Clause.Comparison it, Value value, Value other) {
        return other.isBlank() ? it.metWhenBlank() && it.to().canBeBlank() : decide(value, other, order(it.test()));
    }

    /** What a range says of a value that is not blank. */
    static boolean meets(Clause.Between it, Value value, Value low, Value high) {
        if (low.isBlank() || high.isBlank()) {
            return it.metWhenBlank()
                    && ((low.isBlank() && it.from().canBeBlank())
                            || (high.isBlank() && it.to().canBeBlank()));
        }
        // Outside, an edge that is “in” belongs to what lies outside.
        IntPredicate above = it.fromIncluded() != it.outside() ? order -> order >= 0 : order -> order > 0;
        IntPredicate below = it.toIncluded() != it.outside() ? order -> order <= 0 : order -> order < 0;
        return (decide(value, low, above) && decide(value, high, below)) != it.outside();
    }

    /** What the clause says of a value that is not blank, whatever else is answered. */
    Predicate<Value> fixed(Clause clause) {
        return switch (clause) {
            case Clause.Answered ignored -> value -> true;
            case Clause.IsBlank ignored -> value -> false;
            case Clause.ChoiceClause it -> {
                Field field = symbols.field(it.field());
                boolean isNumber = field != null && symbols.isNumberColumn(field);
                yield choice(it.test() == Clause.ChoiceClause.ChoiceTest.IS, it.choices(), isNumber);
            }
            case Clause.SetClause it -> set(it);
            case Clause.CountClause it -> {
                IntPredicate order = order(it.test());
                yield value -> value instanceof Value.ChosenSet(var chosen, var ignored)
                        && order.test(Integer.compare(chosen.size(), it.count()));
            }
            case Clause.TextClause it -> text(it);
            case Clause.LengthClause it -> {
                IntPredicate order = order(it.test());
                yield value -> value instanceof Value.Text(var text)
                        && order.test(Integer.compare(text.codePointCount(0, text.length()), it.length()));
            }
            case Clause.BandClause it -> bands(it);
            case Clause.Comparison ignored -> throw new IllegalStateException("Not fixed");
            case Clause.Between ignored -> throw new IllegalStateException("Not fixed");
        };
    }

    private Predicate<Value> bands(Clause.BandClause clause) {
        Field field = symbols.field(clause.field());
        List<Band> bands = field == null ? List.of() : field.bands();
        Set<String> wanted = Set.copyOf(clause.bands());
        return value ->
                Band.of(bands, value).map(Band::id).filter(wanted::contains).isPresent();
    }

    /**
     * @param isNumber whether what is chosen is a cell of numbers, which are compared by their size, as formulas do
     */
    private static Predicate<Value> choice(boolean is, List<String> choices, boolean isNumber) {
        Set<String> named = choices.stream()
                .map(choice -> isNumber ? Offerings.size(choice) : choice)
                .collect(Collectors.toUnmodifiableSet());
        return value -> switch (value) {
            case Value.Chosen(var choice, var ignored) ->
                named.contains(isNumber ? Offerings.size(choice) : choice) == is;
            case Value.YesNo(var yes) -> named.contains(yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO) == is;
            default -> false;
        };
    }

    private static Predicate<Value> set(Clause.SetClause clause) {
        Set<String> named = Set.copyOf(clause.choices());
        return value -> {
            if (!(value instanceof Value.ChosenSet(var chosen, var ignored))) {
                return false;
            }
            long found = chosen.stream().filter(named::contains).count();
            return switch (clause.test()) {
                case INCLUDES -> found > 0;
                case DOES_NOT_INCLUDE -> found == 0;
                case INCLUDES_ALL -> found == named.size();
                case IS_EXACTLY -> found == named.size() && found == chosen.size();
            };
        };
    }

    private static Predicate<Value> text(Clause.TextClause clause) {
        Predicate<String> met = clause.test() == Clause.TextClause.TextTest.MATCHES ? pattern(clause) : words(clause);
        boolean isPattern = clause.test() == Clause.TextClause.TextTest.MATCHES;
        return value -> value instanceof Value.Text(var text)
                && met.test(isPattern ? text : FoldedText.comparable(text, clause.matchCase()));
    }

    private static Predicate<String> pattern(Clause.TextClause clause) {
        int flags = clause.matchCase() ? 0 : Pattern.CASE_INSENSITIVE;
        TextPattern pattern = TextPattern.of(clause.text(), flags);
        // What would take longer than a formula may is not looked for.
        return text -> pattern.work(text) <= Work.MOST
                && pattern.pattern().matcher(text).find();
    }

    /** What a clause says of a text in the form in which it is compared. */
    static Predicate<String> words(Clause.TextClause clause) {
        boolean matchCase = clause.matchCase();
        String sought = FoldedText.comparable(clause.text(), matchCase);
        return text -> {
            return switch (clause.test()) {
                case IS -> text.equals(sought);
                case IS_NOT -> !text.equals(sought);
                case CONTAINS -> text.contains(sought);
                case DOES_NOT_CONTAIN -> !text.contains(sought);
                case STARTS_WITH -> text.startsWith(sought);
                case ENDS_WITH -> text.endsWith(sought);
                case MATCHES -> throw new IllegalStateException("A pattern is no words");
            };
        };
    }

    static IntPredicate order(Clause.Comparison.OrderTest test) {
        return switch (test) {
            case EQUAL -> order -> order == 0;
            case NOT_EQUAL -> order -> order != 0;
            case LESS -> order -> order < 0;
            case AT_MOST -> order -> order <= 0;
            case MORE -> order -> order > 0;
            case AT_LEAST -> order -> order >= 0;
        };
    }

    /** Compares two values; those of different kinds cannot be compared and so never meet a clause. */
    static boolean decide(Value left, Value right, IntPredicate order) {
        if (left instanceof Value.Number(var a) && right instanceof Value.Number(var b)) {
            return order.test(a.compareTo(b));
        }
        if (left instanceof Value.Time(var a) && right instanceof Value.Time(var b)) {
            return order.test(a.compareTo(b));
        }
        return left instanceof Value.Date(var a) && right instanceof Value.Date(var b) && order.test(a.compareTo(b));
    }
}
