package loesscape.core.reach;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * The shortest condition about one field that is met by some parts of its answers and by no others: with the fewest clauses,
 * then the fewest edges in them, then with “or” before “and”. Ranges that touch are joined, choices become “is one of” or
 * “is none of”, whichever names fewer; texts are told apart by what is asked of them ({@link ShortestTextCondition}).
 */
final class ShortestCondition {

    private final Field field;
    private final List<AnswerPiece> answered;
    private final boolean blank;
    private final boolean[] wanted;
    private final ClauseMeaning meaning;

    private ShortestCondition(Field field, List<AnswerPiece> pieces, Set<Integer> wanted, ClauseMeaning meaning) {
        this.field = field;
        this.meaning = meaning;
        List<Integer> places = IntStream.range(0, pieces.size())
                .filter(i -> pieces.get(i).isAnswered())
                .boxed()
                .toList();
        this.answered = places.stream().map(pieces::get).toList();
        this.wanted = new boolean[places.size()];
        for (int i = 0; i < this.wanted.length; i++) {
            this.wanted[i] = wanted.contains(places.get(i));
        }
        this.blank = IntStream.range(0, pieces.size())
                .anyMatch(i -> pieces.get(i).shape() == PieceShape.BLANK && wanted.contains(i));
    }

    /**
     * The condition for some parts.
     *
     * @param pieces of the answers to the field, all of them in their order
     * @param wanted the places of those that are to meet it; of refused answers nothing is said
     */
    static Condition of(Field field, List<AnswerPiece> pieces, Set<Integer> wanted, ClauseMeaning meaning) {
        return new ShortestCondition(field, pieces, wanted, meaning).condition();
    }

    private Condition condition() {
        boolean none = IntStream.range(0, wanted.length).noneMatch(i -> wanted[i]);
        boolean all = IntStream.range(0, wanted.length).allMatch(i -> wanted[i]);
        if (all && wanted.length > 0) {
            return blank ? new Condition.Always() : new Clause.Answered(field.key());
        }
        if (none) {
            return blank ? new Clause.IsBlank(field.key()) : new Condition.Never();
        }
        return switch (answered.getFirst().shape()) {
            case CHOICE, OTHERS -> field.kind() instanceof FieldKind.SeveralChoices ? set() : choice();
            case EXACTLY, BETWEEN -> ordered();
            case LIKE -> text();
            case BLANK, REFUSED -> throw new IllegalArgumentException("Is no answer: " + answered.getFirst());
        };
    }

    private List<String> ids(boolean is) {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < wanted.length; i++) {
            if (wanted[i] == is && answered.get(i).shape() != PieceShape.OTHERS) {
                switch (answered.get(i).condition()) {
                    case Clause.ChoiceClause it -> ids.addAll(it.choices());
                    case Clause.SetClause it -> ids.addAll(it.choices());
                    default ->
                        throw new IllegalArgumentException(answered.get(i).words());
                }
            }
        }
        return ids;
    }

    private Condition choice() {
        List<String> is = ids(true);
        List<String> isNot = ids(false);
        // What is none of those that are told apart is met by what says which it must not be.
        boolean isTold = answered.stream().noneMatch(piece -> piece.shape() == PieceShape.OTHERS);
        return ruled(
                (isTold && isNot.size() < is.size()) || isAnyOther()
                        ? new Clause.ChoiceClause(field.key(), Clause.ChoiceClause.ChoiceTest.IS_NOT, isNot, null)
                        : new Clause.ChoiceClause(field.key(), Clause.ChoiceClause.ChoiceTest.IS, is, null),
                blank);
    }

    private boolean isAnyOther() {
        return IntStream.range(0, wanted.length)
                .anyMatch(i -> wanted[i] && answered.get(i).shape() == PieceShape.OTHERS);
    }

    private Condition text() {
        BitSet places = new BitSet();
        for (int i = 0; i < wanted.length; i++) {
            places.set(i, wanted[i]);
        }
        return ShortestTextCondition.of(field.kind(), answered, places, blank, meaning);
    }

    private Condition set() {
        return ruled(new Clause.SetClause(field.key(), Clause.SetClause.SetTest.INCLUDES, ids(true), null), blank);
    }

    /** A clause that is met by blanks, or not; told only where that is not what it does anyway. */
    static Clause ruled(Clause clause, boolean blank) {
        Clause usual = clause.withRule(null);
        return usual.metWhenBlank() == blank ? usual : usual.withRule(blank);
    }

    /** Some neighbours among the answered parts. */
    private record Run(int from, int to) {}

    private List<Run> runs(boolean is) {
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < wanted.length; i++) {
            if (wanted[i] == is) {
                int from = i;
                while (i + 1 < wanted.length && wanted[i + 1] == is) {
                    i++;
                }
                runs.add(new Run(from, i));
            }
        }
        return runs;
    }

    private Condition ordered() {
        List<Clause> any = any();
        List<Clause> all = all();
        boolean isAll = weight(all) < weight(any);
        List<Clause> best = isAll ? all : any;
        Clause bands = best.size() > 1 ? bands() : null;
        if (bands != null) {
            return ruled(bands, blank);
        }
        if (best.size() == 1) {
            return ruled(best.getFirst(), blank);
        }
        List<Condition> ruled = new ArrayList<>();
        for (int i = 0; i < best.size(); i++) {
            // Of several that are each enough, one speaks of blanks.
            ruled.add(ruled(best.get(i), blank && (isAll || i == 0)));
        }
        return isAll ? new Condition.All(ruled) : new Condition.Any(ruled);
    }

    private static int weight(List<Clause> clauses) {
        int edges = clauses.stream()
                .mapToInt(clause -> clause instanceof Clause.Between ? 2 : 1)
                .sum();
        return 1_000 * clauses.size() + edges;
    }

    /** A clause for each run that is wanted; one for the first and the last where these are without end. */
    private List<Clause> any() {
        List<Run> runs = new ArrayList<>(runs(true));
        List<Clause> clauses = new ArrayList<>();
        if (runs.size() > 1 && isFirst(runs.getFirst()) && isLast(runs.getLast())) {
            clauses.add(outside(runs.getFirst().to() + 1, runs.getLast().from() - 1));
            runs.removeLast();
            runs.removeFirst();
        }
        runs.forEach(run -> clauses.add(within(run.from(), run.to())));
        return clauses;
    }

    /** A clause against each run that is not wanted; one against the first and the last where these are without end. */
    private List<Clause> all() {
        List<Run> runs = new ArrayList<>(runs(false));
        List<Clause> clauses = new ArrayList<>();
        int from = 0;
        int to = wanted.length - 1;
        if (isFirst(runs.getFirst())) {
            from = runs.removeFirst().to() + 1;
        }
        if (!runs.isEmpty() && isLast(runs.getLast())) {
            to = runs.removeLast().from() - 1;
        }
        if (from > 0 || to < wanted.length - 1) {
            clauses.add(within(from, to));
        }
        runs.forEach(run -> clauses.add(outside(run.from(), run.to())));
        return clauses;
    }

    private static boolean isFirst(Run run) {
        return run.from() == 0;
    }

    private boolean isLast(Run run) {
        return run.to() == wanted.length - 1;
    }

    private boolean isExactly(int place) {
        return answered.get(place).shape() == PieceShape.EXACTLY;
    }

    private static Value edge(@Nullable Value value) {
        if (value == null) {
            throw new IllegalStateException("Has no edge there.");
        }
        return value;
    }

    private Clause within(int from, int to) {
        AnswerPiece first = answered.get(from);
        AnswerPiece last = answered.get(to);
        if (from == to && isExactly(from)) {
            return compare(OrderTest.EQUAL, edge(first.low()));
        }
        if (from == 0) {
            return compare(isExactly(to) ? OrderTest.AT_MOST : OrderTest.LESS, edge(last.high()));
        }
        if (to == wanted.length - 1) {
            return compare(isExactly(from) ? OrderTest.AT_LEAST : OrderTest.MORE, edge(first.low()));
        }
        return new Clause.Between(
                field.key(),
                false,
                operand(edge(first.low())),
                isExactly(from),
                operand(edge(last.high())),
                isExactly(to),
                null);
    }

    private Clause outside(int from, int to) {
        AnswerPiece first = answered.get(from);
        AnswerPiece last = answered.get(to);
        if (from == to && isExactly(from)) {
            return compare(OrderTest.NOT_EQUAL, edge(first.low()));
        }
        // Outside, an edge that is in belongs to what lies outside.
        return new Clause.Between(
                field.key(),
                true,
                operand(edge(first.low())),
                !isExactly(from),
                operand(edge(last.high())),
                !isExactly(to),
                null);
    }

    private Clause compare(OrderTest test, Value to) {
        return new Clause.Comparison(field.key(), test, operand(to), null);
    }

    private static Operand operand(Value value) {
        return switch (value) {
            case Value.Number(var number) -> new Operand.NumberOperand(number);
            case Value.Date(var date) -> new Operand.DateOperand(date);
            case Value.Time(var time) -> new Operand.TimeOperand(time);
            default -> throw new IllegalArgumentException("Cannot be compared by size: " + value);
        };
    }

    /** The bands that are these parts and no others; null where none are. */
    private @Nullable Clause bands() {
        Set<String> in = new LinkedHashSet<>();
        Set<String> out = new HashSet<>();
        for (int i = 0; i < wanted.length; i++) {
            String band = band(answered.get(i));
            if (band == null) {
                return null;
            }
            (wanted[i] ? in : out).add(band);
        }
        return in.stream().anyMatch(out::contains) ? null : new Clause.BandClause(field.key(), List.copyOf(in), null);
    }

    private @Nullable String band(AnswerPiece piece) {
        String typed = piece.typed();
        Value value = Reading.settled(field.kind(), typed).value();
        return Band.of(field.bands(), value).map(Band::id).orElse(null);
    }
}
