package loesscape.formats.form;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import loesscape.formats.paper.FinishedPdf;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/**
 * The form of an invented office, drawn as offices draw them: the application for a drainage consent of the Veldhollow Soil
 * and Water Board, two pages, with fields. Measures are in points from the upper left corner.
 */
final class OfficeForm {

    private static final float LEFT = 56;
    private static final float RIGHT = 539;

    private final PDDocument document = new PDDocument();
    private final PDFont plain = font("InstrumentSans-Regular");
    private final PDFont bold = font("InstrumentSans-SemiBold");
    private final PDAcroForm form = new PDAcroForm(document);
    private final List<PDField> fields = new ArrayList<>();
    private PDPage page = new PDPage();
    private PDPageContentStream drawing;

    private OfficeForm() throws IOException {
        document.getDocumentInformation().setTitle("Drainage consent");
        form.setDefaultAppearance("/Helv 10 Tf 0 g");
        form.setDefaultResources(new PDResources());
        document.getDocumentCatalog().setAcroForm(form);
        drawing = next();
    }

    private PDPageContentStream next() throws IOException {
        page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        return new PDPageContentStream(document, page);
    }

    private PDFont font(String name) throws IOException {
        TrueTypeFont read = new TTFParser()
                .parse(new RandomAccessReadBuffer(FinishedPdf.class
                        .getResourceAsStream("fonts/" + name + ".ttf")
                        .readAllBytes()));
        read.setEnableGsub(false);
        return PDType0Font.load(document, read, true);
    }

    /** The file. */
    static byte[] drainageConsent() throws IOException {
        OfficeForm form = new OfficeForm();
        form.firstPage();
        form.drawing.close();
        form.drawing = form.next();
        form.secondPage();
        form.drawing.close();
        form.drawing = form.next();
        form.thirdPage();
        form.drawing.close();
        form.form.setFields(form.fields);
        COSDictionary sum = new COSDictionary();
        sum.setName(COSName.S, "JavaScript");
        sum.setString(
                COSName.getPDFName("JS"),
                "if (getField('purpose').value == 'field') getField('area_ha').required = true;");
        COSDictionary actions = new COSDictionary();
        actions.setItem(COSName.K, sum);
        form.fields.stream()
                .filter(field -> field.getPartialName().equals("area_ha"))
                .forEach(field -> field.getCOSObject().setItem(COSName.AA, actions));
        form.document.setDocumentId(7L);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        form.document.save(out);
        form.document.close();
        return out.toByteArray();
    }

    private void firstPage() throws IOException {
        head("Drainage consent", "Form D4");
        note(
                88,
                "Whoever lets water into a ditch, a stream or a drain of the Board needs its consent (drainage bylaws, section 4).");
        heading(122, "1  Applicant");
        text("owner", "Name of the owner of the land", LEFT, 144, 300, true);
        text("owner_phone", "Telephone", 372, 144, 167, false);
        text("address", "Address", LEFT, 184, 300, true);
        text("owner_mail", "E-mail", 372, 184, 167, false);
        comb("parcel", "Number of the parcel", LEFT, 224, 8, "Number of the parcel, eight signs");
        comb("begins", "Works begin on (day month year)", 300, 224, 8, "Day on which the works begin");
        heading(278, "2  Purpose");
        note(300, "What is drained?");
        radio("purpose", 312, List.of("field", "yard", "cellar"), List.of("A field", "A yard or a road", "A building"));
        text("area_ha", "Area of the field, ha", LEFT, 352, 120, false);
        text("yard_use", "What is the yard used for?", 200, 352, 339, false);
        heading(408, "3  Discharge");
        choice("receiving", "Into which water", LEFT, 430, List.of("Long Ditch", "Mill Stream", "Tiled drain 12"));
        text("flow", "Largest flow, litres a second", 300, 430, 110, true);
        check("treated", "The water passes a settling pond first.", 478);
        check("pumped", "The water is pumped (page 3 is to be filled in).", 500);
        heading(540, "4  Enclosed");
        check("plan", "Plan of the works at 1 : 500", 562);
        check("levels", "Levels of the outfall", 584);
        lines("remarks", "Remarks", LEFT, 612, 483, 84);
        note(730, "The Board answers within six weeks of receiving the complete form.");
        foot(1);
    }

    private void secondPage() throws IOException {
        head("Drainage consent", "Form D4");
        text("owner", "Name of the owner of the land", LEFT, 96, 300, true);
        heading(150, "5  Declaration");
        note(172, "I have told the owners of the land downstream, and leave the outfall open to inspection.");
        note(190, CHARGE + NO_CHARGE);
        text("charge", "Yearly charge", LEFT, 214, 120, false);
        text("place", "Place", 200, 214, 160, false);
        text("day", "Day", 372, 214, 167, false);
        signature("signature", "Signature of the owner", LEFT, 270);
        heading(350, "6  Decision of the Board");
        note(376, DECISION + GRANTED + OR + REFUSED);
        lines("conditions", "Conditions", LEFT, 398, 483, 96);
        signature("signature_board", "For the Board", LEFT, 520);
        foot(2);
    }

    private void thirdPage() throws IOException {
        head("Drainage consent: pumping", "Form D4");
        text("owner", "Name of the owner of the land", LEFT, 96, 300, true);
        heading(150, "7  Pump");
        lines("pump", "Make and output of the pump", LEFT, 172, 483, 62);
        text("hours", "Hours of operation a day", LEFT, 256, 120, false);
        check("night", "The pump stands still between ten in the evening and six in the morning.", 306);
        foot(3);
    }

    static final String CHARGE = "A charge is paid each year: 120 for each litre a second.  ";
    static final String NO_CHARGE = "No charge is paid below one litre a second.";
    static final String DECISION = "The consent is   ";
    static final String GRANTED = "granted";
    static final String OR = "   /   ";
    static final String REFUSED = "refused";

    /** Where some of the words of a note stand on its page, in hundredths of a millimetre: left and width. */
    static int[] within(String before, String words) throws IOException {
        OfficeForm form = new OfficeForm();
        form.drawing.close();
        float left = LEFT + form.plain.getStringWidth(before) / 1000 * 9.5f;
        float width = form.plain.getStringWidth(words.strip()) / 1000 * 9.5f;
        form.document.close();
        return new int[] {hundredths(left), hundredths(width)};
    }

    /** Points in hundredths of a millimetre. */
    static int hundredths(float points) {
        return Math.round(points * 2540 / 72);
    }

    private void head(String title, String number) throws IOException {
        say("Veldhollow Soil and Water Board", LEFT, 46, plain, 10);
        say(number, RIGHT - 44, 46, plain, 10);
        say(title, LEFT, 70, bold, 18);
        line(LEFT, 78, RIGHT, 78, 0.8f);
    }

    private void foot(int number) throws IOException {
        say("D4, page %d of 3. Veldhollow is an invented place.".formatted(number), LEFT, 806, plain, 8);
    }

    private void heading(float top, String words) throws IOException {
        say(words, LEFT, top + 10, bold, 11.5f);
    }

    private void note(float top, String words) throws IOException {
        say(words, LEFT, top + 10, plain, 9.5f);
    }

    private void say(String words, float x, float top, PDFont font, float size) throws IOException {
        drawing.beginText();
        drawing.setFont(font, size);
        drawing.newLineAtOffset(x, page.getMediaBox().getHeight() - top);
        drawing.showText(words);
        drawing.endText();
    }

    private void line(float x, float top, float toX, float toTop, float width) throws IOException {
        float height = page.getMediaBox().getHeight();
        drawing.setLineWidth(width);
        drawing.moveTo(x, height - top);
        drawing.lineTo(toX, height - toTop);
        drawing.stroke();
    }

    private void box(float x, float top, float width, float height) throws IOException {
        drawing.setLineWidth(0.6f);
        drawing.addRect(x, page.getMediaBox().getHeight() - top - height, width, height);
        drawing.stroke();
    }

    private PDAnnotationWidget widget(PDField field, float x, float top, float width, float height) throws IOException {
        PDAnnotationWidget widget = new PDAnnotationWidget();
        widget.setRectangle(new PDRectangle(x, page.getMediaBox().getHeight() - top - height, width, height));
        widget.setPage(page);
        widget.setPrinted(true);
        widget.getCOSObject().setItem(COSName.PARENT, field.getCOSObject());
        page.getAnnotations().add(widget);
        COSArray kids = field.getCOSObject().getCOSArray(COSName.KIDS);
        if (kids == null) {
            kids = new COSArray();
            field.getCOSObject().setItem(COSName.KIDS, kids);
        }
        kids.add(widget.getCOSObject());
        return widget;
    }

    private PDTextField textField(String name, String tooltip) {
        for (PDField field : fields) {
            if (field instanceof PDTextField known && name.equals(known.getPartialName())) {
                return known;
            }
        }
        PDTextField field = new PDTextField(form);
        field.setPartialName(name);
        field.setAlternateFieldName(tooltip);
        field.setDefaultAppearance("/Helv 10 Tf 0 g");
        fields.add(field);
        return field;
    }

    private void text(String name, String label, float x, float top, float width, boolean required) throws IOException {
        say(label, x, top + 8, plain, 8);
        box(x, top + 11, width, 19);
        PDTextField field = textField(name, "");
        field.setRequired(required);
        widget(field, x, top + 11, width, 19);
    }

    private void lines(String name, String label, float x, float top, float width, float height) throws IOException {
        say(label, x, top + 8, plain, 8);
        box(x, top + 11, width, height);
        PDTextField field = textField(name, "");
        field.setMultiline(true);
        widget(field, x, top + 11, width, height);
    }

    private void comb(String name, String label, float x, float top, int cells, String tooltip) throws IOException {
        say(label, x, top + 8, plain, 8);
        for (int i = 0; i < cells; i++) {
            box(x + i * 19, top + 11, 19, 19);
        }
        PDTextField field = textField(name, tooltip);
        field.setMaxLen(cells);
        field.setComb(true);
        widget(field, x, top + 11, 19 * cells, 19);
    }

    private void choice(String name, String label, float x, float top, List<String> options) throws IOException {
        say(label, x, top + 8, plain, 8);
        box(x, top + 11, 220, 19);
        PDComboBox field = new PDComboBox(form);
        field.setPartialName(name);
        field.setDefaultAppearance("/Helv 10 Tf 0 g");
        COSArray all = new COSArray();
        options.forEach(option -> all.add(new COSString(option)));
        field.getCOSObject().setItem(COSName.OPT, all);
        fields.add(field);
        widget(field, x, top + 11, 220, 19);
    }

    private void check(String name, String words, float top) throws IOException {
        box(LEFT, top, 11, 11);
        say(words, LEFT + 18, top + 9, plain, 9.5f);
        PDCheckBox field = new PDCheckBox(form);
        field.setPartialName(name);
        fields.add(field);
        looks(widget(field, LEFT, top, 11, 11), "Yes");
    }

    private void radio(String name, float top, List<String> values, List<String> words) throws IOException {
        PDRadioButton field = new PDRadioButton(form);
        field.setPartialName(name);
        field.setAlternateFieldName("What is drained?");
        field.setRequired(true);
        fields.add(field);
        for (int i = 0; i < values.size(); i++) {
            float x = LEFT + i * 150;
            box(x, top + 6, 11, 11);
            say(words.get(i), x + 18, top + 15, plain, 9.5f);
            looks(widget(field, x, top + 6, 11, 11), values.get(i));
        }
    }

    private void looks(PDAnnotationWidget widget, String on) {
        PDAppearanceDictionary looks = new PDAppearanceDictionary();
        COSDictionary normal = new COSDictionary();
        for (String state : List.of(on, "Off")) {
            PDAppearanceStream stream = new PDAppearanceStream(document);
            stream.setBBox(new PDRectangle(11, 11));
            normal.setItem(COSName.getPDFName(state), stream);
        }
        looks.getCOSObject().setItem(COSName.N, normal);
        widget.setAppearance(looks);
        widget.setAppearanceState("Off");
    }

    private void signature(String name, String label, float x, float top) throws IOException {
        line(x, top + 44, x + 220, top + 44, 0.8f);
        say(label, x, top + 55, plain, 8);
        PDSignatureField field = new PDSignatureField(form);
        field.setPartialName(name);
        field.setAlternateFieldName(label);
        fields.add(field);
        widget(field, x, top + 4, 220, 38);
    }
}
