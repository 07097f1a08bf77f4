package loesscape.core.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.prose.Prose;
import org.jspecify.annotations.Nullable;

/** Everything in a node that looks at something else: conditions, formulas, what is followed or merged in. */
public final class Logic {

    private Logic() {}

    /**
     * A condition in a node.
     *
     * @param path where, behind the path of the node
     * @param what the thing it drives, in words
     * @param condition itself
     */
    public record StandingCondition(String path, String what, Condition condition) {}

    /**
     * Something of a node that looks at answers.
     *
     * @param what the thing that is driven, in words
     * @param path where, behind the path of the node
     * @param decides whether the counting value of the node rests on it, so that it has to be known before
     * @param sources the keys of the fields and repeating sections it looks at
     */
    public record Use(String what, String path, boolean decides, Set<String> sources) {}

    /** The conditions of a node, in the order of its file. */
    public static List<StandingCondition> conditions(Node node) {
        List<StandingCondition> places = new ArrayList<>();
        for (Aspect aspect : Aspect.values()) {
            Condition condition = aspect.of(node);
            if (condition != null) {
                String name = aspect.key();
                places.add(new StandingCondition("/" + name, name, condition));
            }
        }
        List<LookRule> looks = looks(node);
        for (int i = 0; i < looks.size(); i++) {
            places.add(new StandingCondition(
                    "/looks/" + i + "/when", "look", looks.get(i).when()));
        }
        if (node instanceof Field field) {
            for (int i = 0; i < field.checks().size(); i++) {
                places.add(new StandingCondition(
                        "/checks/" + i + "/refusedWhen",
                        "checks",
                        field.checks().get(i).refusedWhen()));
            }
        }
        if (node instanceof Notice notice) {
            for (int i = 0; i < notice.phrases().size(); i++) {
                Phrase phrase = notice.phrases().get(i);
                places.add(new StandingCondition(
                        "/phrases/" + i + "/when", "phrase “" + phrase.name() + "”", phrase.when()));
            }
        }
        return places;
    }

    /** The looks of a node; none for kinds of nodes that have none. */
    public static List<LookRule> looks(Node node) {
        return switch (node) {
            case Field it -> it.looks();
            case Section it -> it.looks();
            case Notice it -> it.looks();
            default -> List.of();
        };
    }

    /** Whether a node has looks at all. */
    public static boolean canLook(Node node) {
        return node instanceof Field || node instanceof Section || node instanceof Notice;
    }

    /** The formulas of a node that are not part of a condition. */
    public static List<String> formulas(Node node) {
        List<String> formulas = new ArrayList<>();
        if (node instanceof Field field) {
            if (field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
                formulas.add(formula);
            }
            if (field.kind() instanceof FieldKind.Payment(var ignored, var amount)) {
                formulas.add(amount);
            }
        }
        return formulas;
    }

    /** All that a node looks at. */
    public static List<Use> uses(Node node, SymbolTable symbols) {
        List<Use> uses = new ArrayList<>();
        conditions(node)
                .forEach(place -> uses.add(new Use(
                        place.what(), place.path(), place.what().equals("shown"), symbols.sources(place.condition()))));
        switch (node) {
            case Field field -> field(field, symbols, uses);
            case Indicator it -> uses.add(new Use("bands", "/follows", false, Set.of(it.follows())));
            case Picture it
            when !it.follows().isEmpty() -> uses.add(new Use("picture", "/follows", false, Set.of(it.follows())));
            case Notice it -> {
                uses.add(new Use("text", "/text", false, merged(it, symbols)));
            }
            default -> {}
        }
        uses.removeIf(use -> use.sources().isEmpty());
        return uses;
    }

    private static void field(Field field, SymbolTable symbols, List<Use> uses) {
        if (field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)) {
            uses.add(new Use("value", "/value/formula", true, symbols.sources(formula)));
        }
        switch (field.kind()) {
            case FieldKind.Choosing it -> {
                Offer offer = it.offer();
                if (offer != null) {
                    uses.add(new Use("choices", "/kind/offer", true, Set.of(offer.parent())));
                }
            }
            case FieldKind.Lookup it ->
                uses.add(new Use(
                        "choices",
                        "/kind/filters",
                        true,
                        new LinkedHashSet<>(it.filters().values())));
            case FieldKind.Payment it ->
                uses.add(new Use("amount", "/kind/amount", false, symbols.sources(it.amount())));
            case FieldKind.SelfContained ignored -> {}
        }
    }

    /**
     * The keys of what a notice merges into its text, in reading order; they need not be those of fields. Rows are merged
     * with all that is answered in them.
     */
    private static Set<String> merged(Notice notice, SymbolTable symbols) {
        Prose prose = Prose.of(notice.text());
        Set<String> keys = new LinkedHashSet<>();
        prose.merged().forEach(it -> keys.add(it.key()));
        prose.bracketed().forEach(it -> keys.add(it.name()));
        notice.phrases().forEach(phrase -> keys.remove(phrase.name()));
        List.copyOf(keys).forEach(key -> keys.addAll(symbols.fieldsOfRows(key)));
        return keys;
    }

    /** The keys of the clauses and sections whose numbers a node tells; they need not be there. */
    public static Set<String> references(Node node) {
        return node instanceof Notice notice
                ? Prose.of(notice.text()).references().stream()
                        .map(Prose.Piece.Reference::key)
                        .collect(Collectors.toCollection(LinkedHashSet::new))
                : Set.of();
    }

    /** What becomes of the things a node looks at. Null drops the thing that looks, and its aspect is plain again. */
    public interface Mapping {

        /** Another condition. */
        @Nullable
        Condition condition(Condition condition);

        /** Another formula; the same where nothing else is said. */
        default @Nullable String formula(String formula) {
            return formula;
        }

        /** Another key in the place of that of a field that is followed; the same where nothing else is said. */
        default @Nullable String field(String key) {
            return key;
        }
    }

    /** A node with all that it looks at replaced; a payment whose amount is dropped costs nothing. */
    public static Node mapped(Node node, Mapping mapping) {
        Node mapped = node;
        for (Aspect aspect : Aspect.values()) {
            if (aspect.fits(node)) {
                mapped = aspect.with(mapped, condition(aspect.of(node), mapping));
            }
        }
        return switch (mapped) {
            case Page it -> it.withPlaces(places(it.places(), mapping));
            case Section it ->
                it.withLooks(looks(it.looks(), mapping))
                        .withOrigin(it.origin() == null ? null : it.origin().renamed(mapping::field));
            case Field it -> field(it, mapping);
            case Notice it ->
                it.withText(text(it, mapping))
                        .withPhrases(phrases(it.phrases(), mapping))
                        .withLooks(looks(it.looks(), mapping));
            case Indicator it -> {
                String follows = mapping.field(it.follows());
                yield it.withFollows(follows == null ? it.follows() : follows);
            }
            case Picture it -> {
                String follows = it.follows().isEmpty() ? "" : mapping.field(it.follows());
                yield new Picture(
                        it.key(), it.label(), it.file(), follows == null ? "" : follows, it.shown(), it.folding());
            }
            case Divider it -> it;
            case Overlay it -> it;
        };
    }

    private static List<Place> places(List<Place> places, Mapping mapping) {
        List<Place> mapped = new ArrayList<>();
        for (Place place : places) {
            String item = mapping.field(place.item());
            if (item != null) {
                mapped.add(place.ofItem(item));
            }
        }
        return mapped;
    }

    private static Field field(Field it, Mapping mapping) {
        List<Check> checks = new ArrayList<>();
        for (Check check : it.checks()) {
            Condition refused = mapping.condition(check.refusedWhen());
            if (refused != null) {
                checks.add(new Check(refused, check.message()));
            }
        }
        return it.withKind(kind(it.kind(), mapping))
                .withValue(value(it.value(), mapping))
                .withLooks(looks(it.looks(), mapping))
                .withChecks(checks);
    }

    private static FieldKind kind(FieldKind kind, Mapping mapping) {
        return switch (kind) {
            case FieldKind.Choosing it -> {
                Offer offer = it.offer();
                String parent = offer == null ? null : mapping.field(offer.parent());
                yield it.withOffer(offer == null || parent == null ? null : new Offer(parent, offer.perAnswer()));
            }
            case FieldKind.Lookup it -> {
                Map<String, String> filters = new LinkedHashMap<>();
                it.filters().forEach((column, key) -> {
                    String other = mapping.field(key);
                    if (other != null) {
                        filters.put(column, other);
                    }
                });
                yield new FieldKind.Lookup(it.list(), it.column(), filters);
            }
            case FieldKind.Payment it -> {
                String amount = mapping.formula(it.amount());
                yield new FieldKind.Payment(it.currency(), amount == null ? "0" : amount);
            }
            case FieldKind.SelfContained it -> it;
        };
    }

    private static @Nullable FieldValue value(@Nullable FieldValue value, Mapping mapping) {
        if (value instanceof FieldValue.WorkedOut(var formula, var overtypable)) {
            String other = mapping.formula(formula);
            return other == null ? null : new FieldValue.WorkedOut(other, overtypable);
        }
        return value;
    }

    private static @Nullable Condition condition(@Nullable Condition condition, Mapping mapping) {
        return condition == null ? null : mapping.condition(condition);
    }

    private static List<LookRule> looks(List<LookRule> looks, Mapping mapping) {
        List<LookRule> mapped = new ArrayList<>();
        for (LookRule look : looks) {
            Condition when = mapping.condition(look.when());
            if (when != null) {
                mapped.add(new LookRule(when, look.look(), look.extent()));
            }
        }
        return mapped;
    }

    private static String text(Notice notice, Mapping mapping) {
        Set<String> phrases = notice.phrases().stream().map(Phrase::name).collect(Collectors.toSet());
        return Prose.renamed(notice.text(), name -> phrases.contains(name) ? name : mapping.field(name));
    }

    /** A phrase whose condition is dropped stands there always, like anything that nothing drives. */
    private static List<Phrase> phrases(List<Phrase> phrases, Mapping mapping) {
        List<Phrase> mapped = new ArrayList<>();
        for (Phrase phrase : phrases) {
            Condition when = mapping.condition(phrase.when());
            mapped.add(new Phrase(phrase.name(), when == null ? new Condition.Always() : when));
        }
        return mapped;
    }
}
