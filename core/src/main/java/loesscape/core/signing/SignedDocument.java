package loesscape.core.signing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.evaluation.State.Obstacle;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
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
    private final String first;

    private SignedDocument(CompiledTemplate compiled, String first) {
        this.compiled = compiled;
        this.first = first;
    }

    /**
     * Makes a release ready for a dispatch.
     *
     * @param first the key of the role that has what was given to nobody: the first that takes part
     */
    public static SignedDocument of(CompiledTemplate compiled, String first) {
        return new SignedDocument(compiled, first);
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
        return field.role().isEmpty() ? first : field.role();
    }

    /** How the document stands for a role in its turn: only its own fields are open. */
    public State state(String role, Answers answers, LocalDate today) {
        State state = compiled.evaluate(answers, new Context(today, Stage.FILLING, role));
        return seen(state, field -> owner(field).equals(role));
    }

    /** How the document stands for a role while it is not its turn: nothing is open. */
    public State closed(String role, Answers answers, LocalDate today) {
        return seen(compiled.evaluate(answers, new Context(today, Stage.REVIEWING, role)), field -> false);
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
        return compiled.lexicon().field(RowNames.key(address));
    }

    /** Whether a role may type there: into its own fields, and add or remove rows in which one of them stands. */
    public boolean mayAnswer(String role, String address) {
        Field field = field(address);
        return field != null
                ? owner(field).equals(role)
                : compiled.lexicon().fieldsOfRows(address).stream().anyMatch(key -> mayAnswer(role, key));
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
            boolean leansOnLater = compiled.lexicon().sources(rule.when()).stream()
                    .map(key -> compiled.lexicon().field(key))
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
                .filter(field -> field != null
                        && (field.kind() instanceof FieldKind.Signature || field.kind() instanceof FieldKind.Initials))
                .map(field -> Objects.requireNonNull(field).label())
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
        Map<String, String> visible = new HashMap<>(state.counted(answers).typed());
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
}
