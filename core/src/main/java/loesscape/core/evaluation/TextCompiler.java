package loesscape.core.evaluation;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import loesscape.core.model.AnswerFormat;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Field;
import loesscape.core.model.Notice;
import loesscape.core.model.Phrase;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.prose.Prose;
import loesscape.core.prose.Prose.Piece;
import loesscape.core.prose.Prose.Style;
import loesscape.core.wording.AnswerWords;
import org.jspecify.annotations.Nullable;

/** Turns the text of a notice into a function of what is seen; a blank answer leaves nothing in its place. */
final class TextCompiler {

    /** A long answer stands in full in its field; in a text it would, a thousand times, fill a document. */
    static final int LONGEST_MERGED = 1_000;

    private static final int MOST_COLUMNS = 8;

    private final SymbolTable symbols;
    private final Slots slots;
    private final ConditionCompiler conditions;
    private final AnswerWords words;

    TextCompiler(SymbolTable symbols, Slots slots, ConditionCompiler conditions) {
        this.symbols = symbols;
        this.slots = slots;
        this.conditions = conditions;
        this.words = AnswerWords.in(symbols.language());
    }

    /** Writes a part of a text as things stand. */
    private interface Part {

        void write(Seen seen, PassageWriter to);
    }

    /** A column of a table, ready to be written. */
    private record ReadyColumn(List<Part> head, boolean isOfFigures) {}

    /** What a notice says as things stand. What it names and is not there, or not to be seen from there, stays as it is. */
    Function<Seen, List<Passage>> of(Notice notice) {
        Prose prose = Prose.of(notice.text());
        String within = symbols.rowsAround(notice.key());
        Map<String, CompiledCondition> phrases = new HashMap<>();
        for (Phrase phrase : notice.phrases()) {
            phrases.put(phrase.name(), conditions.compile(phrase.when(), within));
        }
        Function<List<Piece>, List<Part>> ready = pieces -> parts(pieces, within, phrases, notice.text());
        List<Part> blocks = prose.blocks().stream()
                .map(block -> switch (block) {
                    case Prose.Paragraph it -> paragraph(it, ready);
                    case Prose.Table it -> table(it, ready);
                })
                .toList();
        boolean isConstant = prose.merged().isEmpty() && prose.bracketed().isEmpty();
        if (isConstant) {
            // It looks at nothing, whatever there is to see.
            List<Passage> always = written(blocks, new Seen(0, false, Context.filling(LocalDate.EPOCH)));
            return seen -> always;
        }
        return seen -> written(blocks, seen);
    }

    private static List<Passage> written(List<Part> blocks, Seen seen) {
        PassageWriter to = new PassageWriter();
        blocks.forEach(block -> block.write(seen, to));
        return to.written();
    }

    private Part paragraph(Prose.Paragraph paragraph, Function<List<Piece>, List<Part>> ready) {
        Part grid = grid(paragraph);
        if (grid != null) {
            return grid;
        }
        List<Part> parts = ready.apply(paragraph.pieces());
        return (seen, to) -> {
            parts.forEach(part -> part.write(seen, to));
            to.endParagraph(paragraph.isPoint());
        };
    }

    /** A row in which nothing stands as things are, though something could, is none; neither is a table without rows. */
    private static Part table(Prose.Table table, Function<List<Piece>, List<Part>> ready) {
        List<ReadyColumn> columns = table.columns().stream()
                .map(column -> new ReadyColumn(ready.apply(column.head().pieces()), column.isOfFigures()))
                .toList();
        List<List<List<Part>>> rows = table.rows().stream()
                .map(row -> row.stream().map(cell -> ready.apply(cell.pieces())).toList())
                .toList();
        return (seen, to) -> {
            List<Passage.Column> heads = columns.stream()
                    .map(column -> new Passage.Column(cell(column.head(), seen, to), column.isOfFigures()))
                    .toList();
            List<List<Passage.Cell>> standing = new ArrayList<>();
            for (List<List<Part>> row : rows) {
                List<Passage.Cell> cells = new ArrayList<>();
                row.forEach(cell -> cells.add(cell(cell, seen, to)));
                boolean couldSay = row.stream().anyMatch(cell -> !cell.isEmpty());
                if (!couldSay || cells.stream().anyMatch(cell -> !cell.spans().isEmpty())) {
                    cells.addAll(Collections.nCopies(columns.size() - cells.size(), Passage.Cell.BLANK));
                    standing.add(List.copyOf(cells));
                }
            }
            if (!standing.isEmpty()) {
                to.grid(heads, standing);
            }
        };
    }

    private static Passage.Cell cell(List<Part> parts, Seen seen, PassageWriter to) {
        parts.forEach(part -> part.write(seen, to));
        return to.cell();
    }

    private List<Part> parts(
            List<Piece> pieces, @Nullable String within, Map<String, CompiledCondition> phrases, String text) {
        List<Part> parts = new ArrayList<>();
        for (Piece piece : pieces) {
            switch (piece) {
                case Piece.Words(var words, var style) -> parts.add((seen, to) -> to.words(words, style));
                case Piece.Merged it -> parts.add(merged(it, within, text));
                case Piece.Reference it ->
                    parts.add(
                            hasNumber(it.key())
                                    ? (seen, to) -> to.reference(it.key(), it.style())
                                    : literal(it.extent(), text, it.style()));
                case Piece.Bracketed it -> parts.addAll(bracketed(it, within, phrases, text));
            }
        }
        return parts;
    }

    /** Whether it is a section or clause that can carry a number. */
    private boolean hasNumber(String key) {
        int slot = slots.find(key);
        return slot != Slots.NONE
                && switch (slots.node(slot)) {
                    case Notice it -> it.clause() > 0;
                    case Section ignored -> true;
                    default -> false;
                };
    }

    private static Part literal(Prose.Extent extent, String text, Style style) {
        String words = text.substring(extent.from(), extent.to());
        return (seen, to) -> to.words(words, style);
    }

    private Part merged(Piece.Merged it, @Nullable String within, String text) {
        Field field = symbols.field(it.key());
        if (field == null) {
            boolean isCount = symbols.repeating(it.key()) != null && it.format().isEmpty();
            return isCount ? count(it) : literal(it.extent(), text, it.style());
        }
        String rows = symbols.rowsAround(it.key());
        Optional<AnswerFormat> format = AnswerFormat.of(it.format()).filter(known -> known.fits(field.kind()));
        boolean isSeen = rows == null || rows.equals(within);
        if (!isSeen || (format.isEmpty() && !it.format().isEmpty())) {
            return literal(it.extent(), text, it.style());
        }
        Function<Seen, Value> value = conditions.formulas().counting(field.key());
        AnswerFormat as = format.orElse(null);
        return (seen, to) -> {
            Value answer = value.apply(seen);
            String said = as == null ? words.of(field.kind(), answer) : words.of(field.kind(), answer, as);
            to.words(shortened(said), it.style());
        };
    }

    private Part count(Piece.Merged it) {
        int section = slots.of(it.key());
        return (seen, to) -> to.words(words.count(seen.rows[section].length), it.style());
    }

    private static String shortened(String answer) {
        return answer.length() <= LONGEST_MERGED
                ? answer
                : answer.substring(0, answer.offsetByCodePoints(0, answer.codePointCount(0, LONGEST_MERGED - 1))) + "…";
    }

    private List<Part> bracketed(
            Piece.Bracketed it, @Nullable String within, Map<String, CompiledCondition> phrases, String text) {
        CompiledCondition test = phrases.get(it.name());
        if (test != null) {
            List<Part> then = parts(it.pieces(), within, phrases, text);
            List<Part> otherwise = parts(it.otherwise(), within, phrases, text);
            return List.of((seen, to) -> (test.holds(seen) ? then : otherwise).forEach(part -> part.write(seen, to)));
        }
        if (symbols.repeating(it.name()) != null) {
            return List.of(eachRow(
                    it, parts(it.pieces(), it.name(), phrases, text), parts(it.otherwise(), within, phrases, text)));
        }
        // Words in brackets that are nothing else, with whatever stands in them.
        List<Part> parts = new ArrayList<>();
        parts.add((seen, to) -> to.words("[" + it.name() + ": ", it.style()));
        parts.addAll(parts(it.pieces(), within, phrases, text));
        if (!it.otherwise().isEmpty()) {
            parts.add((seen, to) -> to.words(" | ", it.style()));
            parts.addAll(parts(it.otherwise(), within, phrases, text));
        }
        parts.add((seen, to) -> to.words("]", it.style()));
        return parts;
    }

    /**
     * The words once for each row, joined as the language joins a list; those for otherwise where there is none. A row that
     * has nothing to say, for nobody has answered in it what is to be merged, is not one of them.
     */
    private Part eachRow(Piece.Bracketed it, List<Part> parts, List<Part> none) {
        int section = slots.of(it.name());
        List<Function<Seen, Value>> merged = new Prose(List.of(new Prose.Paragraph(false, it.pieces())))
                .merged().stream()
                        .filter(piece -> it.name().equals(symbols.rowsAround(piece.key())))
                        .map(piece -> conditions.formulas().counting(piece.key()))
                        .toList();
        return (seen, to) -> {
            int outer = seen.row;
            List<Integer> rows = new ArrayList<>();
            for (int row = 0; row < seen.rows[section].length; row++) {
                seen.row = row;
                if (merged.isEmpty()
                        || merged.stream().anyMatch(value -> !value.apply(seen).isBlank())) {
                    rows.add(row);
                }
            }
            seen.row = outer;
            if (rows.isEmpty()) {
                none.forEach(part -> part.write(seen, to));
            }
            List<String> joints = words.joints(rows.size());
            for (int i = 0; i < rows.size() && !to.isFull(); i++) {
                seen.row = rows.get(i);
                parts.forEach(part -> part.write(seen, to));
                to.words(joints.get(i), it.style());
            }
            seen.row = outer;
        };
    }

    /** The rows of a section that a paragraph names and says nothing else of; null for any other paragraph. */
    private @Nullable Part grid(Prose.Paragraph paragraph) {
        if (paragraph.pieces().size() != 1
                || !(paragraph.pieces().getFirst() instanceof Piece.Merged it)
                || !it.format().isEmpty()) {
            return null;
        }
        Section section = symbols.repeating(it.key());
        if (section == null) {
            return null;
        }
        List<Field> fields = symbols.fieldsOfRows(section.key()).stream()
                .map(key -> Objects.requireNonNull(symbols.field(key), key))
                .filter(field -> !field.kind().isSigned())
                .limit(MOST_COLUMNS)
                .toList();
        List<Passage.Column> columns = fields.stream()
                .map(field -> new Passage.Column(
                        Passage.Cell.of(field.label()), field.kind().answer() == AnswerType.NUMBER))
                .toList();
        List<Function<Seen, Value>> values = fields.stream()
                .map(field -> conditions.formulas().counting(field.key()))
                .toList();
        int slot = slots.of(section.key());
        return (seen, to) -> to.grid(columns, rows(fields, values, slot, seen, to));
    }

    private List<List<Passage.Cell>> rows(
            List<Field> fields, List<Function<Seen, Value>> values, int section, Seen seen, PassageWriter to) {
        List<List<Passage.Cell>> rows = new ArrayList<>();
        int outer = seen.row;
        for (int row = 0; row < seen.rows[section].length && !to.isFull(); row++) {
            seen.row = row;
            List<Passage.Cell> cells = new ArrayList<>();
            for (int column = 0; column < fields.size(); column++) {
                Value value = values.get(column).apply(seen);
                to.words(shortened(words.of(fields.get(column).kind(), value)), Style.PLAIN);
                cells.add(to.cell());
            }
            rows.add(List.copyOf(cells));
        }
        seen.row = outer;
        return rows;
    }
}
