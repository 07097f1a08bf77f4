package loesscape.formats.paper;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How wide the columns of a table of words are: by the longest of what stands in each, so that one with long sentences does
 * not squeeze the others letter by letter, and one with a word is no wider than that needs.
 */
public final class ColumnShares {

    /** What is longer than this breaks over lines, in characters. */
    private static final int LONGEST_LINE = 40;

    /** Room on both sides of what stands in a cell, in characters. */
    private static final int SIDES = 3;

    private ColumnShares() {}

    /**
     * The shares in hundredths of the whole; they come to 100.
     *
     * @param rows from cell to cell, as many in each; at least one row of one cell
     */
    public static List<Integer> of(List<List<String>> rows) {
        int columns = rows.getFirst().size();
        List<Integer> weights = new ArrayList<>();
        for (int column = 0; column < columns; column++) {
            int weight = 0;
            for (List<String> row : rows) {
                weight = Math.max(weight, Math.max(longestWord(row.get(column)), line(row.get(column))));
            }
            weights.add(weight + SIDES);
        }
        int whole = weights.stream().mapToInt(Integer::intValue).sum();
        List<Integer> shares = new ArrayList<>();
        int told = 0;
        int sum = 0;
        for (int weight : weights) {
            sum += weight;
            int share = Math.round(100f * sum / whole) - told;
            shares.add(share);
            told += share;
        }
        return shares;
    }

    private static int line(String cell) {
        return Math.min(
                LONGEST_LINE,
                Arrays.stream(cell.split("\n", -1))
                        .mapToInt(String::length)
                        .max()
                        .orElse(0));
    }

    private static int longestWord(String cell) {
        return Math.min(
                2 * LONGEST_LINE,
                Arrays.stream(cell.split("\\s+", -1))
                        .mapToInt(String::length)
                        .max()
                        .orElse(0));
    }
}
