package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.expression.Tree;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * All the ways in which a template can be filled in, looked at at once: whether something can be so, for any answers that are
 * accepted, at any stage, whoever is acting. What is possible is told with an example that was evaluated; what is impossible
 * is so for all answers; and where neither can be said, the rules are named that are out of reach. Not for several threads.
 *
 * <pre>{@code
 * EveryFilling every = EveryFilling.of(compiled, today);
 * Decision ever = every.decide(List.of(new Claim.Shows("irrigated_area", true)));
 * }</pre>
 */
public final class EveryFilling {

    private final CompiledTemplate compiled;
    private final List<Clause> besides;
    private final LocalDate today;
    private final AnswerVariables variables;
    private final Encoding encoding;
    private final Samples samples;
    private final SharedVariables shared;
    private final Supplier<Solver> solvers;
    private final @Nullable Supplier<Solver> given;
    private final Search search;

    private EveryFilling(
            CompiledTemplate compiled,
            List<Clause> besides,
            LocalDate today,
            @Nullable Supplier<Solver> given,
            @Nullable EveryFilling before) {
        this.compiled = compiled;
        this.besides = List.copyOf(besides);
        this.today = today;
        this.given = given;
        this.solvers = given == null ? Patience.shared() : given;
        if (before != null && before.shared.goesOn(today)) {
            this.shared = before.shared;
            this.samples = before.samples;
        } else {
            this.shared = new SharedVariables(today);
            this.samples = new Samples(shared);
        }
        PreparedTemplate prepared = compiled.prepared();
        this.variables = new AnswerVariables(List.of(prepared), besides, today, shared);
        this.encoding = new Encoding(prepared, variables);
        this.search = new Search(variables, solvers, new RuleWords(prepared)::of);
    }

    /**
     * Every filling of a template.
     *
     * @param today the day on which examples are tried
     */
    public static EveryFilling of(CompiledTemplate compiled, LocalDate today) {
        return new EveryFilling(compiled, List.of(), today, null, null);
    }

    /**
     * The same, which tells apart also what some clauses do that the template does not have.
     *
     * @param besides about fields that it has
     * @param today the day on which examples are tried
     */
    public static EveryFilling of(CompiledTemplate compiled, List<Clause> besides, LocalDate today) {
        return new EveryFilling(compiled, besides, today, null, null);
    }

    /**
     * Every filling of another revision of this template, or of any other. What was found of conditions and fields that are
     * still as they were is not looked for again. This one is not to be asked any more.
     *
     * @param today the day on which examples are tried
     */
    public EveryFilling next(CompiledTemplate later, LocalDate today) {
        return new EveryFilling(later, List.of(), today, given, this);
    }

    /**
     * Every filling of a template, with what was found before of it or of an earlier revision of it.
     *
     * @param before what was looked at last, which is not to be asked any more; null for nothing
     * @param besides see {@link #of(CompiledTemplate, List, LocalDate)}
     * @param today the day on which examples are tried
     */
    public static EveryFilling after(
            @Nullable EveryFilling before, CompiledTemplate compiled, List<Clause> besides, LocalDate today) {
        return before != null
                        && before.compiled == compiled
                        && before.besides.equals(besides)
                        && before.today.equals(today)
                ? before
                : new EveryFilling(compiled, besides, today, before == null ? null : before.given, before);
    }

    /** The same with another solver. */
    static EveryFilling of(CompiledTemplate compiled, LocalDate today, Supplier<Solver> solvers) {
        return new EveryFilling(compiled, List.of(), today, solvers, null);
    }

    /** The template. */
    public CompiledTemplate compiled() {
        return compiled;
    }

    /** Whether all of some claims can be so at the same time; what is said of rows is said of the same one. */
    public Decision decide(List<Claim> claims) {
        int asked = asked(claims);
        if (Boolean.TRUE.equals(shared.isImpossible(asked))) {
            return new Decision.Impossible();
        }
        Example before = shared.example(asked);
        if (before != null && areSo(claims, before)) {
            return new Decision.Possible(before);
        }
        Decision decision = search.decide(asked, example -> areSo(claims, example));
        switch (decision) {
            case Decision.Impossible ignored -> shared.setImpossible(asked, true);
            case Decision.Possible(var example) -> shared.setExample(asked, example);
            case Decision.NotDecided ignored -> {}
        }
        return decision;
    }

    private int asked(List<Claim> claims) {
        return variables.gates().and(claims.stream().map(encoding::claim).toList());
    }

    /** The names of the fields whose answers in an example are numbers as nobody gives them, though they would be taken. */
    public List<String> farNumbers(Example example) {
        List<String> names = new ArrayList<>();
        example.answers().forEach((address, typed) -> {
            Field field = compiled.symbols().field(RowNames.key(address));
            if (field != null
                    && field.kind().isNumeric()
                    && Reading.of(field.kind(), typed).value() instanceof Value.Number(var number)
                    && SizeLine.isFar(number)) {
                names.add(field.name());
            }
        });
        return names;
    }

    /**
     * Whether some claims can be so at the same time for no answers at all; faster than {@link #decide}, for no example is
     * looked for. What cannot be told counts as possible.
     */
    public boolean isImpossible(List<Claim> claims) {
        int asked = asked(claims);
        Boolean before = shared.isImpossible(asked);
        if (before != null) {
            return before;
        }
        if (samples.holds(asked)) {
            return false;
        }
        Question question = new Question(variables, solvers, asked);
        Question.Model model = question.first();
        if (model != null) {
            samples.learn(model);
        }
        if (!question.isOpen()) {
            shared.setImpossible(asked, model == null);
        }
        return model == null && !question.isOpen();
    }

    /** How many gates there are, those of earlier revisions among them. */
    int gates() {
        return variables.gates().count();
    }

    /** How often formulas were worked out to find where they turn. */
    int tried() {
        return variables.cutting().tried();
    }

    /** What all of some claims being so comes down to: the same for claims that are so for the same answers by the same rules. */
    public Object gist(List<Claim> claims) {
        return asked(claims);
    }

    /**
     * What was worked out beside, for this or an earlier revision; null where nothing was.
     *
     * @param identity all that it hangs on, by value and by {@link #gist}
     */
    public <T> @Nullable T recalled(Class<T> type, Object identity) {
        return type.cast(shared.note(List.of(type, identity)));
    }

    /** Keeps what was worked out beside for later revisions. */
    public <T> void remember(Class<T> type, Object identity, T note) {
        shared.setNote(List.of(type, identity), note);
    }

    /** The regions of a field. */
    public FieldRegions regions(String field) {
        return variables.regions(field);
    }

    /** All answers to a field, piece by piece, as far as anything tells them apart; blank first. */
    public List<AnswerPiece> pieces(Field field) {
        return new AnswerPieces(field, compiled.symbols(), variables.cutting()).all();
    }

    /**
     * Whether what a formula gives goes one way, up or down or not at all, from one end of each piece of the answers to a field
     * to the other, while all else stays; where that is not known, it counts as not so.
     *
     * @param worked the field for which it is worked out
     * @param held by the key of what else the formula names: how great its number is
     */
    public boolean goesOneWay(Field worked, String formula, String followed, Map<String, BigDecimal> held) {
        FormulaRule rule = new FormulaRule.Given(worked, formula);
        if (variables.cutting().isAlong(compiled.prepared(), rule, followed)) {
            return true;
        }
        List<Tree> trees = rule.trees();
        List<OneWay.Turn> turns = trees == null ? null : OneWay.turns(trees, followed, held);
        return turns != null && turns.isEmpty();
    }

    /** Whether all of some claims are so for some answers, by evaluating them. */
    public boolean areSo(List<Claim> claims, Example example) {
        Standing standing = compiled.standing(new Answers(example.answers()), example.context());
        return claims.stream().allMatch(claim -> Replay.isSo(claim, compiled, standing));
    }
}
