package loesscape.core.model;

import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;

/** The rules every condition keeps: known fields, clauses that fit the field's kind, bounded size. */
final class ConditionCheck {

    private static final int DEEPEST = 32;
    private static final int MOST_CLAUSES = 2_000;

    private final Map<String, Field> fields;
    private final BiConsumer<String, String> report;
    private int clauses;

    ConditionCheck(Map<String, Field> fields, BiConsumer<String, String> report) {
        this.fields = fields;
        this.report = report;
    }

    void check(String path, Condition condition) {
        check(path, condition, 0);
    }

    private void check(String path, Condition condition, int depth) {
        switch (condition) {
            case Condition.Always() -> {}
            case Condition.Never() -> {}
            case Condition.All(var parts) -> group(path, parts, depth);
            case Condition.Any(var parts) -> group(path, parts, depth);
            case Clause clause -> clause(path, clause);
        }
    }

    private void group(String path, List<Condition> parts, int depth) {
        if (parts.isEmpty()) {
            report.accept(path + "/conditions", "The group is empty; put a condition in or take the group away.");
        }
        if (depth >= DEEPEST) {
            report.accept(path, "Groups are nested more than %d deep.".formatted(DEEPEST));
            return;
        }
        for (int i = 0; i < parts.size(); i++) {
            check(path + "/conditions/" + i, parts.get(i), depth + 1);
        }
    }

    private void clause(String path, Clause clause) {
        clauses++;
        if (clauses == MOST_CLAUSES + 1) {
            report.accept(path, "The condition has more than %d clauses.".formatted(MOST_CLAUSES));
        }
        Field field = fields.get(clause.field());
        if (field == null) {
            report.accept(path + "/field", "There is no field “%s”.".formatted(Texts.shortened(clause.field())));
            return;
        }
        switch (clause) {
            case Clause.Answered ignored -> {}
            case Clause.IsBlank ignored -> {}
            case Clause.ChoiceClause it -> choices(path, field, it.choices());
            case Clause.TextClause it -> text(path, field, it.text());
            case Clause.Comparison it -> operand(path + "/to", field, it.to());
            case Clause.Between it -> between(path, field, it);
        }
    }

    private void choices(String path, Field field, List<String> choices) {
        if (!(field.kind() instanceof FieldKind.OneChoice) && !(field.kind() instanceof FieldKind.YesNo)) {
            report.accept(path, "“%s” has no choices to compare with.".formatted(field.label()));
            return;
        }
        if (choices.isEmpty()) {
            report.accept(path + "/choices", "Say which choice is meant.");
        }
        for (int i = 0; i < choices.size(); i++) {
            String id = choices.get(i);
            if (field.kind().offered().stream().noneMatch(choice -> choice.id().equals(id))) {
                report.accept(
                        path + "/choices/" + i,
                        "“%s” has no choice “%s”.".formatted(field.label(), Texts.shortened(id)));
            }
        }
    }

    private void text(String path, Field field, String text) {
        if (!(field.kind() instanceof FieldKind.Text) && !(field.kind() instanceof FieldKind.LongText)) {
            report.accept(path, "“%s” does not hold text to compare with.".formatted(field.label()));
        }
        if (text.isBlank()) {
            report.accept(path + "/text", "Say which text is meant; for no text at all, use “is blank”.");
        }
        new Texts(report).paragraph(path + "/text", text);
    }

    private void between(String path, Field field, Clause.Between it) {
        operand(path + "/from", field, it.from());
        operand(path + "/to", field, it.to());
        int order = order(it.from(), it.to());
        if (order > 0 || (order == 0 && !(it.fromIncluded() && it.toIncluded()))) {
            report.accept(path + "/to", "Nothing lies between these edges; the second must be above the first.");
        }
    }

    private static int order(Clause.Operand from, Clause.Operand to) {
        return switch (from) {
            case Clause.Operand.NumberOperand(var low) ->
                to instanceof Clause.Operand.NumberOperand(var high) ? low.compareTo(high) : -1;
            case Clause.Operand.DateOperand(var low) ->
                to instanceof Clause.Operand.DateOperand(var high) ? low.compareTo(high) : -1;
        };
    }

    private void operand(String path, Field field, Clause.Operand operand) {
        boolean fits = switch (operand) {
            case Clause.Operand.NumberOperand(var number) -> {
                if (!Numbers.isReasonable(number)) {
                    report.accept(path, "The number is too long; at most %d digits.".formatted(Numbers.MOST_DIGITS));
                }
                yield field.kind().isNumeric();
            }
            case Clause.Operand.DateOperand ignored -> field.kind() instanceof FieldKind.Date;
        };
        if (!fits) {
            report.accept(path, "“%s” cannot be compared with this: it is of another kind.".formatted(field.label()));
        }
    }
}
