package loesscape.core.analysis;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.analysis.VersionDifference.Changed;
import loesscape.core.analysis.VersionDifference.OnlyInOne;
import loesscape.core.analysis.VersionDifference.Undecided;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.Example;
import loesscape.core.analysis.proof.TwoVersions;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Role;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.wording.Display;
import loesscape.core.wording.Sentences;

/** Compares two versions of a template by what they do, for all answers that both accept. */
public final class VersionComparison {

    private final CompiledTemplate before;
    private final CompiledTemplate after;
    private final Map<String, Node> were;
    private final Map<String, Node> are;
    private final Function<String, String> keyNow;
    private final TwoVersions versions;
    private final List<Changed> changed = new ArrayList<>();
    private final List<Undecided> open = new ArrayList<>();

    private VersionComparison(MatchedVersions matched, LocalDate today) {
        this.before = CompiledTemplate.compile(matched.before());
        this.after = CompiledTemplate.compile(matched.after());
        this.keyNow = matched::key;
        this.were = nodes(matched.before());
        this.are = nodes(matched.after());
        this.versions = TwoVersions.of(before, after, today);
    }

    /**
     * What a later version does otherwise.
     *
     * @param renamed the keys that were changed in between: what it is now, by what it was
     * @param today the day on which examples are tried
     */
    public static VersionDifference of(Template earlier, Template later, Map<String, String> renamed, LocalDate today) {
        if (earlier.withoutTrials().equals(later.withoutTrials())) {
            return new VersionDifference(List.of(), List.of(), List.of(), List.of(), List.of());
        }
        return new VersionComparison(MatchedVersions.of(earlier.withoutTrials(), later.withoutTrials(), renamed), today)
                .compare();
    }

    private static Map<String, Node> nodes(Template template) {
        Map<String, Node> nodes = new LinkedHashMap<>();
        template.nodes().forEach(node -> nodes.put(node.key(), node));
        return nodes;
    }

    private VersionDifference compare() {
        are.forEach((key, node) -> {
            Node was = were.get(key);
            if (was != null) {
                logic(was, node);
            }
        });
        roles();
        decide(
                "",
                after.template().title(),
                "finishing",
                new Claim.IsHeldUp(true),
                (compiled, state) -> finishing(state));
        return new VersionDifference(
                only(are, were, after, before),
                only(were, are, before, after),
                changed,
                WrittenComparison.of(before.template(), after.template(), before.symbols(), after.symbols(), versions),
                open);
    }

    private static String finishing(State state) {
        Stream<String> refused = state.nodes().values().stream()
                .map(NodeState::problem)
                .filter(Objects::nonNull)
                .map(Objects::requireNonNull);
        String held = Stream.concat(refused, state.unmet().stream()).distinct().collect(Collectors.joining(" "));
        return held.isEmpty() ? "nothing keeps it from being finished" : "cannot be finished: " + held;
    }

    private List<OnlyInOne> only(
            Map<String, Node> of, Map<String, Node> others, CompiledTemplate one, CompiledTemplate other) {
        Map<String, Role> ours = roles(one);
        Map<String, Role> theirs = roles(other);
        return Stream.concat(
                        of.values().stream()
                                .filter(node -> !others.containsKey(node.key()))
                                .map(node -> new OnlyInOne(keyNow.apply(node.key()), node.name())),
                        ours.values().stream()
                                .filter(role -> !theirs.containsKey(role.key()))
                                .map(role -> new OnlyInOne(role.key(), role.name())))
                .toList();
    }

    private static Map<String, Role> roles(CompiledTemplate compiled) {
        Map<String, Role> roles = new LinkedHashMap<>();
        compiled.template().roles().forEach(role -> roles.put(role.key(), role));
        return roles;
    }

    private void roles() {
        Map<String, Role> earlier = roles(before);
        roles(after).forEach((key, role) -> {
            Role was = earlier.get(key);
            if (was != null) {
                decide(
                        key,
                        role.name(),
                        "takes part",
                        new Claim.TakesPart(key, true),
                        (compiled, state) ->
                                Boolean.FALSE.equals(state.takesPart().get(key)) ? "takes no part" : "takes part");
            }
        });
    }

    /** What stands otherwise for some answers. */
    private void logic(Node was, Node is) {
        String key = is.key();
        for (Aspect aspect : Aspect.values()) {
            if (aspect == Aspect.SHOWN) {
                // Where what holds it is folded in one of them, that is told of what holds it.
                take(
                        key,
                        is.name(),
                        aspect.words(),
                        versions.differ(new Claim.Shows(key, true), List.of(new Claim.Stands(key))),
                        (compiled, state) -> state(state, key, node -> aspect(aspect, node.shown())));
            } else if (aspect.fits(is) && aspect.fits(was)) {
                whileShown(
                        is,
                        aspect.words(),
                        new Claim.Is(key, aspect, true),
                        (compiled, state) -> state(state, key, node -> aspect(aspect, node.is(aspect))));
            }
        }
        looks(was, is);
        if (was instanceof Field earlier && is instanceof Field later) {
            if (!earlier.checks().isEmpty() || !later.checks().isEmpty()) {
                whileShown(
                        is,
                        "checks",
                        new Claim.Refuses(key, true),
                        (compiled, state) -> state(
                                state,
                                key,
                                node -> node.problem() == null ? "accepted" : "refused: " + node.problem()));
            }
            offers(earlier, later);
            if (later.value() instanceof FieldValue.WorkedOut && earlier.value() instanceof FieldValue.WorkedOut) {
                workedOut(later);
            }
        }
    }

    private void decide(
            String key, String name, String what, Claim claim, BiFunction<CompiledTemplate, State, String> words) {
        take(key, name, what, versions.differ(claim, List.of()), words);
    }

    /** What is otherwise of a node where it is shown in both versions; what is folded in one of them is told by that. */
    private void whileShown(Node node, String what, Claim claim, BiFunction<CompiledTemplate, State, String> words) {
        Claim shown = new Claim.Shows(node.key(), true);
        take(node.key(), node.name(), what, versions.differ(claim, List.of(shown)), words);
    }

    private void take(
            String key,
            String name,
            String what,
            Decision decision,
            BiFunction<CompiledTemplate, State, String> words) {
        switch (decision) {
            case Decision.Impossible() -> {
                // The same for all answers.
            }
            case Decision.Possible(var example) ->
                changed.add(new Changed(
                        key,
                        name,
                        what,
                        example,
                        answers(example),
                        words.apply(before, evaluated(before, example)),
                        words.apply(after, evaluated(after, example))));
            case Decision.NotDecided(var because) -> open.add(new Undecided(key, name, what, because));
        }
    }

    /** The answers of an example in words; what is blank in it is not said. */
    private String answers(Example example) {
        List<String> words = new ArrayList<>();
        example.answers().forEach((address, typed) -> {
            Field field = after.symbols().field(RowNames.key(address));
            Field known = field == null ? before.symbols().field(RowNames.key(address)) : field;
            if (known != null && !typed.isEmpty()) {
                words.add(known.name() + ": " + typed(known, typed));
            }
        });
        Role role = after.symbols().role(example.context().role());
        if (role != null) {
            words.add("seen by " + role.name());
        }
        if (example.context().stage() != Stage.FILLING) {
            words.add("at the stage " + example.context().stage().word());
        }
        return words.isEmpty() ? "nothing answered" : String.join(" · ", words);
    }

    private static String typed(Field field, String typed) {
        if (field.kind() instanceof FieldKind.Choosing) {
            return Arrays.stream(typed.split(",", -1))
                    .map(choice -> choice.startsWith(Reading.OTHER)
                            ? choice.substring(Reading.OTHER.length())
                            : Display.choice(field.kind(), choice))
                    .collect(Collectors.joining(" and "));
        }
        return Reading.of(field.kind(), typed) instanceof Reading.Read(var value)
                ? Display.of(field.kind(), value)
                : typed;
    }

    private static State evaluated(CompiledTemplate compiled, Example example) {
        return compiled.evaluate(new Answers(example.answers()), example.context());
    }

    private String state(State state, String key, Function<NodeState, String> words) {
        NodeState node = state.nodes().get(key);
        if (node == null) {
            node = state.nodes().get(RowNames.address(key, "r1"));
        }
        return node == null ? "folded" : words.apply(node);
    }

    private static String aspect(Aspect aspect, boolean is) {
        return is ? aspect.words() : aspect.otherwise();
    }

    private void looks(Node was, Node is) {
        if (!Logic.canLook(is) || !Logic.canLook(was)) {
            return;
        }
        Set<Look> looks = new LinkedHashSet<>();
        Stream.of(was, is).forEach(node -> {
            Logic.looks(node).stream().map(LookRule::look).forEach(looks::add);
            if (node instanceof Field field) {
                field.bands().stream().map(Band::look).forEach(looks::add);
            }
        });
        if (!looks.isEmpty()) {
            looks.add(Look.PLAIN);
        }
        for (Look look : looks) {
            int known = changed.size() + open.size();
            whileShown(
                    is,
                    "look",
                    new Claim.Looks(is.key(), look, true),
                    (compiled, state) -> state(
                            state, is.key(), node -> node.look() == null ? "plain" : Sentences.look(node.look())));
            if (changed.size() + open.size() > known) {
                return;
            }
        }
    }

    /** Of choices that both have, whether they are offered for the same answers. */
    private void offers(Field was, Field is) {
        if (!(was.kind() instanceof FieldKind.Choosing earlier) || !(is.kind() instanceof FieldKind.Choosing later)) {
            return;
        }
        if (earlier.offer() == null && later.offer() == null) {
            return;
        }
        Set<String> common =
                earlier.choices().stream().map(Choice::id).collect(Collectors.toCollection(LinkedHashSet::new));
        common.retainAll(later.choices().stream().map(Choice::id).toList());
        for (String choice : common) {
            String what = "offers “%s”".formatted(Display.choice(is.kind(), choice));
            whileShown(
                    is,
                    what,
                    new Claim.Offers(is.key(), choice, true),
                    (compiled, state) -> state(state, is.key(), node -> offered(node, choice)));
        }
    }

    private static String offered(NodeState node, String choice) {
        boolean isOffered = node instanceof FieldState field
                && field.shown()
                && (field.offered() == null || field.offered().contains(choice));
        return isOffered ? "offered" : "not offered";
    }

    /** What is worked out otherwise written may come to the same: it is tried with some answers. */
    private void workedOut(Field is) {
        if (versions.areWorkedOutAlike(is.key())) {
            return;
        }
        List<Claim> answered = new ArrayList<>();
        answered.add(new Claim.Shows(is.key(), true));
        sources(is).stream()
                .filter(key -> were.get(key) instanceof Field && are.get(key) instanceof Field)
                .map(key -> new Claim.Meets(
                        new Clause.Answered(key), after.symbols().rowsAround(key), true))
                .forEach(answered::add);
        Decision decision = versions.find(
                answered, (earlier, later) -> !value(earlier.state(), is).equals(value(later.state(), is)));
        take(
                is.key(),
                is.name(),
                "value",
                !(decision instanceof Decision.Possible)
                        ? new Decision.NotDecided(
                                List.of("its formula, which is written otherwise or looks at what is otherwise"))
                        : decision,
                (compiled, state) -> value(state, is));
    }

    private Set<String> sources(Field field) {
        return field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)
                ? after.symbols().sources(formula)
                : Set.of();
    }

    private String value(State state, Field field) {
        return state(
                state,
                field.key(),
                node -> node instanceof FieldState it && !it.value().isBlank()
                        ? Display.of(field.kind(), it.value())
                        : "blank");
    }
}
