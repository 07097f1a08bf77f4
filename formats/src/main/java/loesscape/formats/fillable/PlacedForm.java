package loesscape.formats.fillable;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.evaluation.RowNames;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Choice;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Template;
import loesscape.core.script.LeftOut;
import loesscape.formats.form.SheetFile;
import loesscape.formats.paper.LentSheets;
import loesscape.formats.paper.PaperWords;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/** The pages of PDF files that a template is written on, with the places of its answers, in front of what is typeset. */
final class PlacedForm {

    private static final double POINTS = 72 / 2_540.0;

    private final PDDocument document;
    private final FillableForm form;
    private final Template template;
    private final Function<String, Optional<byte[]>> files;
    private final PaperWords words;
    private final Map<String, Node> nodes = new HashMap<>();
    private final List<Slot> slots = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();

    PlacedForm(PDDocument document, FillableForm form, Function<String, Optional<byte[]>> files) {
        this.document = document;
        this.form = form;
        this.template = form.template().template();
        this.files = files;
        this.words = new PaperWords(template.pageSettings().language());
        template.nodes().forEach(node -> nodes.put(node.key(), node));
    }

    /** The addresses of all that have places, row by row; of choices, only where all that can be marked has one. */
    static Set<String> placed(FillableForm form) {
        Map<String, Set<String>> marks = new HashMap<>();
        for (Page page : form.template().template().pages()) {
            if (page.sheet() != null) {
                page.places()
                        .forEach(place -> marks.computeIfAbsent(address(form, place), key -> new HashSet<>())
                                .add(place.choice()));
            }
        }
        Map<String, Node> nodes = new HashMap<>();
        form.template().template().nodes().forEach(node -> nodes.put(node.key(), node));
        marks.entrySet().removeIf(each -> switch (nodes.get(RowNames.key(each.getKey()))) {
            case Field field -> !isWhole(field.kind(), each.getValue());
            case Indicator ignored -> false;
            // What is told is typeset.
            case Notice ignored -> true;
            case Picture ignored -> true;
            case Overlay ignored -> true;
            case Divider ignored -> true;
            case Section ignored -> true;
            case Page ignored -> true;
            case null -> true;
        });
        return marks.keySet();
    }

    private static boolean isWhole(FieldKind kind, Set<String> marks) {
        boolean isMarked = kind instanceof FieldKind.Choosing || kind instanceof FieldKind.YesNo;
        boolean isWritten = marks.contains("") && !(kind instanceof FieldKind.SeveralChoices);
        return !isMarked || isWritten || kind.offered().stream().map(Choice::id).allMatch(marks::contains);
    }

    private static String address(FillableForm form, Place place) {
        return form.template().symbols().rowsAround(place.item()) == null
                ? place.item()
                : RowNames.address(place.item(), "r" + (place.row() + 1));
    }

    /** Those that can be answered in one's own words have no place for these on their pages. */
    List<LeftOut> leftOut() {
        return leftOut;
    }

    /** Adds the pages; tells where answers have their places on them. */
    List<Slot> write() throws IOException {
        PDPage first = document.getPage(0);
        LayerUtility layers = new LayerUtility(document);
        Set<String> placed = placed(form);
        int before = 0;
        try (LentSheets sheets = new LentSheets()) {
            for (Page page : template.pages()) {
                SheetPage sheet = page.sheet();
                if (sheet != null) {
                    byte[] file = files.apply(sheet.file())
                            .orElseThrow(() -> new IllegalStateException("The pages of the form are not there"));
                    page(page, sheet, sheets.of(file), layers, first, before++, placed);
                }
            }
        }
        return slots;
    }

    private void page(
            Page page,
            SheetPage size,
            PDDocument sheet,
            LayerUtility layers,
            PDPage first,
            int before,
            Set<String> placed)
            throws IOException {
        float height = (float) (size.height() * POINTS);
        PDRectangle whole = new PDRectangle((float) (size.width() * POINTS), height);
        PDPage made = new PDPage(whole);
        made.getCOSObject().setName(COSName.getPDFName("Tabs"), "S");
        document.getPages().insertBefore(made, first);
        PDPage printed = sheet.getPage(size.number());
        PDStructureElement part = part(before);
        part.setPage(made);
        figure(made, part, whole, SheetFile.text(printed), size.number());
        try (PDPageContentStream drawing = new PDPageContentStream(document, made)) {
            COSDictionary marked = new COSDictionary();
            marked.setInt(COSName.MCID, 0);
            drawing.beginMarkedContent(
                    COSName.getPDFName("Figure"),
                    org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList.create(marked));
            drawing.drawForm(layers.importPageAsForm(sheet, printed));
            drawing.endMarkedContent();
        }
        for (Place place : page.places()) {
            SlotUse use = use(place);
            if (use == null) {
                leftOut.add(new LeftOut(
                        place.item(),
                        "“%s” is not drawn on its page while the form is filled in.".formatted(name(place.item()))));
            } else if (placed.contains(address(form, place))) {
                PDStructureElement element = new PDStructureElement("Form", part);
                element.setPage(made);
                part.appendKid(element);
                slots.add(new Slot(
                        use,
                        made,
                        new PDRectangle(
                                (float) (place.left() * POINTS),
                                (float) (height - (place.top() + place.height()) * POINTS),
                                (float) (place.width() * POINTS),
                                (float) (place.height() * POINTS)),
                        element,
                        place.lettering().size() / 10.0,
                        place.lettering().cells(),
                        true));
            }
        }
    }

    private String name(String key) {
        Node node = nodes.get(key);
        return node == null ? key : node.name();
    }

    private @org.jspecify.annotations.Nullable SlotUse use(Place place) {
        String section = form.template().symbols().rowsAround(place.item());
        if (section != null && place.row() >= form.rooms().getOrDefault(section, 0)) {
            return null;
        }
        String address = address(form, place);
        return switch (nodes.get(place.item())) {
            case Field field when place.choice().isEmpty() -> new SlotUse.Written(field, address);
            case Field field -> new SlotUse.Marked(field, address, place.choice(), label(field, place.choice()));
            case Indicator indicator -> new SlotUse.Shown(indicator, address);
            case null -> null;
            default -> null;
        };
    }

    private static String label(Field field, String choice) {
        return field.kind().offered().stream()
                .filter(each -> each.id().equals(choice))
                .findFirst()
                .map(Choice::label)
                .orElse(choice);
    }

    /** The part of the structure for a page, in front of those for later pages and of what is typeset. */
    private PDStructureElement part(int before) {
        PDStructureTreeRoot root = document.getDocumentCatalog().getStructureTreeRoot();
        PDStructureElement all = (PDStructureElement) root.getKids().getFirst();
        PDStructureElement part = new PDStructureElement("Sect", all);
        COSArray kids = new COSArray();
        if (all.getCOSObject().getDictionaryObject(COSName.K) instanceof COSArray array) {
            array.forEach(kids::add);
        } else if (all.getCOSObject().getItem(COSName.K) != null) {
            kids.add(all.getCOSObject().getItem(COSName.K));
        }
        kids.add(before, part.getCOSObject());
        all.getCOSObject().setItem(COSName.K, kids);
        return part;
    }

    private void figure(PDPage page, PDStructureElement part, PDRectangle whole, String text, int number) {
        PDStructureElement figure = new PDStructureElement("Figure", part);
        figure.setPage(page);
        figure.setAlternateDescription(text.isEmpty() ? words.of("sheet", String.valueOf(number + 1)) : text);
        figure.appendKid(0);
        COSDictionary layout = new COSDictionary();
        layout.setName(COSName.O, "Layout");
        COSArray corners = new COSArray();
        corners.add(new COSFloat(0));
        corners.add(new COSFloat(0));
        corners.add(new COSFloat(whole.getWidth()));
        corners.add(new COSFloat(whole.getHeight()));
        layout.setItem(COSName.BBOX, corners);
        figure.getCOSObject().setItem(COSName.A, layout);
        part.appendKid(figure);
        PDStructureTreeRoot root = document.getDocumentCatalog().getStructureTreeRoot();
        COSArray numbers = root.getParentTree().getCOSObject().getCOSArray(COSName.NUMS);
        int next = root.getParentTreeNextKey();
        page.setStructParents(next);
        COSArray ofPage = new COSArray();
        ofPage.add(figure);
        numbers.add(COSInteger.get(next));
        numbers.add(ofPage);
        root.setParentTreeNextKey(next + 1);
    }
}
