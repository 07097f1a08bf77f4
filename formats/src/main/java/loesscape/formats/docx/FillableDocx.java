package loesscape.formats.docx;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import loesscape.core.evaluation.RowNames;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormPart;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Phrase;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.prose.Prose;
import loesscape.core.prose.Prose.Piece;
import loesscape.core.wording.AnswerWords;
import loesscape.formats.docx.DocxControls.Named;
import loesscape.formats.docx.DocxControls.OfferedEntry;
import loesscape.formats.docx.DocxPage.Ink;
import loesscape.formats.paper.PaintedPicture;
import loesscape.formats.paper.PaperWords;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;

/**
 * A template for word processors, to be filled in: locked but for its content controls. It has no logic, so all that may be
 * asked stands there, each with what it follows in words; a phrase becomes a choice of its words.
 */
public final class FillableDocx {

    private static final String NOTHING = "–";
    private static final String SOMETHING = "…";

    private final FillableForm form;
    private final DocxPage page;
    private final DocxElement body;
    private final PaperWords words;
    private final AnswerWords answers;
    private final DocxControls controls;
    private final DocxGrid grid;
    private final Function<String, Optional<SafePicture>> pictures;

    private FillableDocx(
            FillableForm form, DocxPage page, DocxElement body, Function<String, Optional<SafePicture>> pictures) {
        this.form = form;
        this.page = page;
        this.body = body;
        this.pictures = pictures;
        this.words = new PaperWords(form.template().template().pageSettings().language());
        this.answers = AnswerWords.in(form.template().symbols().language());
        this.controls = new DocxControls(page, form, words);
        this.grid = new DocxGrid(page, body);
    }

    /**
     * The bytes of a form; the same for the same form.
     *
     * @param pictures the picture of a name beside the template
     */
    public static byte[] write(FillableForm form, Theme theme, Function<String, Optional<SafePicture>> pictures) {
        Template template = form.template().template();
        DocxFile file = new DocxFile();
        DocxPage page = new DocxPage(file, template.pageSettings());
        DocxElement document = DocxElement.root("w:document");
        DocxElement body = document.in("w:body");
        FillableDocx writer = new FillableDocx(form, page, body, pictures);
        page.run(page.paragraph(body, "Title"), template.title(), Ink.PLAIN);
        if (!template.subtitle().isEmpty()) {
            page.run(page.paragraph(body, "Subtitle"), template.subtitle(), Ink.PLAIN);
        }
        form.parts().forEach(writer::part);
        writer.grid.end();
        writer.controls.into(file);
        return new DocxFrame(file, page, template.pageSettings(), theme)
                .around(document, body, template.title(), "", true);
    }

    private void part(FormPart part) {
        if (!(part instanceof FormPart.Question)) {
            grid.end();
        }
        switch (part) {
            case FormPart.Heading it -> {
                if (!it.title().isEmpty()) {
                    DocxElement heading = page.paragraph(body, "Heading" + Math.min(4, it.level()));
                    page.run(heading, it.number().isEmpty() ? it.title() : it.number() + "  " + it.title(), Ink.PLAIN);
                }
                note(body, it.help());
                onlyWhen(body, it.onlyWhen());
            }
            case FormPart.Question it -> grid.add(it.field().width(), place -> question(place, it));
            case FormPart.Table it -> table(it);
            case FormPart.Told it -> told(it);
            case FormPart.Illustrated it ->
                pictures.apply(it.picture().file())
                        .ifPresent(picture -> page.picture(
                                page.paragraph(body, "Answer"),
                                PaintedPicture.of(picture),
                                120,
                                90,
                                it.picture().label(),
                                "document"));
            case FormPart.Ruled ignored -> page.paragraph(body, "Rule");
            // It shows how an answer stands, and nothing stands yet.
            case FormPart.Indicated ignored -> {}
        }
    }

    private void note(DocxElement place, String text) {
        if (!text.isEmpty()) {
            page.run(page.paragraph(place, "Note"), text, Ink.PLAIN);
        }
    }

    private void onlyWhen(DocxElement place, String text) {
        if (!text.isEmpty()) {
            page.english(page.paragraph(place, "Note"), text.endsWith(".") ? text : text + ".");
        }
    }

    private void question(DocxElement place, FormPart.Question question) {
        Field field = question.field();
        page.run(page.paragraph(place, "Label"), field.label(), Ink.PLAIN);
        Value value = form.value(question.address());
        switch (field.kind()) {
            case FieldKind.SeveralChoices ignored -> controls.several(place, field, question.address(), value);
            case FieldKind.Signature() -> signature(place, field);
            case FieldKind.Initials() -> signature(place, field);
            default -> {
                DocxElement line = page.paragraph(place, "Answer");
                if (isFilledIn(field)) {
                    controls.one(line, field, question.address(), value);
                    page.run(line, unit(field), Ink.PLAIN);
                } else {
                    String said = answers.of(field.kind(), value);
                    page.run(line, said.isEmpty() ? words.of("putIn") : said, Ink.PLAIN);
                }
            }
        }
        note(place, field.help());
        onlyWhen(place, question.onlyWhen());
    }

    private static boolean isFilledIn(Field field) {
        return field.isTyped() && DocxControls.isOne(field.kind());
    }

    private static String unit(Field field) {
        return switch (field.kind()) {
            case FieldKind.Number it when !it.unit().isEmpty() -> " " + it.unit();
            case FieldKind.Money it -> " " + it.currency();
            case FieldKind.Rating(var most) -> " / " + Numbers.plain(BigDecimal.valueOf(most));
            default -> "";
        };
    }

    /** It is signed by hand: a form that anybody can change proves nothing. */
    private void signature(DocxElement place, Field field) {
        page.signatureLine(place, field.width());
        var role = form.template().symbols().role(field.role());
        note(place, role == null ? words.of("signHere") : role.name());
    }

    private void table(FormPart.Table table) {
        int columns = table.fields().size();
        if (columns == 0) {
            return;
        }
        int width = page.width() / columns;
        DocxElement grid = page.table(body, columns, true);
        DocxElement heads = page.row(grid, true);
        for (int i = 0; i < columns; i++) {
            Field field = table.fields().get(i);
            String onlyWhen = table.onlyWhen().get(i);
            page.cell(heads, width, 1, "", cell -> {
                page.run(page.paragraph(cell, "Label"), field.label() + unitOfColumn(field), Ink.PLAIN);
                onlyWhen(cell, onlyWhen);
            });
        }
        DocxElement rows = controls.rows(grid, table.section(), table.label());
        for (String row : table.rows()) {
            DocxElement line = page.row(controls.row(rows), false);
            for (Field field : table.fields()) {
                String address = RowNames.address(field.key(), row);
                page.cell(line, width, 1, "", cell -> {
                    DocxElement place = page.paragraph(cell, "Answer");
                    if (isFilledIn(field)) {
                        controls.one(place, field, address, form.value(address));
                    } else {
                        page.run(place, answers.of(field.kind(), form.value(address)), Ink.PLAIN);
                    }
                });
            }
        }
        page.paragraph(body, "Gap");
    }

    private static String unitOfColumn(Field field) {
        String unit = unit(field).strip();
        return unit.isEmpty() ? "" : " (" + unit + ")";
    }

    private void told(FormPart.Told told) {
        int clause = told.notice().clause();
        boolean isFirst = true;
        for (Prose.Block block : Prose.of(told.notice().text()).blocks()) {
            String number = isFirst ? told.number() : "";
            isFirst = false;
            switch (block) {
                case Prose.Paragraph it -> {
                    DocxElement paragraph =
                            page.paragraph(body, it.isPoint() ? "Point" : clause == 0 ? "Told" : "Clause" + clause);
                    if (!number.isEmpty() || (!it.isPoint() && clause > 0)) {
                        page.run(paragraph, number + "\t", Ink.PLAIN);
                    }
                    pieces(paragraph, it.pieces(), told);
                }
                case Prose.Table it -> {
                    if (!number.isEmpty()) {
                        page.run(page.paragraph(body, "Clause" + clause), number, Ink.PLAIN);
                    }
                    table(it, told);
                }
            }
        }
        onlyWhen(body, told.onlyWhen());
    }

    private void table(Prose.Table written, FormPart.Told told) {
        int width = page.width() / written.columns().size();
        DocxElement table = page.table(body, written.columns().size(), true);
        if (written.hasHeads()) {
            DocxElement heads = page.row(table, true);
            for (Prose.Column column : written.columns()) {
                page.cell(
                        heads,
                        width,
                        1,
                        "",
                        cell -> pieces(
                                page.paragraph(cell, "Label", column.isOfFigures()),
                                column.head().pieces(),
                                told));
            }
        }
        for (List<Prose.Cell> row : written.rows()) {
            DocxElement line = page.row(table, false);
            for (int i = 0; i < written.columns().size(); i++) {
                boolean isOfFigures = written.columns().get(i).isOfFigures();
                Prose.Cell said = i < row.size() ? row.get(i) : Prose.Cell.BLANK;
                page.cell(
                        line,
                        width,
                        1,
                        "",
                        cell -> pieces(page.paragraph(cell, "Answer", isOfFigures), said.pieces(), told));
            }
        }
        page.paragraph(body, "Gap");
    }

    private void pieces(DocxElement paragraph, List<Piece> pieces, FormPart.Told told) {
        for (Piece piece : pieces) {
            switch (piece) {
                case Piece.Words(var text, var style) -> page.run(paragraph, text, ink(style));
                case Piece.Merged it -> merged(paragraph, it, told);
                case Piece.Reference it -> page.run(paragraph, form.reference(it.key()), ink(it.style()));
                case Piece.Bracketed it -> bracketed(paragraph, it, told);
            }
        }
    }

    private static Ink ink(Prose.Style style) {
        return new Ink(style.strong(), style.emphasis(), null, "");
    }

    private void merged(DocxElement paragraph, Piece.Merged it, FormPart.Told told) {
        Field field = form.template().symbols().field(it.key());
        String rows = form.template().symbols().rowsAround(it.key());
        if (field == null || (rows != null && told.row().isEmpty())) {
            page.run(paragraph, SOMETHING, ink(it.style()));
            return;
        }
        String address = rows == null ? it.key() : RowNames.address(it.key(), told.row());
        Value value = form.value(address);
        if (isFilledIn(field)) {
            controls.one(paragraph, field, address, value);
        } else {
            String said = answers.of(field.kind(), value);
            page.run(paragraph, said.isEmpty() ? SOMETHING : said, ink(it.style()));
        }
    }

    /** A phrase is chosen by whoever fills in; words for each row are written there. */
    private void bracketed(DocxElement paragraph, Piece.Bracketed it, FormPart.Told told) {
        Optional<Phrase> phrase = told.notice().phrases().stream()
                .filter(each -> each.name().equals(it.name()))
                .findFirst();
        String then = said(it.pieces());
        String otherwise = said(it.otherwise());
        if (phrase.isPresent()) {
            controls.choice(
                    paragraph,
                    new Named(it.name(), told.notice().key() + "/" + it.name()),
                    List.of(
                            new OfferedEntry("there", then.isBlank() ? NOTHING : then),
                            new OfferedEntry("otherwise", otherwise.isBlank() ? NOTHING : otherwise)),
                    false,
                    "",
                    "");
        } else {
            controls.text(paragraph, new Named(it.name(), told.notice().key() + "/" + it.name()), "", false, then);
        }
    }

    private String said(List<Piece> pieces) {
        StringBuilder said = new StringBuilder();
        for (Piece piece : pieces) {
            said.append(
                    switch (piece) {
                        case Piece.Words it -> it.text();
                        case Piece.Merged ignored -> SOMETHING;
                        case Piece.Reference it -> form.reference(it.key());
                        case Piece.Bracketed it -> said(it.pieces());
                    });
        }
        return said.toString();
    }
}
