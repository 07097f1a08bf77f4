package loesscape.core.expression;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A pattern for texts, of bounded size: repetitions of repetitions multiply, and what looks for a pattern takes as many
 * steps for each character as the pattern has.
 *
 * @param pattern ready to be looked for, in linear time
 * @param size about how many steps it has
 */
public record TextPattern(Pattern pattern, int size) {

    private static final int LARGEST = 10_000;
    private static final int DEEPEST = 100;
    private static final int MOST_KEPT = 500;

    /** What is larger is read anew each time, so that what is kept stays small, whoever the patterns come from. */
    private static final int LARGEST_KEPT = 500;

    /** About how many steps of a pattern, times characters, take as long as a step of a formula. */
    private static final int STEPS = 20;

    private static final Map<String, TextPattern> KEPT = new ConcurrentHashMap<>();

    /** A pattern that is none, or too large. The message says which. */
    public static final class NoPattern extends RuntimeException {
        NoPattern(String message) {
            super(message);
        }
    }

    /**
     * Reads a pattern; the same one is read once.
     *
     * @param flags those of {@link Pattern}
     * @throws NoPattern where it is none, or too large
     */
    public static TextPattern of(String text, int flags) {
        String key = flags + " " + text;
        TextPattern known = KEPT.get(key);
        if (known != null) {
            return known;
        }
        if (text.length() > LARGEST) {
            throw new NoPattern("The pattern is too large: it has more than %,d signs.".formatted(LARGEST));
        }
        int size = size(text);
        try {
            TextPattern read = new TextPattern(Pattern.compile(text, flags), size);
            if (Math.max(size, text.length()) <= LARGEST_KEPT) {
                if (KEPT.size() >= MOST_KEPT) {
                    KEPT.clear();
                }
                KEPT.put(key, read);
            }
            return read;
        } catch (PatternSyntaxException e) {
            throw new NoPattern("This pattern is not understood: %s.".formatted(e.getDescription()));
        }
    }

    /** How much of the work of a formula it takes to look for it in a text. */
    public long work(String text) {
        return (long) size * text.length() / STEPS + 1;
    }

    /** About how many steps a pattern has: at least as many as it would be written out. */
    private static int size(String text) {
        Deque<Long> groups = new ArrayDeque<>();
        long all = 0;
        long last = 0;
        boolean inClass = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\\') {
                i++;
                all += inClass ? 0 : 1;
                last = 1;
            } else if (inClass) {
                inClass = c != ']';
            } else if (c == '[') {
                inClass = true;
                all++;
                last = 1;
            } else if (c == '(') {
                groups.push(all);
                all = 0;
                if (groups.size() > DEEPEST) {
                    throw new NoPattern("The pattern is nested more than %d deep.".formatted(DEEPEST));
                }
            } else if (c == ')' && !groups.isEmpty()) {
                last = all + 2;
                all = groups.pop() + last;
            } else if (c == '{') {
                long times = times(text, i);
                all += last * (times - 1);
                last *= times;
            } else {
                all++;
                last = 1;
            }
            if (all > LARGEST) {
                throw new NoPattern(
                        "The pattern is too large: its repetitions come to more than %,d signs.".formatted(LARGEST));
            }
        }
        return (int) Math.max(1, all);
    }

    /** The greater number in braces, as in {2,5}; one where there is none. */
    private static long times(String text, int brace) {
        long greatest = 1;
        long number = 0;
        for (int i = brace + 1; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9') {
                number = Math.min(number * 10 + c - '0', LARGEST + 1L);
                greatest = Math.max(greatest, number);
            } else if (c == ',') {
                number = 0;
            } else {
                return c == '}' ? greatest : 1;
            }
        }
        return 1;
    }
}
