package loesscape.core.script;

import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Writes conditions as expressions over {@code c}, what is seen. */
final class ScriptConditions {

    /** What is the same in patterns of every language: letters, digits, classes of these, repetitions, choices. */
    private static final Pattern COMMON_PATTERN =
            Pattern.compile("(?:[A-Za-z0-9 _:;,@#%&=!/'\"<>~^$.|()*?\\-]|\\+(?!\\+)|\\\\[.\\\\\\-+*?()\\[\\]{}|^$/]"
                    + "|\\{\\d{1,3}(?:,\\d{0,3})?}|\\[\\^?(?:[A-Za-z0-9 _.,;:@#%=!/]|[A-Za-z0-9]-[A-Za-z0-9])+])*");

    private final SymbolTable symbols;
    private final ScriptFormulas formulas;

    ScriptConditions(SymbolTable symbols, LookupTables tables) {
        this.symbols = symbols;
        this.formulas = new ScriptFormulas(symbols, tables);
    }

    ScriptFormulas formulas() {
        return formulas;
    }

    /** A condition as a function; of rows where it is asked there. */
    String function(Condition condition, @Nullable String within) {
        return "function(c){return " + of(condition, within) + "}";
    }

    String of(Condition condition, @Nullable String within) {
        return switch (condition) {
            case Condition.Always() -> "true";
            case Condition.Never() -> "false";
            case Condition.All(var parts) -> enough(parts, within, parts.size());
            case Condition.Any(var parts) -> enough(parts, within, 1);
            case Condition.None(var parts) -> "!" + enough(parts, within, 1);
            case Condition.AtLeast(var count, var parts) -> enough(parts, within, count);
            case Condition.Written(var formula) -> "(" + formulas.of(formula, within) + ")===true";
            case Condition.StageIs(var stages) -> Boolean.toString(stages.contains(Stage.FILLING));
            // Whoever fills in elsewhere acts in no role.
            case Condition.RoleIs ignored -> "false";
            case Condition.Shared(var key) -> "loess.document.shared[" + ScriptText.of(key) + "](c)";
            case Condition.OfRows it ->
                "loess.ofRows(c,%s,%s,%s,%s)"
                        .formatted(
                                ScriptText.of(it.section()),
                                ScriptText.of(it.quantity().name()),
                                it.metWhenBlank(),
                                function(it.condition(), it.section()));
            case Condition.RowCount it ->
                "loess.rowCount(c,%s,%s,%d)"
                        .formatted(
                                ScriptText.of(it.section()),
                                ScriptText.of(it.test().name()),
                                it.count());
            case Condition.Total it ->
                "loess.total(c,%s,%s,%s,%s,%s,%s)"
                        .formatted(
                                ScriptText.of(String.valueOf(symbols.rowsAround(it.field()))),
                                ScriptText.of(it.field()),
                                it.metWhenBlank(),
                                ScriptText.of(it.test().name()),
                                operand(it.to(), within),
                                it.to().canBeBlank());
            case Clause clause -> clause(clause, within);
        };
    }

    private String enough(List<Condition> parts, @Nullable String within, int wanted) {
        return "loess.enough(c,%s,%d)"
                .formatted(
                        parts.stream().map(part -> function(part, within)).collect(Collectors.joining(",", "[", "]")),
                        wanted);
    }

    private String clause(Clause clause, @Nullable String within) {
        String field = ScriptText.of(clause.field());
        String about = "c," + field + "," + clause.metWhenBlank();
        return switch (clause) {
            case Clause.Answered ignored -> "loess.answered(c," + field + ")";
            case Clause.IsBlank ignored -> "!loess.answered(c," + field + ")";
            case Clause.ChoiceClause it -> {
                Field chosen = symbols.field(it.field());
                if (chosen != null && symbols.isNumberColumn(chosen)) {
                    throw new NotInScript("it compares cells of a list that are numbers");
                }
                yield "loess.choice(%s,%s,%s)"
                        .formatted(about, it.test() == Clause.ChoiceClause.ChoiceTest.IS, ScriptText.of(it.choices()));
            }
            case Clause.SetClause it ->
                "loess.set(%s,%s,%s)"
                        .formatted(
                                about,
                                ScriptText.of(it.test().name()),
                                ScriptText.of(it.choices().stream().distinct().toList()));
            case Clause.CountClause it ->
                "loess.count(%s,%s,%d)".formatted(about, ScriptText.of(it.test().name()), it.count());
            case Clause.LengthClause it ->
                "loess.size(%s,%s,%d)".formatted(about, ScriptText.of(it.test().name()), it.length());
            case Clause.BandClause it -> "loess.band(%s,%s)".formatted(about, ScriptText.of(it.bands()));
            case Clause.TextClause it
            when it.test() == Clause.TextClause.TextTest.MATCHES ->
                "loess.pattern(%s,%s)".formatted(about, pattern(it));
            case Clause.TextClause it ->
                "loess.words(%s,%s,%s,%s)"
                        .formatted(about, ScriptText.of(it.test().name()), ScriptText.of(it.text()), it.matchCase());
            case Clause.Comparison it ->
                "loess.compare(%s,%s,%s,%s)"
                        .formatted(
                                about,
                                ScriptText.of(it.test().name()),
                                operand(it.to(), within),
                                it.to().canBeBlank());
            case Clause.Between it ->
                "loess.between(%s,%s,%s,%s,%s,%s,%s,%s)"
                        .formatted(
                                about,
                                it.outside(),
                                operand(it.from(), within),
                                it.fromIncluded(),
                                it.from().canBeBlank(),
                                operand(it.to(), within),
                                it.toIncluded(),
                                it.to().canBeBlank());
        };
    }

    private static String pattern(Clause.TextClause clause) {
        if (!COMMON_PATTERN.matcher(clause.text()).matches() || clause.text().contains("(?")) {
            throw new NotInScript("the pattern “" + clause.text() + "” is not read the same everywhere");
        }
        return "new RegExp(%s,%s)"
                .formatted(ScriptText.of(clause.text()), ScriptText.of(clause.matchCase() ? "" : "i"));
    }

    private String operand(Operand operand, @Nullable String within) {
        return "function(c){return "
                + switch (operand) {
                    case Operand.NumberOperand(BigDecimal number) -> ScriptText.of(number);
                    case Operand.DateOperand(var date) -> ScriptText.of(date);
                    case Operand.TimeOperand(var time) -> ScriptText.of(time);
                    case Operand.FieldOperand(var key) -> "loess.value(c," + ScriptText.of(key) + ")";
                    case Operand.FormulaOperand(var formula) -> formulas.of(formula, within);
                    case Operand.TodayOperand(var days) -> "c.today===null?null:loess.day(c.today+(" + days + "))";
                }
                + "}";
    }
}
