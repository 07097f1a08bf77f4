package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.expression.Names;
import loesscape.core.model.Condition;
import loesscape.core.model.Contrast;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;

/** Looks through a template for what its author probably did not mean. What is found does not make it invalid. */
public final class Findings {

    private final Template template;
    private final SymbolTable symbols;
    private final Satisfiable satisfiable;
    private final List<Finding> found = new ArrayList<>();

    private Findings(PreparedTemplate prepared) {
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.satisfiable = new Satisfiable(symbols);
    }

    /** What was noticed, in document order. */
    public static List<Finding> of(PreparedTemplate prepared) {
        Findings findings = new Findings(prepared);
        prepared.template().nodes().forEach(findings::look);
        findings.lookAround();
        findings.found.addAll(TextFindings.of(prepared));
        findings.found.addAll(SignerFindings.of(prepared));
        return List.copyOf(findings.found);
    }

    /** A template that was only just begun holds nothing anywhere, which is nothing to be told of. */
    private boolean isEmpty() {
        return template.nodes().stream().allMatch(node -> node instanceof Page || node instanceof Section);
    }

    private void look(Node node) {
        for (Logic.StandingCondition place : Logic.conditions(node)) {
            if (!(place.condition() instanceof Condition.Never) && satisfiable.isNever(place.condition())) {
                report(
                        node,
                        "The condition for “%s” can never be met: its parts exclude each other."
                                .formatted(place.what()));
            }
        }
        switch (node) {
            case Field field -> field(field);
            case Section section
            when section.items().isEmpty() && !isEmpty() -> report(section, "This section holds nothing yet.");
            case Picture picture
            when picture.file().isEmpty() && picture.follows().isEmpty() ->
                report(picture, "No picture was chosen yet.");
            case Notice notice when notice.text().isBlank() -> report(notice, "The notice says nothing.");
            default -> {}
        }
        for (LookRule rule : Logic.looks(node)) {
            look(node, rule.look());
        }
    }

    private void look(Node node, Look look) {
        Look.Colours colours = look.colours();
        if (colours != null && !colours.despite().isBlank()) {
            report(
                    node,
                    "Text in %s on %s has a contrast of %.2f to 1, less than WCAG 2.2 asks for, because: %s"
                            .formatted(
                                    colours.text(),
                                    colours.fill(),
                                    Contrast.of(colours.text(), colours.fill()),
                                    colours.despite()));
        }
    }

    private void field(Field field) {
        if (field.label().isBlank()) {
            report(field, "The field has no label; nobody can know what is asked.");
        }
        boolean asked = field.required() instanceof Condition.Always;
        boolean locked = field.editable() instanceof Condition.Never && field.value() == null;
        if (asked && locked) {
            report(field, "An answer is required, and nobody can give it: the field is never editable.");
        }
        if (field.kind() instanceof FieldKind.Choosing choosing
                && choosing.choices().isEmpty()) {
            report(field, "There is nothing to choose from.");
        }
        if (field.kind() instanceof FieldKind.Lookup lookup) {
            LookupList list = symbols.list(lookup.list());
            if (list != null && list.rows().isEmpty()) {
                report(field, "The list “%s” has no rows.".formatted(list.name()));
            }
        }
        if (field.kind() instanceof FieldKind.Choosing choosing
                && choosing.offer() != null
                && choosing.offer().perAnswer().values().stream().allMatch(List::isEmpty)) {
            report(
                    field,
                    "No answer to “%s” offers any choice."
                            .formatted(choosing.offer().parent()));
        }
        field.bands().forEach(band -> look(field, band.look()));
    }

    private void lookAround() {
        Set<String> used = new HashSet<>();
        template.nodes()
                .forEach(node ->
                        Logic.conditions(node).forEach(place -> used.addAll(symbols.sharedIn(place.condition()))));
        template.nodes().forEach(node -> Logic.formulas(node).forEach(formula -> used.addAll(Names.in(formula))));
        template.roles().forEach(role -> used.addAll(symbols.sharedIn(role.takesPart())));
        template.finish().forEach(rule -> used.addAll(symbols.sharedIn(rule.when())));
        template.conditions().forEach(shared -> used.addAll(symbols.sharedIn(shared.condition())));
        for (SharedCondition shared : template.conditions()) {
            if (!shared.name().isEmpty() && !used.contains(shared.key())) {
                found.add(new Finding("", "The shared condition “%s” is not used.".formatted(shared.name())));
            }
            if (satisfiable.isNever(shared.condition())) {
                found.add(new Finding(
                        "",
                        "The shared condition “%s” can never be met: its parts exclude each other."
                                .formatted(shared.name())));
            }
        }
        for (FinishRule rule : template.finish()) {
            if (satisfiable.isNever(rule.when())) {
                found.add(new Finding("", "The document can never be finished: “%s”".formatted(rule.message())));
            }
        }
    }

    private void report(Node node, String message) {
        found.add(new Finding(node.key(), message));
    }
}
