package loesscape.core.expression;

import java.util.List;
import java.util.Map;
import loesscape.core.expression.functions.Functions;

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
    private final Type type;

    private Formula(Tree tree, Type type) {
        this.tree = tree;
        this.type = type;
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
        return type;
    }

    /** The formula as text, with no more brackets and spaces than it needs. */
    public String text() {
        return Printer.print(tree);
    }

    /** Makes it ready to be run over the values of some names, which must be all that it refers to. */
    public Program compile(List<String> names) {
        return Compiler.compile(tree, names);
    }
}
