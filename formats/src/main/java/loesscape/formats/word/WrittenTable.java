package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.core.prose.Prose;

/**
 * A table as part of a text.
 *
 * @param hasHeads whether its first row says what stands beneath
 * @param rows from cell to cell, each written as texts are; as many in each as in the first
 */
record WrittenTable(boolean hasHeads, List<List<String>> rows) {

    /** Numbers as people write them, with what they count: 1,250.00 €, -3, 12 %, § 40 is none. */
    private static final Pattern FIGURE =
            Pattern.compile("[-+−]?\\s?(?:\\p{Sc}\\s?)?\\d[\\d.,'’\\s]*(?:\\s?(?:\\p{Sc}|%|\\p{Lu}{3}))?");

    private static final Pattern MERGED_FIGURE = Pattern.compile("\\{[a-z0-9_]+:figure\\}");

    WrittenTable {
        rows = rows.stream().map(List::copyOf).toList();
    }

    /** Whether it is read as a table, however its cells are written. */
    boolean fits() {
        return rows.getFirst().size() <= Prose.MOST_COLUMNS;
    }

    /** The table in one text, or in several that say the heads again, none of them longer than some characters. */
    List<String> texts(int most) {
        List<String> texts = new ArrayList<>();
        List<List<String>> heads = hasHeads ? List.of(rows.getFirst()) : List.of();
        List<List<String>> part = new ArrayList<>(heads);
        for (List<String> row : rows.subList(heads.size(), rows.size())) {
            part.add(row);
            if (written(part).length() > most && part.size() > heads.size() + 1) {
                texts.add(written(part.subList(0, part.size() - 1)));
                part = new ArrayList<>(heads);
                part.add(row);
            }
        }
        texts.add(written(part));
        return texts;
    }

    private String written(List<List<String>> part) {
        return Prose.table(hasHeads, figures(), part);
    }

    /** For each column whether figures stand in it, and nothing else. */
    private List<Boolean> figures() {
        List<Boolean> figures = new ArrayList<>();
        for (int i = 0; i < rows.getFirst().size(); i++) {
            int column = i;
            List<String> cells = rows.stream()
                    .skip(hasHeads ? 1 : 0)
                    .map(row -> row.get(column))
                    .filter(cell -> !cell.isBlank())
                    .toList();
            figures.add(!cells.isEmpty() && cells.stream().allMatch(WrittenTable::isFigure));
        }
        return figures;
    }

    static boolean isFigure(String cell) {
        String said = MERGED_FIGURE.matcher(cell).replaceAll("1");
        return FIGURE.matcher(said.replaceAll("[*\\\\]", "").strip()).matches();
    }
}
