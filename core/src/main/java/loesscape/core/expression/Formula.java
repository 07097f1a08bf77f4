package loesscape.core.expression;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import loesscape.core.expression.functions.Functions;
import org.jspecify.annotations.Nullable;

/**
 * A formula that was understood: it has a meaning for every value of its names.
 *
 * <pre>{@code
 * Formula fee = Formula.of("120 + 2 * max(0, depth - 50)", Map.of("depth", Type.Simple.NUMBER));
 * Program program = fee.compile(List.of("depth"));
 * Object amount = program.run(new BigDecimal(80));     // 180
 * }</pre>
 */
public final class Formula {

    private final Tree tree;
    private final TypeCheck.Checked checked;

    private Formula(Tree tree, TypeCheck.Checked checked) {
        this.tree = tree;
        this.checked = checked;
    }

    /**
     * Reads a formula.
     *
     * @param names what it can refer to
     * @throws FormulaProblem with the place of what is not understood or can never be worked out
     */
    public static Formula of(String text, Map<String, Type> names) {
        Parser.Parsed parsed = Parser.parse(text, name -> Functions.find(name).isPresent());
        return new Formula(parsed.tree(), TypeCheck.of(parsed, names));
    }

    /**
     * Reads a formula without regard to what its names mean.
     *
     * @throws FormulaProblem with the place of what is not understood
     */
    public static Tree tree(String text) {
        return Parser.parse(text, name -> Functions.find(name).isPresent()).tree();
    }

    /** A tree as text, with no more brackets and spaces than it needs. */
    public static String text(Tree tree) {
        return Printer.print(tree);
    }

    /** What it is made of. */
    public Tree tree() {
        return tree;
    }

    /** What kind of value it gives, as far as is known. */
    public Type type() {
        return checked.type();
    }

    /** What it names of the document, in reading order. Names that it binds itself are none. */
    public List<NameUse> uses() {
        return checked.uses();
    }

    /**
     * A formula with other names of things of the document; all else stays as it was written.
     *
     * @param names what it can refer to
     * @param change the new name for an old one
     * @throws NameIsBound where a new name would mean something that the formula binds itself
     * @throws FormulaProblem where the formula is not understood
     */
    public static String renamed(String text, Map<String, Type> names, UnaryOperator<String> change) {
        List<NameUse> uses = of(text, names).uses();
        StringBuilder renamed = new StringBuilder();
        int done = 0;
        for (NameUse use : uses) {
            renamed.append(text, done, use.at())
                    .append(Names.isList(use.name()) ? Names.key(change.apply(use.name())) : change.apply(use.name()));
            done = use.end();
        }
        renamed.append(text, done, text.length());
        String written = renamed.toString();
        if (!written.equals(text)) {
            Map<String, Type> after = new HashMap<>();
            names.forEach((name, type) -> after.put(renamed(name, change), renamed(type, change)));
            List<String> meant =
                    uses.stream().map(use -> change.apply(use.name())).toList();
            if (!of(written, after).uses().stream().map(NameUse::name).toList().equals(meant)) {
                throw new NameIsBound(text);
            }
        }
        return written;
    }

    /** A name, or one that is made of one, with what its key is changed into. */
    private static String renamed(String name, UnaryOperator<String> change) {
        String key = Names.key(name);
        return Names.isList(name) || key.isEmpty() || key.equals(name)
                ? change.apply(name)
                : name.substring(0, name.indexOf('(') + 1) + change.apply(key) + ")";
    }

    /** A formula binds a name itself that something of the document was to have. */
    public static final class NameIsBound extends RuntimeException {
        NameIsBound(String formula) {
            super(formula);
        }
    }

    private static Type renamed(Type type, UnaryOperator<String> change) {
        return switch (type) {
            case Type.Simple it -> it;
            case Type.Choice it -> it;
            case Type.ListOf(var element) -> new Type.ListOf(renamed(element, change));
            case Type.Context(var entries, var isRow) -> {
                Map<String, Type> after = new HashMap<>();
                entries.forEach((name, of) -> after.put(isRow ? change.apply(name) : name, renamed(of, change)));
                yield new Type.Context(after, isRow);
            }
        };
    }

    /** The formula as text, with no more brackets and spaces than it needs. */
    public String text() {
        return Printer.print(tree);
    }

    /** Makes it ready to be run over the values of some names, which must be all that it refers to. */
    public Program compile(List<String> names) {
        return compile(names, Set.of(), Locale.ENGLISH);
    }

    /**
     * Makes it ready to be run over the values of some names, which must be all that it refers to.
     *
     * @param varying those that are something else in each row, where it is run for several
     * @param language in which numbers, days and months are written out where it does not say itself
     */
    public Program compile(List<String> names, Set<String> varying, Locale language) {
        return Compiler.compile(tree, names, varying, checked.labels(), language);
    }

    /**
     * Which part of it gives nothing, in a sentence; null where it gives something.
     *
     * @param names which values are given of
     * @param values of these names, in order
     */
    public @Nullable String blankPart(List<String> names, Locale language, @Nullable Object... values) {
        return new BlankPart(names, values, checked.labels(), language).of(tree);
    }
}
