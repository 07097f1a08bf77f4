package loesscape.core.reach;

import java.math.BigDecimal;
import java.util.List;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.evaluation.NodeState.NoticeState;
import loesscape.core.evaluation.Passage;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Picture;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.reach.ReachCell.Becomes;
import loesscape.core.wording.Display;
import org.jspecify.annotations.Nullable;

/** What a column says of one evaluated document. */
final class FollowerCell {

    private static final int MOST_TOLD = 3;

    private FollowerCell() {}

    /**
     * The cell.
     *
     * @param row the row in which the follower is looked at; empty for outside of rows
     */
    static ReachCell of(ReachColumn column, CompiledTemplate compiled, Standing standing, String row) {
        if (column.key().isEmpty()) {
            return ofDocument(column, compiled.template(), standing);
        }
        NodeState state = state(column.key(), standing, row);
        if (state == null) {
            return ReachCell.of(Becomes.FOLDED);
        }
        if (column.aspect() instanceof ReachAspect.OfNode(var aspect) && aspect == Aspect.SHOWN) {
            return yesOrNo(state.shown());
        }
        if (!state.shown()) {
            return ReachCell.of(Becomes.FOLDED);
        }
        Node node = compiled.node(column.key());
        return switch (column.aspect()) {
            case ReachAspect.OfNode(var aspect) -> ofAspect(aspect, state);
            case ReachAspect.OfChoice(var choice) -> yesOrNo(isOffered(choice, node, state));
            case ReachAspect.OfValue ignored ->
                node instanceof Field field && state instanceof FieldState it
                        ? says(words(field, value(field, it)), "")
                        : says("", "blank");
            case ReachAspect.OfSign ignored -> says(sign(node, state), "nothing");
            case ReachAspect.OfText ignored ->
                says(state instanceof NoticeState it ? Passage.words(it.text()).strip() : "", "nothing");
            case ReachAspect.OfPicture ignored -> says(picture(node, compiled, standing, row), "nothing");
            case ReachAspect.OfList ignored -> says(list(state), "nothing");
            case ReachAspect.OfLook ignored -> holds(column, compiled, standing, row);
            case ReachAspect.OfCheck ignored -> holds(column, compiled, standing, row);
            case ReachAspect.OfPhrase ignored -> holds(column, compiled, standing, row);
            case ReachAspect.OfRole ignored -> ReachCell.of(Becomes.UNDECIDED);
            case ReachAspect.OfFinish ignored -> ReachCell.of(Becomes.UNDECIDED);
        };
    }

    private static ReachCell ofDocument(ReachColumn column, Template template, Standing standing) {
        return switch (column.aspect()) {
            case ReachAspect.OfRole(var role) ->
                yesOrNo(standing.state().takesPart().getOrDefault(role, true));
            case ReachAspect.OfFinish(var rule) ->
                yesOrNo(standing.holds(template.finish().get(rule).when(), null, ""));
            case ReachAspect other -> throw new IllegalArgumentException("Belongs to an item: " + other);
        };
    }

    /** What is required and cannot be answered is what nobody can have meant. */
    private static ReachCell ofAspect(Aspect aspect, NodeState state) {
        boolean isDeadEnd = aspect == Aspect.REQUIRED
                && state.met().contains(Aspect.REQUIRED)
                && state instanceof FieldState it
                && it.offered() != null
                && it.offered().isEmpty();
        return isDeadEnd ? new ReachCell(Becomes.YES, "required, nothing offered", true) : yesOrNo(state.is(aspect));
    }

    private static ReachCell holds(ReachColumn column, CompiledTemplate compiled, Standing standing, String row) {
        Condition condition = condition(column, compiled.template(), compiled.node(column.key()));
        if (condition == null) {
            return ReachCell.of(Becomes.UNDECIDED);
        }
        return yesOrNo(standing.holds(condition, compiled.symbols().rowsAround(column.key()), row));
    }

    /** The condition that a column is about; null for what hangs on something else. */
    static @Nullable Condition condition(ReachColumn column, Template template, @Nullable Node node) {
        return switch (column.aspect()) {
            case ReachAspect.OfNode(var aspect) -> node == null ? null : aspect.of(node);
            case ReachAspect.OfLook(var rule, var ignored) ->
                node == null ? null : Logic.looks(node).get(rule).when();
            case ReachAspect.OfCheck(var check) ->
                node instanceof Field field ? field.checks().get(check).refusedWhen() : null;
            case ReachAspect.OfPhrase(var phrase) ->
                node instanceof Notice notice ? notice.phrases().get(phrase).when() : null;
            case ReachAspect.OfRole(var key) ->
                template.roles().stream()
                        .filter(role -> role.key().equals(key))
                        .findFirst()
                        .map(role -> role.takesPart())
                        .orElse(null);
            case ReachAspect.OfFinish(var rule) -> template.finish().get(rule).when();
            case ReachAspect.OfChoice ignored -> null;
            case ReachAspect.OfValue ignored -> null;
            case ReachAspect.OfSign ignored -> null;
            case ReachAspect.OfText ignored -> null;
            case ReachAspect.OfPicture ignored -> null;
            case ReachAspect.OfList ignored -> null;
        };
    }

    private static boolean isOffered(String choice, Node node, NodeState state) {
        List<String> offered = state instanceof FieldState it ? it.offered() : null;
        return offered == null
                ? node instanceof Field field
                        && field.kind() instanceof FieldKind.Choosing kind
                        && kind.withOther().stream().map(Choice::id).anyMatch(choice::equals)
                : offered.contains(choice);
    }

    private static ReachCell says(String words, String none) {
        return new ReachCell(Becomes.SAYS, words.isEmpty() ? none : words, false);
    }

    /** What is worked out; of a payment, what is to be paid. */
    static Value value(Field field, FieldState state) {
        if (!(field.kind() instanceof FieldKind.Payment)) {
            return state.value();
        }
        BigDecimal due = state.due();
        return due == null ? Value.blank() : new Value.Number(due);
    }

    /** What a field says of something worked out. */
    static String words(Field field, Value value) {
        return !value.isBlank()
                ? Display.of(field.kind(), value)
                : field.kind() instanceof FieldKind.Payment ? "nothing" : "blank";
    }

    private static String picture(Node node, CompiledTemplate compiled, Standing standing, String row) {
        if (!(node instanceof Picture picture)) {
            return "";
        }
        boolean isInRow = compiled.symbols().rowsAround(picture.follows()) != null;
        NodeState followed = state(picture.follows(), standing, isInRow ? row : "");
        return followed instanceof FieldState it && !it.value().isBlank()
                ? "the one given"
                : picture.file().isEmpty() ? "" : "the usual one";
    }

    private static String list(NodeState state) {
        List<String> offered = state instanceof FieldState it ? it.offered() : null;
        if (offered == null) {
            return "all";
        }
        String some = String.join(", ", offered.subList(0, Math.min(MOST_TOLD, offered.size())));
        return offered.size() <= MOST_TOLD ? some : "%s and %d more".formatted(some, offered.size() - MOST_TOLD);
    }

    private static String sign(Node node, NodeState state) {
        String band = state instanceof IndicatorState it ? it.band() : null;
        return band == null || !(node instanceof Indicator indicator)
                ? ""
                : indicator
                        .sign(band)
                        .map(Sign::label)
                        .filter(label -> !label.isEmpty())
                        .orElse(band);
    }

    static @Nullable NodeState state(String key, Standing standing, String row) {
        return standing.state().nodes().get(row.isEmpty() ? key : RowNames.address(key, row));
    }

    private static ReachCell yesOrNo(boolean is) {
        return ReachCell.of(is ? Becomes.YES : Becomes.NO);
    }
}
