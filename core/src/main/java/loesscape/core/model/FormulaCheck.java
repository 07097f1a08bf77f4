package loesscape.core.model;

import java.util.function.BiConsumer;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Type;
import org.jspecify.annotations.Nullable;

/** The rules that formulas keep at a place of a template: understood, known names, and a result of the right type. */
final class FormulaCheck {

    private final SymbolTable symbols;
    private final @Nullable String within;
    private final BiConsumer<String, String> report;

    FormulaCheck(SymbolTable symbols, @Nullable String within, BiConsumer<String, String> report) {
        this.symbols = symbols;
        this.within = within;
        this.report = report;
    }

    /**
     * Checks a formula.
     *
     * @param wanted the type it has to give, as far as that is known before it is run
     * @param expectation begins the message where it gives another
     */
    void check(String path, String formula, Type wanted, String expectation) {
        try {
            Type type = symbols.formula(formula, within).type();
            boolean fits = type.base().equals(wanted.base())
                    || type == Type.Simple.ANY
                    || type == Type.Simple.NOTHING
                    || (type instanceof Type.ListOf && wanted instanceof Type.ListOf);
            if (!fits) {
                report.accept(path, "%s; this formula gives %s.".formatted(expectation, type.words()));
            }
        } catch (FormulaProblem problem) {
            report.accept(path, "At character %d: %s".formatted(problem.at() + 1, problem.getMessage()));
        }
    }
}
