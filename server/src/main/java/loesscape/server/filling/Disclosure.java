package loesscape.server.filling;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.evaluation.NodeState.NoticeState;
import loesscape.core.evaluation.NodeState.PlainState;
import loesscape.core.evaluation.NodeState.RowState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.evaluation.Passage;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/**
 * What of a document its reader is told: what is shown now, without the logic behind it. Of what is folded nothing is told,
 * not even its key, which is made of its words; but where it keeps its place, that is told, in letters that say nothing.
 *
 * @param held what each page and section holds of it, in order; under the empty key, the pages
 * @param nodes by key
 * @param states how each node stands, by address
 */
record Disclosure(Map<String, List<String>> held, Map<String, Node> nodes, Map<String, NodeState> states) {

    /** What is told when the document is opened. */
    static Disclosure of(Template template, State state, Answers answers) {
        return new Telling(TemplateIndex.of(template), state.numbered(template), answers)
                .of(state.nodes().keySet());
    }

    /**
     * What is to be told after an answer to a reader who knows what was told before it. What folds is told as not shown; the
     * reader keeps the rest of it.
     */
    static Disclosure change(Template template, State then, Answers given, State now, Answers answers) {
        State before = then.numbered(template);
        State after = now.numbered(template);
        Set<String> addresses = new HashSet<>(after.changedSince(before).keySet());
        before.nodes().keySet().stream()
                .filter(address -> !after.nodes().containsKey(address))
                .forEach(addresses::add);
        if (addresses.isEmpty()) {
            return new Disclosure(Map.of(), Map.of(), Map.of());
        }
        TemplateIndex parts = TemplateIndex.of(template);
        Disclosure known = new Telling(parts, before, given).of(addresses);
        Disclosure told = new Telling(parts, after, answers).of(addresses);
        Map<String, NodeState> states = new LinkedHashMap<>(told.states());
        known.states().keySet().forEach(address -> states.putIfAbsent(address, GONE));
        return new Disclosure(without(told.held(), known.held()), without(told.nodes(), known.nodes()), states);
    }

    private static final NodeState GONE = new PlainState(false, List.of());

    private static <T> Map<String, T> without(Map<String, T> told, Map<String, T> known) {
        Map<String, T> rest = new LinkedHashMap<>(told);
        known.forEach(rest::remove);
        return rest;
    }

    /** Tells a document as it stands. */
    private static final class Telling {

        private final TemplateIndex parts;
        private final State state;
        private final Answers answers;
        private final Map<String, List<String>> addresses = new HashMap<>();
        private final Set<String> shown = new HashSet<>();
        private final Map<String, String> holders = new HashMap<>();

        Telling(TemplateIndex parts, State state, Answers answers) {
            this.parts = parts;
            this.state = state;
            this.answers = answers;
            parts.held().forEach((holder, keys) -> keys.forEach(key -> holders.put(key, holder)));
            state.nodes().forEach((address, node) -> {
                String key = RowNames.key(address);
                addresses.computeIfAbsent(key, it -> new ArrayList<>(1)).add(address);
                if (node.shown() && isOnScreen(key)) {
                    shown.add(key);
                }
            });
        }

        Disclosure of(Set<String> wanted) {
            Map<String, Node> nodes = new LinkedHashMap<>();
            Map<String, List<String>> held = new LinkedHashMap<>();
            Map<String, NodeState> states = new LinkedHashMap<>();
            for (String address : wanted) {
                String key = RowNames.key(address);
                String holder = holders.getOrDefault(key, TemplateIndex.ROOT);
                held.computeIfAbsent(holder, this::told);
                if (isTold(key)) {
                    nodes.computeIfAbsent(key, this::node);
                    NodeState stands = state.nodes().get(address);
                    if (stands != null && (stands.shown() || keepsPlace(key))) {
                        states.put(address, stands.shown() ? stands : folded(stands));
                    }
                }
            }
            // Whatever is told is told with what it holds, which may be nothing.
            wanted.stream()
                    .map(RowNames::key)
                    .filter(nodes::containsKey)
                    .filter(parts.held()::containsKey)
                    .forEach(key -> held.computeIfAbsent(key, this::told));
            held.keySet().removeIf(holder -> !holder.isEmpty() && !isTold(holder));
            return new Disclosure(held, nodes, states);
        }

        private List<String> held(String holder) {
            return parts.held().getOrDefault(holder, List.of());
        }

        private List<String> told(String holder) {
            return held(holder).stream().filter(this::isTold).toList();
        }

        private boolean isTold(String key) {
            return shown.contains(key) || keepsPlace(key);
        }

        /** Whether it, all that holds it, and of a page anything on it, stand not in the finished document only. */
        private boolean isOnScreen(String key) {
            return switch (parts.nodes().get(key)) {
                case null -> true;
                case Page ignored -> {
                    List<String> sections = held(key);
                    yield sections.isEmpty() || sections.stream().anyMatch(this::isItselfOnScreen);
                }
                case Item ignored -> isItselfOnScreen(key) && isOnScreen(holders.getOrDefault(key, TemplateIndex.ROOT));
            };
        }

        private boolean isItselfOnScreen(String key) {
            return Medium.of(Objects.requireNonNull(parts.nodes().get(key))).isOnScreen();
        }

        private boolean keepsPlace(String key) {
            Folding folding = switch (parts.nodes().get(key)) {
                case Field it -> it.folding();
                case Section it -> it.folding();
                case Notice it -> it.folding();
                case Indicator it -> it.folding();
                case Picture it -> it.folding();
                case Divider ignored -> Folding.PLAIN;
                case Overlay ignored -> Folding.PLAIN;
                case Page ignored -> Folding.PLAIN;
                case null -> Folding.PLAIN;
            };
            String holder = holders.getOrDefault(key, TemplateIndex.ROOT);
            return folding.keepsSpace() && isOnScreen(key) && (holder.equals(TemplateIndex.ROOT) || isTold(holder));
        }

        private Node node(String key) {
            Node bare = withoutLogic(Objects.requireNonNull(parts.nodes().get(key)));
            return shown.contains(key) ? withWhatHolds(bare) : veiled(bare);
        }

        /** Without choices that are not offered now, and signs that do not show now. */
        private Node withWhatHolds(Node node) {
            return switch (node) {
                case Field it
                when it.kind() instanceof FieldKind.Choosing kind ->
                    it.withKind(kind.withOffer(null).withChoices(offered(it.key(), kind.choices())));
                case Indicator it -> {
                    Set<String> showing = showing(it.key());
                    yield it.withBands(it.bands().stream()
                                    .filter(band -> showing.contains(band.id()))
                                    .toList())
                            .withChoices(it.choices().stream()
                                    .filter(sign -> showing.contains(sign.choice()))
                                    .toList());
                }
                default -> node;
            };
        }

        /** Those that are offered somewhere, or were chosen while they were. */
        private List<Choice> offered(String key, List<Choice> choices) {
            Set<String> known = new HashSet<>();
            for (String address : addresses.getOrDefault(key, List.of())) {
                if (state.nodes().get(address) instanceof FieldState it) {
                    if (it.offered() == null) {
                        return choices;
                    }
                    known.addAll(it.offered());
                }
            }
            String typed = addresses.getOrDefault(key, List.of()).stream()
                    .map(answers::of)
                    .collect(Collectors.joining(" "));
            return choices.stream()
                    .filter(choice -> known.contains(choice.id()) || typed.contains(choice.id()))
                    .toList();
        }

        private Set<String> showing(String key) {
            Set<String> showing = new HashSet<>();
            for (String address : addresses.getOrDefault(key, List.of())) {
                if (state.nodes().get(address) instanceof IndicatorState it && it.band() != null) {
                    showing.add(it.band());
                }
            }
            return showing;
        }
    }

    /** Something that only keeps its place. */
    private static Node veiled(Node node) {
        return switch (node) {
            case Page it -> it;
            case Divider it -> it;
            case Overlay it -> it;
            case Section it -> it.withTitle(veiled(it.title())).withHelp(veiled(it.help()));
            case Notice it -> it;
            case Indicator it ->
                it.withLabel(veiled(it.label())).withBands(List.of()).withChoices(List.of());
            case Picture it -> new Picture(it.key(), "", "", "", null, it.folding());
            case Field it ->
                it.withLabel(veiled(it.label())).withHelp(veiled(it.help())).withKind(veiled(it.kind()));
        };
    }

    private static FieldKind veiled(FieldKind kind) {
        if (!(kind instanceof FieldKind.Choosing choosing)) {
            return kind;
        }
        List<Choice> veiled = new ArrayList<>();
        for (Choice choice : choosing.choices()) {
            veiled.add(new Choice("choice" + veiled.size(), veiled(choice.label()), ""));
        }
        return choosing.withChoices(veiled);
    }

    private static String veiled(String text) {
        return text.replaceAll("\\S", "x");
    }

    private static NodeState folded(NodeState state) {
        return switch (state) {
            case PlainState ignored -> GONE;
            case RowState ignored -> GONE;
            case NoticeState it ->
                new NoticeState(false, List.of(), Look.PLAIN, "", Passage.plain(veiled(Passage.words(it.text()))));
            case SectionState it -> SectionState.folded(it.rows(), it.number());
            case IndicatorState ignored -> new IndicatorState(false, List.of(), null);
            case FieldState ignored -> FieldState.FOLDED;
        };
    }

    private static Node withoutLogic(Node node) {
        Node bare = switch (node) {
            case Field field -> field.withChecks(List.of()).withLooks(List.of());
            case Section section -> section.withOrigin(null);
            // What it says now is told by its state; phrases that do not stand there are nobody's business.
            case Notice notice -> notice.withText("").withPhrases(List.of());
            case Page page -> page.withoutPlaces();
            default -> node;
        };
        return Logic.mapped(bare, NOTHING_KNOWN);
    }

    /** Takes conditions and formulas away; what is followed stays. */
    private static final Logic.Mapping NOTHING_KNOWN = new Logic.Mapping() {
        @Override
        public @Nullable Condition condition(Condition condition) {
            return null;
        }

        @Override
        public String formula(String formula) {
            return "0";
        }

        @Override
        public String field(String key) {
            return key;
        }
    };
}
