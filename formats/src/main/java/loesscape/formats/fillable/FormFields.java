package loesscape.formats.fillable;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.TypedText;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import loesscape.core.script.LeftOut;
import loesscape.formats.paper.PaperWords;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDObjectReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDFormFieldAdditionalActions;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDNonTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;

/**
 * Puts fields in their places (ISO 32000-2, 12.7.5), each under the address of its answer, with what it asks for those who
 * cannot see it, and into the structure of the document (14.7.5.3).
 */
final class FormFields {

    /** The field that is worked out last, and says what is missing. */
    static final String STATUS = "status";

    private static final String LOOK_AGAIN = "this.calculateNow();";

    private final PDDocument document;
    private final FillableForm form;
    private final FormControls controls;
    private final PaperWords words;
    private final PDAcroForm fields;
    private final FieldMarks marks;
    private final String font;
    private final COSArray numbers;
    private final List<PDField> all = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private int next;
    private boolean lacksLetters;

    FormFields(PDDocument document, FillableForm form, FormControls controls) throws IOException {
        this.document = document;
        this.form = form;
        this.controls = controls;
        String language = form.template().template().pageSettings().language();
        this.words = new PaperWords(language);
        this.marks = new FieldMarks(document);
        this.fields = new PDAcroForm(document);
        document.getDocumentCatalog().setAcroForm(fields);
        PDResources resources = new PDResources();
        this.font = resources.add(FieldFont.in(document, language)).getName();
        fields.setDefaultResources(resources);
        fields.setDefaultAppearance(appearance(10));
        PDStructureTreeRoot root = document.getDocumentCatalog().getStructureTreeRoot();
        this.numbers = root.getParentTree().getCOSObject().getCOSArray(COSName.NUMS);
        this.next = root.getParentTreeNextKey();
    }

    private String appearance(double size) {
        return "/%s %s Tf 0.12 0.16 0.16 rg".formatted(font, size == Math.rint(size) ? (int) size : size);
    }

    /** Answers that have no field that could hold them. */
    List<LeftOut> leftOut() {
        return leftOut;
    }

    void write(List<Slot> slots) throws IOException {
        Map<String, List<Slot>> answers = new LinkedHashMap<>();
        Map<String, List<Slot>> covers = new LinkedHashMap<>();
        for (Slot slot : slots) {
            switch (slot.use()) {
                case SlotUse.Written it ->
                    answers.computeIfAbsent(it.address(), key -> new ArrayList<>())
                            .add(slot);
                case SlotUse.Marked it ->
                    answers.computeIfAbsent(it.address(), key -> new ArrayList<>())
                            .add(slot);
                case SlotUse.OwnWords it -> ownWords(it, slot);
                case SlotUse.Covering it ->
                    covers.computeIfAbsent(it.address(), key -> new ArrayList<>())
                            .add(slot);
                case SlotUse.Shown it -> sign(it, slot);
                case SlotUse.Status() -> status(slot);
            }
        }
        for (Map.Entry<String, List<Slot>> each : answers.entrySet()) {
            answer(each.getKey(), each.getValue());
        }
        for (Map.Entry<String, List<Slot>> each : covers.entrySet()) {
            cover(each.getKey(), each.getValue());
        }
        fields.setFields(all);
        if (lacksLetters) {
            fields.setNeedAppearances(true);
        }
        document.getDocumentCatalog().getStructureTreeRoot().setParentTreeNextKey(next);
    }

    private void answer(String address, List<Slot> slots) throws IOException {
        Field field = switch (slots.getFirst().use()) {
            case SlotUse.Written it -> it.field();
            case SlotUse.Marked it -> it.field();
            default -> throw new IllegalArgumentException("No answer");
        };
        List<Slot> marked = slots.stream()
                .filter(slot -> slot.use() instanceof SlotUse.Marked)
                .toList();
        List<Slot> written = slots.stream()
                .filter(slot -> slot.use() instanceof SlotUse.Written)
                .toList();
        if (field.kind() instanceof FieldKind.SeveralChoices && !marked.isEmpty()) {
            several(field, address, marked);
        } else if (!marked.isEmpty()) {
            one(field, address, marked);
        } else if (field.kind().isSigned()) {
            signature(field, address, written.getFirst());
        } else if (!controls.offered(field).isEmpty() && FormControls.isTyped(field)) {
            list(field, address, written);
        } else {
            text(field, address, written);
        }
    }

    private String told(Field field) {
        return field.help().isEmpty() ? field.label() : field.label() + ". " + field.help();
    }

    private void name(PDTerminalField field, String name, String told) {
        field.setPartialName(name);
        field.setAlternateFieldName(told);
        field.setMappingName(name);
    }

    private void text(Field asked, String address, List<Slot> slots) throws IOException {
        PDTextField field = new PDTextField(fields);
        name(field, address, told(asked));
        boolean isLong = asked.kind() instanceof FieldKind.LongText;
        int cells = slots.getFirst().cells();
        field.setMultiline(isLong && cells == 0);
        if (cells > 0) {
            field.setMaxLen(cells);
            field.setComb(true);
        } else if (FormControls.longest(asked) > 0) {
            field.setMaxLen(FormControls.longest(asked));
        }
        field.setReadOnly(!FormControls.isTyped(asked));
        field.setDefaultAppearance(appearance(slots.getFirst().size()));
        place(field, slots, told(asked));
        Value value = form.value(address);
        set(field, FormControls.isTyped(asked) ? TypedText.of(value) : controls.said(asked, value));
        if (FormControls.isTyped(asked)) {
            takeAsWritten(field);
        }
        all.add(field);
        controls.add(asked, address, "text", List.of());
    }

    /** Readers make numbers of what looks like one; the script wants what was written. */
    private static void takeAsWritten(PDTextField field) {
        PDFormFieldAdditionalActions actions = new PDFormFieldAdditionalActions();
        actions.setV(new PDActionJavaScript("loess.take(event);"));
        actions.setF(new PDActionJavaScript("loess.take(event);"));
        field.setActions(actions);
    }

    private void ownWords(SlotUse.OwnWords own, Slot slot) throws IOException {
        PDTextField field = new PDTextField(fields);
        String words = switch (form.value(own.address())) {
            case Value.Chosen(var ignored, var said) -> said;
            case Value.ChosenSet(var ignored, var said) -> said;
            default -> "";
        };
        name(field, "words/" + own.address(), told(own.field()));
        field.setDefaultAppearance(appearance(10));
        place(field, List.of(slot), told(own.field()));
        set(field, words);
        takeAsWritten(field);
        all.add(field);
    }

    private void list(Field asked, String address, List<Slot> slots) throws IOException {
        PDComboBox field = new PDComboBox(fields);
        name(field, address, told(asked));
        List<String> stored = new ArrayList<>(List.of(" "));
        List<String> shown = new ArrayList<>(List.of(" "));
        for (Choice choice : controls.offered(asked)) {
            stored.add(choice.id());
            shown.add(choice.label());
        }
        field.setOptions(stored, shown);
        field.setDefaultAppearance(appearance(slots.getFirst().size()));
        place(field, slots, told(asked));
        for (PDAnnotationWidget widget : field.getWidgets()) {
            widget.setAction(new PDActionJavaScript(LOOK_AGAIN));
        }
        String typed = TypedText.of(form.value(address));
        String chosen = typed.startsWith("=") ? Choice.OTHER : typed;
        // A list holds nothing that it does not offer, whatever its file says.
        if (!typed.isEmpty() && !stored.contains(chosen)) {
            leftOut.add(new LeftOut(
                    asked.key(),
                    "“%s” does not begin with “%s”, which its list does not offer.".formatted(asked.name(), chosen)));
        }
        set(field, stored.contains(chosen) ? chosen : " ");
        all.add(field);
        controls.add(asked, address, "list", List.of());
    }

    /** What cannot be drawn with the letters there are is kept, and drawn by whoever shows it. */
    private void set(PDVariableText field, String value) throws IOException {
        try {
            if (field instanceof PDTextField text) {
                text.setValue(value);
            } else if (field instanceof PDComboBox combo) {
                combo.setValue(value);
            }
        } catch (IllegalArgumentException unknownLetter) {
            field.getCOSObject().setString(COSName.V, value);
            lacksLetters = true;
        }
    }

    private void one(Field asked, String address, List<Slot> slots) throws IOException {
        PDRadioButton field = new PDRadioButton(fields);
        name(field, address, told(asked));
        String typed = TypedText.of(form.value(address));
        String chosen = typed.startsWith("=") ? Choice.OTHER : typed;
        List<PDAnnotationWidget> widgets = new ArrayList<>();
        for (Slot slot : slots) {
            SlotUse.Marked mark = (SlotUse.Marked) slot.use();
            PDAnnotationWidget widget = new PDAnnotationWidget();
            put(widget, slot, asked.label() + ": " + mark.label());
            marks.marked(
                    widget,
                    mark.choice(),
                    shape(slot, FieldMarks.DrawnMark.ROUND),
                    mark.choice().equals(chosen));
            widget.setAction(new PDActionJavaScript(LOOK_AGAIN));
            widgets.add(widget);
        }
        field.setWidgets(widgets);
        if (widgets.stream()
                .anyMatch(widget -> !"Off".equals(widget.getAppearanceState().getName()))) {
            field.getCOSObject().setName(COSName.V, chosen);
        }
        all.add(field);
        controls.add(asked, address, "one", List.of());
    }

    private static FieldMarks.DrawnMark shape(Slot slot, FieldMarks.DrawnMark otherwise) {
        return slot.isPrinted() ? FieldMarks.DrawnMark.CROSS : otherwise;
    }

    private void several(Field asked, String address, List<Slot> marked) throws IOException {
        List<String> chosen =
                form.value(address) instanceof Value.ChosenSet(var choices, var ignored) ? choices : List.of();
        PDNonTerminalField whole = new PDNonTerminalField(fields);
        whole.setPartialName(address);
        whole.setAlternateFieldName(told(asked));
        Map<String, List<Slot>> byChoice = new LinkedHashMap<>();
        for (Slot slot : marked) {
            byChoice.computeIfAbsent(((SlotUse.Marked) slot.use()).choice(), key -> new ArrayList<>())
                    .add(slot);
        }
        List<PDField> parts = new ArrayList<>();
        for (Map.Entry<String, List<Slot>> each : byChoice.entrySet()) {
            PDCheckBox box = new PDCheckBox(fields);
            SlotUse.Marked first = (SlotUse.Marked) each.getValue().getFirst().use();
            name(box, each.getKey(), asked.label() + ": " + first.label());
            boolean isSet = chosen.contains(each.getKey());
            List<PDAnnotationWidget> widgets = new ArrayList<>();
            for (Slot slot : each.getValue()) {
                PDAnnotationWidget widget = new PDAnnotationWidget();
                put(widget, slot, asked.label() + ": " + first.label());
                marks.marked(widget, "Yes", shape(slot, FieldMarks.DrawnMark.SQUARE), isSet);
                widget.setAction(new PDActionJavaScript(LOOK_AGAIN));
                widgets.add(widget);
            }
            box.setWidgets(widgets);
            box.getCOSObject().setName(COSName.V, isSet ? "Yes" : "Off");
            box.getCOSObject().setItem(COSName.PARENT, whole.getCOSObject());
            parts.add(box);
        }
        whole.setChildren(parts);
        all.add(whole);
        controls.add(asked, address, "several", List.copyOf(byChoice.keySet()));
    }

    private void signature(Field asked, String address, Slot slot) throws IOException {
        PDSignatureField field = new PDSignatureField(fields);
        name(field, address, told(asked));
        PDAnnotationWidget widget = field.getWidgets().getFirst();
        put(widget, slot, told(asked));
        marks.drawn(widget, "");
        all.add(field);
    }

    private void sign(SlotUse.Shown shown, Slot slot) throws IOException {
        PDTextField field =
                readOnly("sign/" + shown.address(), shown.indicator().name());
        place(field, List.of(slot), shown.indicator().name());
        field.setValue("");
        all.add(field);
        controls.addSign(shown);
    }

    private void status(Slot slot) throws IOException {
        PDTextField field = readOnly(STATUS, words.of("status"));
        field.setMultiline(true);
        place(field, List.of(slot), words.of("status"));
        field.setValue("");
        PDFormFieldAdditionalActions actions = new PDFormFieldAdditionalActions();
        actions.setC(new PDActionJavaScript("event.value = loess.rules(this);"));
        field.setActions(actions);
        all.add(field);
        COSArray order = new COSArray();
        order.add(field.getCOSObject());
        fields.getCOSObject().setItem(COSName.getPDFName("CO"), order);
    }

    private PDTextField readOnly(String name, String told) {
        PDTextField field = new PDTextField(fields);
        name(field, name, told);
        field.setReadOnly(true);
        field.setDefaultAppearance(appearance(10));
        return field;
    }

    private void cover(String address, List<Slot> slots) throws IOException {
        PDTextField field = readOnly("fold/" + address, words.of("folded"));
        List<PDAnnotationWidget> widgets = new ArrayList<>();
        for (Slot slot : slots) {
            PDAnnotationWidget widget = new PDAnnotationWidget();
            PDStructureElement own = new PDStructureElement("Form", slot.element());
            slot.element().appendKid(own);
            put(widget, new Slot(slot.use(), slot.page(), slot.box(), own, 0, 0, false), words.of("folded"));
            marks.covering(widget);
            widget.setHidden(true);
            widgets.add(widget);
        }
        field.setWidgets(widgets);
        all.add(field);
        controls.addCover(address);
    }

    private void place(PDVariableText field, List<Slot> slots, String told) throws IOException {
        List<PDAnnotationWidget> widgets = new ArrayList<>();
        for (Slot slot : slots) {
            PDAnnotationWidget widget = slots.size() == 1 ? field.getWidgets().getFirst() : new PDAnnotationWidget();
            put(widget, slot, told);
            if (!slot.isPrinted()) {
                FieldMarks.framed(widget);
            }
            widgets.add(widget);
        }
        if (slots.size() > 1) {
            field.setWidgets(widgets);
        }
    }

    private void put(PDAnnotationWidget widget, Slot slot, String told) throws IOException {
        widget.setRectangle(slot.box());
        widget.setPage(slot.page());
        widget.setPrinted(true);
        widget.setContents(told);
        slot.page().getAnnotations().add(widget);
        PDStructureElement element = slot.element();
        element.setStructureType("Form");
        PDObjectReference reference = new PDObjectReference();
        reference.setReferencedObject(widget);
        reference.getCOSObject().setItem(COSName.PG, slot.page());
        element.appendKid(reference);
        COSDictionary written = element.getCOSObject();
        if (written.getString(COSName.ALT) == null) {
            written.setString(COSName.ALT, told);
        }
        widget.setStructParent(next);
        numbers.add(COSInteger.get(next++));
        numbers.add(element);
    }
}
