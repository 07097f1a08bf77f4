package loesscape.formats.docx;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Content.Block;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.evaluation.Passage;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.formats.docx.DocxPage.Ink;
import loesscape.formats.paper.PaintedPicture;
import loesscape.formats.paper.PaperWords;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.picture.SafePicture;
import org.jspecify.annotations.Nullable;

/**
 * Finished documents for word processors: what was shown, with its answers, in document order. They can be changed by
 * whoever has them and prove nothing; what proves is the sealed PDF.
 *
 * <pre>{@code
 * byte[] docx = FinishedDocx.write(PrintedRecord.of(Content.of(template, state), heading));
 * }</pre>
 */
public final class FinishedDocx {

    private static final String MARKED = "\u2612 ";
    private static final String UNMARKED = "\u2610 ";
    private static final String DOCUMENT = "document";
    private static final int WIDEST = 120;
    private static final int HIGHEST = 90;
    private static final int SIGNATURE_WIDTH = 62;
    private static final int SIGNATURE_HEIGHT = 16;

    private final PrintedRecord printed;
    private final PaperWords words;
    private final DocxPage page;
    private final DocxElement body;
    private DocxGrid grid;

    private FinishedDocx(PrintedRecord printed, DocxPage page, DocxElement body) {
        this.printed = printed;
        this.words = new PaperWords(printed.content().settings().language());
        this.page = page;
        this.body = body;
        this.grid = new DocxGrid(page, body);
    }

    /** The bytes of a finished document; the same for the same record. */
    public static byte[] write(PrintedRecord printed) {
        Content content = printed.content();
        DocxFile file = new DocxFile();
        DocxPage page = new DocxPage(file, content.settings());
        DocxElement document = DocxElement.root("w:document");
        DocxElement body = document.in("w:body");
        FinishedDocx writer = new FinishedDocx(printed, page, body);
        writer.titles(content);
        content.sections().forEach(writer::block);
        String which = printed.heading() == null ? writer.words.of("draft") : writer.words.record(printed.heading());
        return new DocxFrame(file, page, content.settings(), printed.theme())
                .around(document, body, content.title(), which, false);
    }

    private void titles(Content content) {
        page.run(page.paragraph(body, "Title"), content.title(), Ink.PLAIN);
        if (!content.subtitle().isEmpty()) {
            page.run(page.paragraph(body, "Subtitle"), content.subtitle(), Ink.PLAIN);
        }
    }

    private void block(Block block) {
        switch (block) {
            case Block.PageTitle it -> page.run(page.paragraph(body, "PageTitle"), it.title(), Ink.PLAIN);
            case Block.Lines it -> {
                heading(it.title(), it.level(), it.number());
                it.lines().forEach(this::line);
                grid.end();
            }
            case Block.Rows it -> {
                heading(it.title(), it.level(), it.number());
                rows(it);
            }
        }
    }

    private void heading(String title, int level, String number) {
        if (!title.isEmpty()) {
            DocxElement heading = page.paragraph(body, "Heading" + Math.min(4, level));
            page.run(heading, number.isEmpty() ? title : number + "  " + title, Ink.PLAIN);
        }
    }

    private void line(Line line) {
        switch (line) {
            case Line.Answer it -> field(it.label(), it.width(), place -> answer(place, it));
            case Line.Indicated it ->
                field(
                        it.label(),
                        Field.Width.FULL,
                        place -> page.run(page.paragraph(place, "Answer"), it.text(), Ink.of(it.look())));
            case Line.Signature it -> field(it.label(), it.width(), place -> signature(place, it));
            case Line.HandedIn it -> field(it.label(), it.width(), place -> handedIn(place, it));
            case Line.Told it -> {
                grid.end();
                told(it);
            }
            case Line.Pictured it -> {
                grid.end();
                SafePicture picture = it.file().isEmpty()
                        ? printed.pictures().ofTemplate().get(it.picture())
                        : printed.pictures().handedIn().get(it.file());
                picture(page.paragraph(body, "Answer"), picture, it.label());
            }
            case Line.Ruled() -> {
                grid.end();
                page.paragraph(body, "Rule");
            }
            case Line.Noted(var text) -> {
                grid.end();
                page.run(page.paragraph(body, "Note"), text, Ink.PLAIN);
            }
        }
    }

    private void field(String label, Field.Width width, Consumer<DocxElement> content) {
        grid.add(width, place -> {
            if (!label.isEmpty()) {
                page.run(page.paragraph(place, "Label"), label, Ink.PLAIN);
            }
            content.accept(place);
        });
    }

    private void answer(DocxElement place, Line.Answer answer) {
        if (!answer.choices().marks().isEmpty()) {
            for (Content.Marked choice : answer.choices().marks()) {
                DocxElement line = page.paragraph(place, "Answer");
                page.run(line, choice.isChosen() ? MARKED : UNMARKED, Ink.PLAIN);
                page.run(line, choice.label(), choice.isChosen() ? Ink.of(answer.look()) : Ink.PLAIN);
            }
        } else if (answer.text().isEmpty()) {
            page.run(page.paragraph(place, "Note"), words.of("notAnswered"), Ink.PLAIN);
        } else {
            page.run(page.paragraph(place, "Answer"), answer.text(), Ink.of(answer.look()));
        }
        if (!answer.look().words().isEmpty()) {
            page.run(page.paragraph(place, "Note"), answer.look().words(), Ink.PLAIN);
        }
    }

    private void signature(DocxElement place, Line.Signature signature) {
        DocxElement line = page.signatureLine(place, signature.width());
        Optional<PaintedPicture> drawn = PaintedPicture.signature(signature.signed());
        if (drawn.isPresent()) {
            page.picture(
                    line,
                    drawn.get(),
                    SIGNATURE_WIDTH,
                    SIGNATURE_HEIGHT,
                    words.of("signature", signature.label()),
                    DOCUMENT);
        } else {
            page.run(line, signature.signed(), Ink.PLAIN);
        }
        String by = signature.signed().isEmpty() ? words.of("nobody") : signature.roleName();
        page.run(page.paragraph(place, "Note"), by, Ink.PLAIN);
    }

    private void handedIn(DocxElement place, Line.HandedIn handed) {
        if (handed.file().isEmpty()) {
            page.run(page.paragraph(place, "Note"), words.of("notAnswered"), Ink.PLAIN);
            return;
        }
        picture(page.paragraph(place, "Answer"), printed.pictures().handedIn().get(handed.file()), handed.label());
        page.run(page.paragraph(place, "Note"), handed.name(), Ink.PLAIN);
    }

    private void picture(DocxElement paragraph, @Nullable SafePicture picture, String label) {
        if (picture != null) {
            page.picture(paragraph, PaintedPicture.of(picture), WIDEST, HIGHEST, label, DOCUMENT);
        }
    }

    private void told(Line.Told told) {
        Ink ink = Ink.of(told.look());
        String style = told.clause() == 0 ? "Told" : "Clause" + told.clause();
        boolean isFirst = true;
        for (Passage passage : told.text()) {
            switch (passage) {
                case Passage.Paragraph it -> {
                    DocxElement paragraph = page.paragraph(body, it.point() ? "Point" : style);
                    if (isFirst && !told.number().isEmpty()) {
                        page.run(paragraph, told.number() + "\t", ink);
                    } else if (!it.point() && told.clause() > 0) {
                        page.run(paragraph, "\t", ink);
                    }
                    spans(paragraph, it.spans(), ink);
                }
                case Passage.Grid it -> {
                    if (isFirst && !told.number().isEmpty()) {
                        page.run(page.paragraph(body, style), told.number(), ink);
                    }
                    grid(it, ink);
                }
            }
            isFirst = false;
        }
    }

    private void grid(Passage.Grid grid, Ink ink) {
        if (grid.rows().isEmpty() || grid.columns().isEmpty()) {
            page.run(page.paragraph(body, "Note"), words.of("noRows"), Ink.PLAIN);
            return;
        }
        int width = page.width() / grid.columns().size();
        DocxElement table = page.table(body, grid.columns().size(), true);
        if (grid.hasHeads()) {
            DocxElement heads = page.row(table, true);
            for (Passage.Column column : grid.columns()) {
                page.cell(
                        heads,
                        width,
                        1,
                        "",
                        cell -> spans(
                                page.paragraph(cell, "Label", column.numeric()),
                                column.head().spans(),
                                ink));
            }
        }
        for (List<Passage.Cell> row : grid.rows()) {
            DocxElement line = page.row(table, false);
            for (int i = 0; i < row.size(); i++) {
                boolean isNumeric = grid.columns().get(i).numeric();
                List<Passage.Span> said = row.get(i).spans();
                page.cell(line, width, 1, "", cell -> spans(page.paragraph(cell, "Answer", isNumeric), said, ink));
            }
        }
        page.paragraph(body, "Gap");
    }

    private void spans(DocxElement paragraph, List<Passage.Span> spans, Ink ink) {
        for (Passage.Span span : spans) {
            page.run(
                    paragraph,
                    span.text(),
                    new Ink(ink.bold() || span.strong(), ink.italic() || span.emphasis(), ink.colours(), ""));
        }
    }

    private void rows(Block.Rows rows) {
        if (rows.rows().isEmpty() || rows.columns().isEmpty()) {
            page.run(page.paragraph(body, "Note"), words.of("noRows"), Ink.PLAIN);
        } else {
            table(rows.columns(), rows.rows());
        }
    }

    private void table(List<Content.TableColumn> columns, List<Content.TableRow> rows) {
        if (columns.isEmpty()) {
            return;
        }
        int width = page.width() / columns.size();
        DocxElement table = page.table(body, columns.size(), true);
        DocxElement heads = page.row(table, true);
        for (Content.TableColumn column : columns) {
            page.cell(
                    heads,
                    width,
                    1,
                    "",
                    cell -> page.run(page.paragraph(cell, "Label", column.isNumeric()), column.label(), Ink.PLAIN));
        }
        for (Content.TableRow row : rows) {
            DocxElement line = page.row(table, false);
            Ink whole = Ink.of(row.look());
            String fill = whole.colours() == null
                    ? ""
                    : DocxPage.colour(whole.colours().fill());
            for (int i = 0; i < columns.size(); i++) {
                Line.Answer answer = row.cells().get(i);
                boolean isNumeric = columns.get(i).isNumeric();
                Ink own = answer.look().equals(Look.PLAIN) ? whole : Ink.of(answer.look());
                page.cell(
                        line,
                        width,
                        1,
                        fill,
                        cell -> page.run(page.paragraph(cell, "Answer", isNumeric), answer.text(), own));
            }
        }
        page.paragraph(body, "Gap");
    }
}
