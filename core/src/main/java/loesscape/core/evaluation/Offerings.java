package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.expression.Decimals;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.LookupList;
import loesscape.core.model.Numbers;
import loesscape.core.model.Offer;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.model.WhiteSpace;
import org.jspecify.annotations.Nullable;

/** What a field offers to choose from, worked out once for every set of answers of its parents. */
final class Offerings {

    private final SymbolTable symbols;
    private final Function<String, Function<Seen, Value>> values;

    /** The rows of lists that formulas name, and those that fields offer: one for all who ask the same. */
    private final Map<String, List<Map<String, @Nullable Object>>> rowsOfLists = new HashMap<>();

    private final Map<Filtered, Cells> cells = new HashMap<>();

    /**
     * @param values how to read the counting value of a field
     */
    Offerings(SymbolTable symbols, Function<String, Function<Seen, Value>> values) {
        this.symbols = symbols;
        this.values = values;
    }

    /** What a field offers as things stand. */
    interface Offering {
        Offered now(Seen seen);
    }

    /** What a field offers; null for those of which nothing is chosen. */
    @Nullable
    Offering of(Field field) {
        return switch (field.kind()) {
            case FieldKind.Choosing it -> choices(it);
            case FieldKind.Lookup it -> {
                Index index = index(it);
                yield it.filters().isEmpty()
                        ? seen -> index.offered(List.of(), false)
                        : seen -> index.offered(index.filters(seen), true);
            }
            case FieldKind.Payment ignored -> null;
            case FieldKind.SelfContained ignored -> null;
        };
    }

    private Offering choices(FieldKind.Choosing kind) {
        List<String> all = kind.offered().stream().map(Choice::id).toList();
        Offer offer = kind.offer();
        if (offer == null) {
            Offered fixed = new Offered(all, false, kind.other());
            return seen -> fixed;
        }
        Function<Seen, Value> parent = values.apply(offer.parent());
        Map<String, Offered> perAnswer = new HashMap<>();
        offer.perAnswer().forEach((answer, named) -> {
            Set<String> wanted = new LinkedHashSet<>(named);
            if (kind.other()) {
                wanted.add(Choice.OTHER);
            }
            perAnswer.put(
                    answer, new Offered(all.stream().filter(wanted::contains).toList(), true, kind.other()));
        });
        Offered nothing = new Offered(List.of(), true, kind.other());
        return seen -> {
            String answer = chosen(parent.apply(seen));
            return answer == null ? nothing : perAnswer.getOrDefault(answer, nothing);
        };
    }

    /** The identity of a choice that was made; null where none was. */
    static @Nullable String chosen(Value value) {
        return switch (value) {
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.YesNo(var yes) -> yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO;
            default -> null;
        };
    }

    /** The row of a lookup list that an answer stands for, as formulas see it; null for blank. */
    Function<Seen, @Nullable Object> row(FieldKind.Lookup kind, Function<Seen, Value> value) {
        Index index = index(kind);
        return seen -> value.apply(seen) instanceof Value.Chosen(var cell, var ignored)
                ? index.row(index.filters(seen), cell)
                : null;
    }

    /** The rows of a lookup list, as formulas see them. */
    List<Map<String, @Nullable Object>> rows(LookupList list) {
        return rowsOfLists.computeIfAbsent(
                list.key(),
                ignored -> list.rows().stream().map(row -> entries(list, row)).toList());
    }

    private static Map<String, @Nullable Object> entries(LookupList list, List<String> row) {
        Map<String, @Nullable Object> entries = new LinkedHashMap<>();
        for (int i = 0; i < row.size(); i++) {
            LookupList.Column column = list.columns().get(i);
            String text = row.get(i);
            Object value = WhiteSpace.isAll(text)
                    ? null
                    : column.number()
                            ? Decimals.inRange(new BigDecimal(WhiteSpace.stripped(text)))
                            : Value.Text.of(text) instanceof Value.Text(var words) ? words : null;
            entries.put(column.key(), value);
        }
        return entries;
    }

    private Index index(FieldKind.Lookup kind) {
        LookupList list = Objects.requireNonNull(symbols.list(kind.list()), kind.list());
        List<Function<Seen, @Nullable String>> parents = new ArrayList<>();
        List<Compared> columns = new ArrayList<>();
        kind.filters().forEach((column, key) -> {
            Field field = Objects.requireNonNull(symbols.field(key), key);
            Function<Seen, Value> parent = values.apply(key);
            int at = list.column(column);
            boolean asNumber =
                    field.kind().isNumeric() || list.columns().get(at).number();
            Compared compared = new Compared(at, asNumber, field.kind().offered());
            parents.add(seen -> compared.answer(parent.apply(seen)));
            columns.add(compared);
        });
        Filtered filtered = new Filtered(list.key(), list.column(kind.column()), columns);
        return new Index(cells.computeIfAbsent(filtered, ignored -> Cells.of(list, filtered)), columns, parents);
    }

    /**
     * A column that is filtered.
     *
     * @param asNumber whether what is a number is compared by its size, so that 4.50 and 4.5 are the same
     * @param choices of the parent, where it has any. A cell means the one whose label or stored value it says, or whose
     *     identity was made of what it says, so that it still means it when the label has become another
     */
    private record Compared(int column, boolean asNumber, List<Choice> choices) {

        /** What a cell says, as it is compared. */
        String cell(String text) {
            if (asNumber && TypedNumber.isNumber(text)) {
                return size(text);
            }
            String said = FoldedText.comparable(text);
            String made = choices.isEmpty() ? "" : Keys.from(text, "", taken -> false);
            return choices.stream()
                    .filter(choice -> said.equals(FoldedText.comparable(choice.label()))
                            || said.equals(FoldedText.comparable(choice.value())))
                    .findFirst()
                    .or(() -> choices.stream()
                            .filter(choice ->
                                    choice.id().equals(made) || choice.id().equals(WhiteSpace.stripped(text)))
                            .findFirst())
                    .map(choice -> identity(choice.id()))
                    .orElse(said);
        }

        /** What a cell has to say to fit an answer, as it is compared; null for blank. */
        @Nullable
        String answer(Value value) {
            return switch (value) {
                case Value.Text(var text) -> cell(text);
                case Value.Number(var number) -> cell(Numbers.plain(number));
                case Value.YesNo(var yes) -> cell(yes ? "Yes" : "No");
                case Value.Chosen(var choice, var words) when !words.isEmpty() -> cell(words);
                case Value.Chosen(var choice, var ignored) -> choices.isEmpty() ? cell(choice) : identity(choice);
                default -> null;
            };
        }

        /** No text that is compared begins so. */
        private static String identity(String choice) {
            return "\0" + choice;
        }
    }

    /** A number in the one spelling that numbers of the same size have; any other text as it is. */
    static String size(String text) {
        return TypedNumber.isNumber(text) ? Numbers.plain(TypedNumber.of(text).stripTrailingZeros()) : text;
    }

    /** A column of a list from which cells are offered, by what stands in others. */
    private record Filtered(String list, int column, List<Compared> by) {
        Filtered {
            by = List.copyOf(by);
        }
    }

    /**
     * The rows of a list by the cells of the columns that are filtered.
     *
     * @param rows by what stands in those columns, and then by the cell that is offered
     * @param offered the cells, by the same
     */
    private record Cells(
            LookupList list, Map<List<String>, Map<String, List<String>>> rows, Map<List<String>, Offered> offered) {

        static Cells of(LookupList list, Filtered filtered) {
            Map<List<String>, Map<String, List<String>>> rows = new HashMap<>();
            for (List<String> row : list.rows()) {
                List<String> by = filtered.by().stream()
                        .map(each -> each.cell(row.get(each.column())))
                        .toList();
                if (!row.get(filtered.column()).isBlank()) {
                    rows.computeIfAbsent(by, ignored -> new LinkedHashMap<>())
                            .putIfAbsent(row.get(filtered.column()), row);
                }
            }
            Map<List<String>, Offered> offered = new HashMap<>();
            rows.forEach(
                    (by, cells) -> offered.put(by, new Offered(List.copyOf(cells.keySet()), !by.isEmpty(), false)));
            return new Cells(list, rows, offered);
        }
    }

    /** What a field offers of some cells, by the answers to its parents. */
    private record Index(Cells cells, List<Compared> columns, List<Function<Seen, @Nullable String>> parents) {

        /** The answers to the parents as they are compared; null where one of them is blank. */
        @Nullable
        List<String> filters(Seen seen) {
            List<String> by = new ArrayList<>(parents.size());
            for (int i = 0; i < parents.size(); i++) {
                String said = parents.get(i).apply(seen);
                if (said == null) {
                    return null;
                }
                by.add(said);
            }
            return by;
        }

        Offered offered(@Nullable List<String> by, boolean restricted) {
            Offered known = by == null ? null : cells.offered().get(by);
            return known == null ? new Offered(List.of(), restricted, false) : known;
        }

        @Nullable
        Map<String, @Nullable Object> row(@Nullable List<String> by, String cell) {
            Map<String, List<String>> found = by == null ? null : cells.rows().get(by);
            List<String> row = found == null ? null : found.get(cell);
            return row == null ? null : entries(cells.list(), row);
        }
    }
}
