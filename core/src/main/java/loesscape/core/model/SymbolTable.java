package loesscape.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.NameUse;
import loesscape.core.expression.Names;
import loesscape.core.expression.Type;
import loesscape.core.model.Clause.Operand;
import org.jspecify.annotations.Nullable;

/** What the names in a template mean: to conditions, to formulas, and where they can be used. */
public final class SymbolTable {

    private final Map<String, Field> fields = new LinkedHashMap<>();
    private final Map<String, Section> repeating = new LinkedHashMap<>();
    private final Map<String, String> rowsOf = new HashMap<>();
    private final Map<String, Set<String>> fieldsOfRows = new HashMap<>();
    private final Map<String, SharedCondition> shared = new LinkedHashMap<>();
    private final Map<String, LookupList> lists = new LinkedHashMap<>();
    private final Map<String, Role> roles = new LinkedHashMap<>();
    private final Map<String, Map<String, Type>> types = new ConcurrentHashMap<>();
    private final Map<String, Set<String>> choices = new ConcurrentHashMap<>();
    private final Map<String, List<NameUse>> uses = new ConcurrentHashMap<>();
    private final Map<String, Map<String, Understood>> formulas = new ConcurrentHashMap<>();

    /** A formula, or why it is none. */
    private record Understood(
            @Nullable Formula formula, @Nullable FormulaProblem problem) {}

    /** What the names for any place are kept under; no key has such a sign. */
    private static final String ANYWHERE = "*";

    private final Locale language;

    private SymbolTable(Template template) {
        String tag = template.pageSettings().language();
        language = tag.isEmpty() ? Locale.ENGLISH : Locale.forLanguageTag(tag);
        template.conditions().forEach(it -> shared.putIfAbsent(it.key(), it));
        template.lists().forEach(it -> lists.putIfAbsent(it.key(), it));
        template.roles().forEach(it -> roles.putIfAbsent(it.key(), it));
        template.pages().forEach(page -> page.sections().forEach(section -> enter(section, null)));
    }

    /** What the names in a template mean, which need not be valid; of two things with the same name, the first counts. */
    public static SymbolTable of(Template template) {
        return new SymbolTable(template);
    }

    private void enter(Section section, @Nullable String around) {
        if (around != null) {
            rowsOf.putIfAbsent(section.key(), around);
        }
        String within = section.isRepeating() ? section.key() : around;
        if (section.isRepeating()) {
            repeating.putIfAbsent(section.key(), section);
            fieldsOfRows.putIfAbsent(section.key(), new LinkedHashSet<>());
        }
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                enter(inner, within);
                continue;
            }
            if (within != null) {
                rowsOf.putIfAbsent(item.key(), within);
            }
            if (item instanceof Field field && fields.putIfAbsent(field.key(), field) == null && within != null) {
                fieldsOfRows
                        .computeIfAbsent(within, ignored -> new LinkedHashSet<>())
                        .add(field.key());
            }
        }
    }

    /** The language of the document; English where none is said. */
    public Locale language() {
        return language;
    }

    /** The field with a key; null where there is none. */
    public @Nullable Field field(String key) {
        return fields.get(key);
    }

    /** The repeating section with a key; null where there is none. */
    public @Nullable Section repeating(String key) {
        return repeating.get(key);
    }

    /** The shared condition with a key; null where there is none. */
    public @Nullable SharedCondition shared(String key) {
        return shared.get(key);
    }

    /** The lookup list with a key; null where there is none. */
    public @Nullable LookupList list(String key) {
        return lists.get(key);
    }

    /** The role with a key; null where there is none. */
    public @Nullable Role role(String key) {
        return roles.get(key);
    }

    /** The key of the repeating section in whose rows a node stands; null where it stands in none. */
    public @Nullable String rowsAround(String key) {
        return rowsOf.get(key);
    }

    /** The identities of the choices of a field that conditions can name: of a lookup, the cells of its column. */
    public Set<String> choices(Field field) {
        return choices.computeIfAbsent(field.key(), ignored -> choicesOf(field));
    }

    private Set<String> choicesOf(Field field) {
        Set<String> ids = new LinkedHashSet<>();
        if (field.kind() instanceof FieldKind.Lookup it) {
            LookupList list = lists.get(it.list());
            int column = list == null ? -1 : list.column(it.column());
            if (list != null && column >= 0) {
                list.rows().stream()
                        .filter(row -> column < row.size() && !row.get(column).isBlank())
                        .forEach(row -> ids.add(row.get(column)));
            }
        } else {
            field.kind().offered().forEach(choice -> ids.add(choice.id()));
        }
        return ids;
    }

    /** Whether what is chosen in a field is a cell of a column of numbers. */
    public boolean isNumberColumn(Field field) {
        LookupList list = field.kind() instanceof FieldKind.Lookup it ? lists.get(it.list()) : null;
        int column = list == null ? -1 : list.column(((FieldKind.Lookup) field.kind()).column());
        return list != null && column >= 0 && list.columns().get(column).number();
    }

    /** The keys of the fields that stand in the rows of a repeating section, in reading order. */
    public Set<String> fieldsOfRows(String section) {
        return fieldsOfRows.getOrDefault(section, Set.of());
    }

    /**
     * The names formulas know at a place, with the types of their values.
     *
     * @param within the repeating section in whose rows the place is; null for outside of rows
     */
    public Map<String, Type> types(@Nullable String within) {
        return remembered(types, within == null ? "" : within, () -> typesWithin(within));
    }

    /**
     * A formula as it is understood at a place; each is read once.
     *
     * @param within the repeating section in whose rows the place is; null for outside of rows
     * @throws FormulaProblem with the place of what is not understood or can never be worked out
     */
    public Formula formula(String text, @Nullable String within) {
        Map<String, Understood> known =
                formulas.computeIfAbsent(within == null ? "" : within, ignored -> new ConcurrentHashMap<>());
        Understood understood = remembered(known, text, () -> {
            try {
                return new Understood(Formula.of(text, types(within)), null);
            } catch (FormulaProblem problem) {
                return new Understood(null, problem);
            }
        });
        if (understood.formula() != null) {
            return understood.formula();
        }
        throw Objects.requireNonNull(understood.problem());
    }

    /** What a formula names, wherever in the template it stands; nothing where it is not understood. */
    public List<NameUse> uses(String formula) {
        return remembered(uses, formula, () -> {
            try {
                return Formula.of(formula, typesAnywhere()).uses();
            } catch (FormulaProblem problem) {
                return List.of();
            }
        });
    }

    /**
     * A formula with other keys for fields, repeating sections and shared conditions; as it is where it is not understood.
     *
     * @throws Formula.NameIsBound where the formula binds one of the new keys itself
     */
    public String renamed(String formula, UnaryOperator<String> keys) {
        try {
            return Formula.renamed(formula, typesAnywhere(), keys);
        } catch (FormulaProblem problem) {
            return formula;
        }
    }

    /**
     * What was worked out before, or is now. Working one out asks for others, so that a map cannot do it while it changes
     * itself; two who ask at the same time get the same.
     */
    private static <T> T remembered(Map<String, T> known, String key, Supplier<T> worked) {
        T before = known.get(key);
        if (before != null) {
            return before;
        }
        T fresh = worked.get();
        T other = known.putIfAbsent(key, fresh);
        return other == null ? fresh : other;
    }

    /** All names, those of the fields in rows for a place in the same row. */
    private Map<String, Type> typesAnywhere() {
        return remembered(types, ANYWHERE, () -> {
            Map<String, Type> known = new LinkedHashMap<>(typesOfRows(true));
            fields.forEach((key, field) -> known.put(key, FormulaTypes.of(field.kind(), this)));
            shared.keySet().forEach(key -> known.put(key, Type.Simple.YES_NO));
            rowsOf.keySet().forEach(key -> ofRow(key, known));
            return known;
        });
    }

    /** What formulas in a row can ask of it and of the rows before it. */
    private void ofRow(String key, Map<String, Type> known) {
        known.put(Names.ROW_NUMBER, Type.Simple.NUMBER);
        Field field = fields.get(key);
        if (field != null) {
            Type type = FormulaTypes.of(field.kind(), this);
            known.put(Names.previous(key), type);
            if (type == Type.Simple.NUMBER) {
                known.put(Names.runningTotal(key), type);
            }
        }
    }

    /**
     * The shared conditions that can be asked of the rows of a section.
     *
     * @param section its key; null for all there are, wherever they can be asked
     */
    private Set<String> sharedOfRows(@Nullable String section) {
        Set<String> keys = new LinkedHashSet<>();
        shared.forEach((key, condition) -> {
            if (section == null || rowsLookedAt(condition.condition()).equals(Set.of(section))) {
                keys.add(key);
            }
        });
        return keys;
    }

    private Map<String, Type> typesOfRows(boolean anywhere) {
        Map<String, Type> known = new LinkedHashMap<>(FormulaTypes.CONTEXT);
        lists.forEach((key, list) -> known.put(Names.list(key), new Type.ListOf(FormulaTypes.cells(list))));
        repeating.keySet().forEach(section -> {
            Map<String, Type> entries = new LinkedHashMap<>();
            sharedOfRows(anywhere ? null : section).forEach(key -> entries.put(key, Type.Simple.YES_NO));
            fieldsOfRows(section).forEach(key -> {
                Field field = fields.get(key);
                if (field != null) {
                    entries.put(key, FormulaTypes.of(field.kind(), this));
                }
            });
            known.put(section, new Type.ListOf(new Type.Context(entries, true)));
        });
        return known;
    }

    private Map<String, Type> typesWithin(@Nullable String within) {
        Map<String, Type> known = new LinkedHashMap<>(typesOfRows(false));
        fields.forEach((key, field) -> {
            String rows = rowsOf.get(key);
            if (rows == null || rows.equals(within)) {
                known.put(key, FormulaTypes.of(field.kind(), this));
            }
            if (rows != null && rows.equals(within)) {
                ofRow(key, known);
            }
        });
        if (within != null) {
            known.put(Names.ROW_NUMBER, Type.Simple.NUMBER);
        }
        shared.forEach((key, condition) -> {
            Set<String> rows = rowsLookedAt(condition.condition());
            if (rows.isEmpty() || (within != null && rows.equals(Set.of(within)))) {
                known.put(key, Type.Simple.YES_NO);
            }
        });
        return known;
    }

    /** The keys of the fields and repeating sections a condition looks at, through shared conditions too, in reading order. */
    public Set<String> sources(@Nullable Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        sources(condition, keys, new HashSet<>());
        return keys;
    }

    /** The keys of the fields and repeating sections a condition itself names, not through shared conditions. */
    public Set<String> direct(Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        sources(condition, keys, new HashSet<>(shared.keySet()));
        return keys;
    }

    /** The keys of the fields and repeating sections a formula looks at, through shared conditions too. */
    public Set<String> sources(String formula) {
        Set<String> keys = new LinkedHashSet<>();
        named(formula, keys, new HashSet<>());
        return keys;
    }

    private void sources(@Nullable Condition condition, Set<String> keys, Set<String> seen) {
        for (Condition.Leaf leaf : References.leaves(condition)) {
            switch (leaf) {
                case Condition.Written(var formula) -> named(formula, keys, seen);
                case Condition.StageIs ignored -> {}
                case Condition.RoleIs ignored -> {}
                case Condition.Shared(var key) -> sharedSources(key, keys, seen);
                case Condition.OfRows it -> keys.add(it.section());
                case Condition.RowCount it -> keys.add(it.section());
                case Condition.Total it -> {
                    keys.add(it.field());
                    String rows = rowsOf.get(it.field());
                    if (rows != null) {
                        keys.add(rows);
                    }
                }
                case Clause clause -> keys.add(clause.field());
            }
            for (Operand operand : References.operands(leaf)) {
                switch (operand) {
                    case Operand.FieldOperand(var other) -> keys.add(other);
                    case Operand.FormulaOperand(var formula) -> named(formula, keys, seen);
                    default -> {}
                }
            }
        }
    }

    private void sharedSources(String key, Set<String> keys, Set<String> seen) {
        SharedCondition condition = shared.get(key);
        if (condition != null && seen.add(key)) {
            sources(condition.condition(), keys, seen);
        }
    }

    private void named(String formula, Set<String> keys, Set<String> seen) {
        for (NameUse use : uses(formula)) {
            if (fields.containsKey(use.name()) || repeating.containsKey(use.name())) {
                keys.add(use.name());
            } else {
                sharedSources(use.name(), keys, seen);
            }
        }
    }

    /** The fields of a repeating section a formula names anywhere; the rows it sees have these and no others. */
    public List<String> columns(String section, String formula) {
        Set<String> named = named(formula);
        return fieldsOfRows(section).stream().filter(named::contains).toList();
    }

    /** The shared conditions a formula names that can be asked of the rows of a section. */
    public List<String> sharedOfRows(String section, String formula) {
        Set<String> named = named(formula);
        return sharedOfRows(section).stream().filter(named::contains).toList();
    }

    /** The keys of the lookup lists a formula names. */
    public Set<String> listsNamed(String formula) {
        return named(formula).stream()
                .filter(Names::isList)
                .map(Names::key)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** The keys of the lookup lists that a condition itself names in formulas. */
    public Set<String> listsNamed(Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        for (Condition.Leaf leaf : References.leaves(condition)) {
            if (leaf instanceof Condition.Written(var formula)) {
                keys.addAll(listsNamed(formula));
            }
            References.operands(leaf).forEach(operand -> {
                if (operand instanceof Operand.FormulaOperand(var formula)) {
                    keys.addAll(listsNamed(formula));
                }
            });
        }
        return keys;
    }

    private Set<String> named(String formula) {
        return uses(formula).stream().map(NameUse::name).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** The keys of the shared conditions a condition or, through them, another uses. */
    public Set<String> sharedIn(@Nullable Condition condition) {
        Set<String> used = new LinkedHashSet<>();
        List<Condition> open = new ArrayList<>();
        if (condition != null) {
            open.add(condition);
        }
        while (!open.isEmpty()) {
            for (String key : sharedNamed(open.removeLast())) {
                SharedCondition next = shared.get(key);
                if (next != null && used.add(key)) {
                    open.add(next.condition());
                }
            }
        }
        return used;
    }

    /** The keys of the shared conditions a condition itself names. */
    Set<String> sharedNamed(Condition condition) {
        Set<String> keys = new LinkedHashSet<>();
        for (Condition.Leaf leaf : References.leaves(condition)) {
            switch (leaf) {
                case Condition.Shared(var key) -> keys.add(key);
                case Condition.Written(var formula) -> keys.addAll(named(formula));
                default -> {}
            }
            References.operands(leaf).forEach(operand -> {
                if (operand instanceof Operand.FormulaOperand(var formula)) {
                    keys.addAll(named(formula));
                }
            });
        }
        keys.retainAll(shared.keySet());
        return keys;
    }

    /**
     * The repeating sections whose rows a condition can only be asked of: those of the fields it looks at directly, not
     * by way of a clause about rows.
     */
    Set<String> rowsLookedAt(@Nullable Condition condition) {
        Set<String> rows = new LinkedHashSet<>();
        rowsLookedAt(condition, rows, new HashSet<>());
        return rows;
    }

    /** The key of the repeating section whose rows a shared condition of a valid template is asked of; null for none. */
    public @Nullable String rowsOf(SharedCondition condition) {
        return rowsLookedAt(condition.condition()).stream().findFirst().orElse(null);
    }

    private void rowsLookedAt(@Nullable Condition condition, Set<String> rows, Set<String> seen) {
        switch (condition) {
            case null -> {}
            case Condition.Always() -> {}
            case Condition.Never() -> {}
            case Condition.Group group -> group.conditions().forEach(part -> rowsLookedAt(part, rows, seen));
            case Condition.Shared(var key) -> {
                SharedCondition next = shared.get(key);
                if (next != null && seen.add(key)) {
                    rowsLookedAt(next.condition(), rows, seen);
                }
            }
            case Condition.Written(var formula) -> rowsNamed(formula, rows);
            case Clause clause -> {
                addRows(clause.field(), rows);
                operandRows(clause, rows);
            }
            case Condition.Total it -> operandRows(it, rows);
            case Condition.OfRows ignored -> {}
            case Condition.RowCount ignored -> {}
            case Condition.StageIs ignored -> {}
            case Condition.RoleIs ignored -> {}
        }
    }

    private void operandRows(Condition.Leaf leaf, Set<String> rows) {
        for (Operand operand : References.operands(leaf)) {
            if (operand instanceof Operand.FieldOperand(var other)) {
                addRows(other, rows);
            } else if (operand instanceof Operand.FormulaOperand(var formula)) {
                rowsNamed(formula, rows);
            }
        }
    }

    /** What a formula names of the row it stands in itself. */
    private void rowsNamed(String formula, Set<String> rows) {
        uses(formula).stream().filter(use -> !use.isOfRow()).forEach(use -> addRows(use.name(), rows));
    }

    private void addRows(String key, Set<String> rows) {
        String section = rowsOf.get(key);
        if (section != null) {
            rows.add(section);
        }
    }
}
