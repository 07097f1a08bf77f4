package loesscape.core.reach;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Value;
import loesscape.core.reach.ReachCell.Becomes;
import org.jspecify.annotations.Nullable;

/** Reads the table with the other answers as they are: what is in a cell was evaluated. */
final class HeldReading {

    private static final String ROW = "r1";

    private final EveryFilling every;
    private final CompiledTemplate compiled;
    private final Field field;
    private final Answers answers;
    private final List<Answers> all;
    private final Context context;
    private final String address;
    /** Whether the other answers are these and no others. */
    private final boolean isOne;

    HeldReading(EveryFilling every, Field field, Answers answers, Context context) {
        this(every, field, answers, List.of(answers), true, context);
    }

    /** The same where another answer stands in for several that nothing tells apart. */
    private HeldReading(
            EveryFilling every, Field field, Answers answers, List<Answers> all, boolean isOne, Context context) {
        this.isOne = isOne;
        this.every = every;
        this.compiled = every.compiled();
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
        return new HeldReading(
                every,
                field,
                with.getFirst(),
                with,
                piece.isWhole() && piece.others().isEmpty(),
                context);
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
        return columns.stream().map(column -> cell(column, standings, row)).toList();
    }

    private Standing standing(Answers each, String typed) {
        return compiled.standing(each.with(address, typed), context);
    }

    private ReachCell cell(ReachColumn column, List<Standing> standings, AnswerPiece row) {
        if (column.aspect() instanceof ReachAspect.OfValue) {
            return value(column, standings, row);
        }
        ReachCell first = FollowerCell.of(column, compiled, standings.getFirst(), row(column));
        boolean isSame = standings.stream()
                .allMatch(each ->
                        FollowerCell.of(column, compiled, each, row(column)).equals(first));
        // A text that has the answer in it says something else for each.
        boolean isText = column.aspect() instanceof ReachAspect.OfText && first.becomes() == Becomes.SAYS;
        if (isText && !(isOne && row.isWhole() && isSame)) {
            return new ReachCell(Becomes.SAYS, TextCells.SUCH_AS + first.words(), false);
        }
        return isSame ? first : ReachCell.of(Becomes.DEPENDS);
    }

    /** The row in which a follower is looked at: that of the field where it stands beside it, else the first. */
    private String row(ReachColumn column) {
        String section = column.key().isEmpty() ? null : compiled.symbols().rowsAround(column.key());
        return section == null ? "" : row(section, answers);
    }

    /** From the least to the greatest that is worked out, where nothing else comes of any answer between. */
    private ReachCell value(ReachColumn column, List<Standing> standings, AnswerPiece row) {
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
                values.add(FollowerCell.value(follower, it));
            }
        }
        boolean isAll = isOne && row.isWhole() && (values.size() == 1 || goesOneWay(follower, standings.getFirst()));
        String words = isAll ? range(follower, values) : FollowerCell.words(follower, values.getFirst());
        return new ReachCell(Becomes.SAYS, isAll ? words : TextCells.SUCH_AS + words, false);
    }

    /** What one answer and another give, and whatever lies between them gives something between. */
    private static String range(Field follower, List<Value> values) {
        List<Value> sorted = values.stream()
                .sorted(Comparator.comparing(HeldReading::place, Comparator.nullsFirst(Comparator.naturalOrder())))
                .toList();
        String least = FollowerCell.words(follower, sorted.getFirst());
        String greatest = FollowerCell.words(follower, sorted.getLast());
        return least.equals(greatest) ? least : "%s to %s".formatted(least, greatest);
    }

    private static @Nullable BigDecimal place(Value value) {
        return switch (value) {
            case Value.Number(var number) -> number;
            case Value.Date(var date) -> BigDecimal.valueOf(date.toEpochDay());
            case Value.Time(var time) -> BigDecimal.valueOf(time.toSecondOfDay());
            case Value.YesNo(var yes) -> yes ? BigDecimal.ONE : BigDecimal.ZERO;
            default -> null;
        };
    }

    private boolean goesOneWay(Field follower, Standing standing) {
        String formula = follower.value() instanceof FieldValue.WorkedOut(var worked, var ignored)
                ? worked
                : follower.kind() instanceof FieldKind.Payment(var ignored, var amount) ? amount : "";
        Map<String, BigDecimal> others = new HashMap<>();
        for (String name : compiled.symbols().sources(formula)) {
            String section = compiled.symbols().rowsAround(name);
            NodeState state = FollowerCell.state(name, standing, section == null ? "" : row(section, answers));
            BigDecimal held = state instanceof FieldState it ? place(it.value()) : null;
            others.put(name, held == null ? BigDecimal.ZERO : held.abs());
        }
        return every.goesOneWay(follower, formula, field.key(), others);
    }
}
