package loesscape.core.analysis;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Logic;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.core.wording.Limits;
import org.jspecify.annotations.Nullable;

/**
 * What formulas give, tried with the answers at which something changes: nothing, although all that is asked for is answered, or
 * something that their field does not take. A formula is not reasoned about, so that not everything of this kind is found; what
 * is found was evaluated. Of a formula in rows one row is looked at, which stands for any; formulas of rows are not tried.
 */
final class WorkedOutFindings {

    /** How many sets of answers are tried for one formula, and for all of a template. */
    private static final int MOST_EACH = 160;

    private static final int MOST = 3_000;

    /** What is said of a formula that says itself that it gives nothing. */
    private static final String AS_WRITTEN = "It gives nothing, as is written there.";

    /** The row that stands for any. */
    private static final String ROW = "r1";

    private static final BigDecimal LARGE = BigDecimal.valueOf(1_000_000);

    private final EveryFilling every;
    private final SymbolTable symbols;
    private final List<Finding> found = new ArrayList<>();
    private int tried;

    private WorkedOutFindings(EveryFilling every) {
        this.every = every;
        this.symbols = every.compiled().symbols();
    }

    static List<Finding> of(EveryFilling every) {
        WorkedOutFindings findings = new WorkedOutFindings(every);
        for (Field field : every.compiled().template().fields()) {
            if (field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
                findings.look(field, formula);
            }
        }
        return findings.found;
    }

    private void look(Field field, String formula) {
        String within = symbols.rowsAround(field.key());
        List<Field> sources = sources(formula, within);
        if (sources.isEmpty() || !isAlone(sources, within)) {
            return;
        }
        Object identity = identity(field, sources);
        Known known = every.recalled(Known.class, identity);
        // What is told again was tried again.
        if (known == null || !known.findings().stream().allMatch(finding -> isStillSo(field, finding))) {
            int before = found.size();
            left(field, formula, sources);
            given(field, formula, sources);
            if (tried <= MOST) {
                every.remember(Known.class, identity, new Known(List.copyOf(found.subList(before, found.size()))));
            }
        } else {
            found.addAll(known.findings());
        }
    }

    /** Whether nothing comes of the example still, or something that the field does not take. */
    private boolean isStillSo(Field field, Finding finding) {
        Example example = finding.example();
        return example != null
                && standing(example).state().of(address(field)) instanceof FieldState state
                && state.shown()
                && (state.value().isBlank() || !Reading.isAccepted(field.kind(), state.value()));
    }

    /** What was found of a formula. */
    private record Known(List<Finding> findings) {}

    /**
     * All that it hangs on what is found of a formula: the fields it is worked out of, and when these are asked and count. Whether
     * something worked out counts hangs on the shared conditions in it too.
     */
    private Object identity(Field field, List<Field> sources) {
        Set<Field> all = new LinkedHashSet<>(List.of(field));
        List<Field> open = new ArrayList<>(sources);
        while (!open.isEmpty()) {
            Field next = open.removeFirst();
            if (all.add(next) && next.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
                open.addAll(sources(formula, symbols.rowsAround(next.key())));
            }
        }
        List<Object> identity = new ArrayList<>(List.of(symbols.language()));
        for (Field each : all) {
            identity.add(each);
            identity.add(
                    each.kind() instanceof FieldKind.Lookup it ? Objects.requireNonNull(symbols.list(it.list())) : "");
            identity.add(every.pieces(each));
            List<Claim> claims = new ArrayList<>(List.of(
                    new Claim.Shows(each.key(), true),
                    new Claim.InTurn(each.key()),
                    meets(each, new Clause.Answered(each.key()), true)));
            Logic.conditions(each).forEach(place -> claims.add(meets(each, place.condition(), true)));
            claims.forEach(claim -> identity.add(every.gist(List.of(claim))));
        }
        return identity;
    }

    /**
     * The fields that a formula names; none where it names rows, or something that is in others.
     *
     * @param within the repeating section in which it stands; null for none
     */
    private List<Field> sources(String formula, @Nullable String within) {
        List<Field> sources = new ArrayList<>();
        for (String key : symbols.sources(formula)) {
            Field source = symbols.field(key);
            String rows = symbols.rowsAround(key);
            if (source == null || (rows != null && !rows.equals(within))) {
                return List.of();
            }
            sources.add(source);
        }
        return sources;
    }

    /** Whether all that is typed for a formula is typed outside of rows, or in its own. */
    private boolean isAlone(List<Field> sources, @Nullable String within) {
        return sources.stream()
                .allMatch(source -> !(source.value() instanceof FieldValue.WorkedOut(var formula, var ignored))
                        || !sources(formula, within).isEmpty());
    }

    private String address(Field field) {
        return symbols.rowsAround(field.key()) == null ? field.key() : RowNames.address(field.key(), ROW);
    }

    private Claim meets(Field field, Condition condition, boolean is) {
        return new Claim.Meets(condition, symbols.rowsAround(field.key()), is);
    }

    /** An answer that nobody asks for, without which nothing is worked out, although the others are there. */
    private void left(Field field, String formula, List<Field> sources) {
        List<String> names = new ArrayList<>();
        Example first = null;
        for (Field source : sources) {
            if (sources.size() < 2 || !source.isTyped()) {
                // That nothing comes of nothing is no surprise.
                continue;
            }
            List<Claim> claims = new ArrayList<>();
            claims.add(new Claim.Shows(field.key(), true));
            claims.add(new Claim.InTurn(source.key()));
            claims.add(meets(source, new Clause.IsBlank(source.key()), true));
            if (source.required() != null) {
                // Where it is asked for and cannot be given, what it hangs on is missed there and not here.
                claims.add(meets(source, source.required(), false));
            }
            int asked = claims.size();
            answered(sources.stream().filter(other -> !other.equals(source)).toList(), claims);
            if (claims.size() > asked
                    && every.decide(claims) instanceof Decision.Possible(var example)
                    && isLeft(field, formula, source, example)) {
                names.add("“%s”".formatted(source.name()));
                first = first == null ? example : first;
            }
        }
        if (first != null) {
            found.add(new Finding(
                    FindingTopic.VALUES,
                    field.key(),
                    "Nothing is worked out while %s is blank, and nobody need answer there; require it, or say in the formula what comes of a blank."
                            .formatted(String.join(" or ", names)),
                    first,
                    List.of()));
        }
    }

    /** Asks for answers as far as they can all be given. */
    private void answered(List<Field> sources, List<Claim> claims) {
        for (Field source : sources) {
            claims.add(meets(source, new Clause.Answered(source.key()), true));
            if (every.isImpossible(claims)) {
                claims.removeLast();
            }
        }
    }

    /** Whether it is this answer that nothing is worked out for want of. */
    private boolean isLeft(Field field, String formula, Field source, Example example) {
        Standing standing = standing(example);
        if (!counting(field, standing).isBlank()) {
            return false;
        }
        if (Objects.equals(
                standing.blankPart(formula, symbols.rowsAround(field.key()), row(field)),
                "“%s” is blank.".formatted(source.key()))) {
            return true;
        }
        // With an answer there, something would come of the same, and without it nothing does of other answers either.
        return comesOf(field, source, example)
                && typed(sources(formula, symbols.rowsAround(field.key()))).stream()
                        .noneMatch(other -> !other.equals(source) && comesOf(field, other, example));
    }

    /** Whether something is worked out for an example with another answer to one of its fields. */
    private boolean comesOf(Field field, Field changed, Example example) {
        Session session = session(example);
        return candidates(changed).stream().anyMatch(typed -> {
            session.answer(address(changed), typed);
            return session.stateOf(address(field)) instanceof FieldState state
                    && !state.value().isBlank();
        });
    }

    /** What comes of answers at which something changes, all of them given. */
    private void given(Field field, String formula, List<Field> sources) {
        List<Claim> claims = new ArrayList<>();
        claims.add(new Claim.Shows(field.key(), true));
        answered(sources, claims);
        if (!(every.decide(claims) instanceof Decision.Possible(var base))) {
            return;
        }
        boolean isBlankTold = false;
        boolean isBeyondTold = false;
        List<Field> typed = typed(sources);
        Session session = session(base);
        Example last = base;
        for (Example example : varied(base, typed)) {
            if (tried++ > MOST || (isBlankTold && isBeyondTold)) {
                return;
            }
            answer(session, typed, last, example);
            last = example;
            if (!(session.stateOf(address(field)) instanceof FieldState state) || !state.shown() || state.overtyped()) {
                continue;
            }
            if (state.value().isBlank()) {
                if (isBlankTold || !areAnswered(sources, session)) {
                    continue;
                }
                String because = standing(example).blankPart(formula, symbols.rowsAround(field.key()), row(field));
                if (!AS_WRITTEN.equals(because)) {
                    isBlankTold = true;
                    found.add(new Finding(
                            FindingTopic.VALUES,
                            field.key(),
                            "For some answers nothing is worked out, although all that it is worked out of is answered. %s"
                                    .formatted(because == null ? "The field does not take what it gives." : because),
                            example,
                            List.of()));
                }
            } else if (!isBeyondTold && !Reading.isAccepted(field.kind(), state.value())) {
                isBeyondTold = true;
                found.add(new Finding(
                        FindingTopic.VALUES,
                        field.key(),
                        "For some answers %s is worked out, which this field does not take (%s), so that the document cannot be finished."
                                .formatted(Display.of(field.kind(), state.value()), Limits.words(field.kind())),
                        example,
                        List.of()));
            }
        }
    }

    private Session session(Example example) {
        return every.compiled().session(new Answers(example.answers()), example.context());
    }

    /** Gives the answers of an example that are others than those of the one before. */
    private void answer(Session session, List<Field> fields, Example before, Example example) {
        for (Field field : fields) {
            String typed = example.answers().get(address(field));
            if (!Objects.equals(before.answers().get(address(field)), typed)) {
                session.answer(address(field), typed);
            }
        }
    }

    private boolean areAnswered(List<Field> sources, Session session) {
        return sources.stream()
                .allMatch(source -> session.stateOf(address(source)) instanceof FieldState state
                        && state.problem() == null
                        && !state.value().isBlank());
    }

    private Standing standing(Example example) {
        return every.compiled().standing(new Answers(example.answers()), example.context());
    }

    private String row(Field field) {
        return symbols.rowsAround(field.key()) == null ? "" : ROW;
    }

    private Value counting(Field field, Standing standing) {
        return standing.counting(field.key(), row(field));
    }

    private Example with(Example example, Field field, String typed) {
        Map<String, String> answers = new TreeMap<>(example.answers());
        answers.put(address(field), typed);
        return new Example(answers, example.context());
    }

    /** The fields that are typed of which some are worked out, through others that are. */
    private List<Field> typed(List<Field> sources) {
        Map<String, Field> typed = new LinkedHashMap<>();
        Set<String> seen = new LinkedHashSet<>();
        List<Field> open = new ArrayList<>(sources);
        while (!open.isEmpty()) {
            Field next = open.removeFirst();
            if (!seen.add(next.key())) {
                continue;
            }
            if (next.isTyped()) {
                typed.put(next.key(), next);
            }
            if (next.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
                open.addAll(sources(formula, symbols.rowsAround(next.key())));
            }
        }
        return List.copyOf(typed.values());
    }

    /** The example with other answers in some of its fields: in all ways where these are few, else one and all at a time. */
    private List<Example> varied(Example base, List<Field> fields) {
        List<List<String>> candidates = fields.stream().map(this::candidates).toList();
        long ways = 1;
        for (List<String> each : candidates) {
            ways = Math.min(MOST_EACH + 1L, ways * Math.max(1, each.size()));
        }
        List<Example> all = new ArrayList<>(List.of(base));
        if (ways <= MOST_EACH) {
            for (int i = 0; i < fields.size(); i++) {
                List<Example> more = new ArrayList<>();
                for (Example example : all) {
                    for (String typed : candidates.get(i)) {
                        more.add(with(example, fields.get(i), typed));
                    }
                }
                all = more.isEmpty() ? all : more;
            }
            return all;
        }
        for (int i = 0; i < fields.size(); i++) {
            for (String typed : candidates.get(i)) {
                all.add(with(base, fields.get(i), typed));
            }
        }
        for (boolean isLast : new boolean[] {false, true}) {
            Example corner = base;
            for (int i = 0; i < fields.size(); i++) {
                List<String> each = candidates.get(i);
                if (!each.isEmpty()) {
                    corner = with(corner, fields.get(i), isLast ? each.getLast() : each.getFirst());
                }
            }
            all.add(corner);
        }
        return all.subList(0, Math.min(all.size(), MOST_EACH));
    }

    /** Answers to a field at which something changes, the lowest first where they have an order. */
    private List<String> candidates(Field field) {
        Set<String> typed = new LinkedHashSet<>();
        for (AnswerPiece piece : every.pieces(field)) {
            if (piece.isAnswered()) {
                typed.addAll(piece.others());
                typed.add(piece.typed());
            }
        }
        if (!field.kind().isNumeric()) {
            return List.copyOf(typed);
        }
        for (BigDecimal far : List.of(BigDecimal.ZERO, LARGE, LARGE.negate())) {
            if (isTaken(field.kind(), far)) {
                typed.add(far.toPlainString());
            }
        }
        return typed.stream()
                .map(BigDecimal::new)
                .distinct()
                .sorted()
                .map(BigDecimal::toPlainString)
                .toList();
    }

    private static boolean isTaken(FieldKind kind, BigDecimal number) {
        return Reading.isAccepted(kind, new Value.Number(number));
    }
}
