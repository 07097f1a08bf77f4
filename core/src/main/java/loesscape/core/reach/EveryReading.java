package loesscape.core.reach;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.SymbolTable;
import loesscape.core.reach.ReachCell.Becomes;
import org.jspecify.annotations.Nullable;

/** Reads the table for all other answers: what is always so, never, or depends. */
final class EveryReading {

    private static final String ROW = "r1";

    private final EveryFilling every;
    private final CompiledTemplate compiled;
    private final SymbolTable symbols;
    private final Field field;
    private final List<Claim> besides;

    EveryReading(EveryFilling every, Field field) {
        this(every, field, List.of());
    }

    private EveryReading(EveryFilling every, Field field, List<Claim> besides) {
        this.every = every;
        this.besides = besides;
        this.compiled = every.compiled();
        this.symbols = compiled.symbols();
        this.field = field;
    }

    /** The same with a part of the answers to another field. */
    EveryReading with(Field other, AnswerPiece piece) {
        return new EveryReading(
                every, field, List.of(new Claim.Meets(piece.condition(), symbols.rowsAround(other.key()), true)));
    }

    List<ReachCell> cells(AnswerPiece row, List<ReachColumn> columns) {
        if (every.decide(answered(row)) instanceof Decision.Impossible) {
            return columns.stream().map(column -> ReachCell.of(Becomes.NEVER)).toList();
        }
        return columns.stream().map(column -> cell(row, column)).toList();
    }

    /** That a part of the answers counts. */
    private List<Claim> answered(AnswerPiece row) {
        List<Claim> claims = new ArrayList<>(besides);
        claims.add(new Claim.Meets(row.condition(), symbols.rowsAround(field.key()), true));
        return claims;
    }

    private Decision shown(AnswerPiece row, ReachColumn column) {
        List<Claim> claims = answered(row);
        claims.add(new Claim.Shows(column.key(), true));
        return every.decide(claims);
    }

    private ReachCell cell(AnswerPiece row, ReachColumn column) {
        return column.aspect().isYesOrNo() ? yesOrNo(row, column) : says(row, column);
    }

    private ReachCell yesOrNo(AnswerPiece row, ReachColumn column) {
        // What is impossible is known without an example; only what depends has to be shown.
        boolean isNever = every.isImpossible(claims(row, column, true));
        boolean isAlways = every.isImpossible(claims(row, column, false));
        if (isNever && !isAlways && isShown(column)) {
            return ReachCell.of(Becomes.NO);
        }
        Decision yes = isNever ? new Decision.Impossible() : every.decide(claims(row, column, true));
        Decision no = isAlways ? new Decision.Impossible() : every.decide(claims(row, column, false));
        if (yes instanceof Decision.Impossible) {
            return ReachCell.of(
                    no instanceof Decision.Impossible
                            ? Becomes.FOLDED
                            : no instanceof Decision.Possible ? Becomes.NO : Becomes.UNDECIDED);
        }
        if (no instanceof Decision.Impossible) {
            return ReachCell.of(yes instanceof Decision.Possible ? Becomes.YES : Becomes.UNDECIDED);
        }
        return ReachCell.of(
                yes instanceof Decision.Possible && no instanceof Decision.Possible
                        ? Becomes.DEPENDS
                        : Becomes.UNDECIDED);
    }

    /** Whether a column is about whether something is shown, which it is or is not wherever the answers can be. */
    private static boolean isShown(ReachColumn column) {
        return column.aspect() instanceof ReachAspect.OfNode(var aspect) && aspect == Aspect.SHOWN;
    }

    /** What hangs on nothing else is the same for all other answers; so one tells it. */
    private ReachCell says(AnswerPiece row, ReachColumn column) {
        return switch (shown(row, column)) {
            case Decision.Impossible ignored -> ReachCell.of(Becomes.FOLDED);
            case Decision.NotDecided ignored -> ReachCell.of(Becomes.UNDECIDED);
            case Decision.Possible(var example) ->
                hangsOnMore(column) ? ReachCell.of(Becomes.DEPENDS) : told(row, column, example);
        };
    }

    private boolean hangsOnMore(ReachColumn column) {
        Node follower = compiled.node(column.key());
        boolean isOvertypable =
                follower instanceof Field it && it.value() instanceof FieldValue.WorkedOut(var formula, var can) && can;
        return isOvertypable
                || Logic.uses(follower, symbols).stream()
                        .filter(use -> says(use, column.aspect()))
                        .anyMatch(use -> !use.sources().equals(Set.of(field.key())));
    }

    /** Whether what a column says hangs on something that its follower looks at. */
    private static boolean says(Logic.Use use, ReachAspect aspect) {
        return switch (aspect) {
            case ReachAspect.OfValue ignored ->
                use.what().equals("value") || use.what().equals("amount");
            case ReachAspect.OfText ignored ->
                use.what().equals("text") || use.what().startsWith("phrase");
            case ReachAspect.OfList ignored -> use.what().equals("choices");
            case ReachAspect.OfPicture ignored -> use.what().equals("picture");
            case ReachAspect.OfSign ignored -> use.what().equals("bands");
            case ReachAspect.OfNode ignored -> false;
            case ReachAspect.OfLook ignored -> false;
            case ReachAspect.OfCheck ignored -> false;
            case ReachAspect.OfPhrase ignored -> false;
            case ReachAspect.OfChoice ignored -> false;
            case ReachAspect.OfRole ignored -> false;
            case ReachAspect.OfFinish ignored -> false;
        };
    }

    private ReachCell told(AnswerPiece row, ReachColumn column, Example example) {
        String section = symbols.rowsAround(column.key());
        if (column.aspect() instanceof ReachAspect.OfValue || column.aspect() instanceof ReachAspect.OfText) {
            return new HeldReading(every, field, new Answers(example.answers()), example.context())
                    .cells(row, List.of(column))
                    .getFirst();
        }
        Standing standing = compiled.standing(new Answers(example.answers()), example.context());
        return FollowerCell.of(column, compiled, standing, section == null ? "" : ROW);
    }

    ReachExamples examples(AnswerPiece row, ReachColumn column) {
        if (!column.aspect().isYesOrNo()) {
            Decision shown = shown(row, column);
            return new ReachExamples(example(shown), null, because(shown));
        }
        Decision yes = every.decide(claims(row, column, true));
        Decision no = every.decide(claims(row, column, false));
        List<String> because = new ArrayList<>(because(yes));
        because.addAll(because(no));
        return new ReachExamples(
                example(yes), example(no), because.stream().distinct().toList());
    }

    private static @Nullable Example example(Decision decision) {
        return decision instanceof Decision.Possible(var example) ? example : null;
    }

    private static List<String> because(Decision decision) {
        return decision instanceof Decision.NotDecided(var because) ? because : List.of();
    }

    private List<Claim> claims(AnswerPiece row, ReachColumn column, boolean is) {
        List<Claim> claims = answered(row);
        Node node = column.key().isEmpty() ? null : compiled.node(column.key());
        if (node != null && !isShown(column)) {
            claims.add(new Claim.Shows(column.key(), true));
        }
        switch (column.aspect()) {
            case ReachAspect.OfNode(var aspect) -> {
                if (aspect == Aspect.SHOWN) {
                    claims.add(new Claim.Shows(column.key(), is));
                } else {
                    if (node instanceof Field) {
                        claims.add(new Claim.InTurn(column.key()));
                    }
                    claims.add(new Claim.Is(column.key(), aspect, is));
                }
            }
            case ReachAspect.OfChoice(var choice) -> claims.add(new Claim.Offers(column.key(), choice, is));
            case ReachAspect.OfRole(var role) -> claims.add(new Claim.TakesPart(role, is));
            case ReachAspect.OfLook ignored -> meets(column, node, is, claims);
            case ReachAspect.OfCheck ignored -> meets(column, node, is, claims);
            case ReachAspect.OfPhrase ignored -> meets(column, node, is, claims);
            case ReachAspect.OfFinish ignored -> meets(column, node, is, claims);
            case ReachAspect.OfValue ignored -> throw isSaid();
            case ReachAspect.OfSign ignored -> throw isSaid();
            case ReachAspect.OfText ignored -> throw isSaid();
            case ReachAspect.OfPicture ignored -> throw isSaid();
            case ReachAspect.OfList ignored -> throw isSaid();
        }
        return claims;
    }

    private static IllegalArgumentException isSaid() {
        return new IllegalArgumentException("Is not said with yes or no.");
    }

    private void meets(ReachColumn column, @Nullable Node node, boolean is, List<Claim> claims) {
        Condition condition = FollowerCell.condition(column, compiled.template(), node);
        claims.add(new Claim.Meets(
                condition == null ? new Condition.Always() : condition,
                node == null ? null : symbols.rowsAround(node.key()),
                is));
    }
}
