package loesscape.formats.fillable;

import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import loesscape.core.evaluation.RowNames;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormPart;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.prose.Prose;
import loesscape.core.prose.Prose.Piece;
import loesscape.core.wording.AnswerWords;
import loesscape.formats.paper.ColumnShares;
import loesscape.formats.paper.Markup;
import loesscape.formats.paper.PaintedPicture;
import loesscape.formats.paper.PaperFrame;
import loesscape.formats.paper.PaperStyle;
import loesscape.formats.paper.PaperWords;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;

/** A form as a page with empty places in it, each with a name by which it is found when the page is set. */
final class FormMarkup {

    private static final String SLOTS = """
            .slot { height: 7mm; }
            .long { height: 24mm; }
            .sign { height: 16mm; width: 70mm; border-bottom: 0.9pt solid #1e2a28; }
            .status { height: 24mm; }
            .tick { display: inline-block; width: 4mm; height: 4mm; vertical-align: middle; margin-right: 1.6mm; }
            .rtl .tick { margin-right: 0; margin-left: 1.6mm; }
            .own { margin-top: 1.2mm; }
            .heading { page-break-after: avoid; }
            .unit { color: #5a6764; font-size: 8.5pt; }
            .rows td .slot { height: 6.4mm; }
            .wide { margin: 0; padding: 0 2mm; }
            .part { page-break-inside: avoid; }
            """;

    /** Choices beyond these are chosen from a list. */
    private static final int MOST_MARKS = 12;

    private final FillableForm form;
    private final PaperWords words;
    private final AnswerWords answers;
    private final Set<String> placed;
    private final Set<String> folding = new HashSet<>();
    private final Function<String, Optional<SafePicture>> pictures;
    private final Map<String, SlotUse> uses = new LinkedHashMap<>();

    /** @param placed the addresses of those that have places elsewhere */
    FormMarkup(FillableForm form, Set<String> placed, Function<String, Optional<SafePicture>> pictures) {
        this.form = form;
        this.placed = placed;
        this.pictures = pictures;
        this.words = new PaperWords(template().pageSettings().language());
        this.answers = AnswerWords.in(form.template().symbols().language());
        for (Page page : template().pages()) {
            page.sections().forEach(section -> folds(section, folds(page, false)));
        }
    }

    private Template template() {
        return form.template().template();
    }

    private boolean folds(Node node, boolean inFolding) {
        boolean folds = inFolding || (node.shown() != null && !(node.shown() instanceof Condition.Always));
        if (folds) {
            folding.add(node.key());
        }
        if (node instanceof Section section) {
            for (Item item : section.items()) {
                folds(item, folds);
            }
        }
        return folds;
    }

    /** What the places are for, by their names. */
    Map<String, SlotUse> uses() {
        return uses;
    }

    /** Whether choices of a field are marked one by one. */
    static boolean isMarked(FieldKind kind) {
        return switch (kind) {
            case FieldKind.SeveralChoices ignored -> true;
            case FieldKind.YesNo() -> true;
            case FieldKind.OneChoice it ->
                it.layout() != FieldKind.ChoiceLayout.LIST && it.choices().size() <= MOST_MARKS && it.offer() == null;
            case FieldKind.Lookup ignored -> false;
            case FieldKind.SelfContained ignored -> false;
            case FieldKind.Payment ignored -> false;
        };
    }

    Markup write(Theme theme) {
        Template template = template();
        Markup body = PaperFrame.around(
                template.title(),
                template.subtitle(),
                template.pageSettings(),
                theme,
                "",
                PaperStyle.of(theme, template.pageSettings()) + SLOTS);
        List<FormPart> open = new ArrayList<>();
        for (FormPart part : form.parts()) {
            if (part instanceof FormPart.Question || part instanceof FormPart.Told) {
                open.add(part);
            } else {
                flush(body, open);
                alone(body, part);
            }
        }
        flush(body, open);
        Markup status = body.in("div", "part");
        status.in("h2").say(words.of("status"));
        slot(status.in("div", "slot status"), new SlotUse.Status());
        status.in("p", "note").say(words.of("withoutScripts"));
        return body;
    }

    private void flush(Markup body, List<FormPart> open) {
        if (!open.isEmpty()) {
            Markup fields = body.in("div", "fields");
            open.forEach(part -> within(fields, part));
            open.clear();
        }
    }

    private Markup slot(Markup place, SlotUse use) {
        String name = "slot" + uses.size();
        uses.put(name, use);
        return place.with("id", name);
    }

    /** A part that may fold is found by its name, so that something can lie over it. */
    private Markup covered(Markup place, String address) {
        return folding.contains(RowNames.key(address)) ? slot(place, new SlotUse.Covering(address)) : place;
    }

    private void within(Markup fields, FormPart part) {
        switch (part) {
            case FormPart.Question it -> {
                if (!placed.contains(it.address())) {
                    question(fields, it);
                }
            }
            case FormPart.Told it -> {
                told(fields, it);
            }
            default -> throw new IllegalArgumentException("Stands by itself: " + part);
        }
    }

    private void alone(Markup body, FormPart part) {
        switch (part) {
            case FormPart.Heading it -> heading(body, it);
            case FormPart.Table it -> table(body, it);
            case FormPart.Indicated it -> indicated(body, it.indicator(), address(it.indicator(), it.row()));
            case FormPart.Illustrated it ->
                pictures.apply(it.picture().file())
                        .map(PaintedPicture::of)
                        .ifPresent(picture -> covered(
                                        body.in("div", "part wide"),
                                        it.picture().key())
                                .in("img", "picture")
                                .with(
                                        "alt",
                                        it.picture().label().isEmpty()
                                                ? template().title()
                                                : it.picture().label())
                                .with(
                                        "src",
                                        "data:image/%s;base64,%s"
                                                .formatted(
                                                        picture.ending().replace("jpg", "jpeg"),
                                                        Base64.getEncoder().encodeToString(picture.content()))));
            case FormPart.Ruled it -> covered(body.in("div", "part"), it.key()).in("div", "rule");
            case FormPart.Question ignored -> throw new IllegalArgumentException("Stands beside others");
            case FormPart.Told ignored -> throw new IllegalArgumentException("Stands beside others");
        }
    }

    private static String address(Item item, String row) {
        return row.isEmpty() ? item.key() : RowNames.address(item.key(), row);
    }

    private void indicated(Markup body, Indicator indicator, String address) {
        if (placed.contains(address)) {
            return;
        }
        Markup place = covered(body.in("div", "part wide"), address);
        if (!indicator.label().isEmpty()) {
            place.in("p", "label").say(indicator.label());
        }
        slot(place.in("div", "slot"), new SlotUse.Shown(indicator, address));
    }

    private void heading(Markup body, FormPart.Heading heading) {
        if (isEmpty(heading) || (heading.title().isEmpty() && heading.help().isEmpty())) {
            return;
        }
        Markup place = covered(body.in("div", "part heading"), heading.key());
        if (!heading.title().isEmpty()) {
            Markup title = place.in("h" + Math.min(5, heading.level() + 1));
            if (!heading.number().isEmpty()) {
                title.in("span", "number").say(heading.number() + " ");
            }
            title.in("span").say(heading.title());
        }
        if (!heading.help().isEmpty()) {
            place.in("p", "note").say(heading.help());
        }
    }

    /** Whether all of a section, page or row stands on pages of a PDF file. */
    private boolean isEmpty(FormPart.Heading heading) {
        return template().nodes().stream()
                .filter(node -> node.key().equals(heading.key()))
                .anyMatch(node -> switch (node) {
                    case Page page -> page.sections().stream().allMatch(section -> isPlaced(section, ""));
                    case Section section -> isPlaced(section, heading.row());
                    default -> false;
                });
    }

    /** Whether all of an item has its places; of rows, all there is room for, or the one that is named. */
    private boolean isPlaced(Item item, String row) {
        if (!(item instanceof Section section)) {
            return placed.contains(address(item, row));
        }
        Integer room = row.isEmpty() ? form.rooms().get(section.key()) : null;
        return section.items().stream()
                .allMatch(inner -> room == null
                        ? isPlaced(inner, row)
                        : IntStream.rangeClosed(1, room).allMatch(each -> isPlaced(inner, "r" + each)));
    }

    private void question(Markup fields, FormPart.Question question) {
        Field field = question.field();
        String width = switch (field.width()) {
            case FULL -> "field part";
            case HALF -> "field part half";
            case THIRD -> "field part third";
        };
        Markup place = covered(fields.in("div", width), question.address());
        place.in("p", "label").say(field.label() + unit(field));
        answer(place, field, question.address());
        if (!field.help().isEmpty()) {
            place.in("p", "note").say(field.help());
        }
    }

    private static String unit(Field field) {
        return switch (field.kind()) {
            case FieldKind.Number it when !it.unit().isEmpty() -> " (" + it.unit() + ")";
            case FieldKind.Money it -> " (" + it.currency() + ")";
            default -> "";
        };
    }

    private void answer(Markup place, Field field, String address) {
        if (field.kind().isGiven()) {
            place.in("p", "note").say(words.of("putIn"));
        } else if (isMarked(field.kind())) {
            marks(place, field, address);
        } else {
            String kind = field.kind().isSigned()
                    ? "sign"
                    : field.kind() instanceof FieldKind.LongText ? "slot long" : "slot";
            slot(place.in("div", kind), new SlotUse.Written(field, address));
        }
        if (FormControls.takesOwnWords(field)) {
            slot(place.in("div", "slot own"), new SlotUse.OwnWords(field, address));
        }
    }

    private void marks(Markup place, Field field, String address) {
        List<Choice> choices = field.kind().offered();
        int columns = field.kind() instanceof FieldKind.Choosing it ? it.style().columns() : choices.size();
        Markup list = place.in("div", "choices");
        for (Choice choice : choices) {
            String label = label(field, choice);
            Markup line = columns > 1
                    ? list.in("div", "beside").with("style", "width: " + 100 / columns + "%")
                    : list.in("div");
            slot(line.in("div", "tick"), new SlotUse.Marked(field, address, choice.id(), label));
            line.in("span").in("bdi").with("dir", "auto").say(label);
        }
    }

    private String label(Field field, Choice choice) {
        return field.kind() instanceof FieldKind.YesNo
                ? answers.of(field.kind(), new Value.YesNo(choice.id().equals(FieldKind.YesNo.YES)))
                : choice.label();
    }

    private void table(Markup body, FormPart.Table table) {
        List<String> told = table.rows().stream()
                .filter(row -> table.fields().stream().anyMatch(field -> !placed.contains(address(field, row))))
                .toList();
        if (told.isEmpty()) {
            return;
        }
        Markup place = covered(body.in("div", "wide"), table.section());
        Markup rows = place.in("table", "rows");
        List<Field> fields =
                template().pageSettings().isRightToLeft() ? table.fields().reversed() : table.fields();
        Markup heads = rows.in("thead").in("tr");
        fields.forEach(field -> heads.in("th").with("scope", "col").say(field.label() + unit(field)));
        Markup content = rows.in("tbody");
        for (String row : told) {
            Markup line = content.in("tr");
            for (Field field : fields) {
                Markup cell = line.in("td");
                if (!field.kind().isGiven() && !placed.contains(address(field, row))) {
                    // In rows what else there is has no room of its own.
                    slot(cell.in("div", "slot"), new SlotUse.Written(field, RowNames.address(field.key(), row)));
                }
            }
        }
    }

    private void told(Markup fields, FormPart.Told told) {
        String address = address(told.notice(), told.row());
        int clause = told.notice().clause();
        Markup place =
                covered(fields.in("div", clause == 0 ? "told part" : "told part clause depth" + clause), address);
        boolean isFirst = true;
        for (Prose.Block block : Prose.of(told.notice().text()).blocks()) {
            boolean begins = isFirst && !told.number().isEmpty();
            isFirst = false;
            switch (block) {
                case Prose.Paragraph it -> {
                    Markup paragraph = place.in("p");
                    if (begins) {
                        ordinal(paragraph, told.number());
                    }
                    if (it.isPoint()) {
                        paragraph.say("• ");
                    }
                    pieces(paragraph, it.pieces(), told);
                }
                case Prose.Table it -> {
                    if (begins) {
                        ordinal(place.in("p"), told.number());
                    }
                    table(place, it, told);
                }
            }
        }
    }

    private static void ordinal(Markup paragraph, String number) {
        paragraph.in("span", "ordinal").in("bdi").with("dir", "ltr").say(number);
    }

    private void table(Markup place, Prose.Table written, FormPart.Told told) {
        Markup table = place.in("table", "rows fixed");
        List<Integer> inOrder =
                IntStream.range(0, written.columns().size()).boxed().toList();
        List<Integer> order = template().pageSettings().isRightToLeft() ? inOrder.reversed() : inOrder;
        List<Integer> shares = ColumnShares.of(written.words());
        order.forEach(column -> table.in("col").with("style", "width: " + shares.get(column) + "%"));
        if (written.hasHeads()) {
            Markup heads = table.in("thead").in("tr");
            for (int i : order) {
                Prose.Column column = written.columns().get(i);
                Markup cell =
                        heads.in("th", column.isOfFigures() ? "figure" : "").with("scope", "col");
                pieces(cell, column.head().pieces(), told);
            }
        }
        Markup body = table.in("tbody");
        for (List<Prose.Cell> row : written.rows()) {
            Markup line = body.in("tr");
            for (int i : order) {
                Markup cell = line.in("td", written.columns().get(i).isOfFigures() ? "figure" : "");
                if (i < row.size()) {
                    pieces(cell, row.get(i).pieces(), told);
                }
            }
        }
    }

    private void pieces(Markup paragraph, List<Piece> pieces, FormPart.Told told) {
        for (Piece piece : pieces) {
            switch (piece) {
                case Piece.Words(var text, var style) ->
                    (style.strong() ? paragraph.in("span", "bold") : paragraph).say(text);
                case Piece.Merged it -> paragraph.say(merged(it, told));
                case Piece.Reference it -> paragraph.say(form.reference(it.key()));
                case Piece.Bracketed it -> {
                    pieces(paragraph, it.pieces(), told);
                    if (!it.otherwise().isEmpty()) {
                        paragraph.say(" / ");
                        pieces(paragraph, it.otherwise(), told);
                    }
                }
            }
        }
    }

    /** A page cannot be set anew while it is filled in: what is not answered yet is left to be read elsewhere. */
    private String merged(Piece.Merged merged, FormPart.Told told) {
        Field field = form.template().symbols().field(merged.key());
        String rows = form.template().symbols().rowsAround(merged.key());
        if (field == null || (rows != null && told.row().isEmpty())) {
            return "…";
        }
        String address = rows == null ? merged.key() : RowNames.address(merged.key(), told.row());
        String said = answers.of(field.kind(), form.value(address));
        return said.isEmpty() ? "“" + field.label() + "”" : said;
    }
}
