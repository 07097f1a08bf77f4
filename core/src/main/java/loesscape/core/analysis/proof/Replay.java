package loesscape.core.analysis.proof;

import java.util.List;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Stage;
import org.jspecify.annotations.Nullable;

/** Whether claims are so of a document that was evaluated, without anything that was reasoned about it. */
final class Replay {

    /** The row that stands for any. */
    static final String ROW = "r1";

    private Replay() {}

    static boolean isSo(Claim claim, CompiledTemplate compiled, Standing standing) {
        return switch (claim) {
            case Claim.Stands(var key) -> {
                String holder = compiled.holder(key);
                NodeState around = holder.isEmpty() ? null : state(holder, compiled, standing);
                yield (holder.isEmpty() || (around != null && around.shown()))
                        && state(key, compiled, standing) != null;
            }
            case Claim.Shows(var key, var is) -> {
                NodeState state = state(key, compiled, standing);
                yield state != null && state.shown() == is;
            }
            case Claim.Is(var key, var aspect, var is) -> {
                NodeState state = state(key, compiled, standing);
                yield state != null && state.is(aspect) == is;
            }
            case Claim.Looks(var key, var look, var is) -> {
                NodeState state = state(key, compiled, standing);
                yield state != null && look.equals(state.look()) == is;
            }
            case Claim.InTurn(var key) -> isInTurn((Field) compiled.node(key), standing.context());
            case Claim.SomeShown(var keys, var count, var is) ->
                state(keys.getFirst(), compiled, standing) != null
                        && count.is(keys.stream()
                                        .map(key -> state(key, compiled, standing))
                                        .filter(state -> state != null && state.shown())
                                        .count())
                                == is;
            case Claim.Refuses(var key, var is) -> {
                NodeState state = state(key, compiled, standing);
                yield state != null && isRefused(state.problem()) == is;
            }
            case Claim.TakesPart(var role, var is) ->
                standing.state().takesPart().getOrDefault(role, true) == is;
            case Claim.IsHeldUp(var is) -> isHeldUp(standing.state()) == is;
            case Claim.Meets(var condition, var within, var is) ->
                hasRow(within, standing) && standing.holds(condition, within, within == null ? "" : ROW) == is;
            case Claim.Differ(var one, var other, var within) ->
                isSo(new Claim.Meets(one, within, true), compiled, standing)
                        != isSo(new Claim.Meets(other, within, true), compiled, standing);
            case Claim.Offers(var key, var choice, var is) ->
                state(key, compiled, standing) instanceof FieldState field
                        && field.shown()
                        && offers(compiled, key, field, choice) == is;
        };
    }

    private static boolean isInTurn(Field field, Context context) {
        return (context.stage() == Stage.FILLING || context.stage() == Stage.REVIEWING)
                && (context.role().isEmpty() || context.role().equals(field.role()));
    }

    private static boolean isHeldUp(State state) {
        return !state.unmet().isEmpty()
                || state.nodes().values().stream().map(NodeState::problem).anyMatch(Replay::isRefused);
    }

    /** What is not offered any more only has to be answered anew. */
    private static boolean isRefused(@Nullable String problem) {
        return problem != null && !problem.equals(Reading.NOT_OFFERED);
    }

    private static boolean offers(CompiledTemplate compiled, String key, FieldState field, String choice) {
        List<String> offered = field.offered();
        return offered == null
                ? compiled.node(key) instanceof Field it
                        && it.kind() instanceof FieldKind.Choosing kind
                        && kind.withOther().stream().map(Choice::id).anyMatch(choice::equals)
                : offered.contains(choice);
    }

    private static boolean hasRow(@Nullable String within, Standing standing) {
        return within == null || standing.rows(within).contains(ROW);
    }

    private static @Nullable NodeState state(String key, CompiledTemplate compiled, Standing standing) {
        String address = compiled.symbols().rowsAround(key) == null ? key : RowNames.address(key, ROW);
        return standing.state().nodes().get(address);
    }
}
