package loesscape.core.analysis.proof;

import java.time.LocalDate;
import java.util.List;
import java.util.function.BiPredicate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.PreparedTemplate;
import org.jspecify.annotations.Nullable;

/**
 * Two versions of a template, filled in alike: whether something is so in one for answers for which it is not in the other.
 * Fields of one key are given the same answers; only answers are looked at that both accept. Not for several threads.
 */
public final class TwoVersions {

    private final CompiledTemplate before;
    private final CompiledTemplate after;
    private final Gates gates;
    private final Encoding wasEncoded;
    private final Encoding isEncoded;
    private final Search search;

    private TwoVersions(CompiledTemplate before, CompiledTemplate after, LocalDate today) {
        this.before = before;
        this.after = after;
        PreparedTemplate was = before.prepared();
        PreparedTemplate is = after.prepared();
        AnswerVariables variables = new AnswerVariables(List.of(was, is), List.of(), today, new SharedVariables(today));
        this.gates = variables.gates();
        this.wasEncoded = new Encoding(was, variables);
        this.isEncoded = new Encoding(is, variables);
        RuleWords words = new RuleWords(is);
        RuleWords others = new RuleWords(was);
        this.search =
                new Search(variables, Patience.shared(), rule -> words.knows(rule) ? words.of(rule) : others.of(rule));
    }

    /**
     * Two versions, in which fields of the same key take answers of the same kind and stand in the same rows.
     *
     * @param today the day on which examples are tried
     */
    public static TwoVersions of(CompiledTemplate before, CompiledTemplate after, LocalDate today) {
        return new TwoVersions(before, after, today);
    }

    /** Whether what is typed into a field can be typed into another version of it. */
    public static boolean takeTheSameAnswers(Field one, Field other) {
        return CommonAnswers.areAlike(one, other);
    }

    /**
     * Whether there are answers for which a claim is so in one version and not in the other.
     *
     * @param given what is so in both for these answers
     */
    public Decision differ(Claim claim, List<Claim> given) {
        int same = gates.same(wasEncoded.claim(claim), isEncoded.claim(claim));
        return search.decide(gates.and(-same, inBoth(given)), example -> {
            Standing was = standing(before, example);
            Standing is = standing(after, example);
            return areSo(given, was, is) && Replay.isSo(claim, before, was) != Replay.isSo(claim, after, is);
        });
    }

    private int inBoth(List<Claim> given) {
        return gates.and(
                gates.and(given.stream().map(wasEncoded::claim).toList()),
                gates.and(given.stream().map(isEncoded::claim).toList()));
    }

    private boolean areSo(List<Claim> given, Standing was, Standing is) {
        return given.stream().allMatch(each -> Replay.isSo(each, before, was) && Replay.isSo(each, after, is));
    }

    /**
     * Whether a condition of the one version and one of the other are made of the same, and so are met by the same answers; where
     * they are not, they may still be.
     *
     * @param within the repeating section in whose rows they are asked; null for outside of rows
     */
    public boolean areAlike(Condition was, Condition is, @Nullable String within) {
        return wasEncoded.met(was, within) == isEncoded.met(is, within);
    }

    /** Whether what is worked out for a field is worked out of the same in both. */
    public boolean areWorkedOutAlike(String field) {
        return wasEncoded.isWorkedOutAs(field, isEncoded);
    }

    /** Answers for which some claims are so in both versions, and the two stand to each other as is asked. */
    public Decision find(List<Claim> given, BiPredicate<Standing, Standing> wanted) {
        return search.decide(
                inBoth(given), example -> wanted.test(standing(before, example), standing(after, example)));
    }

    private static Standing standing(CompiledTemplate compiled, Example example) {
        return compiled.standing(new Answers(example.answers()), example.context());
    }
}
