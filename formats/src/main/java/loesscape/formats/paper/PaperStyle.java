package loesscape.formats.paper;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import loesscape.core.model.PageSettings;

/** The style sheet of paper, with what the theme and the settings of the document say filled in. */
public final class PaperStyle {

    private static final String SHEET = sheet();
    private static final String USUAL_ACCENT = "#16332f";

    /** So many letters fit beside a logo, even wide ones. */
    private static final int LETTERS_OF_A_LINE = 55;

    private static final int LETTERS_OF_THE_NAME = 38;

    private PaperStyle() {}

    private static int lines(String text, int letters) {
        return (text.length() + letters - 1) / letters;
    }

    private static String sheet() {
        try (InputStream stream = PaperStyle.class.getResourceAsStream("paper.css")) {
            return new String(Objects.requireNonNull(stream).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The sheet for a theme and a document. */
    public static String of(Theme theme, PageSettings settings) {
        // A letterhead of many lines, or with a logo, needs its room above the first page.
        int lines = theme.letterhead().stream()
                .mapToInt(line -> lines(line, LETTERS_OF_A_LINE))
                .sum();
        int nameLines = lines(theme.organisation(), LETTERS_OF_THE_NAME);
        double head = Math.max(theme.logo() == null ? 0 : 20, lines * 4.4 + nameLines * 5.6) + 22;
        String first =
                theme.typeface() == Theme.Typeface.SERIF ? ShippedFont.SERIF.family() : ShippedFont.SANS.family();
        String families = first + ", "
                + Arrays.stream(ShippedFont.values())
                        .map(ShippedFont::family)
                        .filter(family ->
                                !family.equals(ShippedFont.SANS.family()) && !family.equals(ShippedFont.SERIF.family()))
                        .distinct()
                        .collect(Collectors.joining(", "));
        Map<String, String> filled = Map.of(
                "paper",
                switch (settings.paper()) {
                    case A4 -> "210mm 297mm";
                    case LETTER -> "8.5in 11in";
                },
                "head",
                Math.round(Math.max(26, head)) + "mm",
                "families",
                families,
                // The spaces of the usual typeface are narrow for paper.
                "spaces",
                theme.typeface() == Theme.Typeface.SERIF ? "0" : "0.07em",
                "accent",
                theme.accent().isEmpty() ? USUAL_ACCENT : theme.accent(),
                "size",
                settings.spacing() == PageSettings.Spacing.COMPACT ? "9.5pt" : "10.5pt",
                "gap",
                switch (settings.spacing()) {
                    case COMPACT -> "5mm";
                    case NORMAL -> "7mm";
                    case ROOMY -> "10mm";
                },
                "step",
                switch (settings.spacing()) {
                    case COMPACT -> "1.2mm";
                    case NORMAL -> "2mm";
                    case ROOMY -> "3.2mm";
                });
        String style = SHEET;
        for (Map.Entry<String, String> each : filled.entrySet()) {
            style = style.replace("{{" + each.getKey() + "}}", each.getValue());
        }
        return style;
    }
}
