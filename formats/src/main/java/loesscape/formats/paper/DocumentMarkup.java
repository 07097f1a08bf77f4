package loesscape.formats.paper;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Content.Block;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Party;
import loesscape.formats.picture.SafePicture;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;

/** A finished document as a page: letterhead, titles, answers, tables of rows, signatures, and its certificate. */
final class DocumentMarkup {

    private static final String INK = "#1e2a28";

    private final PrintedRecord printed;
    private final PaperWords words;
    private final Map<String, String> signers = new TreeMap<>();
    private final TextMarkup texts;

    private DocumentMarkup(PrintedRecord printed) {
        this.printed = printed;
        PageSettings settings = printed.content().settings();
        this.words = new PaperWords(settings.language());
        this.texts = new TextMarkup(new Allowance(), words, settings.isRightToLeft());
        Evidence evidence = printed.evidence();
        if (evidence != null) {
            for (Party party : Dispatch.of(evidence.trail().events()).parties()) {
                signers.put(party.role(), party.person().name());
            }
        }
    }

    static Document of(PrintedRecord printed) {
        return new DocumentMarkup(printed).write();
    }

    private Document write() {
        Content content = printed.content();
        PageSettings settings = content.settings();
        String which = printed.heading() == null ? words.of("draft") : words.record(printed.heading());
        Markup body = PaperFrame.around(
                content.title(),
                content.subtitle(),
                settings,
                printed.theme(),
                which,
                PaperStyle.of(printed.theme(), settings));
        content.sections().forEach(block -> block(body, block));
        Evidence evidence = printed.evidence();
        if (evidence != null) {
            CertificateMarkup.write(body, evidence);
        }
        return body.document();
    }

    private void block(Markup body, Block block) {
        switch (block) {
            case Block.PageTitle page -> body.in("h2", "pagetitle").say(page.title());
            case Block.Lines it -> {
                title(body, it.title(), it.level(), it.number());
                lines(body, it.lines());
            }
            case Block.Rows it -> {
                title(body, it.title(), it.level(), it.number());
                rows(body, it);
            }
        }
    }

    private static void title(Markup body, String title, int level, String number) {
        if (title.isEmpty()) {
            return;
        }
        Markup heading = body.in("h" + Math.min(5, level + 1));
        if (!number.isEmpty()) {
            heading.in("span", "number").say(number + " ");
        }
        heading.in("span").say(title);
    }

    private void lines(Markup body, List<Line> lines) {
        if (lines.isEmpty()) {
            return;
        }
        Markup fields = body.in("div", "fields");
        @Nullable Markup last = null;
        for (Line line : lines) {
            switch (line) {
                case Line.Told told -> {
                    Look.Colours colours = colours(told.look());
                    texts.write(fields, told, colours, colours == null ? "" : style(colours));
                }
                case Line.Answer it -> {
                    last = field(fields, it.label(), it.width());
                    answer(last, it);
                }
                case Line.Indicated it -> {
                    last = field(fields, it.label(), Field.Width.FULL);
                    looked(last.in("p", "answer"), it.text(), it.look());
                }
                case Line.Signature it -> {
                    last = field(fields, it.label(), it.width());
                    signature(last, it);
                }
                case Line.HandedIn it -> {
                    last = field(fields, it.label(), it.width());
                    handedIn(last, it);
                }
                case Line.Pictured it -> pictured(fields, it);
                case Line.Ruled() -> fields.in("div", "rule");
                case Line.Noted(var text) ->
                    (last == null ? fields : last).in("p", "note").say(text);
            }
        }
    }

    private static Markup field(Markup fields, String label, Field.Width width) {
        String part = switch (width) {
            case FULL -> "field";
            case HALF -> "field half";
            case THIRD -> "field third";
        };
        Markup field = fields.in("div", part);
        if (!label.isEmpty()) {
            field.in("p", "label").say(label);
        }
        return field;
    }

    private void answer(Markup field, Line.Answer answer) {
        Content.Choices choices = answer.choices();
        if (!choices.marks().isEmpty()) {
            // What stands in columns is set as parts beside each other: items of a list so set would lose their tags.
            boolean inColumns = choices.columns() > 1;
            Markup list = field.in(inColumns ? "div" : "ul", "choices");
            for (Content.Marked choice : choices.marks()) {
                Markup item = inColumns
                        ? list.in("div", "beside").with("style", "width: " + 100 / choices.columns() + "%")
                        : list.in("li");
                Drawings.choice(item, choice.isChosen(), words.of(choice.isChosen() ? "chosen" : "notChosen"));
                if (choice.isChosen()) {
                    looked(item, choice.label(), answer.look());
                } else {
                    item.in("span", "none").in("bdi").with("dir", "auto").say(choice.label());
                }
            }
        } else if (answer.text().isEmpty()) {
            field.in("p", "answer none")
                    .in("span")
                    .with("lang", words.language())
                    .say(words.of("notAnswered"));
        } else {
            looked(field.in("p", "answer"), answer.text(), answer.look());
        }
        if (!answer.look().words().isEmpty()) {
            field.in("p", "note").say(answer.look().words());
        }
    }

    /** Words in the colours, weight and with the mark of a look. */
    private void looked(Markup in, String text, Look look) {
        Look.Colours colours = colours(look);
        Markup words = in.in(
                "span",
                ((colours == null ? "" : "looked") + (look.bold() ? " bold" : "") + (look.italic() ? " slanted" : ""))
                        .strip());
        if (colours != null) {
            words.with("style", style(colours));
        }
        Drawings.mark(words, look.mark(), colours == null ? INK : colours.text());
        // Of its own direction, so that it turns nothing of what stands around it.
        texts.written(words.in("bdi").with("dir", "auto"), text);
    }

    private void signature(Markup field, Line.Signature signature) {
        String name = signers.getOrDefault(signature.role(), "");
        Markup line = field.in("div", "signature");
        if (Drawings.isDrawn(signature.signed())) {
            Drawings.signature(
                    line, signature.signed(), words.of("signature", name.isEmpty() ? signature.label() : name));
        } else if (!signature.signed().isEmpty()) {
            texts.written(line.in("p", "written").in("bdi").with("dir", "auto"), signature.signed());
        }
        String role = signature.roleName();
        String by = signature.signed().isEmpty()
                ? words.of("nobody")
                : name.isEmpty() || name.equals(role) ? role : role.isEmpty() ? name : name + ", " + role;
        if (!by.isEmpty()) {
            field.in("p", "by").say(by);
        }
    }

    private void handedIn(Markup field, Line.HandedIn handed) {
        if (handed.file().isEmpty()) {
            field.in("p", "answer none")
                    .in("span")
                    .with("lang", words.language())
                    .say(words.of("notAnswered"));
            return;
        }
        SafePicture picture = printed.pictures().handedIn().get(handed.file());
        if (picture != null) {
            Drawings.picture(field, picture, "picture", handed.label());
        }
        field.in("p", "by").in("bdi").with("dir", "auto").say(handed.name());
    }

    private void pictured(Markup fields, Line.Pictured pictured) {
        SafePicture picture = pictured.file().isEmpty()
                ? printed.pictures().ofTemplate().get(pictured.picture())
                : printed.pictures().handedIn().get(pictured.file());
        if (picture != null) {
            String words = pictured.label().isEmpty() ? printed.content().title() : pictured.label();
            Drawings.picture(fields.in("div", "field"), picture, "picture", words);
        }
    }

    private void rows(Markup body, Block.Rows rows) {
        if (rows.rows().isEmpty() || rows.columns().isEmpty()) {
            body.in("p", "none").with("lang", words.language()).say(words.of("noRows"));
            return;
        }
        Markup table = body.in("table", "rows");
        Markup heads = table.in("thead").in("tr");
        List<Integer> order = texts.order(rows.columns().size());
        for (int column : order) {
            Content.TableColumn each = rows.columns().get(column);
            heads.in("th", each.isNumeric() ? "figure" : "")
                    .with("scope", "col")
                    .say(each.label());
        }
        Markup content = table.in("tbody");
        for (Content.TableRow row : rows.rows()) {
            Markup line = content.in("tr");
            Look.Colours colours = colours(row.look());
            for (int column : order) {
                Line.Answer cell = row.cells().get(column);
                Markup place = line.in("td", rows.columns().get(column).isNumeric() ? "figure" : "");
                if (colours != null) {
                    place.with("style", "color: %s; background-color: %s".formatted(colours.text(), colours.fill()));
                }
                if (!cell.text().isEmpty()) {
                    looked(place, cell.text(), cell.look());
                }
            }
        }
    }

    private static Look.@Nullable Colours colours(Look look) {
        return look.colours() != null ? look.colours() : look.shade().colours();
    }

    private static String style(Look.Colours colours) {
        return "color: %s; background-color: %s; border-color: %s"
                .formatted(colours.text(), colours.fill(), colours.border());
    }
}
