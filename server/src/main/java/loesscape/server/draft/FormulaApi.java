package loesscape.server.draft;

import java.util.List;
import java.util.UUID;
import loesscape.core.expression.functions.Functions;
import loesscape.core.model.MayBeLeftOut;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What helps an author while a formula is written. */
@RestController
class FormulaApi {

    private final FormulaHelp help;

    FormulaApi(FormulaHelp help) {
        this.help = help;
    }

    /**
     * A built-in function.
     *
     * @param required how many of the parameters have to be given
     * @param variadic whether the last may be repeated
     */
    public record FunctionView(
            String name, List<String> parameters, int required, boolean variadic, String says, String example) {}

    /**
     * A name that a formula can refer to.
     *
     * @param name as it is written
     * @param label what it is called in the document; empty where it is no item of it
     * @param type what its value is, in words
     */
    public record NameView(String name, String label, String type) {}

    /**
     * A formula that is written.
     *
     * @param rows the key of the repeating section in whose rows it stands; empty for outside of rows
     */
    public record WrittenFormula(
            String formula, @MayBeLeftOut String rows) {}

    /**
     * What is wrong with a formula.
     *
     * @param at where the trouble begins, counted in characters from 0
     * @param end where it ends
     * @param instead what was probably meant, to be written there; null where that is not known
     */
    public record FormulaTrouble(
            int at, int end, String message, @Nullable String instead) {}

    /**
     * What a formula comes to.
     *
     * @param type what it gives, in words; empty where it cannot be taken
     * @param trouble null where there is none
     */
    public record CheckedFormula(String type, @Nullable FormulaTrouble trouble) {}

    /** All built-in functions. */
    @GetMapping("/api/formulas/functions")
    List<FunctionView> functions() {
        return Functions.list().stream()
                .map(each -> new FunctionView(
                        each.name(),
                        each.parameters(),
                        each.required(),
                        each.isVariadic(),
                        each.says(),
                        each.example()))
                .toList();
    }

    /** The names that a formula can refer to, in the rows of a section or outside of rows. */
    @GetMapping("/api/templates/{id}/draft/formula-names")
    List<NameView> names(@PathVariable UUID id, @RequestParam(defaultValue = "") String rows) {
        return help.names(id, rows);
    }

    /** Whether a formula can be taken, and what it gives. Nothing is changed. */
    @PostMapping("/api/templates/{id}/draft/check-formula")
    CheckedFormula check(@PathVariable UUID id, @RequestBody WrittenFormula written) {
        return help.check(id, written.formula(), written.rows());
    }
}
