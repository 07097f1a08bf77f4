package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.model.Aspect;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Logic;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * Answers with which a document can never be finished, whatever else is answered: a condition for finishing that none of the
 * others can meet any more, or an answer that is required and of which none is taken. An answer that a condition for finishing
 * asks about itself is its author's own say, and not told.
 */
final class ObstacleFindings {

    /** How many questions are asked of one template. */
    private static final int MOST = 1_500;

    private final EveryFilling every;
    private final PreparedTemplate prepared;
    private final SymbolTable symbols;
    private final List<Finding> found = new ArrayList<>();
    private int asked;

    private ObstacleFindings(EveryFilling every) {
        this.every = every;
        this.prepared = every.compiled().prepared();
        this.symbols = prepared.symbols();
    }

    static List<Finding> of(EveryFilling every) {
        ObstacleFindings findings = new ObstacleFindings(every);
        for (Field field : every.compiled().template().fields()) {
            findings.refused(field);
        }
        for (FinishRule rule : every.compiled().template().finish()) {
            findings.unmet(rule);
        }
        return findings.found;
    }

    /** An answer to something else with which a condition for finishing cannot be met any more. */
    private void unmet(FinishRule rule) {
        Claim met = new Claim.Meets(rule.when(), null, true);
        if (every.isImpossible(List.of(met))) {
            // Told of all answers.
            return;
        }
        Set<String> direct = symbols.sources(rule.when());
        for (String key : behind(direct)) {
            Field field = symbols.field(key);
            if (field == null || symbols.rowsAround(key) != null || !field.isTyped()) {
                continue;
            }
            stuck(
                    "",
                    field,
                    null,
                    List.of(met),
                    List.of(new Claim.Meets(rule.when(), null, false)),
                    "the document can never be finished, whatever else is answered: “%s”".formatted(rule.message()));
        }
    }

    /** The fields on which it hangs whether others count, and not these themselves. */
    private Set<String> behind(Set<String> direct) {
        Set<String> behind = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(direct);
        Set<String> seen = new LinkedHashSet<>();
        while (!open.isEmpty()) {
            String key = open.removeFirst();
            if (!seen.add(key)) {
                continue;
            }
            if (!direct.contains(key)) {
                behind.add(key);
            }
            for (String at = key; !at.isEmpty(); at = every.compiled().holder(at)) {
                for (Logic.Use use : prepared.uses(at)) {
                    if (Aspect.SHOWN.key().equals(use.what())) {
                        open.addAll(use.sources());
                    }
                }
            }
        }
        return behind;
    }

    /** An answer to something else with which one has to be given here and none is taken. */
    private void refused(Field field) {
        String within = symbols.rowsAround(field.key());
        if (field.checks().isEmpty() || field.required() == null) {
            return;
        }
        Claim answered = new Claim.Meets(new Clause.Answered(field.key()), within, true);
        Claim taken = new Claim.Refuses(field.key(), false);
        if (every.isImpossible(List.of(answered, taken))) {
            return;
        }
        Set<String> others = new LinkedHashSet<>();
        for (Check check : field.checks()) {
            others.addAll(symbols.sources(check.refusedWhen()));
        }
        others.remove(field.key());
        for (String key : others) {
            Field other = symbols.field(key);
            if (other == null || symbols.rowsAround(key) != null || !other.isTyped()) {
                continue;
            }
            stuck(
                    field.key(),
                    other,
                    within,
                    List.of(answered, taken),
                    List.of(answered, new Claim.Is(field.key(), Aspect.REQUIRED, true)),
                    "an answer is required here and none is taken, so that the document cannot be finished.");
        }
    }

    /**
     * Tells the answers to a field with which something is impossible.
     *
     * @param within the rows in which it is asked
     * @param wanted what cannot be so with them
     * @param instead what is so with them
     */
    private void stuck(
            String key, Field field, @Nullable String within, List<Claim> wanted, List<Claim> instead, String words) {
        List<String> answers = new ArrayList<>();
        Example first = null;
        for (AnswerPiece piece : every.pieces(field)) {
            Claim given = new Claim.Meets(piece.condition(), within, true);
            if (piece.isAnswered()
                    && asked++ < MOST
                    && every.isImpossible(with(given, wanted))
                    && every.decide(with(given, instead)) instanceof Decision.Possible(var example)) {
                answers.add(piece.words());
                first = first == null ? example : first;
            }
        }
        if (first != null) {
            found.add(new Finding(
                    FindingTopic.FINISHING,
                    key,
                    "Where “%s” is %s, %s".formatted(field.name(), String.join(" or ", answers), words),
                    first,
                    List.of()));
        }
    }

    private static List<Claim> with(Claim given, List<Claim> others) {
        List<Claim> all = new ArrayList<>(List.of(given));
        all.addAll(others);
        return all;
    }
}
