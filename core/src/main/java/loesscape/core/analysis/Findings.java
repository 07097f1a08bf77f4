package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.editing.Edit;
import loesscape.core.expression.Names;
import loesscape.core.model.Contrast;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Promised;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;

/**
 * Looks through a template for what its author probably did not mean, as it stands there. What it does for all possible
 * answers is found by {@link LogicFindings}. What is found does not make it invalid.
 */
public final class Findings {

    private final Template template;
    private final SymbolTable symbols;
    private final List<Finding> found = new ArrayList<>();

    private Findings(PreparedTemplate prepared) {
        this.template = prepared.template();
        this.symbols = prepared.symbols();
    }

    /** What was noticed, in document order. */
    public static List<Finding> of(PreparedTemplate prepared) {
        Findings findings = new Findings(prepared);
        prepared.template().nodes().forEach(findings::look);
        findings.lookAround();
        findings.found.addAll(TextFindings.of(prepared));
        findings.found.addAll(SignerFindings.of(prepared));
        return Acceptance.marked(prepared, findings.found);
    }

    /** A template that was only just begun holds nothing anywhere, which is nothing to be told of. */
    private boolean isEmpty() {
        return template.nodes().stream().allMatch(node -> node instanceof Page || node instanceof Section);
    }

    private void look(Node node) {
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
        template.promises().forEach(rule -> {
            used.addAll(symbols.sharedIn(rule.whenever()));
            if (rule.promised() instanceof Promised.IsMet(var condition, var ignored)) {
                used.addAll(symbols.sharedIn(condition));
            }
        });
        template.conditions().forEach(shared -> used.addAll(symbols.sharedIn(shared.condition())));
        for (SharedCondition shared : template.conditions()) {
            if (!shared.name().isEmpty() && !used.contains(shared.key())) {
                found.add(new Finding(
                        FindingTopic.CONTENT,
                        "",
                        "The shared condition “%s” is not used.".formatted(shared.name()),
                        null,
                        List.of(new Mend("Take it away", new Edit.RemoveShared(shared.key(), false)))));
            }
        }
    }

    private void report(Node node, String message) {
        found.add(new Finding(FindingTopic.CONTENT, node.key(), message));
    }
}
