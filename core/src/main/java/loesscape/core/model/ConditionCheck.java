package loesscape.core.model;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Type;

/** The rules every condition keeps: known fields, clauses that fit the field's kind, bounded size. */
final class ConditionCheck {

    private static final int DEEPEST = 32;
    private static final int MOST_CLAUSES = 2_000;
    private static final int MOST_DAYS = 100_000;

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
            case Condition.Group group -> group(path, group, depth);
            case Condition.Written(var formula) -> written(path, formula);
            case Condition.StageIs(var stages) -> {
                if (stages.isEmpty()) {
                    report.accept(path + "/stages", "Say which stage is meant.");
                }
            }
            case Clause clause -> clause(path, clause);
        }
    }

    private void written(String path, String formula) {
        count(path);
        try {
            Type type = Formula.of(formula, FormulaTypes.of(List.copyOf(fields.values())))
                    .type();
            if (type != Type.Simple.YES_NO && type != Type.Simple.ANY && type != Type.Simple.NOTHING) {
                report.accept(
                        path + "/formula",
                        "A condition is true or false; this formula gives %s.".formatted(type.words()));
            }
        } catch (FormulaProblem problem) {
            report.accept(path + "/formula", "At character %d: %s".formatted(problem.at() + 1, problem.getMessage()));
        }
    }

    private void count(String path) {
        clauses++;
        if (clauses == MOST_CLAUSES + 1) {
            report.accept(path, "The condition has more than %d clauses.".formatted(MOST_CLAUSES));
        }
    }

    private void group(String path, Condition.Group group, int depth) {
        List<Condition> parts = group.conditions();
        if (group instanceof Condition.AtLeast(var count, var of) && (count < 1 || count > of.size())) {
            report.accept(path + "/count", "At least 1 and at most all of the conditions have to hold.");
        }
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
        count(path);
        Field field = fields.get(clause.field());
        if (field == null) {
            report.accept(path + "/field", "There is no field “%s”.".formatted(Texts.shortened(clause.field())));
            return;
        }
        switch (clause) {
            case Clause.Answered ignored -> {}
            case Clause.IsBlank ignored -> {}
            case Clause.ChoiceClause it -> choices(path, field, it.choices());
            case Clause.TextClause it -> text(path, field, it);
            case Clause.LengthClause it -> {
                isText(path, field);
                if (it.length() < 0) {
                    report.accept(path + "/length", "A text has no fewer than 0 characters.");
                }
            }
            case Clause.BandClause it -> bands(path, field, it.bands());
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

    private void isText(String path, Field field) {
        if (!field.kind().isText()) {
            report.accept(path, "“%s” does not hold text to compare with.".formatted(field.label()));
        }
    }

    private void text(String path, Field field, Clause.TextClause clause) {
        isText(path, field);
        if (clause.text().isBlank()) {
            report.accept(path + "/text", "Say which text is meant; for no text at all, use “is blank”.");
        }
        new Texts(report).paragraph(path + "/text", clause.text());
        if (clause.test() == Clause.TextClause.TextTest.MATCHES) {
            try {
                Pattern.compile(clause.text());
            } catch (PatternSyntaxException e) {
                report.accept(path + "/text", "This pattern is not understood: %s.".formatted(e.getDescription()));
            }
        }
    }

    private void bands(String path, Field field, List<String> bands) {
        if (bands.isEmpty()) {
            report.accept(path + "/bands", "Say which band is meant.");
        }
        for (int i = 0; i < bands.size(); i++) {
            String id = bands.get(i);
            if (field.bands().stream().noneMatch(band -> band.id().equals(id))) {
                report.accept(
                        path + "/bands/" + i, "“%s” has no band “%s”.".formatted(field.label(), Texts.shortened(id)));
            }
        }
    }

    private void between(String path, Field field, Clause.Between it) {
        operand(path + "/from", field, it.from());
        operand(path + "/to", field, it.to());
        int order = order(it.from(), it.to());
        if (order > 0 || (order == 0 && !(it.fromIncluded() && it.toIncluded()))) {
            report.accept(path + "/to", "Nothing lies between these edges; the second must be above the first.");
        }
    }

    /** How two edges stand to each other; below 0 also where that is not known before there are answers. */
    private static int order(Clause.Operand from, Clause.Operand to) {
        if (from instanceof Clause.Operand.NumberOperand(var low)
                && to instanceof Clause.Operand.NumberOperand(var high)) {
            return low.compareTo(high);
        }
        if (from instanceof Clause.Operand.DateOperand(var low) && to instanceof Clause.Operand.DateOperand(var high)) {
            return low.compareTo(high);
        }
        return from instanceof Clause.Operand.TodayOperand(var low)
                        && to instanceof Clause.Operand.TodayOperand(var high)
                ? Integer.compare(low, high)
                : -1;
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
            case Clause.Operand.TodayOperand(var days) -> {
                if (Math.abs((long) days) > MOST_DAYS) {
                    report.accept(path + "/days", "At most %d days before or after today.".formatted(MOST_DAYS));
                }
                yield field.kind() instanceof FieldKind.Date;
            }
            case Clause.Operand.FieldOperand(var key) -> {
                Field other = fields.get(key);
                if (other == null) {
                    report.accept(path + "/field", "There is no field “%s”.".formatted(Texts.shortened(key)));
                }
                yield other == null || comparable(field.kind(), other.kind());
            }
        };
        if (!fits) {
            report.accept(path, "“%s” cannot be compared with this: it is of another kind.".formatted(field.label()));
        }
    }

    private static boolean comparable(FieldKind one, FieldKind other) {
        boolean numbers = one.isNumeric() && other.isNumeric();
        return numbers || (one instanceof FieldKind.Date && other instanceof FieldKind.Date);
    }
}
