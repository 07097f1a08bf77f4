package loesscape.core.reach;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * What the answers to one field reach.
 *
 * <pre>{@code
 * Reach reach = Reach.of(compiled, "depth", List.of(), Set.of(), today);
 * reach.held(answers, context); // what becomes of everything that follows it, with the other answers as they are
 * reach.forAll();               // and for all other answers
 * reach.set(List.of(new ReachStroke("log", new ReachAspect.OfNode(Aspect.SHOWN), List.of(3, 4), true))); // an edit
 * }</pre>
 */
public final class Reach {

    /** So many cuts may be asked for beside those that the document has. */
    public static final int MOST_EDGES = 50;

    private final EveryFilling every;
    private final Field field;
    private final List<AnswerPiece> rows;
    private final List<ReachColumn> columns;

    private Reach(EveryFilling every, Field field, Set<String> besides) {
        this.every = every;
        this.field = field;
        this.rows = every.pieces(field);
        this.columns = ReachColumns.of(every.compiled(), field.key(), besides);
    }

    /**
     * The reach of a field.
     *
     * @param key of a field of the template
     * @param edges answers at which its lines are cut, or which are told apart, beside those at which the document changes
     *     something; see {@link #canBeCut}
     * @param besides what does not follow it yet and is to stand in the table: keys of nodes, or a key and behind a blank the
     *     name of an aspect, such as {@code log required}
     * @param today the day on which examples are tried
     * @throws IllegalArgumentException where there is no such field
     */
    public static Reach of(
            CompiledTemplate compiled, String key, List<Value> edges, Set<String> besides, LocalDate today) {
        return after(null, compiled, key, edges, besides, today);
    }

    /**
     * The same, with what was found before of this template or of an earlier revision of it.
     *
     * @param before what was looked at last, which is not to be asked any more; null for nothing
     */
    public static Reach after(
            @Nullable EveryFilling before,
            CompiledTemplate compiled,
            String key,
            List<Value> edges,
            Set<String> besides,
            LocalDate today) {
        Field field = compiled.symbols().field(key);
        if (field == null) {
            throw new IllegalArgumentException("There is no field " + key);
        }
        List<Clause> cuts = edges.stream().map(edge -> cut(field, edge)).toList();
        return new Reach(EveryFilling.after(before, compiled, cuts, today), field, besides);
    }

    /** Whether the answers of a kind can be cut where the document tells none apart: by size, or those that are named from all others. */
    public static boolean canBeCut(FieldKind kind) {
        return isOrdered(kind) || kind.isText() || kind instanceof FieldKind.Lookup;
    }

    private static boolean isOrdered(FieldKind kind) {
        return kind.isNumeric() || kind.isDay() || kind instanceof FieldKind.Time;
    }

    private static Clause cut(Field field, Value at) {
        return switch (at) {
            case Value.Number(var number) -> edge(field, new Clause.Operand.NumberOperand(number));
            case Value.Date(var day) -> edge(field, new Clause.Operand.DateOperand(day));
            case Value.Time(var time) -> edge(field, new Clause.Operand.TimeOperand(time));
            case Value.Text(var text) -> new Clause.TextClause(field.key(), TextTest.IS, text, false, null);
            case Value.Chosen(var cell, var ignored)
            when field.kind() instanceof FieldKind.Lookup ->
                new Clause.ChoiceClause(field.key(), ChoiceTest.IS, List.of(cell), null);
            default -> throw new IllegalArgumentException("Cannot be told apart: " + at);
        };
    }

    private static Clause edge(Field field, Clause.Operand at) {
        return new Clause.Comparison(field.key(), Clause.Comparison.OrderTest.EQUAL, at, null);
    }

    /** Every filling of the template, as it was looked at for this. */
    public EveryFilling every() {
        return every;
    }

    /** The parts of the answers, blank first. */
    public List<AnswerPiece> rows() {
        return rows;
    }

    /** What follows the field, in document order. */
    public List<ReachColumn> columns() {
        return columns;
    }

    /** The table with the other answers as they are. */
    public ReachTable held(Answers answers, Context context) {
        HeldReading reading = new HeldReading(every, field, answers, context);
        return table(reading::cells, reading.note());
    }

    /**
     * The table for all other answers, at any stage, whoever is acting; what is required and editable is that while the document
     * is filled in, for whoever answers there.
     */
    public ReachTable forAll() {
        EveryReading reading = new EveryReading(every, field);
        return table(reading::cells, "");
    }

    /**
     * One follower by the answers to this field and another, with the other answers as they are.
     *
     * @param other the key of another field
     * @throws IllegalArgumentException where there is no such field
     */
    public ReachAcross heldAcross(String other, ReachColumn column, Answers answers, Context context) {
        HeldReading reading = new HeldReading(every, field, answers, context);
        Field across = other(other);
        return across(across, column, piece -> reading.with(across, piece)::cells);
    }

    /** The same for all other answers. */
    public ReachAcross forAllAcross(String other, ReachColumn column) {
        EveryReading reading = new EveryReading(every, field);
        Field across = other(other);
        return across(across, column, piece -> reading.with(across, piece)::cells);
    }

    private Field other(String key) {
        Field other = every.compiled().symbols().field(key);
        if (other == null || other.key().equals(field.key())) {
            throw new IllegalArgumentException("There is no other field " + key);
        }
        return other;
    }

    private ReachAcross across(Field other, ReachColumn column, Function<AnswerPiece, Reading> with) {
        List<AnswerPiece> taken = every.pieces(other).stream()
                .filter(piece -> piece.shape() != PieceShape.REFUSED)
                .toList();
        List<AnswerPiece> lines =
                rows.stream().filter(row -> row.shape() != PieceShape.REFUSED).toList();
        List<List<ReachCell>> cells = new ArrayList<>();
        for (AnswerPiece row : lines) {
            List<ReachCell> line = new ArrayList<>();
            for (AnswerPiece piece : taken) {
                line.add(with.apply(piece).cells(row, List.of(column)).getFirst());
            }
            cells.add(line);
        }
        if (column.aspect() instanceof ReachAspect.OfText) {
            for (int place = 0; place < taken.size(); place++) {
                shorten(cells, place);
            }
        }
        return new ReachAcross(column, lines, other.key(), taken, cells);
    }

    /** Answers for which something is so, and others for which it is not. */
    public ReachExamples examples(int row, ReachColumn column) {
        return new EveryReading(every, field).examples(rows.get(row), column);
    }

    /**
     * The edit after which something is so, or not so, in some lines: each condition the shortest that says it, with what it
     * said of other fields.
     *
     * @throws loesscape.core.editing.Refusal where something cannot be set
     */
    public Edit set(List<ReachStroke> strokes) {
        return new ReachWriting(every.compiled(), field, rows).of(strokes);
    }

    private static void shorten(List<List<ReachCell>> cells, int column) {
        List<ReachCell> some = cells.stream()
                .filter(row -> !row.isEmpty())
                .map(row -> row.get(column))
                .toList();
        Iterator<ReachCell> shortened = TextCells.shortened(some).iterator();
        cells.replaceAll(row -> row.isEmpty() ? row : with(row, column, shortened.next()));
    }

    private static List<ReachCell> with(List<ReachCell> row, int column, ReachCell cell) {
        List<ReachCell> with = new ArrayList<>(row);
        with.set(column, cell);
        return with;
    }

    private interface Reading {
        List<ReachCell> cells(AnswerPiece row, List<ReachColumn> columns);
    }

    private ReachTable table(Reading reading, String note) {
        List<List<ReachCell>> cells = new ArrayList<>();
        for (AnswerPiece row : rows) {
            cells.add(row.shape() == PieceShape.REFUSED ? List.of() : reading.cells(row, columns));
        }
        for (int column = 0; column < columns.size(); column++) {
            if (columns.get(column).aspect() instanceof ReachAspect.OfText) {
                shorten(cells, column);
            }
        }
        return new ReachTable(field.key(), rows, columns, cells, note);
    }
}
