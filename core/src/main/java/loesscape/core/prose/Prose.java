package loesscape.core.prose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A text, taken apart. How it is written:
 *
 * <ul>
 *   <li>a blank line begins a new paragraph; a line that begins with {@code - } is a point of a list
 *   <li>lines that begin with {@code |} are a table where a paragraph could begin, its cells between further ones, as in
 *       GitHub Flavored Markdown 0.29 (4.10), but that no line needs to tell the heads: where the second line is dashes
 *       ({@code |---|---:|}) the first one is the heads, and a colon behind dashes says that figures stand in the column;
 *       a backslash at the end of a line goes on in the same cell on a new line
 *   <li>{@code **strong**} and {@code *emphasis*}, as in CommonMark 0.31 (6.2), from mark to mark without space inside them
 *   <li><code>{key}</code> and <code>{key:format}</code>: the answer to a field, or the rows of a section as a table
 *   <li><code>{ref:key}</code>: the number of a clause or section
 *   <li><code>[name: words]</code> and <code>[name: words | other words]</code>: words that stand there while the phrase of
 *       that name does, and those that stand there otherwise; where the name is that of a section in rows, the words once
 *       for each row
 *   <li>a backslash before one of the marks makes it an ordinary character
 * </ul>
 *
 * <p>What does not fit this is ordinary text: every text can be read.
 *
 * @param blocks in order; none of a blank text
 */
public record Prose(List<Block> blocks) {

    /** The most columns of a table; what stands behind the last of them in a line is part of it. */
    public static final int MOST_COLUMNS = 20;

    /** What a reference begins with. */
    static final String REFERENCE = "ref:";

    /** What stands one beneath the other. */
    public sealed interface Block {}

    /**
     * A paragraph.
     *
     * @param isPoint whether it is a point of a list
     */
    public record Paragraph(boolean isPoint, List<Piece> pieces) implements Block {}

    /**
     * A table.
     *
     * @param columns from the first to the last; as many as the longest row has cells
     * @param rows beneath the heads; each with as many cells as were written, which may be fewer than there are columns
     */
    public record Table(List<Column> columns, List<List<Cell>> rows) implements Block {

        public Table {
            columns = List.copyOf(columns);
            rows = rows.stream().map(List::copyOf).toList();
        }

        /** The words alone, of the heads and of each row; as many in each as there are columns. */
        public List<List<String>> words() {
            return Stream.concat(Stream.of(columns.stream().map(Column::head).toList()), rows.stream())
                    .map(row -> IntStream.range(0, columns.size())
                            .mapToObj(column ->
                                    column < row.size() ? plain(row.get(column).pieces()) : "")
                            .toList())
                    .toList();
        }

        /** Whether any column has a head. */
        public boolean hasHeads() {
            return columns.stream().anyMatch(column -> !column.head().pieces().isEmpty());
        }
    }

    /**
     * A column of a table.
     *
     * @param head what stands over it; blank where the table has no heads
     * @param isOfFigures whether numbers stand in it, one below the other
     */
    public record Column(Cell head, boolean isOfFigures) {}

    /** What stands in a row beneath a head. */
    public record Cell(List<Piece> pieces) {

        /** Nothing. */
        public static final Cell BLANK = new Cell(List.of());
    }

    /** A part of a paragraph. */
    public sealed interface Piece {

        /** Ordinary words. */
        record Words(String text, Style style) implements Piece {}

        /**
         * A place for an answer.
         *
         * @param key what is named
         * @param format how it is to be written; empty for the usual way
         */
        record Merged(String key, String format, Style style, Extent extent) implements Piece {}

        /**
         * A place for the number of a clause.
         *
         * @param key the clause
         */
        record Reference(String key, Style style, Extent extent) implements Piece {}

        /**
         * Words that stand there sometimes, or several times.
         *
         * @param name the phrase, or the section in rows
         * @param otherwise what stands there while the phrase does not
         */
        record Bracketed(String name, List<Piece> pieces, List<Piece> otherwise, Style style, Extent extent)
                implements Piece {}
    }

    /** How words are emphasised. */
    public record Style(boolean strong, boolean emphasis) {

        /** Not at all. */
        public static final Style PLAIN = new Style(false, false);
    }

    /**
     * Where in the text a piece is written.
     *
     * @param from its first character
     * @param name the first character of its name
     * @param to behind its last character
     */
    public record Extent(int from, int name, int to) {}

    public Prose {
        blocks = List.copyOf(blocks);
    }

    /** Takes a text apart. */
    public static Prose of(String text) {
        return new ProseParser(text).prose();
    }

    /** The places for answers, in reading order, those in brackets too. */
    public List<Piece.Merged> merged() {
        return every(Piece.Merged.class);
    }

    /** The references, in reading order. */
    public List<Piece.Reference> references() {
        return every(Piece.Reference.class);
    }

    /** What stands in brackets, in reading order; what holds others before these. */
    public List<Piece.Bracketed> bracketed() {
        return every(Piece.Bracketed.class);
    }

    /** What is read in one go, in reading order: paragraphs, and the cells of tables row by row. */
    public List<List<Piece>> runs() {
        return blocks.stream()
                .flatMap(block -> switch (block) {
                    case Paragraph it -> Stream.of(it.pieces());
                    case Table it ->
                        Stream.concat(
                                        it.columns().stream().map(Column::head),
                                        it.rows().stream().flatMap(List::stream))
                                .map(Cell::pieces);
                })
                .toList();
    }

    private <P extends Piece> List<P> every(Class<P> type) {
        List<P> found = new ArrayList<>();
        runs().forEach(pieces -> walk(pieces, piece -> {
            if (type.isInstance(piece)) {
                found.add(type.cast(piece));
            }
        }));
        return found;
    }

    private static void walk(List<Piece> pieces, Consumer<Piece> visit) {
        for (Piece piece : pieces) {
            visit.accept(piece);
            if (piece instanceof Piece.Bracketed it) {
                walk(it.pieces(), visit);
                walk(it.otherwise(), visit);
            }
        }
    }

    /** Other names in the places of some. */
    public interface Renaming {

        /** The name that something has from now on; null where it is no more, and its place is taken out. */
        @Nullable
        String apply(String name);
    }

    private record Written(String name, Extent extent) {}

    /** A text with other names in it; whatever else it says stays as it was written. */
    public static String renamed(String text, Renaming names) {
        Prose prose = of(text);
        List<Written> all = Stream.of(
                        prose.merged().stream().map(it -> new Written(it.key(), it.extent())),
                        prose.references().stream().map(it -> new Written(it.key(), it.extent())),
                        prose.bracketed().stream().map(it -> new Written(it.name(), it.extent())))
                .flatMap(it -> it)
                .sorted(Comparator.comparingInt(it -> it.extent().from()))
                .toList();
        StringBuilder renamed = new StringBuilder();
        int done = 0;
        for (Written each : all) {
            // What stands in something that was taken out is gone with it.
            if (each.extent().from() < done) {
                continue;
            }
            String to = names.apply(each.name());
            if (to == null) {
                renamed.append(text, done, each.extent().from());
                done = each.extent().to();
            } else {
                renamed.append(text, done, each.extent().name()).append(to);
                done = each.extent().name() + each.name().length();
            }
        }
        return renamed.append(text, done, text.length()).toString();
    }

    /** The words alone: keys in braces, all phrases, those for otherwise not. */
    public String plain() {
        return runs().stream()
                .map(Prose::plain)
                .filter(words -> !words.isBlank())
                .collect(Collectors.joining(" "));
    }

    /** The words of some pieces alone. */
    public static String plain(List<Piece> pieces) {
        return pieces.stream()
                .map(piece -> switch (piece) {
                    case Piece.Words it -> it.text();
                    case Piece.Merged it -> "{" + it.key() + "}";
                    case Piece.Reference it -> "{" + it.key() + "}";
                    case Piece.Bracketed it -> plain(it.pieces());
                })
                .collect(Collectors.joining());
    }

    /** An ordinary text, written so that it is read as nothing else. */
    public static String literal(String text) {
        return ProseParser.literal(text);
    }

    /**
     * A table as it is written.
     *
     * @param hasHeads whether the first row says what stands beneath
     * @param figures for each column whether numbers stand in it, one below the other; told only beneath heads
     * @param rows from cell to cell, each written as texts are, without points and tables; at least one cell in each
     */
    public static String table(boolean hasHeads, List<Boolean> figures, List<List<String>> rows) {
        List<String> lines = new ArrayList<>();
        for (List<String> row : rows) {
            lines.add(row.stream().map(ProseParser::cell).collect(Collectors.joining(" | ", "| ", " |")));
            if (hasHeads && lines.size() == 1) {
                lines.add(figures.stream()
                        .map(isOfFigures -> isOfFigures ? "---:" : "---")
                        .collect(Collectors.joining("|", "|", "|")));
            }
        }
        return String.join("\n", lines);
    }
}
