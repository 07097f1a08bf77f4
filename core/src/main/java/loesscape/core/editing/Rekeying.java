package loesscape.core.editing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Keys;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.References;
import loesscape.core.model.Section;

/** Gives nodes other keys: where a key is renamed, and where a copy is made. */
final class Rekeying {

    private Rekeying() {}

    static Parts rename(Parts parts, String key, String to) {
        parts.node(key);
        if (!Keys.isKey(to)) {
            throw new Refusal(
                    "“%s” cannot be a key: lower-case letters, digits and _, a letter first, at most %d characters."
                            .formatted(to, Keys.LONGEST));
        }
        if (parts.nodes().containsKey(to)) {
            throw new Refusal("The key “%s” is already used by “%s”."
                    .formatted(to, parts.node(to).name()));
        }
        UnaryOperator<String> keys = old -> old.equals(key) ? to : old;
        Map<String, Node> nodes = new LinkedHashMap<>();
        parts.nodes().forEach((old, node) -> nodes.put(keys.apply(old), rekeyed(node, keys)));
        Map<String, List<String>> held = new LinkedHashMap<>();
        parts.held()
                .forEach((holder, inner) ->
                        held.put(keys.apply(holder), inner.stream().map(keys).toList()));
        return new Parts(parts.title(), parts.subtitle(), nodes, held);
    }

    /** Puts a copy right behind the original; conditions in the copy that look at the original look at the copy. */
    static Parts duplicate(Parts parts, String key) {
        List<String> originals = parts.withContent(key);
        Map<String, String> copies = new HashMap<>();
        for (String original : originals) {
            copies.put(
                    original,
                    Keys.unused(original, taken -> parts.nodes().containsKey(taken) || copies.containsValue(taken)));
        }
        UnaryOperator<String> keys = old -> copies.getOrDefault(old, old);
        Parts with = parts;
        for (String original : originals) {
            Node node = parts.node(original);
            with = with.with(rekeyed(node, keys));
            if (!(node instanceof loesscape.core.model.Item)) {
                List<String> inner = new ArrayList<>(parts.heldBy(original));
                inner.replaceAll(keys);
                with = with.holding(keys.apply(original), inner);
            }
        }
        return with.inserted(keys.apply(key), parts.holder(key), key);
    }

    private static Node rekeyed(Node node, UnaryOperator<String> keys) {
        String key = keys.apply(node.key());
        return switch (node) {
            case Page it -> new Page(key, it.title(), References.rename(it.shown(), keys), List.of());
            case Section it -> new Section(key, it.title(), it.help(), References.rename(it.shown(), keys), List.of());
            case Field it ->
                new Field(
                        key,
                        it.label(),
                        it.help(),
                        it.width(),
                        it.kind(),
                        References.rename(it.shown(), keys),
                        References.rename(it.required(), keys),
                        References.rename(it.editable(), keys),
                        it.bands());
            case Notice it -> new Notice(key, it.text(), References.rename(it.shown(), keys));
            case Indicator it ->
                new Indicator(
                        key, it.label(), keys.apply(it.follows()), it.bands(), References.rename(it.shown(), keys));
        };
    }
}
