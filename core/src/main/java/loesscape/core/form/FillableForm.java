package loesscape.core.form;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;

/**
 * A template as a form that is filled in elsewhere: all that may be asked and told, in reading order, with what it follows in
 * words, and with the answers there are already.
 *
 * <pre>{@code
 * FillableForm form = FillableForm.of(PreparedTemplate.of(template), Answers.NONE);
 * form.parts();          // headings, questions, texts
 * form.value("depth");   // blank
 * }</pre>
 *
 * @param template what it is made of
 * @param parts in reading order
 * @param state the answers there are, with nothing folded
 * @param references the numbers of clauses and sections by which texts refer to them
 */
public record FillableForm(
        PreparedTemplate template, List<FormPart> parts, State state, Map<String, String> references) {

    /** How many rows there is room for where a section takes many. */
    private static final int USUAL_ROWS = 6;

    public FillableForm {
        parts = List.copyOf(parts);
        references = Map.copyOf(references);
    }

    /** The form of a template with some answers in it; those to questions that are folded now stand there too. */
    public static FillableForm of(PreparedTemplate template, Answers answers) {
        Template open = unfolded(template.template());
        CompiledTemplate compiled = CompiledTemplate.ofValid(open);
        State state =
                compiled.evaluate(withRows(template, answers), Context.UNDATED).numbered(open);
        return new FillableForm(template, new FormParts(template, state).write(), state, state.references(open));
    }

    /** The answer at an address; blank where there is none. */
    public Value value(String address) {
        return state.counting(address);
    }

    /** What can be chosen in its fields. */
    public FormChoices choices() {
        return new FormChoices(template.symbols());
    }

    /** The number by which a text refers to a clause or section; empty where it has none. */
    public String reference(String key) {
        return references.getOrDefault(key, "");
    }

    /** How many rows there is room for, by the keys of their sections. */
    public Map<String, Integer> rooms() {
        Map<String, Integer> rooms = new LinkedHashMap<>();
        for (Node node : template.template().nodes()) {
            if (node instanceof Section section && section.rows() != null) {
                rooms.put(section.key(), names(state, section).size());
            }
        }
        return rooms;
    }

    private static List<String> names(State state, Section section) {
        return state.of(section.key()) instanceof NodeState.SectionState it && it.rows() != null
                ? it.rows()
                : List.of();
    }

    /** The same with nothing that folds; what decides otherwise stays as it is. */
    private static Template unfolded(Template template) {
        return template.withPages(template.pages().stream()
                .map(page -> page.withShown(null)
                        .withSections(page.sections().stream()
                                .map(FillableForm::unfolded)
                                .toList()))
                .toList());
    }

    private static Section unfolded(Section section) {
        List<Item> items = section.items().stream()
                .map(item -> item instanceof Section inner ? unfolded(inner) : (Item) item.withShown(null))
                .toList();
        return section.withShown(null).withItems(items);
    }

    /** How many rows of a section have places on pages. */
    private static int placed(PreparedTemplate template, String section) {
        return template.template().pages().stream()
                .flatMap(page -> page.places().stream())
                .filter(place -> section.equals(template.symbols().rowsAround(place.item())))
                .mapToInt(place -> place.row() + 1)
                .max()
                .orElse(0);
    }

    /** Room for rows is more than the rows there are; they are called r1, r2 and so on, by which forms know them. */
    private static Answers withRows(PreparedTemplate template, Answers answers) {
        Map<String, String> typed = new LinkedHashMap<>(answers.typed());
        for (Node node : template.template().nodes()) {
            Section.Rows rows = node instanceof Section it ? it.rows() : null;
            if (rows == null) {
                continue;
            }
            List<String> given = RowNames.read(typed.getOrDefault(node.key(), ""));
            int usual = Math.max(USUAL_ROWS, placed(template, node.key()));
            int room = Math.max(given.size(), Math.min(rows.most(), Math.max(rows.least(), usual)));
            List<String> names = new ArrayList<>();
            for (int i = 1; i <= room; i++) {
                names.add("r" + i);
            }
            typed.put(node.key(), RowNames.text(names));
            for (String key : template.symbols().fieldsOfRows(node.key())) {
                Map<String, String> moved = new LinkedHashMap<>();
                for (int i = 0; i < given.size(); i++) {
                    String text = typed.remove(RowNames.address(key, given.get(i)));
                    if (text != null) {
                        moved.put(RowNames.address(key, names.get(i)), text);
                    }
                }
                // A row that nobody asked for begins with nothing: it is there once something is written in it.
                for (int i = Math.max(given.size(), rows.least()); i < room; i++) {
                    moved.put(RowNames.address(key, names.get(i)), "");
                }
                typed.putAll(moved);
            }
        }
        return new Answers(typed);
    }
}
