package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import loesscape.core.model.Section;
import org.jspecify.annotations.Nullable;

/**
 * The names of rows. A row keeps its name for good, wherever it is moved, so that what is typed in it goes with it. Names
 * are lower-case letters and digits; they are kept as one text, parted by commas.
 */
public final class RowNames {

    private static final Pattern SPELLING = Pattern.compile("[a-z0-9]{1,16}");

    /** How many rows more than a section takes are looked at, so that it can be said that there are too many. */
    private static final int BEYOND = 20;

    /** What rows are called that stand there because a section has at least so many. */
    private static final String BLANK = "blank";

    private RowNames() {}

    /** The address of a node in a row, or of the row itself under the key of its section. */
    public static String address(String key, String row) {
        return key + "@" + row;
    }

    /** The key of the node at an address. */
    public static String key(String address) {
        int at = address.indexOf('@');
        return at < 0 ? address : address.substring(0, at);
    }

    /** The row of an address; empty where it is in none. */
    public static String row(String address) {
        int at = address.indexOf('@');
        return at < 0 ? "" : address.substring(at + 1);
    }

    /** The names in their order as text. */
    public static String text(List<String> rows) {
        return String.join(",", rows);
    }

    /**
     * The rows of a section: those that are named, each once, not many more than it takes; what is no name of a row is
     * passed over. Where fewer are named than the section has at least, blank ones stand behind them.
     */
    static String[] of(Section.Rows rows, @Nullable String typed) {
        if (typed == null) {
            return first(rows.least());
        }
        List<String> names = new ArrayList<>(
                read(typed).stream().limit((long) rows.most() + BEYOND).toList());
        for (int i = 1; names.size() < rows.least(); i++) {
            String blank = BLANK + i;
            if (!names.contains(blank)) {
                names.add(blank);
            }
        }
        return names.toArray(String[]::new);
    }

    /** The names in a text, each once; what is no name of a row is passed over. */
    public static List<String> read(String typed) {
        Set<String> names = new LinkedHashSet<>();
        for (String name : typed.split(",", -1)) {
            String trimmed = name.strip();
            if (SPELLING.matcher(trimmed).matches()) {
                names.add(trimmed);
            }
        }
        return List.copyOf(names);
    }

    /** So many rows as they are named where nobody named them: r1, r2, … */
    public static String[] first(int count) {
        String[] names = new String[count];
        for (int i = 0; i < count; i++) {
            names[i] = "r" + (i + 1);
        }
        return names;
    }

    /** These rows and a new one behind them, whose name none of {@code used} has had. */
    public static List<String> added(List<String> rows, Set<String> used) {
        int number = rows.size() + 1;
        while (rows.contains("r" + number) || used.contains("r" + number)) {
            number++;
        }
        List<String> longer = new ArrayList<>(rows);
        longer.add("r" + number);
        return longer;
    }
}
