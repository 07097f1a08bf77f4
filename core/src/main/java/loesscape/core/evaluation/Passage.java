package loesscape.core.evaluation;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A part of a text as its reader sees it: with answers in their places, and without phrases that do not stand there now. */
public sealed interface Passage {

    /**
     * A paragraph.
     *
     * @param point whether it is a point of a list
     * @param spans in reading order; at least one
     */
    record Paragraph(boolean point, List<Span> spans) implements Passage {}

    /**
     * A table.
     *
     * @param columns at least one
     * @param rows beneath the heads, as many cells in each row as there are columns; none where it shows the rows of a
     *     section that has none
     */
    record Grid(List<Column> columns, List<List<Cell>> rows) implements Passage {

        /** Whether any column has a head. */
        public boolean hasHeads() {
            return columns.stream().anyMatch(column -> !column.head().spans().isEmpty());
        }
    }

    /**
     * A column of a table.
     *
     * @param head what stands over it; of no spans where nothing does
     * @param numeric whether its answers are numbers, which stand one below the other
     */
    record Column(Cell head, boolean numeric) {}

    /**
     * What stands in a row beneath a head.
     *
     * @param spans in reading order; none where nothing stands there
     */
    record Cell(List<Span> spans) {

        /** Nothing. */
        static final Cell BLANK = new Cell(List.of());

        /** Ordinary words. */
        public static Cell of(String text) {
            return text.isEmpty() ? BLANK : new Cell(List.of(new Span(text, false, false, "")));
        }

        /** The words alone; references say nothing. */
        public String words() {
            return Passage.said(spans);
        }
    }

    /**
     * Words that look alike.
     *
     * @param text itself; empty for a reference, in whose place the number of the clause stands
     * @param strong whether they are strongly emphasised
     * @param emphasis whether they are emphasised
     * @param reference the key of the clause or section whose number stands here; empty for words
     */
    record Span(String text, boolean strong, boolean emphasis, String reference) {

        private Span numbered(DocumentNumbers numbering) {
            return reference.isEmpty() ? this : new Span(numbering.reference(reference), strong, emphasis, "");
        }
    }

    /** A text of one paragraph without emphasis. */
    static List<Passage> plain(String text) {
        return text.isEmpty() ? List.of() : List.of(new Paragraph(false, List.of(new Span(text, false, false, ""))));
    }

    /** The same text with the numbers of clauses in the places of references. */
    static List<Passage> numbered(List<Passage> passages, DocumentNumbers numbering) {
        return passages.stream()
                .<Passage>map(passage -> switch (passage) {
                    case Paragraph(var point, var spans) -> new Paragraph(point, numberedSpans(spans, numbering));
                    case Grid(var columns, var rows) ->
                        new Grid(
                                columns.stream()
                                        .map(column -> new Column(numbered(column.head(), numbering), column.numeric()))
                                        .toList(),
                                rows.stream()
                                        .map(row -> row.stream()
                                                .map(cell -> numbered(cell, numbering))
                                                .toList())
                                        .toList());
                })
                .toList();
    }

    private static Cell numbered(Cell cell, DocumentNumbers numbering) {
        return new Cell(numberedSpans(cell.spans(), numbering));
    }

    private static List<Span> numberedSpans(List<Span> spans, DocumentNumbers numbering) {
        return spans.stream().map(span -> span.numbered(numbering)).toList();
    }

    private static String said(List<Span> spans) {
        return spans.stream().map(Span::text).collect(Collectors.joining());
    }

    /** The words alone, a blank line between paragraphs, tabs between the cells of a table; references say nothing. */
    static String words(List<Passage> passages) {
        return passages.stream()
                .map(passage -> switch (passage) {
                    case Paragraph it -> said(it.spans());
                    case Grid it ->
                        Stream.concat(
                                        it.hasHeads()
                                                ? Stream.of(it.columns().stream()
                                                        .map(Column::head)
                                                        .toList())
                                                : Stream.of(),
                                        it.rows().stream())
                                .map(row -> row.stream().map(Cell::words).collect(Collectors.joining("\t")))
                                .collect(Collectors.joining("\n"));
                })
                .collect(Collectors.joining("\n\n"));
    }
}
