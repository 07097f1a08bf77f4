package loesscape.core.evaluation;

import java.util.List;
import java.util.stream.Collectors;

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
     * The rows of a section as a table.
     *
     * @param columns what is asked in each row
     * @param rows the answers in words, as many in each row as there are columns
     */
    record Grid(List<Column> columns, List<List<String>> rows) implements Passage {}

    /**
     * A column of a table.
     *
     * @param numeric whether its answers are numbers, which stand one below the other
     */
    record Column(String label, boolean numeric) {}

    /**
     * Words that look alike.
     *
     * @param text itself; empty for a reference, in whose place the number of the clause stands
     * @param strong whether they are strongly emphasised
     * @param emphasis whether they are emphasised
     * @param reference the key of the clause or section whose number stands here; empty for words
     */
    record Span(String text, boolean strong, boolean emphasis, String reference) {

        private Span numbered(Numbering numbering) {
            return reference.isEmpty() ? this : new Span(numbering.reference(reference), strong, emphasis, "");
        }
    }

    /** A text of one paragraph without emphasis. */
    static List<Passage> plain(String text) {
        return text.isEmpty() ? List.of() : List.of(new Paragraph(false, List.of(new Span(text, false, false, ""))));
    }

    /** The same text with the numbers of clauses in the places of references. */
    static List<Passage> numbered(List<Passage> passages, Numbering numbering) {
        return passages.stream()
                .map(passage -> passage instanceof Paragraph(var point, var spans)
                        ? new Paragraph(
                                point,
                                spans.stream()
                                        .map(span -> span.numbered(numbering))
                                        .toList())
                        : passage)
                .toList();
    }

    /** The words alone, a blank line between paragraphs, tabs between the cells of a table; references say nothing. */
    static String words(List<Passage> passages) {
        return passages.stream()
                .map(passage -> switch (passage) {
                    case Paragraph it -> it.spans().stream().map(Span::text).collect(Collectors.joining());
                    case Grid it ->
                        it.rows().stream().map(row -> String.join("\t", row)).collect(Collectors.joining("\n"));
                })
                .collect(Collectors.joining("\n\n"));
    }
}
