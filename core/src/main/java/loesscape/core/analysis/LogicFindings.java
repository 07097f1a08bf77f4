package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.editing.Edit;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.wording.Display;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * What the logic of a template does for no answers, or for all: conditions never or always met, parts that never matter,
 * choices nobody can pick, lists without choices, edges where nothing or two things are shown. Each holds for every possible
 * set of accepted answers; of what cannot be told, nothing is found.
 */
public final class LogicFindings {

    /** How many pairs of conditions over the same fields are held against each other. */
    private static final int MOST_PAIRS = 2_000;

    private static final String CHECKS = "checks";

    private final EveryFilling every;
    private final Template template;
    private final SymbolTable symbols;
    private final Sentences sentences;
    private final Set<String> neverShown = new HashSet<>();
    private final Set<Condition> settled = new HashSet<>();
    private final List<Finding> found = new ArrayList<>();

    private LogicFindings(EveryFilling every) {
        this.every = every;
        this.template = every.compiled().template();
        this.symbols = every.compiled().symbols();
        this.sentences = new Sentences(every.compiled().prepared());
    }

    /** What was found, in document order, what belongs to no item last. */
    public static List<Finding> of(EveryFilling every) {
        LogicFindings findings = new LogicFindings(every);
        for (Node node : findings.template.nodes()) {
            findings.look(node);
        }
        findings.lookAround();
        TextFindings.references(every.compiled().prepared()).forEach(findings::reference);
        findings.found.addAll(AlternativeFindings.of(every));
        findings.found.addAll(WorkedOutFindings.of(every));
        findings.found.addAll(ObstacleFindings.of(every));
        findings.sameMeaning();
        return Acceptance.marked(every.compiled().prepared(), findings.found);
    }

    private void look(Node node) {
        String holder = every.compiled().holder(node.key());
        if (neverShown.contains(holder)) {
            // Said of what holds it.
            neverShown.add(node.key());
            return;
        }
        if (node.shown() instanceof Condition.Never) {
            // Its author put it away, and with it all that it holds.
            neverShown.add(node.key());
            return;
        }
        for (Logic.StandingCondition place : Logic.conditions(node)) {
            if (!place.what().equals(CHECKS)) {
                condition(node, place.what(), place.condition());
            }
        }
        if (node.shown() != null
                && !settled.contains(node.shown())
                && every.isImpossible(List.of(new Claim.Shows(node.key(), true)))) {
            neverShown.add(node.key());
            report(
                    node,
                    "“%s” is never shown: whenever its condition is met, “%s”, which holds it, is folded."
                            .formatted(
                                    node.name(), every.compiled().node(holder).name()));
        }
        if (node instanceof Field field && !neverShown.contains(field.key())) {
            field(field);
        }
        if (node instanceof Indicator indicator && !neverShown.contains(indicator.key())) {
            indicator(indicator);
        }
    }

    /** Choices for which an indicator shows nothing, though it does for others. Its bands leave no gap. */
    private void indicator(Indicator indicator) {
        Field followed = symbols.field(indicator.follows());
        if (followed == null || indicator.choices().isEmpty()) {
            return;
        }
        String within = symbols.rowsAround(indicator.key());
        List<String> without = new ArrayList<>();
        Example first = null;
        for (Choice choice : followed.kind().offered()) {
            if (indicator.sign(choice.id()).isPresent()) {
                continue;
            }
            Clause alone = followed.kind() instanceof FieldKind.SeveralChoices
                    ? new Clause.SetClause(
                            followed.key(), Clause.SetClause.SetTest.IS_EXACTLY, List.of(choice.id()), null)
                    : new Clause.ChoiceClause(
                            followed.key(), Clause.ChoiceClause.ChoiceTest.IS, List.of(choice.id()), null);
            Example example =
                    example(List.of(new Claim.Shows(indicator.key(), true), new Claim.Meets(alone, within, true)));
            if (example != null) {
                without.add("“%s”".formatted(choice.label()));
                first = first == null ? example : first;
            }
        }
        if (first != null) {
            found.add(new Finding(
                    FindingTopic.LOGIC,
                    indicator.key(),
                    "Where “%s” is %s, nothing is shown here; say what is, or when the whole is folded."
                            .formatted(followed.name(), String.join(" or ", without)),
                    first,
                    List.of()));
        }
    }

    /** A condition that is never met, always met where it is asked, or has a part that changes nothing. */
    private void condition(Node node, String what, Condition condition) {
        if (condition instanceof Condition.Never || condition instanceof Condition.Always) {
            return;
        }
        String within = symbols.rowsAround(node.key());
        if (every.isImpossible(List.of(new Claim.Meets(condition, within, true)))) {
            settled.add(condition);
            if (what.equals("shown")) {
                neverShown.add(node.key());
            }
            report(node, "The condition for “%s” can never be met, whatever is answered.".formatted(what));
            return;
        }
        // What is required where it is shown anyway says so twice, which is no mistake.
        Claim asked = what.equals("shown")
                ? new Claim.Stands(node.key())
                : new Claim.Meets(new Condition.Always(), within, true);
        if (every.isImpossible(List.of(asked, new Claim.Meets(condition, within, false)))) {
            settled.add(condition);
            found.add(new Finding(
                    FindingTopic.LOGIC,
                    node.key(),
                    "The condition for “%s” is met whatever is answered; it says nothing, and can go.".formatted(what),
                    null,
                    mends(node, what, "Take the condition away", whereAlwaysMet(what))));
            return;
        }
        idleParts(node, what, asked, condition);
    }

    /** The first part of a condition without which the same is met, wherever it is asked. */
    private void idleParts(Node node, String what, Claim asked, Condition condition) {
        String within = symbols.rowsAround(node.key());
        for (Parts.Without without : Parts.of(condition)) {
            if (every.isImpossible(List.of(asked, new Claim.Differ(condition, without.rest(), within)))) {
                found.add(new Finding(
                        FindingTopic.LOGIC,
                        node.key(),
                        "In the condition for “%s”, “%s” never matters: the same is met without it."
                                .formatted(what, words(without.part())),
                        null,
                        mends(node, what, "Take it out", without.rest())));
                return;
            }
        }
    }

    /** What an aspect follows whose condition always holds: nothing, or always where the plain default is never. */
    private static @Nullable Condition whereAlwaysMet(String what) {
        return what.equals(Aspect.REQUIRED.key()) ? new Condition.Always() : null;
    }

    /** The edit that sets another condition, where it is that of an aspect. */
    private static List<Mend> mends(Node node, String what, String words, @Nullable Condition condition) {
        return aspect(what)
                .map(aspect -> new Mend(words, new Edit.SetCondition(List.of(node.key()), List.of(aspect), condition)))
                .stream()
                .toList();
    }

    private static Optional<Aspect> aspect(String what) {
        return Arrays.stream(Aspect.values())
                .filter(aspect -> aspect.key().equals(what))
                .findFirst();
    }

    /** The edit after which two conditions that mean the same are one, where both are those of aspects. */
    private static List<Mend> shared(Written one, Written other) {
        Aspect oneAspect = aspect(one.what()).orElse(null);
        Aspect otherAspect = aspect(other.what()).orElse(null);
        if (oneAspect == null || otherAspect == null) {
            return List.of();
        }
        String oneKey = one.node().key();
        String otherKey = other.node().key();
        Condition condition = other.condition();
        Edit edit;
        if (oneKey.equals(otherKey)) {
            edit = new Edit.SetCondition(List.of(oneKey), List.of(otherAspect, oneAspect), condition);
        } else if (oneAspect == otherAspect) {
            edit = new Edit.SetCondition(List.of(otherKey, oneKey), List.of(oneAspect), condition);
        } else {
            edit = new Edit.Together(List.of(
                    new Edit.SetCondition(List.of(oneKey), List.of(oneAspect), condition),
                    new Edit.Extract(
                            otherKey,
                            otherAspect,
                            "%s is %s".formatted(other.node().name(), otherAspect.words()))));
        }
        return List.of(new Mend("Share one", edit));
    }

    private void field(Field field) {
        String within = symbols.rowsAround(field.key());
        Claim shown = new Claim.Shows(field.key(), true);
        if (every.isImpossible(List.of(shown))) {
            return;
        }
        Condition required = field.required();
        Condition editable = field.editable();
        if (required != null
                && editable != null
                && field.value() == null
                && !settled.contains(required)
                && every.isImpossible(List.of(
                        shown, new Claim.Meets(required, within, true), new Claim.Meets(editable, within, true)))) {
            report(field, "An answer is required only while nobody can give it: whenever it is, the field is locked.");
        }
        if (!(field.value() instanceof FieldValue.WorkedOut)) {
            for (Band band : field.bands()) {
                Claim inBand =
                        new Claim.Meets(new Clause.BandClause(field.key(), List.of(band.id()), null), within, true);
                if (every.isImpossible(List.of(shown, inBand))) {
                    report(
                            field,
                            "Nobody reaches the band “%s”: no answer that is accepted lies in it."
                                    .formatted(band.label().isEmpty() ? band.id() : band.label()));
                }
            }
        }
        Claim answered = new Claim.Meets(new Clause.Answered(field.key()), within, true);
        for (Check check : field.checks()) {
            if (every.isImpossible(List.of(answered, new Claim.Meets(check.refusedWhen(), within, true)))) {
                found.add(new Finding(
                        FindingTopic.LOGIC,
                        field.key(),
                        "The check “%s” refuses nothing.".formatted(check.message()),
                        null,
                        List.of(new Mend("Take the check away", without(field, check)))));
            } else if (every.isImpossible(List.of(answered, new Claim.Meets(check.refusedWhen(), within, false)))) {
                report(field, "The check “%s” refuses every answer.".formatted(check.message()));
            } else {
                idleParts(field, CHECKS, answered, check.refusedWhen());
            }
        }
        if (field.kind() instanceof FieldKind.Choosing kind && kind.offer() != null) {
            offer(field, kind, Objects.requireNonNull(kind.offer()), within);
        }
    }

    private static Edit without(Field field, Check check) {
        List<Check> others = new ArrayList<>(field.checks());
        others.remove(check);
        return new Edit.SetChecks(field.key(), others);
    }

    private void offer(Field field, FieldKind.Choosing kind, Offer offer, @Nullable String within) {
        kind.choices().stream()
                .filter(choice -> every.isImpossible(List.of(new Claim.Offers(field.key(), choice.id(), true))))
                .forEach(choice ->
                        report(field, "Nobody can choose “%s”: it is never offered.".formatted(choice.label())));
        Field parent = Objects.requireNonNull(symbols.field(offer.parent()), offer.parent());
        for (String answer : symbols.choices(parent)) {
            if (kind.other()
                    || !offer.perAnswer().getOrDefault(answer, List.of()).isEmpty()) {
                continue;
            }
            Claim given = new Claim.Meets(
                    new Clause.ChoiceClause(parent.key(), Clause.ChoiceClause.ChoiceTest.IS, List.of(answer), null),
                    within,
                    true);
            Claim shown = new Claim.Shows(field.key(), true);
            Example example = example(List.of(shown, given));
            Example asked = field.required() == null
                    ? null
                    : example(List.of(
                            shown, given, new Claim.Meets(Objects.requireNonNull(field.required()), within, true)));
            if (example != null) {
                found.add(new Finding(
                        FindingTopic.LOGIC,
                        field.key(),
                        "There is nothing to choose from where “%s” is %s%s."
                                .formatted(
                                        parent.name(),
                                        Display.choice(parent.kind(), answer),
                                        asked == null
                                                ? ""
                                                : ", although an answer is required there; it is not asked for then"),
                        asked == null ? example : asked,
                        List.of()));
            }
        }
    }

    private @Nullable Example example(List<Claim> claims) {
        return every.decide(claims) instanceof Decision.Possible(var example) ? example : null;
    }

    private void lookAround() {
        for (SharedCondition shared : template.conditions()) {
            String within = symbols.rowsOf(shared);
            if (every.isImpossible(List.of(new Claim.Meets(shared.condition(), within, true)))) {
                document(
                        FindingTopic.LOGIC,
                        "The shared condition “%s” can never be met, whatever is answered.".formatted(shared.name()));
            }
        }
        for (Role role : template.roles()) {
            if (role.takesPart() != null
                    && every.isImpossible(List.of(new Claim.Meets(role.takesPart(), null, true)))) {
                document(
                        FindingTopic.SIGNING,
                        "“%s” can never take part, whatever is answered, so what it signs is never reached."
                                .formatted(role.name()));
            }
        }
        for (FinishRule rule : template.finish()) {
            if (every.isImpossible(List.of(new Claim.Meets(rule.when(), null, true)))) {
                document(
                        FindingTopic.FINISHING,
                        "The document can never be finished, whatever is answered: “%s”".formatted(rule.message()));
            }
        }
    }

    /** A text tells the number of something that may be left out while the text is there. */
    private void reference(TextFindings.Reference reference) {
        String within = symbols.rowsAround(reference.notice().key());
        List<Claim> claims = new ArrayList<>();
        claims.add(new Claim.Shows(reference.notice().key(), true));
        reference.around().forEach(condition -> claims.add(new Claim.Meets(condition, within, true)));
        claims.add(new Claim.Shows(reference.target().key(), false));
        Example example = every.isImpossible(claims) ? null : example(claims);
        if (example != null) {
            found.add(new Finding(
                    FindingTopic.TEXTS,
                    reference.notice().key(),
                    "The text refers to “%s”, which may be left out while the text is there; then a dash stands in the place of its number."
                            .formatted(reference.target().name()),
                    example,
                    List.of()));
        }
    }

    /** A condition that is written in a node. */
    private record Written(Node node, String what, Condition condition) {}

    /** Conditions over the same fields that are met by the same answers, and are not written alike. */
    private void sameMeaning() {
        Map<Set<String>, List<Written>> bySources = new LinkedHashMap<>();
        Map<Condition, Written> first = new HashMap<>();
        for (Node node : template.nodes()) {
            if (neverShown.contains(node.key()) || symbols.rowsAround(node.key()) != null) {
                continue;
            }
            for (Logic.StandingCondition place : Logic.conditions(node)) {
                Written written = new Written(node, place.what(), place.condition());
                if (place.condition() instanceof Condition.Group
                        && !settled.contains(place.condition())
                        && first.putIfAbsent(place.condition(), written) == null) {
                    bySources
                            .computeIfAbsent(symbols.sources(place.condition()), ignored -> new ArrayList<>())
                            .add(written);
                }
            }
        }
        int pairs = 0;
        for (List<Written> alike : bySources.values()) {
            for (int i = 1; i < alike.size() && pairs < MOST_PAIRS; i++) {
                Written one = alike.get(i);
                for (int j = 0; j < i && pairs < MOST_PAIRS; j++) {
                    pairs++;
                    Written other = alike.get(j);
                    if (every.isImpossible(List.of(new Claim.Differ(one.condition(), other.condition(), null)))) {
                        found.add(new Finding(
                                FindingTopic.LOGIC,
                                one.node().key(),
                                "The condition for “%s” is met by the same answers as that for “%s” of “%s”, written otherwise; share one, so that both are changed at once."
                                        .formatted(
                                                one.what(),
                                                other.what(),
                                                other.node().name()),
                                null,
                                shared(one, other)));
                        break;
                    }
                }
            }
        }
    }

    private String words(Condition condition) {
        StringBuilder words = new StringBuilder();
        for (Part part : sentences.of(condition)) {
            words.append(part.text());
        }
        return words.toString();
    }

    private void report(Node node, String message) {
        found.add(new Finding(FindingTopic.LOGIC, node.key(), message));
    }

    private void document(FindingTopic topic, String message) {
        found.add(new Finding(topic, "", message));
    }
}
