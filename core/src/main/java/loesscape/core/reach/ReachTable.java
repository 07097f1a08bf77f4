package loesscape.core.reach;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.AnswerPiece;

/**
 * What the answers to a field reach.
 *
 * @param field its key
 * @param rows the parts of its answers, blank first
 * @param columns what follows it, in document order
 * @param cells by row, then by column; none for what the field refuses
 * @param note what has to be known to read it; empty for nothing
 */
public record ReachTable(
        String field, List<AnswerPiece> rows, List<ReachColumn> columns, List<List<ReachCell>> cells, String note) {

    /** The table in words, a line for each part and one for the headings, for a table of another program. */
    public List<List<String>> lines() {
        List<List<String>> lines = new ArrayList<>();
        List<String> heading = new ArrayList<>(List.of(""));
        columns.forEach(column -> heading.add("%s: %s".formatted(column.name(), column.heading())));
        lines.add(heading);
        for (int i = 0; i < rows.size(); i++) {
            List<String> line = new ArrayList<>(List.of(rows.get(i).words()));
            List<ReachCell> row = cells.get(i);
            for (int j = 0; j < columns.size(); j++) {
                line.add(row.isEmpty() ? "not accepted" : row.get(j).words(columns.get(j)));
            }
            lines.add(line);
        }
        return lines;
    }

    public ReachTable {
        rows = List.copyOf(rows);
        columns = List.copyOf(columns);
        cells = cells.stream().map(List::copyOf).toList();
    }
}
