package loesscape.core.model;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Checks promises: what they are about is there, and their conditions can be asked where it stands. */
final class PromiseCheck {

    private static final int MOST_PROMISES = 200;
    private static final int MOST_TOGETHER = 50;

    private final Template template;
    private final SymbolTable symbols;
    private final CommonCheck common;
    private final LookCheck looks;
    private final BiConsumer<String, String> report;
    private final Map<String, Node> nodes;

    PromiseCheck(
            Template template,
            SymbolTable symbols,
            CommonCheck common,
            LookCheck looks,
            BiConsumer<String, String> report) {
        this.template = template;
        this.symbols = symbols;
        this.common = common;
        this.looks = looks;
        this.report = report;
        this.nodes = template.nodes().stream().collect(Collectors.toMap(Node::key, Function.identity(), (a, b) -> a));
    }

    void check() {
        common.atMost("/promises", template.promises().size(), MOST_PROMISES, "promises");
        for (int i = 0; i < template.promises().size(); i++) {
            check("/promises/" + i, template.promises().get(i));
        }
    }

    private void check(String path, PromiseRule rule) {
        String at = path + "/promised";
        String within = null;
        switch (rule.promised()) {
            case Promised.NodeIs(var key, var aspect, var ignored) -> {
                Node node = node(at + "/key", key);
                within = symbols.rowsAround(key);
                if (node != null && !aspect.fits(node)) {
                    report.accept(
                            at + "/aspect",
                            "“%s” cannot be %s; only a %s can.".formatted(node.name(), aspect.words(), aspect.nodes()));
                }
            }
            case Promised.NodeLooks(var key, var look, var ignored) -> {
                Node node = node(at + "/key", key);
                within = symbols.rowsAround(key);
                if (node != null && !Logic.canLook(node)) {
                    report.accept(at + "/key", "“%s” has no looks.".formatted(node.name()));
                }
                looks.look(at + "/look", look);
            }
            case Promised.SomeShown(var keys, var ignored) -> within = together(at + "/keys", keys);
            case Promised.RoleSigns(var role, var ignored) -> {
                if (template.roles().stream().noneMatch(each -> each.key().equals(role))) {
                    report.accept(at + "/role", "There is no role “%s”.".formatted(TextBounds.shortened(role)));
                }
            }
            case Promised.CanFinish ignored -> {
                // It is about the document as a whole.
            }
            case Promised.IsMet(var condition, var ignored) -> common.condition(at + "/condition", condition, null);
        }
        common.condition(path + "/whenever", rule.whenever(), within);
    }

    private @Nullable Node node(String path, String key) {
        Node node = nodes.get(key);
        if (node == null) {
            report.accept(path, "There is no page, section or item “%s”.".formatted(TextBounds.shortened(key)));
        }
        return node;
    }

    /** The repeating section in whose rows all of them stand; null for none. */
    private @Nullable String together(String path, List<String> keys) {
        common.atMost(path, keys.size(), MOST_TOGETHER, "items in a promise");
        if (new HashSet<>(keys).size() < Math.max(2, keys.size())) {
            report.accept(path, "Name two items or more, each once.");
            return null;
        }
        Set<String> around = new HashSet<>();
        for (int i = 0; i < keys.size(); i++) {
            node(path + "/" + i, keys.get(i));
            String rows = symbols.rowsAround(keys.get(i));
            around.add(rows == null ? "" : rows);
        }
        if (around.size() > 1) {
            report.accept(path, "They stand in different rows, so they are never beside each other.");
            return null;
        }
        String only = around.iterator().next();
        return only.isEmpty() ? null : only;
    }
}
