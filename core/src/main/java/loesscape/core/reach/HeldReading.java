package loesscape.core.reach;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Field;
import loesscape.core.model.Value;
import loesscape.core.reach.ReachCell.Becomes;
import loesscape.core.wording.Display;

/** Reads the table with the other answers as they are: what is in a cell was evaluated. */
final class HeldReading {

    private static final String ROW = "r1";

    private final CompiledTemplate compiled;
    private final Field field;
    private final Answers answers;
    private final List<Answers> all;
    private final Context context;
    private final String address;

    HeldReading(CompiledTemplate compiled, Field field, Answers answers, Context context) {
        this(compiled, field, answers, List.of(answers), context);
    }

    /** The same where another answer stands in for several that nothing tells apart. */
    private HeldReading(CompiledTemplate compiled, Field field, Answers answers, List<Answers> all, Context context) {
        this.compiled = compiled;
        this.field = field;
        this.context = context;
        String section = compiled.symbols().rowsAround(field.key());
        this.address = section == null ? field.key() : RowNames.address(field.key(), row(section, answers));
        this.answers = section == null || !RowNames.read(answers.of(section)).isEmpty()
                ? answers
                : answers.withRows(section, List.of(ROW));
        this.all = section == null || !RowNames.read(answers.of(section)).isEmpty()
                ? all
                : all.stream().map(each -> each.withRows(section, List.of(ROW))).toList();
    }

    /** The same with a part of the answers to another field. */
    HeldReading with(Field other, AnswerPiece piece) {
        String section = compiled.symbols().rowsAround(other.key());
        String at = section == null ? other.key() : RowNames.address(other.key(), row(section, answers));
        List<Answers> with = new ArrayList<>(List.of(answers.with(at, piece.typed())));
        piece.others().forEach(typed -> with.add(answers.with(at, typed)));
        return new HeldReading(compiled, field, with.getFirst(), with, context);
    }

    /** The first row that there is; the first that can be where there is none. */
    private static String row(String section, Answers answers) {
        List<String> rows = RowNames.read(answers.of(section));
        return rows.isEmpty() ? ROW : rows.getFirst();
    }

    /** What has to be known to read the table; empty for nothing. */
    String note() {
        NodeState state = compiled.standing(answers, context).state().nodes().get(address);
        return state != null && state.shown()
                ? ""
                : "“%s” is folded with the answers tried out, so that none of its answers counts."
                        .formatted(field.name());
    }

    List<ReachCell> cells(AnswerPiece row, List<ReachColumn> columns) {
        List<Standing> standings = new ArrayList<>();
        for (Answers each : all) {
            standings.add(standing(each, row.typed()));
            row.others().forEach(typed -> standings.add(standing(each, typed)));
        }
        return columns.stream().map(column -> cell(column, standings)).toList();
    }

    private Standing standing(Answers each, String typed) {
        return compiled.standing(each.with(address, typed), context);
    }

    private ReachCell cell(ReachColumn column, List<Standing> standings) {
        if (column.aspect() instanceof ReachAspect.OfValue) {
            return value(column, standings);
        }
        ReachCell first = FollowerCell.of(column, compiled, standings.getFirst(), row(column));
        return standings.stream()
                        .allMatch(each -> FollowerCell.of(column, compiled, each, row(column))
                                .equals(first))
                ? first
                : ReachCell.of(Becomes.DEPENDS);
    }

    /** The row in which a follower is looked at: that of the field where it stands beside it, else the first. */
    private String row(ReachColumn column) {
        String section = column.key().isEmpty() ? null : compiled.symbols().rowsAround(column.key());
        return section == null ? "" : row(section, answers);
    }

    /** From the least to the greatest that is worked out. */
    private ReachCell value(ReachColumn column, List<Standing> standings) {
        if (!(compiled.node(column.key()) instanceof Field follower)) {
            return ReachCell.of(Becomes.UNDECIDED);
        }
        List<Value> values = new ArrayList<>();
        for (Standing standing : standings) {
            NodeState state = FollowerCell.state(column.key(), standing, row(column));
            if (state == null || !state.shown()) {
                return ReachCell.of(Becomes.FOLDED);
            }
            if (state instanceof FieldState it) {
                values.add(it.value());
            }
        }
        return new ReachCell(Becomes.SAYS, words(follower, values), false);
    }

    private static String words(Field follower, List<Value> values) {
        List<Value> sorted = values.stream()
                .sorted((one, other) -> number(one).compareTo(number(other)))
                .toList();
        String least = Display.of(follower.kind(), sorted.getFirst());
        String greatest = Display.of(follower.kind(), sorted.getLast());
        if (values.stream().allMatch(Value::isBlank)) {
            return "blank";
        }
        return least.equals(greatest) ? least : "%s to %s".formatted(least.isEmpty() ? "blank" : least, greatest);
    }

    private static BigDecimal number(Value value) {
        return value instanceof Value.Number(var number) ? number : BigDecimal.ZERO;
    }
}
