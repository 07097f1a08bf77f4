package loesscape.formats.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Passage;
import loesscape.core.model.Look;
import org.jspecify.annotations.Nullable;

/** Texts of the document: paragraphs, clauses with their numbers beside them, lists, tables of rows. */
final class TextMarkup {

    /** A word with the space behind it: slanted letters are set word by word, so that lines still break between them. */
    private static final Pattern WORD = Pattern.compile("(\\S+)(\\s*)|\\s+");

    private static final String INK = "#1e2a28";

    private final Allowance allowance;
    private final PaperWords words;
    private final boolean isRightToLeft;

    TextMarkup(Allowance allowance, PaperWords words, boolean isRightToLeft) {
        this.allowance = allowance;
        this.words = words;
        this.isRightToLeft = isRightToLeft;
    }

    void write(Markup fields, Content.Line.Told told, Look.@Nullable Colours colours, String style) {
        Markup notice = fields.in("div", told.clause() == 0 ? "told" : "told clause depth" + told.clause());
        Markup inside = colours == null ? notice : notice.in("div", "looked").with("style", style);
        String ink = colours == null ? INK : colours.text();
        boolean hasBeginning = !told.number().isEmpty() || told.look().mark() != Look.Mark.NONE;
        @Nullable Markup list = null;
        for (int i = 0; i < told.text().size(); i++) {
            switch (told.text().get(i)) {
                case Passage.Paragraph it
                when it.point() -> {
                    if (i == 0 && hasBeginning) {
                        begin(inside.in("p"), told, ink);
                    }
                    list = list == null ? inside.in("ul", "points") : list;
                    Markup point = list.in("li", told.look().bold() ? "bold" : "");
                    // Marks of the list's own cannot be set from right to left (openhtmltopdf 1.1.31).
                    point.in("span", "dot").say("•");
                    spans(point, it.spans(), told.look().italic());
                }
                case Passage.Paragraph it -> {
                    list = null;
                    Markup paragraph = inside.in("p", told.look().bold() ? "bold" : "");
                    if (i == 0) {
                        begin(paragraph, told, ink);
                    }
                    spans(paragraph, it.spans(), told.look().italic());
                }
                case Passage.Grid it -> {
                    list = null;
                    if (i == 0 && hasBeginning) {
                        begin(inside.in("p"), told, ink);
                    }
                    grid(inside, it, told.look().italic());
                }
            }
        }
    }

    /** The number of a clause and the mark of a look. */
    private static void begin(Markup paragraph, Content.Line.Told told, String ink) {
        if (!told.number().isEmpty()) {
            paragraph.in("span", "ordinal").in("bdi").with("dir", "ltr").say(told.number());
        }
        Drawings.mark(paragraph, told.look().mark(), ink);
    }

    private void spans(Markup paragraph, List<Passage.Span> spans, boolean isSlanted) {
        for (Passage.Span span : spans) {
            Markup in = span.strong() ? paragraph.in("span", "bold") : paragraph;
            if (span.emphasis() || isSlanted) {
                slanted(in, span.text());
            } else {
                written(in, span.text());
            }
        }
    }

    /** No font of ours has slanted letters of all scripts, so upright ones are leant over. */
    private void slanted(Markup in, String text) {
        Allowance.Fitting fitting = allowance.take(text);
        Matcher matcher = WORD.matcher(fitting.shown());
        while (matcher.find()) {
            if (matcher.group(1) == null) {
                in.say(matcher.group());
            } else {
                in.in("span", "slanted").say(matcher.group(1));
                in.say(matcher.group(2));
            }
        }
        rest(in, fitting);
    }

    /** What people wrote, as far as it goes on paper, and where the rest is. */
    void written(Markup in, String text) {
        Allowance.Fitting fitting = allowance.take(text);
        in.say(fitting.shown());
        rest(in, fitting);
    }

    private void rest(Markup in, Allowance.Fitting fitting) {
        if (fitting.rest() > 0) {
            in.say(" … ");
            in.in("span", "rest")
                    .with("lang", words.language())
                    .say(words.of("rest", Integer.toString(fitting.rest())));
        }
    }

    private void grid(Markup inside, Passage.Grid grid, boolean isSlanted) {
        if (grid.rows().isEmpty() || grid.columns().isEmpty()) {
            inside.in("p", "none").with("lang", words.language()).say(words.of("noRows"));
            return;
        }
        Markup table = inside.in("table", "rows fixed");
        List<Integer> order = order(grid.columns().size());
        widths(table, grid, order);
        if (grid.hasHeads()) {
            Markup heads = table.in("thead").in("tr");
            for (int column : order) {
                Passage.Column head = grid.columns().get(column);
                Markup cell = heads.in("th", head.numeric() ? "figure" : "").with("scope", "col");
                spans(cell, head.head().spans(), isSlanted);
            }
        }
        Markup body = table.in("tbody");
        for (List<Passage.Cell> row : grid.rows()) {
            Markup line = body.in("tr");
            for (int column : order) {
                Markup cell = line.in("td", grid.columns().get(column).numeric() ? "figure" : "");
                spans(cell.in("bdi").with("dir", "auto"), row.get(column).spans(), isSlanted);
            }
        }
    }

    private static void widths(Markup table, Passage.Grid grid, List<Integer> order) {
        List<List<String>> words = new ArrayList<>();
        words.add(grid.columns().stream().map(column -> column.head().words()).toList());
        grid.rows()
                .forEach(row -> words.add(row.stream().map(Passage.Cell::words).toList()));
        List<Integer> shares = ColumnShares.of(words);
        order.forEach(column -> table.in("col").with("style", "width: " + shares.get(column) + "%"));
    }

    /** In which order columns are set, from the left; a table is not mirrored by itself. */
    List<Integer> order(int columns) {
        List<Integer> order = IntStream.range(0, columns).boxed().toList();
        return isRightToLeft ? order.reversed() : order;
    }
}
