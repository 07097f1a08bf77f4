package loesscape.core.analysis.proof;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;

/**
 * A document of some fields alone, for working formulas out: nothing folds in it and everything is offered, so that all that
 * is typed counts. Its own keys begin with a capital, which no field's does.
 */
final class FormulaDocument {

    private final CompiledTemplate compiled;
    private final Context context;

    /**
     * @param template whose language and lists it has
     * @param typed fields into which anything can be typed here that counts there, worked out or not
     * @param workedOut fields that are worked out from these
     */
    FormulaDocument(Template template, LocalDate today, Collection<Field> typed, List<Field> workedOut) {
        List<Item> items = new ArrayList<>();
        typed.forEach(field -> items.add(Field.of(field.key(), field.label(), open(field))));
        items.addAll(workedOut);
        this.context = new Context(today, Stage.FILLING, "");
        this.compiled = CompiledTemplate.ofValid(new Template(
                "Formulas",
                "",
                List.of(new Page("Page", "", null, List.of(Section.of("Section", "", items)))),
                List.of(),
                List.of(),
                template.lists(),
                List.of(),
                template.pageSettings(),
                List.of(),
                List.of()));
    }

    /**
     * The document in which a rule is looked at.
     *
     * @param typed the fields that it names
     */
    static FormulaDocument of(Template template, LocalDate today, Collection<Field> typed, FormulaRule rule) {
        List<Field> told = switch (rule) {
            case FormulaRule.Met ignored -> List.of();
            case FormulaRule.Given(var field, var formula) ->
                List.of(Field.of(field.key(), field.label(), field.kind())
                        .withValue(new FieldValue.WorkedOut(formula, false)));
        };
        return new FormulaDocument(template, today, typed, told);
    }

    /** The kind of a field without what keeps an answer from counting. */
    private static FieldKind open(Field field) {
        boolean isWorkedOut = field.value() instanceof FieldValue.WorkedOut;
        return switch (field.kind()) {
            case FieldKind.Choosing it -> it.withOffer(null);
            case FieldKind.Lookup it -> new FieldKind.Lookup(it.list(), it.column(), Map.of());
            case FieldKind.Numeric it when isWorkedOut -> it.within(null, null);
            case FieldKind kind -> kind;
        };
    }

    /** How it stands for what is typed. */
    Standing standing(Map<String, String> typed) {
        return compiled.standing(new Answers(typed), context);
    }
}
