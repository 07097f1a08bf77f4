package loesscape.core.model;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;

/** The rules that lookup lists keep. */
final class LookupListCheck {

    private LookupListCheck() {}

    static void check(
            String path, LookupList list, Set<String> taken, TextBounds texts, BiConsumer<String, String> report) {
        Identities.check(path + "/key", list.key(), taken, report);
        texts.line(path + "/name", list.name());
        int width = list.columns().size();
        if (width == 0 || width > LookupList.MOST_COLUMNS) {
            report.accept(path + "/columns", "A list has 1 to %d columns.".formatted(LookupList.MOST_COLUMNS));
        }
        if (list.rows().size() > LookupList.MOST_ROWS) {
            report.accept(
                    path + "/rows",
                    "There are %d rows; the most is %d.".formatted(list.rows().size(), LookupList.MOST_ROWS));
            return;
        }
        Set<String> keys = new HashSet<>();
        for (int c = 0; c < width; c++) {
            Identities.check(
                    path + "/columns/" + c + "/key", list.columns().get(c).key(), keys, report);
            texts.line(path + "/columns/" + c + "/title", list.columns().get(c).title());
        }
        for (int r = 0; r < list.rows().size(); r++) {
            List<String> row = list.rows().get(r);
            String at = path + "/rows/" + r;
            if (row.size() != width) {
                report.accept(at, "This row has %d cells; there are %d columns.".formatted(row.size(), width));
                continue;
            }
            for (int c = 0; c < width; c++) {
                texts.line(at + "/" + c, row.get(c));
                if (list.columns().get(c).number() && !row.get(c).isBlank() && number(row.get(c)) == null) {
                    report.accept(
                            at + "/" + c,
                            "“%s” is not a number, as this column holds; write it like 12.5."
                                    .formatted(TextBounds.shortened(row.get(c))));
                }
            }
        }
    }

    private static @org.jspecify.annotations.Nullable BigDecimal number(String cell) {
        try {
            BigDecimal number = new BigDecimal(cell.strip());
            return Numbers.isReasonable(number) ? number : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
