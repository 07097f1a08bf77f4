package loesscape.core.script;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;

/**
 * What a lookup offers and what stands in the rows it chooses, asked of the evaluation for every answer to the fields it
 * follows, so that a script only has to look it up.
 */
final class LookupTables {

    /** So many answers of those it follows, and so many cells, go along with a form. */
    private static final int MOST = 2_000;

    /** What stands between answers that are looked up together. */
    static final String JOINT = "\u0001";

    // Spelt as no key is, so that none of the fields is called so.
    private static final String PAGE = "#page";
    private static final String SECTION = "#section";
    private static final String CELL = "#cell";

    private final SymbolTable symbols;
    private final List<LookupList> lists;

    LookupTables(SymbolTable symbols, List<LookupList> lists) {
        this.symbols = symbols;
        this.lists = lists;
    }

    /**
     * The cells that are offered, by the answers to the fields that are followed.
     *
     * @throws NotInScript where there are too many, or what is followed can be answered in any words
     */
    Map<String, List<String>> offered(Field field) {
        Map<String, List<String>> offered = new LinkedHashMap<>();
        CompiledTemplate asked = asked(field, null);
        int cells = 0;
        for (Map<String, String> answers : answers(field)) {
            if (asked.evaluate(new Answers(answers), Context.UNDATED).of(field.key()) instanceof NodeState.FieldState it
                    && it.offered() != null
                    && !it.offered().isEmpty()) {
                offered.put(String.join(JOINT, answers.values()), it.offered());
                cells += it.offered().size();
            }
            if (cells > MOST || offered.values().stream().anyMatch(each -> each.size() >= 500)) {
                throw new NotInScript("its list has more than %d entries, which do not go along".formatted(500));
            }
        }
        return offered;
    }

    /** What stands in another column of the rows that are chosen, by the same answers and the cell; what is blank is left out. */
    Map<String, Value> column(Field field, String column) {
        FieldKind.Lookup lookup = (FieldKind.Lookup) field.kind();
        LookupList list = symbols.list(lookup.list());
        boolean isNumber =
                list != null && list.columns().get(list.column(column)).number();
        Field told = Field.of(
                        CELL, "Cell", isNumber ? new FieldKind.Number(10, "", null, null) : new FieldKind.Text("", 0))
                .withValue(new FieldValue.WorkedOut(field.key() + "." + column, false));
        CompiledTemplate asked = asked(field, told);
        Map<String, Value> values = new LinkedHashMap<>();
        offered(field).forEach((by, cells) -> {
            Map<String, String> answers = new LinkedHashMap<>();
            List<String> parents = List.copyOf(lookup.filters().values());
            String[] given = by.split(JOINT, -1);
            for (int i = 0; i < parents.size(); i++) {
                answers.put(parents.get(i), given[i]);
            }
            for (String cell : cells) {
                answers.put(field.key(), cell);
                Value value =
                        asked.evaluate(new Answers(answers), Context.UNDATED).counting(CELL);
                if (!value.isBlank()) {
                    values.put(by + JOINT + cell, value);
                }
            }
        });
        return values;
    }

    /** A template of the lookup and what it follows alone, where nothing folds. */
    private CompiledTemplate asked(Field field, @org.jspecify.annotations.Nullable Field told) {
        List<Item> items = new ArrayList<>();
        for (Field parent : parents(field)) {
            FieldKind kind = parent.kind() instanceof FieldKind.Lookup it
                    ? new FieldKind.Lookup(it.list(), it.column(), Map.of())
                    : parent.kind() instanceof FieldKind.Choosing it ? it.withOffer(null) : parent.kind();
            items.add(Field.of(parent.key(), parent.label(), kind));
        }
        items.add(Field.of(field.key(), field.label(), field.kind()));
        if (told != null) {
            items.add(told);
        }
        Template alone =
                Template.of("Lookup", List.of(new Page(PAGE, "", null, List.of(Section.of(SECTION, "", items)))));
        return CompiledTemplate.ofValid(new Template(
                alone.title(),
                "",
                alone.pages(),
                List.of(),
                List.of(),
                lists,
                List.of(),
                alone.pageSettings(),
                List.of(),
                List.of()));
    }

    private List<Field> parents(Field field) {
        Set<Field> parents = new LinkedHashSet<>();
        for (String key : ((FieldKind.Lookup) field.kind()).filters().values()) {
            Field parent = symbols.field(key);
            if (parent == null || symbols.rowsAround(key) != null) {
                throw new NotInScript("what it follows stands in rows");
            }
            parents.add(parent);
        }
        return List.copyOf(parents);
    }

    private List<Map<String, String>> answers(Field field) {
        List<Map<String, String>> all = new ArrayList<>();
        all.add(new LinkedHashMap<>());
        for (Field parent : parents(field)) {
            List<Map<String, String>> more = new ArrayList<>();
            for (Map<String, String> each : all) {
                for (String answer : possible(parent)) {
                    Map<String, String> next = new LinkedHashMap<>(each);
                    next.put(parent.key(), answer);
                    more.add(next);
                }
            }
            all = more;
            if (all.size() > MOST) {
                throw new NotInScript("what it follows has more than %,d answers".formatted(MOST));
            }
        }
        return all;
    }

    private List<String> possible(Field parent) {
        return switch (parent.kind()) {
            case FieldKind.YesNo() -> List.of(FieldKind.YesNo.YES, FieldKind.YesNo.NO);
            case FieldKind.OneChoice it
            when !it.other() -> it.choices().stream().map(Choice::id).toList();
            case FieldKind.Lookup it -> {
                LookupList list = symbols.list(it.list());
                int column = list == null ? -1 : list.column(it.column());
                yield list == null || column < 0
                        ? List.of()
                        : list.rows().stream()
                                .map(row -> row.get(column))
                                .filter(cell -> !cell.isBlank())
                                .distinct()
                                .toList();
            }
            default -> throw new NotInScript("“" + parent.name() + "” can be answered in any words");
        };
    }
}
