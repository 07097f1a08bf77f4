package loesscape.core.reach;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/** Lists what follows a field. */
final class ReachColumns {

    private final Template template;
    private final SymbolTable symbols;
    private final String field;
    private final Set<String> besides;
    private final List<ReachColumn> columns = new ArrayList<>();

    private ReachColumns(CompiledTemplate compiled, String field, Set<String> besides) {
        this.template = compiled.template();
        this.symbols = compiled.symbols();
        this.field = field;
        this.besides = besides;
    }

    /**
     * The columns of a field.
     *
     * @param besides what does not follow it yet: keys of nodes, of which is told whether they are shown, or a key and behind a
     *     blank the name of another aspect
     */
    static List<ReachColumn> of(CompiledTemplate compiled, String field, Set<String> besides) {
        return new ReachColumns(compiled, field, besides).all();
    }

    private List<ReachColumn> all() {
        template.nodes().forEach(this::node);
        template.roles().forEach(role -> {
            if (isFollowed(role.takesPart())) {
                add("", role.name(), "takes part", new ReachAspect.OfRole(role.key()), "takes part", "left out", true);
            }
        });
        List<FinishRule> rules = template.finish();
        for (int i = 0; i < rules.size(); i++) {
            if (isFollowed(rules.get(i).when())) {
                add(
                        "",
                        rules.get(i).message(),
                        "can be finished",
                        new ReachAspect.OfFinish(i),
                        "can be finished",
                        "held up",
                        true);
            }
        }
        return columns;
    }

    private boolean isFollowed(@Nullable Condition condition) {
        return condition != null && symbols.sources(condition).contains(field);
    }

    private void add(
            String key, String name, String heading, ReachAspect aspect, String yes, String no, boolean isSettable) {
        columns.add(new ReachColumn(key, name, heading, aspect, yes, no, isSettable));
    }

    private void node(Node node) {
        for (Aspect aspect : Aspect.values()) {
            if (isFollowed(aspect.of(node)) || (aspect.fits(node) && isAdded(node, aspect))) {
                add(
                        node.key(),
                        node.name(),
                        aspect.words(),
                        new ReachAspect.OfNode(aspect),
                        aspect.words(),
                        aspect.otherwise(),
                        true);
            }
        }
        each(Logic.looks(node), rule -> isFollowed(rule.when()), (i, rule) -> look(node, i, rule));
        switch (node) {
            case Field it -> field(it);
            case Indicator it -> {
                if (it.follows().equals(field)) {
                    says(node, "tells", new ReachAspect.OfSign());
                }
            }
            case Notice it -> {
                each(
                        it.phrases(),
                        phrase -> isFollowed(phrase.when()),
                        (i, phrase) -> add(
                                it.key(),
                                it.name(),
                                "says “%s”".formatted(phrase.name()),
                                new ReachAspect.OfPhrase(i),
                                "said",
                                "left out",
                                true));
                if (uses(node, "text")) {
                    says(node, "says", new ReachAspect.OfText());
                }
            }
            case Picture it -> {
                if (it.follows().equals(field)) {
                    says(node, "which picture", new ReachAspect.OfPicture());
                }
            }
            case Page ignored -> {}
            case Section ignored -> {}
            case Divider ignored -> {}
            case Overlay ignored -> {}
        }
    }

    private boolean isAdded(Node node, Aspect aspect) {
        return !node.key().equals(field)
                && besides.contains(aspect == Aspect.SHOWN ? node.key() : node.key() + " " + aspect.key());
    }

    private void look(Node node, int i, LookRule rule) {
        String words = Sentences.look(rule.look());
        add(node.key(), node.name(), words, new ReachAspect.OfLook(i, rule.look()), words, "not so", true);
    }

    private void field(Field it) {
        each(
                it.checks(),
                check -> isFollowed(check.refusedWhen()),
                (i, check) -> add(
                        it.key(),
                        it.name(),
                        "refused: %s".formatted(check.message()),
                        new ReachAspect.OfCheck(i),
                        "refused",
                        "taken",
                        true));
        if (it.kind() instanceof FieldKind.Choosing choosing
                && choosing.offer() != null
                && choosing.offer().parent().equals(field)) {
            for (Choice choice : choosing.choices()) {
                add(
                        it.key(),
                        it.name(),
                        "offers %s".formatted(choice.label()),
                        new ReachAspect.OfChoice(choice.id()),
                        "offered",
                        "not offered",
                        true);
            }
        }
        if (it.kind() instanceof FieldKind.Lookup lookup && lookup.filters().containsValue(field)) {
            says(it, "offers", new ReachAspect.OfList());
        }
        if (uses(it, "value")) {
            says(it, "worked out", new ReachAspect.OfValue());
        }
        if (uses(it, "amount")) {
            says(it, "to be paid", new ReachAspect.OfValue());
        }
    }

    private boolean uses(Node node, String what) {
        return Logic.uses(node, symbols).stream()
                .anyMatch(use -> use.what().equals(what) && use.sources().contains(field));
    }

    /** A column with words of its own, which is only read. */
    private void says(Node node, String heading, ReachAspect aspect) {
        add(node.key(), node.name(), heading, aspect, "", "", false);
    }

    private interface Numbered<T> {
        void take(int place, T each);
    }

    private static <T> void each(List<T> all, Predicate<T> wanted, Numbered<T> use) {
        for (int i = 0; i < all.size(); i++) {
            if (wanted.test(all.get(i))) {
                use.take(i, all.get(i));
            }
        }
    }
}
