package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.Passage.Span;
import loesscape.core.prose.Prose.Style;

/** Collects the words of a text, no more of them than a text may have. */
final class PassageWriter {

    /** The most characters that a text comes to, however many answers are merged into it. */
    static final int MOST = 100_000;

    private static final String CUT = "…";

    private final List<Passage> passages = new ArrayList<>();
    private final List<Span> spans = new ArrayList<>();
    private final StringBuilder words = new StringBuilder();
    private Style style = Style.PLAIN;
    private int left = MOST;
    private boolean isCut;

    /** Whether there is no room for any more. */
    boolean isFull() {
        return isCut;
    }

    void words(String text, Style as) {
        if (text.isEmpty() || isCut) {
            return;
        }
        if (!as.equals(style)) {
            flush();
            style = as;
        }
        if (text.length() <= left) {
            words.append(text);
        } else {
            boolean isInPair = left > 0 && Character.isHighSurrogate(text.charAt(left - 1));
            words.append(text, 0, isInPair ? left - 1 : left).append(CUT);
            isCut = true;
        }
        left = Math.max(0, left - text.length());
    }

    void reference(String key, Style as) {
        flush();
        spans.add(new Span("", as.strong(), as.emphasis(), key));
    }

    void grid(List<Passage.Column> columns, List<List<Passage.Cell>> rows) {
        passages.add(new Passage.Grid(columns, List.copyOf(rows)));
    }

    /** Ends a cell of a table. */
    Passage.Cell cell() {
        return new Passage.Cell(taken());
    }

    /** Ends a paragraph; one that came to nothing is none. */
    void endParagraph(boolean isPoint) {
        List<Span> said = taken();
        if (!said.isEmpty()) {
            passages.add(new Passage.Paragraph(isPoint, said));
        }
    }

    /** What was written since the last end; none where it came to nothing. */
    private List<Span> taken() {
        flush();
        boolean isEmpty = spans.stream()
                .allMatch(span -> span.reference().isEmpty() && span.text().isBlank());
        List<Span> taken = isEmpty ? List.of() : List.copyOf(spans);
        spans.clear();
        return taken;
    }

    List<Passage> written() {
        return List.copyOf(passages);
    }

    private void flush() {
        if (!words.isEmpty()) {
            spans.add(new Span(words.toString(), style.strong(), style.emphasis(), ""));
            words.setLength(0);
        }
    }
}
