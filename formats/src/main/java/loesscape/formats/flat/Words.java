package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.stream.Collectors;

/** Letters on one line without a gap that is wider than a letter; of a scanned page only where they lie. */
record Words(String text, List<Letter> letters) {

    private static final double NEXT_LINE = 2.2;

    Words {
        letters = List.copyOf(letters);
    }

    /** All words of a page, line by line. */
    static List<Words> of(List<Letter> letters) {
        List<Letter> sorted = new ArrayList<>(letters);
        sorted.sort(Comparator.<Letter>comparingLong(letter -> Math.round(letter.base()))
                .thenComparingDouble(Letter::left));
        List<Words> words = new ArrayList<>();
        List<Letter> now = new ArrayList<>();
        for (Letter letter : sorted) {
            if (!now.isEmpty()) {
                Letter last = now.getLast();
                double gap = letter.left() - last.right();
                if (Math.abs(letter.base() - last.base()) > NEXT_LINE || gap > Math.max(letter.size(), 6) * 1.05) {
                    add(words, now);
                    now = new ArrayList<>();
                } else if (gap > letter.size() * 0.18 && !last.isBlank()) {
                    now.add(new Letter(" ", last.right(), last.base(), gap, last.size()));
                }
            }
            now.add(letter);
        }
        add(words, now);
        return words;
    }

    private static void add(List<Words> words, List<Letter> letters) {
        while (!letters.isEmpty() && letters.getFirst().isBlank()) {
            letters.removeFirst();
        }
        while (!letters.isEmpty() && letters.getLast().isBlank()) {
            letters.removeLast();
        }
        if (!letters.isEmpty()) {
            words.add(new Words(letters.stream().map(Letter::text).collect(Collectors.joining()), letters));
        }
    }

    /** A dark spot of a scanned page, of which nobody knows what it says. */
    static Words unread(Area spot) {
        return new Words("", List.of(new Letter("\uFFFC", spot.left(), spot.bottom(), spot.width(), spot.height())));
    }

    double left() {
        return letters.getFirst().left();
    }

    double right() {
        return letters.getLast().right();
    }

    double base() {
        return letters.getFirst().base();
    }

    double size() {
        return letters.stream().mapToDouble(Letter::size).max().orElse(0);
    }

    double top() {
        return base() - size() * 0.8;
    }

    double bottom() {
        return base() + size() * 0.22;
    }

    double middle() {
        return (top() + bottom()) / 2;
    }

    double width() {
        return right() - left();
    }

    /** The letter at each character of the text. */
    Letter at(int character) {
        int before = 0;
        for (Letter letter : letters) {
            before += letter.text().length();
            if (character < before) {
                return letter;
            }
        }
        return letters.getLast();
    }

    /** What they say behind their last blank and the last mark among them. */
    String tail(List<Spot> marks) {
        Matcher blank = PageToFill.LEADER.matcher(text);
        int end = 0;
        while (blank.find()) {
            end = blank.end();
        }
        return behindMarks(marks, end, text.length());
    }

    /** A part of them, without what stands before a mark: that belongs to another one. */
    String behindMarks(List<Spot> marks, int from, int to) {
        double last = marks.stream()
                .filter(Spot::isMark)
                .map(Spot::area)
                .filter(mark -> mark.top() < middle() + 2 && mark.bottom() > middle() - 2)
                .filter(mark -> to > 0 && mark.right() <= at(to - 1).right())
                .mapToDouble(Area::centre)
                .max()
                .orElse(-1);
        int begin = from;
        while (begin < to && at(begin).left() < last) {
            begin++;
        }
        return text.substring(begin, to);
    }

    /** How wide the letters are that something is true of. */
    double ink(Predicate<Letter> wanted) {
        return letters.stream()
                .filter(letter -> !letter.isBlank())
                .filter(wanted)
                .mapToDouble(Letter::width)
                .sum();
    }
}
