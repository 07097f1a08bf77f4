package loesscape.core.model;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** One thing about a node that a condition can drive. From here it goes to the pages ({@code web/src/api/aspects.ts}). */
public enum Aspect {
    /** Whether the node is there for the reader. Plain default: always. */
    SHOWN("shown", "folded", "show", "Make it show", Node.class),
    /** Whether an answer is asked for. Plain default: never. */
    REQUIRED("required", "optional", "require", "Require it", Field.class),
    /** Whether the field can be answered. Plain default: always. */
    EDITABLE("editable", "locked", "lock", "Unlock it", Field.class),
    /** Whether a section is opened out. Plain default: always. */
    OPEN("opened out", "closed", "open out", "Open it out", Section.class);

    private final String words;
    private final String otherwise;
    private final String verb;
    private final String wish;
    private final Class<? extends Node> nodes;

    Aspect(String words, String otherwise, String verb, String wish, Class<? extends Node> nodes) {
        this.words = words;
        this.otherwise = otherwise;
        this.verb = verb;
        this.wish = wish;
        this.nodes = nodes;
    }

    /** What it is called in JSON. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What a node is when this is so. */
    public String words() {
        return words;
    }

    /** What a node is when this is not so. */
    public String otherwise() {
        return otherwise;
    }

    /** What somebody says who wants it to be so. */
    public String wish() {
        return wish;
    }

    /** What its condition says when to do. */
    public String verb() {
        return verb;
    }

    /** What has it, in a word. */
    public String nodes() {
        return nodes.getSimpleName().toLowerCase(Locale.ROOT);
    }

    /** The condition that drives this aspect of a node; null where the plain default holds. */
    public @Nullable Condition of(Node node) {
        return switch (this) {
            case SHOWN -> node.shown();
            case REQUIRED -> node instanceof Field field ? field.required() : null;
            case EDITABLE -> node instanceof Field field ? field.editable() : null;
            case OPEN -> node instanceof Section section ? section.open() : null;
        };
    }

    /**
     * A node with another condition for this aspect.
     *
     * @param condition null for the plain default
     * @throws ClassCastException where it does not {@link #fits fit}
     */
    public Node with(Node node, @Nullable Condition condition) {
        return switch (this) {
            case SHOWN -> node.withShown(condition);
            case REQUIRED -> ((Field) node).withRequired(condition);
            case EDITABLE -> ((Field) node).withEditable(condition);
            case OPEN -> ((Section) node).withOpen(condition);
        };
    }

    /** Whether this aspect is so where no condition drives it. */
    public boolean plainDefault() {
        return this != REQUIRED;
    }

    /** Whether a node has this aspect at all. */
    public boolean fits(Node node) {
        return fits(node.getClass());
    }

    /** Whether nodes of a type have this aspect at all. */
    public boolean fits(Class<? extends Node> type) {
        return nodes.isAssignableFrom(type);
    }
}
