package loesscape.core.model;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;

/** The rules that bands keep, so that they meet without gap or overlap. */
final class Bands {

    private static final int MOST = 1_000;

    private Bands() {}

    static void check(String path, List<Band> bands, TextBounds texts, BiConsumer<String, String> report) {
        if (bands.size() > MOST) {
            report.accept(path, "There are %d bands; the most is %d.".formatted(bands.size(), MOST));
            return;
        }
        Set<String> ids = new HashSet<>();
        BigDecimal edge = null;
        for (int b = 0; b < bands.size(); b++) {
            Band band = bands.get(b);
            String at = path + "/" + b;
            Identities.check(at + "/id", band.id(), ids, report);
            texts.line(at + "/label", band.label());
            Bound upTo = band.upTo();
            boolean last = b == bands.size() - 1;
            if (upTo == null) {
                if (!last) {
                    report.accept(at, "Only the last band is without an end; say where this one ends (upTo).");
                }
                continue;
            }
            if (last) {
                report.accept(at + "/upTo", "The last band has no end; leave out its upTo.");
            }
            if (!Numbers.isReasonable(upTo.at())) {
                report.accept(
                        at + "/upTo/at", "The number is too long; at most %d digits.".formatted(Numbers.MOST_DIGITS));
            } else if (edge != null && edge.compareTo(upTo.at()) >= 0) {
                report.accept(
                        at + "/upTo/at",
                        "Each band ends above the one before; %s does not lie above %s."
                                .formatted(Numbers.plain(upTo.at()), Numbers.plain(edge)));
            }
            edge = upTo.at();
        }
    }
}
