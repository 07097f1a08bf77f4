package loesscape.core.model;

import java.util.function.BiConsumer;

/** Bounds the texts of a template. */
final class TextBounds {

    /** The most characters a text answer can ever have. */
    static final int LONGEST_ANSWER = 100_000;

    private static final int SHORTENED = 40;

    private final BiConsumer<String, String> report;

    TextBounds(BiConsumer<String, String> report) {
        this.report = report;
    }

    void line(String path, String text) {
        bounded(path, text, Template.LONGEST_LINE);
        if (text.indexOf('\n') >= 0 || text.indexOf('\r') >= 0) {
            report.accept(path, "This is one line; take out the line break.");
        }
    }

    void paragraph(String path, String text) {
        bounded(path, text, Template.LONGEST_PARAGRAPH);
    }

    private void bounded(String path, String text, int most) {
        if (text.length() > most) {
            report.accept(path, "The text has %d characters; the most is %d.".formatted(text.length(), most));
        }
        if (text.chars().anyMatch(c -> c < ' ' && c != '\n' && c != '\r' && c != '\t')) {
            report.accept(path, "The text holds a control character; take it out.");
        }
    }

    /** A text short enough to be quoted in a message. */
    static String shortened(String text) {
        return text.length() <= SHORTENED ? text : text.substring(0, SHORTENED) + "…";
    }
}
