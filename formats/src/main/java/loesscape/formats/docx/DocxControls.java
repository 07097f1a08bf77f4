package loesscape.formats.docx;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.core.evaluation.TypedText;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormChoices;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;
import loesscape.formats.paper.PaperWords;

/**
 * Content controls (ISO/IEC 29500-1, 17.5.2): what can be filled in. All controls of one answer are bound to the same place
 * among the answers in the file, so that what is filled in once stands everywhere.
 */
final class DocxControls {

    /** The namespace of the answers in the file; it carries their format number. */
    static final String ANSWERS = "urn:loesscape:answers:1";

    private static final String STORE = "{6F1C2A0E-5D34-4B7A-9C1B-4C6F65737331}";
    private static final String MARKED = "\u2612";
    private static final String UNMARKED = "\u2610";

    private final DocxPage page;
    private final FormChoices choices;
    private final SymbolTable symbols;
    private final AnswerWords answers;
    private final PaperWords words;
    private final Map<String, String> bound = new LinkedHashMap<>();
    private int made;

    DocxControls(DocxPage page, FillableForm form, PaperWords words) {
        this.page = page;
        this.choices = form.choices();
        this.symbols = form.template().symbols();
        this.answers = AnswerWords.in(symbols.language());
        this.words = words;
    }

    /** A choice that is offered: what is stored and what is read. */
    record OfferedEntry(String id, String label) {}

    /** Puts what was bound into the file. */
    void into(DocxFile file) {
        String all = bound.entrySet().stream()
                .map(each -> "<answer key=\"%s\">%s</answer>"
                        .formatted(DocxFile.escaped(each.getKey()), DocxFile.escaped(each.getValue())))
                .collect(Collectors.joining());
        file.answers("<answers xmlns=\"%s\">%s</answers>".formatted(ANSWERS, all), STORE);
    }

    /** Whether an answer to a field can be filled in with one control. */
    static boolean isOne(FieldKind kind) {
        return switch (kind.answer()) {
            case TEXT, NUMBER, YES_NO, CHOICE, DAY, TIME, FILES -> !kind.isGiven();
            case CHOICES, SIGNATURE, PAYMENT -> false;
        };
    }

    /** A control in a line for an answer that takes one. */
    void one(DocxElement paragraph, Field field, String address, Value value) {
        List<OfferedEntry> offered = choices.of(field).stream()
                .filter(choice -> !(choice.id().equals(Choice.OTHER) && field.kind() instanceof FieldKind.Choosing))
                .map(choice -> new OfferedEntry(choice.id(), choice.label()))
                .toList();
        if (!offered.isEmpty()) {
            boolean isOpen = field.kind() instanceof FieldKind.OneChoice it && it.other();
            String chosen = id(value);
            String said = offered.stream()
                    .filter(each -> each.id().equals(chosen))
                    .map(OfferedEntry::label)
                    .findFirst()
                    .orElseGet(() -> said(field, value));
            choice(paragraph, new Named(field.label(), address), offered, isOpen, chosen, said);
        } else if (field.kind() instanceof FieldKind.Date) {
            day(paragraph, field, address, value);
        } else {
            text(paragraph, new Named(field.label(), address), said(field, value), isLong(field), hint(field));
        }
    }

    /** What a control is called: for people, and by what its answer is known. */
    record Named(String label, String address) {}

    private static boolean isLong(Field field) {
        return field.kind() instanceof FieldKind.LongText;
    }

    private String hint(Field field) {
        return switch (field.kind()) {
            case FieldKind.Text(var placeholder, var ignored) when !placeholder.isEmpty() -> placeholder;
            case FieldKind.LongText(var placeholder, var ignored) when !placeholder.isEmpty() -> placeholder;
            default -> field.kind().answer() == AnswerType.FILES ? words.of("fileName") : words.of("writeHere");
        };
    }

    private static String id(Value value) {
        return switch (value) {
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.YesNo(var yes) -> yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO;
            default -> value instanceof Value.Number(var number) ? number.toPlainString() : "";
        };
    }

    /** Figures and times stand as they are typed: with signs between thousands they would come back as others. */
    private String said(Field field, Value value) {
        boolean isTyped =
                field.kind().answer() == AnswerType.NUMBER || field.kind().answer() == AnswerType.TIME;
        return isTyped ? TypedText.of(value) : answers.of(field.kind(), value);
    }

    /** A mark for each of several choices, one beneath the other. */
    void several(DocxElement in, Field field, String address, Value value) {
        List<String> chosen = value instanceof Value.ChosenSet(var choices, var ignored) ? choices : List.of();
        List<Choice> choices = field.kind() instanceof FieldKind.Choosing kind ? kind.withOther() : new ArrayList<>();
        for (Choice choice : choices) {
            DocxElement line = page.paragraph(in, "Answer");
            mark(line, new Named(choice.label(), address + "/" + choice.id()), chosen.contains(choice.id()));
            page.run(line, " " + choice.label(), DocxPage.Ink.PLAIN);
            if (choice.id().equals(Choice.OTHER)) {
                String own = value instanceof Value.ChosenSet(var ignored, var written) ? written : "";
                page.run(line, " ", DocxPage.Ink.PLAIN);
                text(line, new Named(choice.label(), address + "/words"), own, false, words.of("writeHere"));
            }
        }
    }

    private void mark(DocxElement paragraph, Named named, boolean isMarked) {
        DocxElement control = paragraph.in("w:sdt");
        DocxElement properties = properties(control, named, false, isMarked ? "true" : "false");
        DocxElement box = properties.in("w14:checkbox");
        box.in("w14:checked").with("w14:val", isMarked ? 1 : 0);
        box.in("w14:checkedState").with("w14:val", "2612").with("w14:font", "Segoe UI Symbol");
        box.in("w14:uncheckedState").with("w14:val", "2610").with("w14:font", "Segoe UI Symbol");
        page.run(control.in("w:sdtContent"), isMarked ? MARKED : UNMARKED, DocxPage.Ink.PLAIN);
    }

    /** Free text. */
    void text(DocxElement paragraph, Named named, String said, boolean isLong, String hint) {
        DocxElement control = paragraph.in("w:sdt");
        DocxElement kind = properties(control, named, said.isEmpty(), said).in("w:text");
        if (isLong) {
            kind.with("w:multiLine", 1);
        }
        content(control, said, hint);
    }

    private void day(DocxElement paragraph, Field field, String address, Value value) {
        String stored = value instanceof Value.Date(var day) ? day.toString() : "";
        DocxElement control = paragraph.in("w:sdt");
        DocxElement kind = properties(control, new Named(field.label(), address), stored.isEmpty(), stored)
                .in("w:date");
        if (!stored.isEmpty()) {
            kind.with("w:fullDate", stored + "T00:00:00Z");
        }
        Locale language = symbols.language();
        kind.in("w:dateFormat", "d MMMM yyyy");
        kind.in(
                "w:lid",
                language.getCountry().isEmpty() && language.getLanguage().equals("en")
                        ? "en-GB"
                        : language.toLanguageTag());
        kind.in("w:storeMappedDataAs", "date");
        kind.in("w:calendar", "gregorian");
        content(control, answers.of(field.kind(), value), words.of("choose"));
    }

    /** One of several, or with {@code isOpen} something else as well. */
    void choice(
            DocxElement paragraph,
            Named named,
            List<OfferedEntry> offered,
            boolean isOpen,
            String chosen,
            String said) {
        DocxElement control = paragraph.in("w:sdt");
        boolean isOffered = offered.stream().anyMatch(each -> each.id().equals(chosen));
        DocxElement list = properties(control, named, said.isEmpty(), isOffered ? chosen : said)
                .in(isOpen ? "w:comboBox" : "w:dropDownList");
        offered.forEach(each ->
                list.in("w:listItem").with("w:displayText", each.label()).with("w:value", each.id()));
        content(control, said, words.of("choose"));
    }

    /** The order of what is said of a control is fixed (ISO/IEC 29500-1, A.1, CT_SdtPr). */
    private DocxElement properties(DocxElement control, Named named, boolean isEmpty, String stored) {
        DocxElement properties = control.in("w:sdtPr");
        properties.in("w:alias", named.label());
        properties.in("w:tag", named.address());
        properties.in("w:id", Integer.toString(++made));
        properties.in("w:lock", "sdtLocked");
        if (isEmpty) {
            properties.in("w:showingPlcHdr");
        }
        bound.putIfAbsent(named.address(), stored);
        if (named.address().indexOf('\'') < 0) {
            properties
                    .in("w:dataBinding")
                    .with("w:prefixMappings", "xmlns:a='%s'".formatted(ANSWERS))
                    .with("w:xpath", "/a:answers/a:answer[@key='%s']".formatted(named.address()))
                    .with("w:storeItemID", STORE);
        }
        return properties;
    }

    private void content(DocxElement control, String said, String hint) {
        page.run(
                control.in("w:sdtContent"),
                said.isEmpty() ? hint : said,
                said.isEmpty() ? DocxPage.Ink.PALE : DocxPage.Ink.PLAIN);
    }

    /** Rows that can be added; what stands in them is written by others. */
    DocxElement rows(DocxElement table, String section, String label) {
        DocxElement control = table.in("w:sdt");
        DocxElement properties = control.in("w:sdtPr");
        properties.in("w:alias", label.isEmpty() ? section : label);
        properties.in("w:tag", section);
        properties.in("w:id", Integer.toString(++made));
        properties.in("w15:repeatingSection");
        return control.in("w:sdtContent");
    }

    /** One of such rows. */
    DocxElement row(DocxElement rows) {
        DocxElement control = rows.in("w:sdt");
        DocxElement properties = control.in("w:sdtPr");
        properties.in("w:id", Integer.toString(++made));
        properties.in("w15:repeatingSectionItem");
        return control.in("w:sdtContent");
    }
}
