package loesscape.core.prose;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.prose.Prose.Block;
import loesscape.core.prose.Prose.Cell;
import loesscape.core.prose.Prose.Column;
import loesscape.core.prose.Prose.Extent;
import loesscape.core.prose.Prose.Paragraph;
import loesscape.core.prose.Prose.Piece;
import loesscape.core.prose.Prose.Style;
import loesscape.core.prose.Prose.Table;

/** Reads texts as {@link Prose} describes them, in time that grows with their length alone. */
final class ProseParser {

    /** How deep brackets stand in each other; deeper ones are ordinary characters. */
    static final int DEEPEST = 4;

    private static final String MARKS = "\\*{}[]|-";
    private static final Pattern IN_BRACES =
            Pattern.compile("\\{(ref:)?([a-z][a-z0-9_]{0,59})(?::([a-z][a-z0-9_]{0,59}))?\\}");
    private static final Pattern OPENING = Pattern.compile("\\[([a-z][a-z0-9_]{0,59}):");
    private static final Pattern POINT = Pattern.compile("[ \\t]*- ");
    private static final Pattern BLANK = Pattern.compile("\\s*");
    private static final Pattern ROW = Pattern.compile("[ \\t]*\\|");
    private static final Pattern DASHES = Pattern.compile("(:?)-+(:?)");

    private final String text;
    /** For each opening bracket where its own closing one is; 0 where there is none in its paragraph. */
    private final int[] closing;
    /** Whether what is read stands in a row, where a backslash before the end of a line makes a new line. */
    private boolean isInTable;

    ProseParser(String text) {
        this.text = text;
        this.closing = new int[text.length()];
    }

    Prose prose() {
        List<Block> blocks = new ArrayList<>();
        int from = 0;
        int begun = -1;
        boolean isPoint = false;
        while (from <= text.length()) {
            int end = text.indexOf('\n', from);
            end = end < 0 ? text.length() : end;
            boolean isBlank = BLANK.matcher(text).region(from, end).matches();
            Matcher point = POINT.matcher(text).region(from, end);
            boolean opens = point.lookingAt();
            if (begun >= 0 && (isBlank || opens)) {
                blocks.add(paragraph(isPoint, begun, from - 1));
                begun = -1;
            }
            if (begun < 0 && isRow(from, end)) {
                from = table(blocks, from);
                continue;
            }
            if (begun < 0 && !isBlank) {
                isPoint = opens;
                begun = opens ? point.end() : from;
            }
            from = end + 1;
        }
        if (begun >= 0) {
            blocks.add(paragraph(isPoint, begun, text.length()));
        }
        return new Prose(blocks);
    }

    private Paragraph paragraph(boolean isPoint, int from, int to) {
        int first = first(from, to);
        int last = last(first, to);
        match(first, last);
        return new Paragraph(isPoint, pieces(first, last, Style.PLAIN, 0));
    }

    /** Where there is something else than space; the end where there is nothing. */
    private int first(int from, int to) {
        int first = from;
        while (first < to && Character.isWhitespace(text.charAt(first))) {
            first++;
        }
        return first;
    }

    /** Behind the last that is something else than space. */
    private int last(int from, int to) {
        int last = to;
        while (last > from && Character.isWhitespace(text.charAt(last - 1))) {
            last--;
        }
        return last;
    }

    private boolean isRow(int from, int end) {
        return ROW.matcher(text).region(from, end).lookingAt();
    }

    /** Reads the lines of a table; where the line behind it begins. */
    private int table(List<Block> blocks, int begin) {
        List<List<Cell>> rows = new ArrayList<>();
        List<Boolean> figures = List.of();
        boolean hasHeads = false;
        isInTable = true;
        int from = begin;
        while (from < text.length() && isRow(from, text.length())) {
            int end = endOfRow(from);
            List<Boolean> beneathHeads = rows.size() == 1 && !hasHeads ? figures(from, end) : List.of();
            if (!beneathHeads.isEmpty()) {
                hasHeads = true;
                figures = beneathHeads;
            } else {
                rows.add(row(from, end));
            }
            from = end + 1;
        }
        isInTable = false;
        int width = rows.stream().mapToInt(List::size).max().orElseThrow();
        // Heads with nothing beneath them are a row.
        List<Cell> heads = hasHeads && rows.size() > 1 ? rows.removeFirst() : List.of();
        List<Column> columns = new ArrayList<>();
        for (int column = 0; column < width; column++) {
            columns.add(new Column(
                    column < heads.size() ? heads.get(column) : Cell.BLANK,
                    column < figures.size() && figures.get(column)));
        }
        blocks.add(new Table(columns, rows));
        return from;
    }

    /** The end of a row, which goes on behind a backslash at the end of a line. */
    private int endOfRow(int from) {
        int end = text.indexOf('\n', from);
        while (end > from && isGoingOn(end)) {
            end = text.indexOf('\n', end + 1);
        }
        return end < 0 ? text.length() : end;
    }

    /** Whether an odd number of backslashes stands before the end of a line. */
    private boolean isGoingOn(int end) {
        int at = end;
        while (at > 0 && text.charAt(at - 1) == '\\') {
            at--;
        }
        return (end - at) % 2 == 1;
    }

    /** Of a line of dashes for each column whether a colon stands only behind them; nothing for any other line. */
    private List<Boolean> figures(int from, int end) {
        List<Boolean> figures = new ArrayList<>();
        String line = text.substring(text.indexOf('|', from) + 1, end).strip();
        String parted = line.endsWith("|") ? line.substring(0, line.length() - 1) : line;
        for (String dashes : parted.split("\\|", -1)) {
            Matcher matcher = DASHES.matcher(dashes.strip());
            if (!matcher.matches()) {
                return List.of();
            }
            figures.add(matcher.group(1).isEmpty() && !matcher.group(2).isEmpty());
        }
        return figures;
    }

    private List<Cell> row(int from, int end) {
        match(from, end);
        List<Cell> cells = new ArrayList<>();
        int at = text.indexOf('|', from) + 1;
        int last = last(at, end);
        while (at < last) {
            int bar = middle(at, last);
            boolean isMore = cells.size() + 1 == Prose.MOST_COLUMNS && bar + 1 < last;
            bar = isMore ? last : bar;
            int first = first(at, bar);
            cells.add(new Cell(pieces(first, last(first, bar), Style.PLAIN, 0)));
            at = bar + 1;
        }
        return cells.isEmpty() ? List.of(Cell.BLANK) : cells;
    }

    /** Finds the pairs of brackets of a paragraph. */
    private void match(int from, int to) {
        int[] open = new int[DEEPEST];
        int depth = 0;
        for (int at = from; at < to; at++) {
            char c = text.charAt(at);
            if (isEscape(at, to)) {
                at++;
            } else if (c == '[') {
                if (depth < DEEPEST) {
                    open[depth] = at;
                }
                depth++;
            } else if (c == ']' && depth > 0) {
                depth--;
                if (depth < DEEPEST) {
                    closing[open[depth]] = at;
                }
            }
        }
    }

    private boolean isEscape(int at, int to) {
        return text.charAt(at) == '\\'
                && at + 1 < to
                && (MARKS.indexOf(text.charAt(at + 1)) >= 0 || (isInTable && text.charAt(at + 1) == '\n'));
    }

    private List<Piece> pieces(int from, int to, Style style, int depth) {
        List<Piece> pieces = new ArrayList<>();
        StringBuilder words = new StringBuilder();
        // By the number of marks: where looking for the closing ones was in vain once, it is from every later place
        // too.
        boolean[] maybe = {false, !style.emphasis(), !style.strong(), !style.emphasis() && !style.strong()};
        int at = from;
        while (at < to) {
            char c = text.charAt(at);
            if (isEscape(at, to)) {
                words.append(text.charAt(at + 1));
                at = text.charAt(at + 1) == '\n' ? first(at + 1, to) : at + 2;
                continue;
            }
            if (c == '*') {
                int length = run(at, to);
                int end = length < maybe.length && maybe[length] && isInside(at + length, to)
                        ? closing(at + length, to, length)
                        : -1;
                if (end < 0) {
                    if (length < maybe.length && isInside(at + length, to)) {
                        maybe[length] = false;
                    }
                    words.repeat('*', length);
                    at += length;
                } else {
                    flush(pieces, words, style);
                    Style inner = new Style(style.strong() || length > 1, style.emphasis() || length != 2);
                    pieces.addAll(pieces(at + length, end, inner, depth));
                    at = end + length;
                }
                continue;
            }
            int after = c == '{' ? inBraces(at, to, style, pieces, words) : -1;
            after = c == '[' ? bracketed(at, to, style, depth, pieces, words) : after;
            if (after < 0) {
                words.append(c);
                after = at + 1;
            }
            at = after;
        }
        flush(pieces, words, style);
        return List.copyOf(pieces);
    }

    private static void flush(List<Piece> pieces, StringBuilder words, Style style) {
        if (!words.isEmpty()) {
            pieces.add(new Piece.Words(words.toString(), style));
            words.setLength(0);
        }
    }

    /** How many marks stand there one after the other. */
    private int run(int at, int to) {
        int end = at;
        while (end < to && text.charAt(end) == '*') {
            end++;
        }
        return end - at;
    }

    private boolean isInside(int at, int to) {
        return at < to && !Character.isWhitespace(text.charAt(at));
    }

    /** Where the marks that close an emphasis stand, outside of brackets that stand in it; -1 for nowhere. */
    private int closing(int from, int to, int length) {
        int at = from;
        while (at < to) {
            if (isEscape(at, to)) {
                at += 2;
            } else if (isClosed(at, to)) {
                at = closing[at] + 1;
            } else if (text.charAt(at) == '*') {
                int marks = run(at, to);
                // The last of three may close what began with one or two, when another began in it.
                boolean fits = marks == length || (marks == 3 && length < 3);
                if (fits && at > from && !Character.isWhitespace(text.charAt(at - 1))) {
                    return at + marks - length;
                }
                at += marks;
            } else {
                at++;
            }
        }
        return -1;
    }

    private boolean isClosed(int at, int to) {
        return text.charAt(at) == '[' && closing[at] > 0 && closing[at] < to;
    }

    private int inBraces(int at, int to, Style style, List<Piece> pieces, StringBuilder words) {
        Matcher matcher = IN_BRACES.matcher(text).region(at, to);
        if (!matcher.lookingAt() || (matcher.group(1) != null && matcher.group(3) != null)) {
            return -1;
        }
        flush(pieces, words, style);
        Extent extent = new Extent(at, matcher.start(2), matcher.end());
        String key = matcher.group(2);
        pieces.add(
                matcher.group(1) != null
                        ? new Piece.Reference(key, style, extent)
                        : new Piece.Merged(key, matcher.group(3) == null ? "" : matcher.group(3), style, extent));
        return matcher.end();
    }

    private int bracketed(int at, int to, Style style, int depth, List<Piece> pieces, StringBuilder words) {
        Matcher matcher = OPENING.matcher(text).region(at, to);
        if (depth >= DEEPEST || !isClosed(at, to) || !matcher.lookingAt()) {
            return -1;
        }
        flush(pieces, words, style);
        int end = closing[at];
        int middle = middle(matcher.end(), end);
        boolean hasOther = middle < end;
        int first = matcher.end();
        // One space beside the marks is there for the eye; a second one belongs to the words.
        int wordsFrom = first < middle && text.charAt(first) == ' ' ? first + 1 : first;
        int wordsTo = hasOther && middle > wordsFrom && text.charAt(middle - 1) == ' ' ? middle - 1 : middle;
        int otherFrom = middle + 1 < end && text.charAt(middle + 1) == ' ' ? middle + 2 : middle + 1;
        pieces.add(new Piece.Bracketed(
                matcher.group(1),
                pieces(wordsFrom, wordsTo, style, depth + 1),
                hasOther ? pieces(otherFrom, end, style, depth + 1) : List.of(),
                style,
                new Extent(at, matcher.start(1), end + 1)));
        return end + 1;
    }

    /** Where the words that stand there otherwise begin; the end where there are none. */
    private int middle(int from, int end) {
        int at = from;
        while (at < end) {
            if (isEscape(at, end)) {
                at += 2;
            } else if (isClosed(at, end)) {
                at = closing[at] + 1;
            } else if (text.charAt(at) == '|') {
                return at;
            } else {
                at++;
            }
        }
        return end;
    }

    static String literal(String text) {
        StringBuilder literal = new StringBuilder();
        boolean isAtStart = true;
        for (int at = 0; at < text.length(); at++) {
            char c = text.charAt(at);
            if (c == '-' ? isAtStart : MARKS.indexOf(c) >= 0) {
                literal.append('\\');
            }
            literal.append(c);
            isAtStart = c == '\n' || (isAtStart && (c == ' ' || c == '\t'));
        }
        return literal.toString();
    }

    /** A text, written as a cell of a table: in one line, and never as dashes, which would make heads of the row above. */
    static String cell(String written) {
        String cell = written.strip();
        return DASHES.matcher(cell).matches() ? cell.replaceFirst("-", "\\\\-") : cell.replace("\n", "\\\n");
    }
}
