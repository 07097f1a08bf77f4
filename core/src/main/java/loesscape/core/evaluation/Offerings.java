package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.expression.Decimals;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Lexicon;
import loesscape.core.model.LookupList;
import loesscape.core.model.Numbers;
import loesscape.core.model.Offer;
import loesscape.core.model.Value;
import loesscape.core.model.WhiteSpace;
import org.jspecify.annotations.Nullable;

/** What a field offers to choose from, worked out once for every set of answers of its parents. */
final class Offerings {

    private final Lexicon lexicon;
    private final Function<String, Function<Seen, Value>> values;

    /**
     * @param values how to read the counting value of a field
     */
    Offerings(Lexicon lexicon, Function<String, Function<Seen, Value>> values) {
        this.lexicon = lexicon;
        this.values = values;
    }

    /** What a field offers as things stand. */
    interface Offering {
        Offered now(Seen seen);
    }

    Offering of(Field field) {
        return switch (field.kind()) {
            case FieldKind.Choosing it -> choices(it);
            case FieldKind.Lookup it -> {
                Index index = index(it);
                yield it.filters().isEmpty()
                        ? seen -> index.offered(List.of(), false)
                        : seen -> index.offered(index.filters(seen), true);
            }
            default -> seen -> Offered.NOTHING;
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

    private Index index(FieldKind.Lookup kind) {
        LookupList list = java.util.Objects.requireNonNull(lexicon.list(kind.list()), kind.list());
        List<Function<Seen, @Nullable String>> parents = new ArrayList<>();
        List<Compared> columns = new ArrayList<>();
        kind.filters().forEach((column, key) -> {
            Field field = java.util.Objects.requireNonNull(lexicon.field(key), key);
            Function<Seen, Value> parent = values.apply(key);
            parents.add(seen -> text(field.kind(), parent.apply(seen)));
            int at = list.column(column);
            boolean asNumber =
                    field.kind().isNumeric() || list.columns().get(at).number();
            columns.add(new Compared(at, asNumber));
        });
        return new Index(list, list.column(kind.column()), columns, parents);
    }

    /** What a cell has to say to fit an answer; null for blank. */
    static @Nullable String text(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> Numbers.plain(number);
            case Value.YesNo(var yes) -> yes ? "Yes" : "No";
            case Value.Chosen(var choice, var words) when !words.isEmpty() -> words;
            case Value.Chosen(var choice, var ignored) ->
                kind.offered().stream()
                        .filter(each -> each.id().equals(choice))
                        .map(Choice::value)
                        .findFirst()
                        .orElse(choice);
            default -> null;
        };
    }

    /**
     * A column that is filtered.
     *
     * @param asNumber whether what is a number is compared by its size, so that 4.50 and 4.5 are the same
     */
    private record Compared(int column, boolean asNumber) {

        String key(String text) {
            return asNumber && TypedNumber.isNumber(text)
                    ? Numbers.plain(TypedNumber.of(text).stripTrailingZeros())
                    : Texts.comparable(text);
        }
    }

    /** The rows of a list by the cells of the columns that are filtered. */
    private static final class Index {

        private final LookupList list;
        private final List<Compared> columns;
        private final List<Function<Seen, @Nullable String>> parents;
        private final Map<List<String>, LinkedHashMap<String, List<String>>> rows = new HashMap<>();
        private final Map<List<String>, Offered> offered = new HashMap<>();

        Index(LookupList list, int column, List<Compared> columns, List<Function<Seen, @Nullable String>> parents) {
            this.list = list;
            this.columns = columns;
            this.parents = parents;
            for (List<String> row : list.rows()) {
                List<String> by = columns.stream()
                        .map(each -> each.key(row.get(each.column())))
                        .toList();
                if (!row.get(column).isBlank()) {
                    rows.computeIfAbsent(by, ignored -> new LinkedHashMap<>()).putIfAbsent(row.get(column), row);
                }
            }
            rows.forEach(
                    (by, cells) -> offered.put(by, new Offered(List.copyOf(cells.keySet()), !by.isEmpty(), false)));
        }

        /** The answers to the parents as they are compared; null where one of them is blank. */
        @Nullable
        List<String> filters(Seen seen) {
            List<String> by = new ArrayList<>(parents.size());
            for (int i = 0; i < parents.size(); i++) {
                String text = parents.get(i).apply(seen);
                if (text == null) {
                    return null;
                }
                by.add(columns.get(i).key(text));
            }
            return by;
        }

        Offered offered(@Nullable List<String> by, boolean restricted) {
            Offered known = by == null ? null : offered.get(by);
            return known == null ? new Offered(List.of(), restricted, false) : known;
        }

        @Nullable
        Map<String, @Nullable Object> row(@Nullable List<String> by, String cell) {
            Map<String, List<String>> cells = by == null ? null : rows.get(by);
            List<String> row = cells == null ? null : cells.get(cell);
            if (row == null) {
                return null;
            }
            Map<String, @Nullable Object> entries = new LinkedHashMap<>();
            for (int i = 0; i < row.size(); i++) {
                LookupList.Column column = list.columns().get(i);
                String text = row.get(i);
                Object value = WhiteSpace.isAll(text)
                        ? null
                        : column.number()
                                ? Decimals.inRange(new java.math.BigDecimal(WhiteSpace.stripped(text)))
                                : Value.Text.of(text) instanceof Value.Text(var words) ? words : null;
                entries.put(column.key(), value);
            }
            return entries;
        }
    }
}
