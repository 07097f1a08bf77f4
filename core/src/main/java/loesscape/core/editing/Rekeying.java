package loesscape.core.editing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Keys;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Trial;

/** Gives nodes other keys: where a key is renamed, and where copies are made. */
final class Rekeying {

    private Rekeying() {}

    static TemplateIndex rename(TemplateIndex parts, String key, String to) {
        parts.node(key);
        if (key.equals(to)) {
            return parts;
        }
        checkNew(parts, to);
        UnaryOperator<String> keys = old -> old.equals(key) ? to : old;
        TemplateIndex renamed = Mappings.mapped(parts, Mappings.renaming(keys, parts.symbols()));
        Map<String, Node> nodes = new LinkedHashMap<>();
        renamed.nodes().forEach((old, node) -> nodes.put(keys.apply(old), TemplateIndex.keyed(node, keys.apply(old))));
        Map<String, List<String>> held = new LinkedHashMap<>();
        parts.held()
                .forEach((holder, inner) ->
                        held.put(keys.apply(holder), inner.stream().map(keys).toList()));
        Map<String, Trial> trials = new LinkedHashMap<>();
        parts.rest().trials().forEach((name, trial) -> trials.put(name, renamed(trial, key, to)));
        TemplateIndex after = new TemplateIndex(
                parts.title(), parts.subtitle(), nodes, held, renamed.rest().withTrials(trials));
        return Acceptances.renamed(parts, after, key, to);
    }

    private static Trial renamed(Trial trial, String key, String to) {
        UnaryOperator<String> addresses =
                address -> RowNames.key(address).equals(key) ? to + address.substring(key.length()) : address;
        return new Trial(
                trial.name(),
                new Answers(trial.answers()).renamed(key, to).typed(),
                trial.stage(),
                trial.role(),
                trial.day(),
                trial.expected().stream().map(each -> each.at(addresses)).toList());
    }

    /** Refuses a key that is none, or that is used already. */
    static void checkNew(TemplateIndex parts, String key) {
        if (!Keys.isKey(key)) {
            throw new Refusal(
                    "“%s” cannot be a key: lower-case letters, digits and _, a letter first, at most %d characters."
                            .formatted(key, Keys.LONGEST));
        }
        if (parts.uses(key)) {
            Node user = parts.nodes().get(key);
            throw new Refusal("The key “%s” is already used by “%s”."
                    .formatted(
                            key,
                            user != null
                                    ? user.name()
                                    : parts.hasPhrase(key) ? "a phrase of a text" : "a shared condition"));
        }
    }

    /**
     * Puts copies of some nodes behind each other; logic in the copies that looks at an original looks at its copy. Right
     * behind the last of the originals where no place is given.
     */
    static TemplateIndex duplicate(TemplateIndex parts, Edit.Duplicate edit) {
        List<String> tops = parts.inOrder(edit.keys());
        if (tops.isEmpty()) {
            throw new Refusal("Say what is to be copied.");
        }
        Map<String, String> copies = new HashMap<>();
        for (String top : tops) {
            for (String original : parts.withContent(top)) {
                copies.put(original, Keys.unused(original, taken -> parts.uses(taken) || copies.containsValue(taken)));
            }
        }
        TemplateIndex with = SharedUses.copied(parts, copies);
        UnaryOperator<String> keys = old -> copies.getOrDefault(old, old);
        Logic.Mapping mapping = Mappings.renaming(keys, parts.symbols());
        for (String top : tops) {
            for (String original : parts.withContent(top)) {
                Node node = TemplateIndex.keyed(parts.node(original), keys.apply(original));
                with = with.with(Logic.mapped(node, mapping));
                if (parts.held().containsKey(original)) {
                    List<String> inner = new ArrayList<>(parts.heldBy(original));
                    inner.replaceAll(keys);
                    with = with.holding(keys.apply(original), inner);
                }
            }
        }
        String holder = edit.holder();
        String after = edit.after();
        if (holder == null) {
            after = tops.getLast();
            holder = parts.holder(after);
        }
        for (String top : tops) {
            Moves.checkFits(with, with.node(keys.apply(top)), holder);
            with = with.inserted(keys.apply(top), holder, after);
            after = keys.apply(top);
        }
        return with;
    }
}
