package loesscape.core.editing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.editing.Change.Swap;
import loesscape.core.model.Aspect;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Trial;

/** Says in a few words what a change did, for the history of a template. */
public final class ChangeWords {

    private static final int MOST_NAMES = 3;
    private static final int LONGEST_NAME = 60;

    private ChangeWords() {}

    /** What a change did; never empty. */
    public static String of(Change change) {
        List<String> said = new ArrayList<>();
        if (change.title() != null || change.subtitle() != null) {
            said.add("title");
        }
        nodes(change, said);
        if (said.isEmpty() && !change.held().isEmpty()) {
            said.add("moved");
        }
        others("role", change.roles(), Role::name, said);
        others("shared condition", change.conditions(), SharedCondition::name, said);
        others("lookup list", change.lists(), LookupList::name, said);
        others("trial", change.trials(), Trial::name, said);
        if (change.promises() != null) {
            said.add("promises");
        }
        if (change.accepted() != null) {
            said.add("accepted findings");
        }
        if (change.finish() != null) {
            said.add("when it can be finished");
        }
        if (change.pageSettings() != null) {
            said.add("page settings");
        }
        String words = said.isEmpty() ? "nothing" : String.join("; ", said);
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static void nodes(Change change, List<String> said) {
        Set<String> added = new LinkedHashSet<>();
        Set<String> gone = new LinkedHashSet<>();
        Map<String, Set<String>> changed = new LinkedHashMap<>();
        for (Swap<Node> swap : change.nodes().values()) {
            Node was = swap.was();
            Node is = swap.is();
            if (was == null && is != null) {
                added.add(quoted(is));
            } else if (is == null && was != null) {
                gone.add(quoted(was));
            } else if (was != null && is != null) {
                changed.computeIfAbsent(what(was, is), aspect -> new LinkedHashSet<>())
                        .add(quoted(is));
            }
        }
        Set<String> rekeyed = new LinkedHashSet<>(added);
        rekeyed.retainAll(gone);
        added.removeAll(rekeyed);
        gone.removeAll(rekeyed);
        say("key of", rekeyed, said);
        say("added", added, said);
        say("deleted", gone, said);
        changed.forEach((what, names) -> say(what, names, said));
    }

    private static void say(String what, Set<String> names, List<String> said) {
        if (!names.isEmpty()) {
            List<String> some = names.stream().limit(MOST_NAMES).toList();
            int more = names.size() - some.size();
            said.add(what + " " + String.join(", ", some) + (more > 0 ? " and %d more".formatted(more) : ""));
        }
    }

    private static String what(Node was, Node is) {
        if (!words(was).equals(words(is))) {
            return "words of";
        }
        for (Aspect aspect : Aspect.values()) {
            if (!Objects.equals(aspect.of(was), aspect.of(is))) {
                return "when to " + aspect.verb();
            }
        }
        if (!Logic.looks(was).equals(Logic.looks(is))) {
            return "looks of";
        }
        if (Medium.of(was) != Medium.of(is)) {
            return "where to tell";
        }
        if (was instanceof Page before
                && is instanceof Page after
                && !before.places().equals(after.places())) {
            return "places on";
        }
        if (was instanceof Notice before && is instanceof Notice after) {
            if (!before.phrases().equals(after.phrases())) {
                return "phrases of";
            }
            if (before.clause() != after.clause()) {
                return "number of";
            }
        }
        if (was instanceof Field before
                && is instanceof Field after
                && !before.kind().equals(after.kind())) {
            return before.kind().getClass().equals(after.kind().getClass()) ? "limits or choices of" : "kind of";
        }
        return "changed";
    }

    /** What the reader reads of a node, which may be too long to be its name. */
    private static String words(Node node) {
        return switch (node) {
            case Field it -> it.label();
            case Notice it -> it.text();
            case Section it -> it.title();
            case Page it -> it.title();
            case Indicator it -> it.label();
            case Picture it -> it.label();
            case Divider ignored -> "";
            case Overlay it -> it.label() + it.words();
        };
    }

    private static <T> void others(
            String what, Map<String, Swap<T>> swaps, Function<T, String> name, List<String> said) {
        Set<String> names = new LinkedHashSet<>();
        swaps.values().forEach(swap -> {
            T told = swap.is() == null ? swap.was() : swap.is();
            if (told != null && !name.apply(told).isEmpty()) {
                names.add("“%s”".formatted(shortened(name.apply(told))));
            }
        });
        say(what, names, said);
    }

    private static String quoted(Node node) {
        return "“%s”".formatted(shortened(node.name()));
    }

    private static String shortened(String name) {
        return name.length() <= LONGEST_NAME ? name : name.substring(0, LONGEST_NAME - 1) + "…";
    }
}
