package loesscape.core.model;

import java.util.List;
import java.util.function.BiConsumer;
import loesscape.core.expression.TextPattern;
import loesscape.core.expression.Type;
import org.jspecify.annotations.Nullable;

/** The rules every condition keeps: known fields, clauses that fit the field's kind, bounded size. */
final class ConditionCheck {

    private static final int DEEPEST = 32;
    private static final int MOST_CLAUSES = 2_000;
    private static final int MOST_DAYS = 100_000;

    private final SymbolTable symbols;
    private final BiConsumer<String, String> report;
    private @Nullable String within;
    private int clauses;

    /**
     * @param within the repeating section in whose rows the condition is asked; null for outside of rows
     */
    ConditionCheck(SymbolTable symbols, @Nullable String within, BiConsumer<String, String> report) {
        this.symbols = symbols;
        this.within = within;
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
            case Condition.Written(var formula) -> {
                count(path);
                new FormulaCheck(symbols, within, report)
                        .check(path + "/formula", formula, Type.Simple.YES_NO, "A condition is true or false");
            }
            case Condition.StageIs(var stages) -> {
                if (stages.isEmpty()) {
                    report.accept(path + "/stages", "Say which stage is meant.");
                }
            }
            case Condition.RoleIs(var roles) -> roles(path, roles);
            case Condition.Shared(var key) -> shared(path, key);
            case Condition.OfRows it -> ofRows(path, it, depth);
            case Condition.RowCount it -> {
                count(path);
                section(path, it.section());
                if (it.count() < 0) {
                    report.accept(path + "/count", "There are no fewer than 0 rows.");
                }
            }
            case Condition.Total it -> total(path, it);
            case Clause clause -> clause(path, clause);
        }
    }

    private void roles(String path, List<String> roles) {
        if (roles.isEmpty()) {
            report.accept(path + "/roles", "Say which role is meant.");
        }
        for (int i = 0; i < roles.size(); i++) {
            if (symbols.role(roles.get(i)) == null) {
                report.accept(
                        path + "/roles/" + i, "There is no role “%s”.".formatted(TextBounds.shortened(roles.get(i))));
            }
        }
    }

    private void shared(String path, String key) {
        count(path);
        SharedCondition shared = symbols.shared(key);
        if (shared == null) {
            report.accept(
                    path + "/condition", "There is no shared condition “%s”.".formatted(TextBounds.shortened(key)));
            return;
        }
        for (String rows : symbols.rowsLookedAt(shared.condition())) {
            if (!rows.equals(within)) {
                report.accept(
                        path + "/condition",
                        "“%s” looks at single rows, so it can be used only in the rows of “%s”."
                                .formatted(shared.name().isEmpty() ? key : shared.name(), rows));
            }
        }
    }

    private void section(String path, String key) {
        if (symbols.repeating(key) == null) {
            report.accept(
                    path + "/section", "There is no repeating section “%s”.".formatted(TextBounds.shortened(key)));
        }
    }

    private void ofRows(String path, Condition.OfRows it, int depth) {
        count(path);
        section(path, it.section());
        if (depth >= DEEPEST) {
            report.accept(path, "Conditions are nested more than %d deep.".formatted(DEEPEST));
            return;
        }
        String outside = within;
        within = it.section();
        check(path + "/condition", it.condition(), depth + 1);
        within = outside;
    }

    private void total(String path, Condition.Total it) {
        count(path);
        Field field = symbols.field(it.field());
        if (field == null
                || symbols.rowsAround(it.field()) == null
                || !field.kind().isNumeric()) {
            report.accept(
                    path + "/field",
                    "There is no number “%s” in rows to add up.".formatted(TextBounds.shortened(it.field())));
            return;
        }
        operand(path + "/to", field, it.to());
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
        Field field = field(path, clause.field());
        if (field == null) {
            return;
        }
        switch (clause) {
            case Clause.Answered ignored -> {}
            case Clause.IsBlank ignored -> {}
            case Clause.ChoiceClause it ->
                choices(path, field, it.choices(), field.kind().isOneChoice());
            case Clause.SetClause it ->
                choices(path, field, it.choices(), field.kind() instanceof FieldKind.SeveralChoices);
            case Clause.CountClause it -> {
                if (!(field.kind() instanceof FieldKind.SeveralChoices)) {
                    report.accept(path, "“%s” is not a field of several choices.".formatted(field.label()));
                }
                if (it.count() < 0) {
                    report.accept(path + "/count", "No fewer than 0 choices are chosen.");
                }
            }
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

    /** A field that can be looked at from here: outside of rows, or in the row of which the condition is asked. */
    private @Nullable Field field(String path, String key) {
        Field field = symbols.field(key);
        if (field == null) {
            report.accept(path + "/field", "There is no field “%s”.".formatted(TextBounds.shortened(key)));
            return null;
        }
        String rows = symbols.rowsAround(key);
        if (rows != null && !rows.equals(within)) {
            report.accept(
                    path + "/field",
                    "“%s” stands in rows; say for which: any row, every row, no row, or a total."
                            .formatted(field.label()));
            return null;
        }
        return field;
    }

    private void choices(String path, Field field, List<String> choices, boolean fits) {
        if (!fits) {
            report.accept(path, "“%s” has no such choices to compare with.".formatted(field.label()));
            return;
        }
        if (choices.isEmpty()) {
            report.accept(path + "/choices", "Say which choice is meant.");
        }
        for (int i = 0; i < choices.size(); i++) {
            String id = choices.get(i);
            if (!symbols.choices(field).contains(id)) {
                report.accept(
                        path + "/choices/" + i,
                        "“%s” has no choice “%s”.".formatted(field.label(), TextBounds.shortened(id)));
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
        new TextBounds(report).paragraph(path + "/text", clause.text());
        if (clause.test() == Clause.TextClause.TextTest.MATCHES) {
            try {
                TextPattern.of(clause.text(), 0);
            } catch (TextPattern.NoPattern e) {
                report.accept(path + "/text", String.valueOf(e.getMessage()));
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
                        path + "/bands/" + i,
                        "“%s” has no band “%s”.".formatted(field.label(), TextBounds.shortened(id)));
            }
        }
    }

    private void between(String path, Field field, Clause.Between it) {
        operand(path + "/from", field, it.from());
        operand(path + "/to", field, it.to());
        if (it.isEmpty()) {
            report.accept(path + "/to", "Nothing lies between these edges; the second must be above the first.");
        }
    }

    private void operand(String path, Field field, Clause.Operand operand) {
        boolean fits = switch (operand) {
            case Clause.Operand.NumberOperand(var number) -> {
                if (!Numbers.isReasonable(number)) {
                    report.accept(path, "The number is too long; at most %d digits.".formatted(Numbers.MOST_DIGITS));
                }
                yield field.kind().isNumeric();
            }
            case Clause.Operand.DateOperand ignored -> field.kind().isDay();
            case Clause.Operand.TimeOperand ignored -> field.kind() instanceof FieldKind.Time;
            case Clause.Operand.TodayOperand(var days) -> {
                if (Math.abs((long) days) > MOST_DAYS) {
                    report.accept(path + "/days", "At most %d days before or after today.".formatted(MOST_DAYS));
                }
                yield field.kind().isDay();
            }
            case Clause.Operand.FieldOperand(var key) -> {
                Field other = field(path, key);
                yield other == null || field.kind().isComparableWith(other.kind());
            }
            case Clause.Operand.FormulaOperand(var formula) -> {
                boolean ordered = field.kind().isOrdered();
                if (ordered) {
                    Type wanted = FormulaTypes.of(field.kind(), symbols);
                    new FormulaCheck(symbols, within, report)
                            .check(path + "/formula", formula, wanted, "This is compared with " + wanted.words());
                }
                yield ordered;
            }
        };
        if (!fits) {
            report.accept(path, "“%s” cannot be compared with this: it is of another kind.".formatted(field.label()));
        }
    }
}
