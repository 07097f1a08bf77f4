package loesscape.core.signing;

import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Settled;
import loesscape.core.evaluation.Standing;
import loesscape.core.evaluation.State;
import loesscape.core.evaluation.State.Obstacle;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Aspect;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.signing.Party.Turn;
import org.jspecify.annotations.Nullable;

/**
 * A released template as its signers go through it. A field that was given to nobody is the first role's: whoever signs
 * later could otherwise change what others have signed.
 */
public final class SignedDocument {

    private final CompiledTemplate compiled;
    private final Function<Field, String> owners;
    private final List<Snapshot> ended;
    private final Settled settled;

    private SignedDocument(CompiledTemplate compiled, Function<Field, String> owners, List<Snapshot> ended) {
        this.compiled = compiled;
        this.owners = owners;
        this.ended = ended;
        Set<String> shown = new TreeSet<>();
        for (Snapshot snapshot : ended) {
            shown.addAll(snapshot.answers().keySet());
            shown.addAll(snapshot.shown());
        }
        this.settled = new Settled(List.copyOf(shown), Map.of());
    }

    /**
     * Makes a release ready for a dispatch of which no turn has ended.
     *
     * @param first the key of the role that has what was given to nobody: the first that takes part
     */
    public static SignedDocument of(CompiledTemplate compiled, String first) {
        return of(compiled, first, List.of());
    }

    /**
     * Makes a release ready for a dispatch.
     *
     * @param ended what was given in the turns that have ended, in their order
     */
    public static SignedDocument of(CompiledTemplate compiled, String first, List<Snapshot> ended) {
        return new SignedDocument(compiled, field -> field.role().isEmpty() ? first : field.role(), ended);
    }

    /** Makes a release ready for one who fills in all of it, as nobody in particular. */
    public static SignedDocument ofOne(CompiledTemplate compiled) {
        return new SignedDocument(compiled, field -> "", List.of());
    }

    /** The same document after one more turn has ended. */
    public SignedDocument after(Snapshot snapshot) {
        List<Snapshot> longer = new ArrayList<>(ended);
        longer.add(snapshot);
        return new SignedDocument(compiled, owners, longer);
    }

    /** The template that was released. */
    public Template template() {
        return compiled.template();
    }

    /** The template that was released, ready to be evaluated. */
    public CompiledTemplate compiled() {
        return compiled;
    }

    /** Whose field it is. */
    public String owner(Field field) {
        return owners.apply(field);
    }

    /** The answers as they count in this document: of those whose turn has ended, what they gave then and nothing else. */
    public Answers counting(Answers answers) {
        if (ended.isEmpty()) {
            return answers;
        }
        Set<String> through = ended.stream().map(Snapshot::role).collect(Collectors.toSet());
        Map<String, String> counting = new HashMap<>(answers.typed());
        counting.keySet().removeIf(address -> {
            Field field = field(address);
            return field != null && through.contains(owner(field));
        });
        ended.forEach(snapshot -> counting.putAll(snapshot.answers()));
        return new Answers(counting);
    }

    private State evaluate(Answers answers, Context context) {
        return compiled.evaluate(counting(answers), context, settled);
    }

    /** The document as reasons look at it for a role that is to act. */
    public Standing standing(String role, Answers answers, LocalDate today) {
        return compiled.standing(counting(answers), new Context(today, Stage.FILLING, role), settled);
    }

    /** How the document stands for a role in its turn: only its own fields are open. */
    public State state(String role, Answers answers, LocalDate today) {
        State state = evaluate(answers, new Context(today, Stage.FILLING, role));
        return seen(state, field -> owner(field).equals(role));
    }

    /** The same, for a role that goes on answering. */
    public Answering answering(String role, Answers answers, LocalDate today) {
        return new Answering(
                compiled.session(counting(answers), new Context(today, Stage.FILLING, role), settled),
                state -> seen(state, field -> owner(field).equals(role)));
    }

    /** How the document stands for a role while it is not its turn: nothing is open. */
    public State closed(String role, Answers answers, LocalDate today) {
        return seen(evaluate(answers, new Context(today, Stage.REVIEWING, role)), field -> false);
    }

    private State seen(State state, Predicate<Field> isOpen) {
        Map<String, NodeState> nodes = new LinkedHashMap<>();
        state.nodes().forEach((address, node) -> {
            Field field = field(address);
            nodes.put(
                    address,
                    node instanceof FieldState it && field != null && !isOpen.test(field) ? it.locked() : node);
        });
        return new State(nodes, state.takesPart(), state.unmet());
    }

    private @Nullable Field field(String address) {
        return compiled.symbols().field(RowNames.key(address));
    }

    /** Whether a role may type there: into its own fields, and add or remove rows in which one of them stands. */
    public boolean mayAnswer(String role, String address) {
        Field field = field(address);
        return field != null
                ? owner(field).equals(role)
                : compiled.symbols().fieldsOfRows(address).stream().anyMatch(key -> mayAnswer(role, key));
    }

    /**
     * What keeps a role from finishing its turn: what is missing or wrong in its own fields, and those conditions for
     * finishing that lean on no answer of somebody whose turn is still to come.
     */
    public List<Obstacle> obstacles(Dispatch dispatch, String role, State state) {
        Set<String> later = new HashSet<>();
        for (Party party : dispatch.parties()) {
            if (party.turn() == Turn.WAITING
                    || (party.turn() == Turn.ACTING && !party.role().equals(role))) {
                later.add(party.role());
            }
        }
        Set<String> mendable = new HashSet<>();
        for (FinishRule rule : template().finish()) {
            boolean leansOnLater = compiled.symbols().sources(rule.when()).stream()
                    .map(key -> compiled.symbols().field(key))
                    .anyMatch(field -> field != null && later.contains(owner(field)));
            if (!leansOnLater) {
                mendable.add(rule.message());
            }
        }
        return state.obstacles().stream()
                .filter(obstacle -> obstacle.key().isEmpty()
                        ? mendable.contains(obstacle.message())
                        : mayAnswer(role, obstacle.key()))
                .toList();
    }

    /** The addresses of a role's own answers that count, in document order. */
    public List<String> given(String role, State state) {
        List<String> given = new ArrayList<>();
        state.nodes().forEach((address, node) -> {
            Field field = field(address);
            if (field != null
                    && node instanceof FieldState it
                    && it.shown()
                    && !it.value().isBlank()
                    && owner(field).equals(role)) {
                given.add(address);
            }
        });
        return given;
    }

    /** The labels of what a role has signed. */
    public List<String> signatures(String role, State state) {
        return given(role, state).stream()
                .map(this::field)
                .filter(field -> field != null && field.kind().isSigned())
                .map(field -> Objects.requireNonNull(field).label())
                .toList();
    }

    /** The addresses at which a role has signed, also where that is folded now. */
    public List<String> signedAt(String role, Answers answers) {
        return answers.typed().entrySet().stream()
                .filter(answer -> !answer.getValue().isBlank())
                .map(Map.Entry::getKey)
                .filter(address -> {
                    Field field = field(address);
                    return field != null
                            && field.kind().isSigned()
                            && owner(field).equals(role);
                })
                .sorted()
                .toList();
    }

    /**
     * What happens when an answer becomes another: a signature is made or taken back; nothing where it is no signature, or
     * stays as it was.
     *
     * @param digest makes SHA-256, in hexadecimal, of a signature as it was given
     */
    public List<Event> answered(
            String role, String address, String before, String typed, UnaryOperator<String> digest) {
        Field field = field(address);
        if (field == null || !field.kind().isSigned() || before.equals(typed)) {
            return List.of();
        }
        return List.of(
                typed.isBlank()
                        ? new Event.SignatureTakenBack(role, address, field.label(), "")
                        : new Event.SignatureMade(role, address, field.label(), digest.apply(typed)));
    }

    /** What happens to the signatures of a role whose turn passes to somebody else. */
    public List<Event> passedOn(String role, Answers answers) {
        return signedAt(role, answers).stream()
                .<Event>map(address -> new Event.SignatureTakenBack(
                        role,
                        address,
                        Objects.requireNonNull(field(address)).label(),
                        "the turn passed to somebody else"))
                .toList();
    }

    /** The addresses at which the day of signing is to be put when a role finishes its turn. */
    public List<String> signingDays(String role, State state) {
        List<String> days = new ArrayList<>();
        state.nodes().forEach((address, node) -> {
            Field field = field(address);
            if (field != null
                    && field.kind() instanceof FieldKind.DateSigned
                    && node.shown()
                    && owner(field).equals(role)) {
                days.add(address);
            }
        });
        return days;
    }

    /** The answers that a role may see: those that count, and its own that do not count now. */
    public Answers visible(String role, Answers answers, State state) {
        Map<String, String> visible =
                new HashMap<>(state.counted(counting(answers)).typed());
        answers.typed().forEach((address, typed) -> {
            if (mayAnswer(role, address)) {
                visible.put(address, typed);
            }
        });
        return new Answers(visible);
    }

    /** Whether a section, or one in it, has a field of a role. */
    private boolean concerns(String role, Section section) {
        return section.items().stream()
                .anyMatch(item -> item instanceof Section inner ? concerns(role, inner) : mayAnswer(role, item.key()));
    }

    /** The keys of the sections in which a role has something to answer or to sign, as things stand. */
    public Set<String> sections(String role, State state) {
        Set<String> sections = new HashSet<>();
        for (Section section : template().pages().stream()
                .flatMap(page -> page.sections().stream())
                .toList()) {
            boolean concerns = state.nodes().get(section.key()) instanceof SectionState it
                    && it.shown()
                    && concerns(role, section);
            if (concerns) {
                sections.add(section.key());
            }
        }
        return sections;
    }

    /**
     * What a role gives with the end of its turn.
     *
     * @param state how the document stands for the role with these answers
     */
    public Snapshot snapshot(String role, Answers answers, State state, LocalDate today) {
        Map<String, String> given = new TreeMap<>();
        state.nodes().forEach((address, node) -> {
            Field field = field(address);
            if (field != null
                    && node instanceof FieldState it
                    && it.shown()
                    && !it.value().isBlank()) {
                boolean isWorkedOut = field.value() instanceof FieldValue.WorkedOut && !it.overtyped();
                if (isWorkedOut ? isDecided(field, role) : owner(field).equals(role)) {
                    given.put(address, text(answers, address, it, isWorkedOut));
                }
            }
        });
        State finished = evaluate(answers, new Context(today, Stage.FINISHED, role));
        return new Snapshot(
                Snapshot.FORMAT, role, today, given, List.copyOf(around(given.keySet(), state, finished)), Map.of());
    }

    private static String text(Answers answers, String address, FieldState state, boolean isWorkedOut) {
        String typed = isWorkedOut ? null : answers.touched(address);
        return typed == null ? TypedText.of(state.value()) : typed;
    }

    /** Whether nobody whose turn is still to come can change a worked-out value, once a role's turn has ended. */
    private boolean isDecided(Field workedOut, String role) {
        Set<String> through = ended.stream().map(Snapshot::role).collect(Collectors.toSet());
        through.add(role);
        Set<String> seen = new HashSet<>();
        Deque<Field> open = new ArrayDeque<>(List.of(workedOut));
        while (!open.isEmpty()) {
            Field field = open.removeFirst();
            if (!through.contains(owner(field))) {
                return false;
            }
            if (field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
                for (String key : compiled.symbols().sources(formula)) {
                    Field source = field(key);
                    if (seen.add(key)) {
                        if (source != null) {
                            open.add(source);
                        }
                        compiled.symbols().fieldsOfRows(key).stream()
                                .map(this::field)
                                .filter(Objects::nonNull)
                                .forEach(open::add);
                    }
                }
            }
        }
        return true;
    }

    /**
     * What holds some fields, and what stood beside them as a role saw it: notices, pictures and indicators, but for those
     * that are not for finished documents.
     */
    private Set<String> around(Set<String> addresses, State state, State finished) {
        Set<String> around = new TreeSet<>();
        for (String address : addresses) {
            String row = RowNames.row(address);
            for (String holder = compiled.holder(RowNames.key(address));
                    !holder.isEmpty();
                    holder = compiled.holder(holder)) {
                String inRow = RowNames.address(holder, row);
                around.add(!row.isEmpty() && state.nodes().containsKey(inRow) ? inRow : holder);
                around.add(holder);
            }
        }
        Set<String> beside = new TreeSet<>();
        state.nodes().forEach((address, node) -> {
            String row = RowNames.row(address);
            String holder = compiled.holder(RowNames.key(address));
            boolean isHeld = around.contains(row.isEmpty() ? holder : RowNames.address(holder, row));
            boolean isItem = !(node instanceof FieldState) && !(node instanceof SectionState);
            if (isHeld && isItem && node.shown() && finished.of(address).shown()) {
                beside.add(address);
            }
        });
        around.retainAll(state.nodes().keySet());
        around.addAll(beside);
        return around;
    }

    /** The document that all have finished: what each gave counts as it stood when the turn ended. */
    public FinishedDocument finish(Answers answers, LocalDate today) {
        Answers counting = counting(answers);
        State state = compiled.evaluate(counting, new Context(today, Stage.FINISHED, ""), settled);
        return new FinishedDocument(state.counted(counting), new Settled(settled.shown(), notes(counting)));
    }

    /** What was answered while it was asked, and would not be asked now that others have answered. */
    private Map<String, String> notes(Answers answers) {
        Map<String, String> notes = new HashMap<>();
        for (int turn = 0; turn < ended.size(); turn++) {
            Snapshot snapshot = ended.get(turn);
            Set<String> later = ended.subList(turn + 1, ended.size()).stream()
                    .map(Snapshot::role)
                    .collect(Collectors.toSet());
            State now = compiled.evaluate(answers, new Context(snapshot.day(), Stage.FILLING, snapshot.role()));
            for (String address : snapshot.answers().keySet()) {
                NodeState stands = now.nodes().get(address);
                if (!later.isEmpty() && (stands == null || !stands.shown())) {
                    notes.put(address, note(address, later));
                }
            }
        }
        return notes;
    }

    private String note(String address, Set<String> later) {
        Set<String> labels = new LinkedHashSet<>();
        for (String key = RowNames.key(address); !key.isEmpty(); key = compiled.holder(key)) {
            for (String source : compiled.symbols().sources(Aspect.SHOWN.of(compiled.node(key)))) {
                Field field = field(source);
                if (field != null && later.contains(owner(field))) {
                    labels.add("“%s”".formatted(field.name()));
                }
            }
        }
        return "Answered before %s was answered."
                .formatted(labels.isEmpty() ? "the rest" : String.join(" and ", labels));
    }

    /**
     * Refuses other rows of a section where a row that somebody else answered in would be gone or stand elsewhere: these
     * keep their places, and one's own come behind them.
     *
     * @param section the address that is answered; nothing is refused where it is not that of rows
     * @param typed the names of the rows in their new order
     * @param state how the document stands for the role with the answers so far
     * @throws NotNow where one of them is gone or elsewhere
     */
    public void checkRows(String role, String section, String typed, Answers answers, State state) {
        NodeState stands = state.nodes().get(section);
        if (!(stands instanceof SectionState it) || it.rows() == null) {
            return;
        }
        List<String> rows = RowNames.read(typed);
        List<String> before = it.rows();
        int fixed = 0;
        for (int i = 0; i < before.size(); i++) {
            String row = before.get(i);
            boolean isOthers = compiled.symbols().fieldsOfRows(section).stream()
                    .filter(key -> !mayAnswer(role, key))
                    .anyMatch(key ->
                            !counting(answers).of(RowNames.address(key, row)).isBlank());
            fixed = isOthers ? i + 1 : fixed;
        }
        if (rows.size() < fixed || !rows.subList(0, fixed).equals(before.subList(0, fixed))) {
            throw new NotNow(
                    "Somebody else has answered in a row that would be gone or stand elsewhere; rows like that keep their places.");
        }
    }
}
