package loesscape.core.model;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;

/** Checks what is seen of an answer: looks, signs, bands and their edges, and the pictures in them. */
final class LookCheck {

    private static final Pattern FILE = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,99}");

    private final TextBounds texts;
    private final BiConsumer<String, String> report;

    LookCheck(TextBounds texts, BiConsumer<String, String> report) {
        this.texts = texts;
        this.report = report;
    }

    void look(String path, Look look) {
        texts.line(path + "/words", look.words());
        Look.Colours colours = look.colours();
        if (colours == null) {
            return;
        }
        for (String colour : List.of(colours.text(), colours.fill(), colours.border())) {
            if (!Contrast.isColour(colour)) {
                report.accept(
                        path + "/colours",
                        "“%s” is not a colour like #1f6f8b.".formatted(TextBounds.shortened(colour)));
                return;
            }
        }
        double ratio = Contrast.of(colours.text(), colours.fill());
        if (ratio < Contrast.LEAST && colours.despite().isBlank()) {
            report.accept(
                    path + "/colours",
                    "Text in %s on %s has a contrast of %.2f to 1; %.1f is the least (WCAG 2.2, 1.4.3). Choose other colours, or say why these are needed."
                            .formatted(colours.text(), colours.fill(), ratio, Contrast.LEAST));
        }
        texts.line(path + "/colours/despite", colours.despite());
    }

    void sign(String path, Sign sign) {
        texts.line(path + "/label", sign.label());
        look(path + "/look", sign.look());
        file(path + "/picture", sign.picture());
    }

    void file(String path, String file) {
        if (!file.isEmpty() && !FILE.matcher(file).matches()) {
            report.accept(
                    path, "“%s” is not the name of a file beside the template.".formatted(TextBounds.shortened(file)));
        }
    }

    void bands(String path, List<Band> bands) {
        Bands.check(path, bands, texts, report);
        for (int b = 0; b < bands.size(); b++) {
            look(path + "/" + b + "/look", bands.get(b).look());
            file(path + "/" + b + "/picture", bands.get(b).picture());
        }
    }

    /** The bands of days end on days, those of numbers at numbers. */
    void edges(String path, List<Band> bands, Field field) {
        for (int i = 0; i < bands.size(); i++) {
            Bound upTo = bands.get(i).upTo();
            if (upTo != null && upTo.isOfDays() != field.kind().isDay()) {
                report.accept(
                        path + "/" + i + "/upTo",
                        field.kind().isDay()
                                ? "A band of “%s” ends on a day.".formatted(field.label())
                                : "A band of “%s” ends at a number.".formatted(field.label()));
            }
        }
    }
}
