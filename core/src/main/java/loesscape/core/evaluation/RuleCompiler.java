package loesscape.core.evaluation;

import java.util.List;
import java.util.function.Function;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.WhiteSpace;
import org.jspecify.annotations.Nullable;

/** Compiles all that a node is decided by. */
final class RuleCompiler {

    private final SymbolTable symbols;
    private final ConditionCompiler conditions;
    private final TextCompiler texts;

    RuleCompiler(SymbolTable symbols, Slots slots, ConditionCompiler conditions) {
        this.symbols = symbols;
        this.conditions = conditions;
        this.texts = new TextCompiler(symbols, slots, conditions);
    }

    Rules rules(Node node) {
        String within = symbols.rowsAround(node.key());
        Field field = node instanceof Field it ? it : null;
        return new Rules(
                node,
                field,
                field != null && isPlain(field),
                field != null && isOnlyTyped(field),
                test(Aspect.SHOWN, node, within),
                test(Aspect.REQUIRED, node, within),
                test(Aspect.EDITABLE, node, within),
                test(Aspect.OPEN, node, within),
                Logic.looks(node).stream()
                        .map(it ->
                                new Rules.CompiledLook(conditions.compile(it.when(), within), it.look(), it.extent()))
                        .toList(),
                field == null ? value -> null : Checks.of(field.kind()),
                field == null
                        ? List.of()
                        : field.checks().stream()
                                .map(it -> new Rules.CompiledCheck(
                                        conditions.compile(it.refusedWhen(), within), it.message()))
                                .toList(),
                field == null ? (typed, offered) -> Reading.Read.NOTHING : reader(field.kind()),
                field != null && field.isTyped(),
                field == null ? null : conditions.offerings().of(field),
                field != null && field.value() instanceof FieldValue.WorkedOut(var formula, var ignored)
                        ? formula(formula, within)
                        : null,
                field != null && field.kind() instanceof FieldKind.Payment(var ignored, var amount)
                        ? formula(amount, within)
                        : null,
                node instanceof Notice notice ? texts.of(notice) : seen -> List.of());
    }

    private static boolean isOnlyTyped(Field field) {
        return field.value() == null && isSelfContained(field.kind());
    }

    private static boolean isSelfContained(FieldKind kind) {
        return switch (kind) {
            case FieldKind.Choosing ignored -> false;
            case FieldKind.Lookup ignored -> false;
            case FieldKind.Payment ignored -> false;
            case FieldKind.SelfContained ignored -> true;
        };
    }

    private static boolean isPlain(Field field) {
        return isSelfContained(field.kind())
                && field.bands().isEmpty()
                && Logic.looks(field).isEmpty();
    }

    private Reading.Reader reader(FieldKind kind) {
        Reading.Reader plain = Reading.reader(kind);
        return kind.isNumeric() && NumberReading.partsWithPoints(symbols.language())
                ? (typed, offered) -> WhiteSpace.isAll(typed)
                        ? Reading.Read.NOTHING
                        : NumberReading.withPoints(WhiteSpace.stripped(typed))
                : plain;
    }

    private @Nullable CompiledCondition test(Aspect aspect, Node node, @Nullable String within) {
        Condition condition = aspect.of(node);
        return condition == null ? null : conditions.compile(condition, within);
    }

    private Function<Seen, @Nullable Object> formula(String formula, @Nullable String within) {
        return conditions.formulas().compile(formula, within);
    }
}
