package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.prose.Prose;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordPiece.Asked;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;
import loesscape.formats.word.WordPiece.Room;
import loesscape.formats.word.WordPiece.Square;
import loesscape.formats.word.WordPiece.Words;

/** What words of a document say, and what in them is to be filled in. */
final class WordText {

    /** Room to write, names in brackets, and squares. */
    private static final Pattern PLACE = Pattern.compile(
            "(?<room>_{3,}|\\.{5,}|…{2,})"
                    + "|(?<square>[\\u2610\\u2611\\u2612\\u25A1\\u25CB]|\\[ {1,3}\\]|\\( {2,3}\\))"
                    + "|\\[(?<bracketed>[^\\[\\]\\n]{2,60})\\]|\\{\\{?(?<braced>[^{}\\n]{2,60})\\}\\}?|«(?<quoted>[^«»\\n]{1,60})»|<<(?<angled>[^<>\\n]{1,60})>>");

    /** What is no name though it stands in brackets. */
    private static final Pattern NO_NAME = Pattern.compile("[0-9., ]+|[A-Za-z0-9]|sic|\\.+|…|[xX]|\\W+");

    private static final Pattern ALTERNATIVES = Pattern.compile("\\s*/\\s*");

    /** Yes and no in languages of documents (from memory). */
    private static final Set<String> YES =
            Set.of("yes", "ja", "oui", "sí", "sì", "sim", "tak", "ναι", "igen", "ano", "áno");

    private static final Set<String> NO = Set.of("no", "nein", "nee", "non", "não", "nie", "όχι", "nem", "ne");

    private WordText() {}

    static boolean isYes(String words) {
        return YES.contains(words.toLowerCase(Locale.ROOT));
    }

    static boolean isNo(String words) {
        return NO.contains(words.toLowerCase(Locale.ROOT));
    }

    /** Words that stand beside each other in one style become one. */
    static List<WordPiece> joined(List<WordPiece> pieces) {
        List<WordPiece> joined = new ArrayList<>();
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words
                    && !joined.isEmpty()
                    && joined.getLast() instanceof Words last
                    && (last.looksLike(words) || words.text().isBlank())) {
                joined.set(joined.size() - 1, new Words(last.text() + words.text(), last.isBold(), last.isItalic()));
            } else {
                joined.add(piece);
            }
        }
        return joined;
    }

    /** The same with what is to be filled in among the words as pieces of its own. */
    static List<WordPiece> parted(List<WordPiece> pieces) {
        List<WordPiece> parted = new ArrayList<>();
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words) {
                part(words, parted);
            } else {
                parted.add(piece);
            }
        }
        return parted;
    }

    private static void part(Words words, List<WordPiece> parted) {
        Matcher place = PLACE.matcher(words.text());
        int from = 0;
        while (place.find()) {
            WordPiece found = found(place);
            if (found != null) {
                add(words, from, place.start(), parted);
                parted.add(found);
                from = place.end();
            }
        }
        add(words, from, words.text().length(), parted);
    }

    private static void add(Words words, int from, int to, List<WordPiece> parted) {
        if (from < to) {
            parted.add(new Words(words.text().substring(from, to), words.isBold(), words.isItalic()));
        }
    }

    private static @org.jspecify.annotations.Nullable WordPiece found(Matcher place) {
        if (place.group("room") != null) {
            return new Room();
        }
        if (place.group("square") != null) {
            return new Square();
        }
        String bracketed = place.group("bracketed");
        String name = Stream.of("bracketed", "braced", "quoted", "angled")
                .map(place::group)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse("")
                .strip();
        if (name.isEmpty() || NO_NAME.matcher(name).matches()) {
            return null;
        }
        List<String> choices = List.of(ALTERNATIVES.split(name));
        return bracketed != null && choices.size() > 1
                ? new Asked(new Control(Asking.ONE_CHOICE, "", name, choices))
                : new Asked(Control.text(name.replace('_', ' '), name));
    }

    /** The same words without emphasis. */
    static List<WordPiece> unstyled(List<WordPiece> pieces) {
        return pieces.stream()
                .map(piece -> piece instanceof Words words ? new Words(words.text(), false, false) : piece)
                .toList();
    }

    /** Whether anything is to be filled in. */
    static boolean asks(List<WordPiece> pieces) {
        return pieces.stream().anyMatch(piece -> !(piece instanceof Words));
    }

    /** The words alone, on one line. */
    static String of(List<WordPiece> pieces) {
        return plain(pieces.stream()
                .map(piece -> piece instanceof Words words ? words.text() : " ")
                .collect(Collectors.joining()));
    }

    static String of(Cell cell) {
        return cell.blocks().stream()
                .map(block -> block instanceof Paragraph paragraph ? of(paragraph.pieces()) : "")
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(" "));
    }

    static String plain(String text) {
        return text.replaceAll("[\\s\\p{Cntrl}]+", " ").strip();
    }

    /** A prompt as a label: without what leads to its answer. */
    static String label(String prompt) {
        return plain(prompt).replaceAll("^[\\s,;.)–-]+|[:\\s]+$", "").strip();
    }

    /** Words as they are written in a text, with the marks of their style. */
    static String marked(Words words) {
        String text = Prose.literal(words.text().replace('\t', ' ').replaceAll("[\\p{Cntrl}&&[^\\n]]", ""));
        String core = text.strip();
        String mark = words.isBold() && words.isItalic() ? "***" : words.isBold() ? "**" : words.isItalic() ? "*" : "";
        if (core.isEmpty() || mark.isEmpty() || core.contains("\n")) {
            return text;
        }
        int start = text.indexOf(core);
        return text.substring(0, start) + mark + core + mark + text.substring(start + core.length());
    }
}
