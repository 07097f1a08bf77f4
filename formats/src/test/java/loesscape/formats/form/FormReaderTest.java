package loesscape.formats.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import loesscape.formats.form.FormField.ChoiceList;
import loesscape.formats.form.FormField.MarksForOne;
import loesscape.formats.form.FormField.Option;
import loesscape.formats.form.FormField.SignaturePlace;
import loesscape.formats.form.FormField.SingleMark;
import loesscape.formats.form.FormField.WrittenText;
import loesscape.formats.form.PdfForm.FormPlace;
import loesscape.formats.form.PdfForm.FormScript;
import loesscape.formats.form.UnreadableForm.Reason;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Forms of our own making, written entry by entry as ISO 32000-2 has them (12.7, tables 224 to 233; numbers of tables and
 * flags from memory), and what PDFBox, a reader of its own, says of the same files.
 */
class FormReaderTest {

    private static COSName name(String name) {
        return COSName.getPDFName(name);
    }

    /** A form that is built. */
    private static final class Building {

        final PDDocument document = new PDDocument();
        final COSDictionary form = new COSDictionary();
        final COSArray fields = new COSArray();

        Building() {
            document.addPage(new PDPage(PDRectangle.A4));
            form.setItem(COSName.FIELDS, fields);
            document.getDocumentCatalog().getCOSObject().setItem(COSName.ACRO_FORM, form);
        }

        /** A field, or a widget, of these entries. */
        COSDictionary of(Object... entries) {
            COSDictionary field = new COSDictionary();
            for (int i = 0; i < entries.length; i += 2) {
                field.setItem(name((String) entries[i]), value(entries[i + 1]));
            }
            return field;
        }

        private static COSBase value(Object value) {
            return switch (value) {
                case COSBase base -> base;
                case Integer number -> COSInteger.get(number);
                case String text when text.startsWith("/") -> name(text.substring(1));
                case String text -> new COSString(text);
                case List<?> list -> {
                    COSArray array = new COSArray();
                    list.forEach(each -> array.add(value(each)));
                    yield array;
                }
                default -> throw new IllegalArgumentException(String.valueOf(value));
            };
        }

        /** Puts a widget on the first page, 72 points from the left and so many from the bottom, 144 wide and 18 high. */
        COSDictionary on(COSDictionary widget, int bottom) {
            return on(widget, 0, bottom);
        }

        COSDictionary on(COSDictionary widget, int page, int bottom) {
            COSArray box = new COSArray();
            for (int edge : new int[] {72, bottom, 216, bottom + 18}) {
                box.add(new COSFloat(edge));
            }
            widget.setItem(COSName.RECT, box);
            widget.setItem(COSName.SUBTYPE, name("Widget"));
            COSDictionary dictionary = document.getPage(page).getCOSObject();
            COSArray annotations = dictionary.getCOSArray(COSName.ANNOTS);
            if (annotations == null) {
                annotations = new COSArray();
                dictionary.setItem(COSName.ANNOTS, annotations);
            }
            annotations.add(widget);
            return widget;
        }

        COSDictionary kids(COSDictionary holder, COSDictionary... kids) {
            COSArray array = new COSArray();
            for (COSDictionary kid : kids) {
                kid.setItem(COSName.PARENT, holder);
                array.add(kid);
            }
            holder.setItem(COSName.KIDS, array);
            return holder;
        }

        /** The looks of a button that is set under a name. */
        COSDictionary set(String state) {
            return of("AP", of("N", of(state, new COSStream(), "Off", new COSStream())));
        }

        byte[] file() throws IOException {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            document.close();
            return out.toByteArray();
        }

        PdfForm read() throws IOException {
            return FormReader.read(file(), "");
        }
    }

    private static FormField only(COSDictionary field) throws IOException {
        Building building = new Building();
        building.fields.add(building.on(field, 700));
        return building.read().fields().getFirst();
    }

    private static COSDictionary entries(Object... entries) {
        return new Building().of(entries);
    }

    @Test
    void aTextSaysWhatItTakes() throws IOException {
        WrittenText plain =
                (WrittenText) only(entries("FT", "/Tx", "T", "owner", "TU", " Name of the owner ", "V", "Ines"));
        assertThat(plain.common()).isEqualTo(new FormField.Common("owner", "Name of the owner", false, false));
        assertThat(plain.value()).isEqualTo("Ines");
        assertThat(plain.multiline()).isFalse();
        assertThat(plain.places()).hasSize(1);
        FormPlace place = plain.places().getFirst();
        assertThat(place.page()).isZero();
        // 72 points are an inch, 25.4 mm; A4 is 297 mm high.
        assertThat(place.left()).isEqualTo(25.4, within(0.01));
        assertThat(place.width()).isEqualTo(50.8, within(0.01));
        assertThat(place.height()).isEqualTo(6.35, within(0.01));
        assertThat(place.top()).isEqualTo(297 - (700 + 18) * 25.4 / 72, within(0.1));
    }

    @ParameterizedTest
    @CsvSource({
        "0,        0, false, false, false, false, 0",
        "1,        0, true,  false, false, false, 0",
        "2,        0, false, true,  false, false, 0",
        "4096,     0, false, false, true,  false, 0",
        "0,        8, false, false, false, false, 8",
        "16777216, 8, false, false, false, true,  8",
        "16777216, 0, false, false, false, false, 0",
        "8388611,  0, true,  true,  false, false, 0",
    })
    void flagsOfTextsMeanWhatTheStandardSays(
            int flags, int most, boolean locked, boolean required, boolean multiline, boolean combed, int longest)
            throws IOException {
        COSDictionary field = entries("FT", "/Tx", "T", "t", "Ff", flags);
        if (most > 0) {
            field.setInt(COSName.MAX_LEN, most);
        }
        WrittenText text = (WrittenText) only(field);
        assertThat(text.common().locked()).isEqualTo(locked);
        assertThat(text.common().required()).isEqualTo(required);
        assertThat(text.multiline()).isEqualTo(multiline);
        assertThat(text.combed()).isEqualTo(combed);
        assertThat(text.longest()).isEqualTo(longest);
    }

    @Test
    void whatAFieldDoesNotSayItsHolderDoes() throws IOException {
        Building building = new Building();
        COSDictionary first = building.on(building.of("T", "first"), 700);
        COSDictionary second = building.on(building.of("T", "second", "Ff", 0, "MaxLen", 3), 650);
        COSDictionary person = building.kids(building.of("T", "person"), first, second);
        building.fields.add(building.kids(
                building.of("T", "owner", "FT", "/Tx", "Ff", 2, "MaxLen", 40, "TU", "Owner", "V", "-"), person));
        List<FormField> fields = building.read().fields();
        assertThat(fields)
                .extracting(field -> field.common().name())
                .containsExactly("owner.person.first", "owner.person.second");
        WrittenText one = (WrittenText) fields.getFirst();
        assertThat(one.common().required()).isTrue();
        assertThat(one.longest()).isEqualTo(40);
        assertThat(one.common().tooltip()).isEqualTo("Owner");
        assertThat(one.value()).isEqualTo("-");
        WrittenText two = (WrittenText) fields.getLast();
        assertThat(two.common().required()).isFalse();
        assertThat(two.longest()).isEqualTo(3);
    }

    @Test
    void aFieldOfSeveralWidgetsIsOneAnswerInSeveralPlaces() throws IOException {
        Building building = new Building();
        building.document.addPage(new PDPage(PDRectangle.A4));
        building.fields.add(building.kids(
                building.of("T", "name", "FT", "/Tx"),
                building.on(building.of(), 0, 700),
                building.on(building.of(), 1, 100)));
        WrittenText text = (WrittenText) building.read().fields().getFirst();
        assertThat(text.places()).extracting(FormPlace::page).containsExactly(0, 1);
    }

    private static MarksForOne radios(Object... more) throws IOException {
        Building building = new Building();
        COSDictionary one = building.on(building.set("house"), 700);
        COSDictionary two = building.on(building.set("field"), 650);
        one.setString(COSName.TU, "For the house");
        COSDictionary group = building.of("T", "use", "FT", "/Btn", "Ff", 1 << 15, "V", "/field");
        building.of(more).forEach((key, value) -> group.setItem(key, value));
        building.fields.add(building.kids(group, one, two));
        return (MarksForOne) building.read().fields().getFirst();
    }

    @Test
    void radioMarksThatLieApartAreOneChoice() throws IOException {
        MarksForOne use = radios();
        assertThat(use.marks())
                .extracting(FormField.PlacedMark::option)
                .containsExactly(new Option("house", "For the house"), new Option("field", "field"));
        assertThat(use.marks()).allSatisfy(mark -> assertThat(mark.places()).hasSize(1));
        assertThat(use.chosen()).isEqualTo("field");
    }

    @Test
    void whereMarksHaveNamesOfTheirOwnTheseCount() throws IOException {
        MarksForOne use = radios("Opt", List.of("Household use", "Irrigation"));
        assertThat(use.marks())
                .extracting(mark -> mark.option().label())
                .containsExactly("Household use", "Irrigation");
        assertThat(use.chosen()).isEqualTo("Irrigation");
    }

    @Test
    void aCheckBoxIsAMarkWhateverItIsCalledWhenSet() throws IOException {
        Building building = new Building();
        COSDictionary box = building.set("Ja");
        box.setItem(COSName.FT, name("Btn"));
        box.setString(COSName.T, "agree");
        box.setItem(COSName.V, name("Ja"));
        building.fields.add(building.on(box, 700));
        COSDictionary unset = building.set("1");
        unset.setItem(COSName.FT, name("Btn"));
        unset.setString(COSName.T, "more");
        unset.setItem(COSName.V, name("Off"));
        building.fields.add(building.on(unset, 650));
        COSDictionary bare = building.of("FT", "/Btn", "T", "bare");
        building.fields.add(building.on(bare, 600));
        List<FormField> fields = building.read().fields();
        assertThat(fields).allSatisfy(field -> assertThat(field).isInstanceOf(SingleMark.class));
        assertThat(fields)
                .extracting(field -> ((SingleMark) field).stored() + ((SingleMark) field).isSet())
                .containsExactly("Jatrue", "1false", "Yesfalse");
    }

    @Test
    void boxesOfOneFieldWithNamesOfTheirOwnAreOneChoice() throws IOException {
        Building building = new Building();
        building.fields.add(building.kids(
                building.of("T", "sex", "FT", "/Btn"),
                building.on(building.set("m"), 700),
                building.on(building.set("f"), 650),
                building.on(building.set("f"), 600)));
        MarksForOne field = (MarksForOne) building.read().fields().getFirst();
        assertThat(field.marks()).hasSize(2);
        assertThat(field.marks().getLast().places()).hasSize(2);
        assertThat(field.chosen()).isEmpty();
    }

    @Test
    void aButtonThatIsOnlyPressedAsksNothing() throws IOException {
        Building building = new Building();
        building.fields.add(building.on(building.of("FT", "/Btn", "T", "send", "Ff", 1 << 16), 700));
        building.fields.add(building.on(building.of("FT", "/Sig", "T", "sign"), 650));
        assertThat(building.read().fields()).singleElement().isInstanceOf(SignaturePlace.class);
    }

    @Test
    void aListHasWordsAndStoredValues() throws IOException {
        ChoiceList one = (ChoiceList) only(entries(
                "FT", "/Ch", "T", "soil", "Ff", 1 << 17, "Opt", List.of(List.of("l", "Loess"), "Clay"), "V", "l"));
        assertThat(one.options()).containsExactly(new Option("l", "Loess"), new Option("Clay", "Clay"));
        assertThat(one.several()).isFalse();
        assertThat(one.open()).isFalse();
        assertThat(one.chosen()).containsExactly("l");
        ChoiceList several = (ChoiceList) only(entries(
                "FT",
                "/Ch",
                "T",
                "soil",
                "Ff",
                (1 << 21) | (1 << 18),
                "Opt",
                List.of("a", "b"),
                "V",
                List.of("a", "b")));
        assertThat(several.several()).isTrue();
        assertThat(several.open()).isTrue();
        assertThat(several.chosen()).containsExactly("a", "b");
    }

    @ParameterizedTest
    @CsvSource({
        // The page as it lies is 595.3 by 841.9 points; the field 144 by 18 at 72, 700.
        "0,   210, 297, 25.40, 43.70, 50.80, 6.35",
        "90,  297, 210, 246.94, 25.40, 6.35, 50.80",
        "180, 210, 297, 133.80, 246.94, 50.80, 6.35",
        "270, 297, 210, 43.70, 133.80, 6.35, 50.80",
        "-90, 297, 210, 43.70, 133.80, 6.35, 50.80",
        "450, 297, 210, 246.94, 25.40, 6.35, 50.80",
    })
    void aTurnedPageIsReadAsItIsSeen(
            int turned, double width, double height, double left, double top, double across, double down)
            throws IOException {
        Building building = new Building();
        building.document.getPage(0).getCOSObject().setInt(COSName.ROTATE, turned);
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "t"), 700));
        PdfForm form = building.read();
        assertThat(form.pages().getFirst().width()).isEqualTo(width, within(0.2));
        assertThat(form.pages().getFirst().height()).isEqualTo(height, within(0.2));
        FormPlace place = ((WrittenText) form.fields().getFirst()).places().getFirst();
        assertThat(place.left()).isEqualTo(left, within(0.1));
        assertThat(place.top()).isEqualTo(top, within(0.1));
        assertThat(place.width()).isEqualTo(across, within(0.1));
        assertThat(place.height()).isEqualTo(down, within(0.1));
    }

    @Test
    void aPageThatIsCutIsMeasuredFromItsCut() throws IOException {
        Building building = new Building();
        building.document.getPage(0).setCropBox(new PDRectangle(36, 36, 500, 700));
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "t"), 700));
        PdfForm form = building.read();
        FormPlace place = ((WrittenText) form.fields().getFirst()).places().getFirst();
        assertThat(place.left()).isEqualTo(36 * 25.4 / 72, within(0.01));
        assertThat(place.top()).isEqualTo((736 - 718) * 25.4 / 72, within(0.01));
    }

    @Test
    void whatIsNotSeenIsNotAsked() throws IOException {
        Building building = new Building();
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "hidden", "F", 2), 700));
        building.fields.add(building.of("FT", "/Tx", "T", "nowhere"));
        building.fields.add(building.on(building.of("T", "untyped"), 600));
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "seen", "F", 4), 500));
        assertThat(building.read().fields())
                .extracting(field -> field.common().name())
                .containsExactly("seen");
    }

    @Test
    void scriptsAreToldAndNotRun() throws IOException {
        Building building = new Building();
        COSStream long1 = new COSStream();
        try (var out = long1.createOutputStream()) {
            out.write("event.value = 3;".getBytes(StandardCharsets.UTF_8));
        }
        COSDictionary field = building.of(
                "FT",
                "/Tx",
                "T",
                "sum",
                "A",
                building.of("S", "/JavaScript", "JS", "app.alert(1)"),
                "AA",
                building.of("C", building.of("S", "/JavaScript", "JS", long1), "K", building.of("S", "/URI")));
        building.fields.add(building.on(field, 700));
        building.document
                .getDocumentCatalog()
                .getCOSObject()
                .setItem(COSName.OPEN_ACTION, building.of("S", "/JavaScript", "JS", "start()"));
        COSDictionary tree = building.of("Names", List.of("init", building.of("S", "/JavaScript", "JS", "init()")));
        building.kids(tree, tree);
        building.document.getDocumentCatalog().getCOSObject().setItem(COSName.NAMES, building.of("JavaScript", tree));
        assertThat(building.read().scripts())
                .contains(
                        new FormScript("sum", "A", "app.alert(1)"),
                        new FormScript("sum", "C", "event.value = 3;"),
                        new FormScript("", "OpenAction", "start()"),
                        new FormScript("", "Names", "init()"))
                .noneMatch(script -> script.event().equals("K"));
    }

    @Test
    void whatPdfBoxFindsIsFound() throws IOException {
        Building building = new Building();
        COSDictionary person = building.kids(
                building.of("T", "person", "FT", "/Tx"),
                building.on(building.of("T", "name", "V", "Ines"), 700),
                building.on(building.of("T", "town", "V", "Hollow"), 680));
        building.fields.add(person);
        building.fields.add(building.on(
                building.of("FT", "/Ch", "T", "soil", "Ff", 1 << 17, "Opt", List.of("a", "b"), "V", "b"), 660));
        COSDictionary box = building.set("On");
        box.setItem(COSName.FT, name("Btn"));
        box.setString(COSName.T, "agree");
        building.fields.add(building.on(box, 640));
        byte[] file = building.file();
        TreeMap<String, String> theirs = new TreeMap<>();
        try (PDDocument document = Loader.loadPDF(file)) {
            for (PDField field : document.getDocumentCatalog().getAcroForm(null).getFieldTree()) {
                if (!field.getWidgets().isEmpty()) {
                    theirs.put(field.getFullyQualifiedName(), field.getFieldType());
                }
            }
        }
        TreeMap<String, String> ours = new TreeMap<>();
        FormReader.read(file, "")
                .fields()
                .forEach(field -> ours.put(
                        field.common().name(),
                        switch (field) {
                            case WrittenText ignored -> "Tx";
                            case SingleMark ignored -> "Btn";
                            case MarksForOne ignored -> "Btn";
                            case ChoiceList ignored -> "Ch";
                            case SignaturePlace ignored -> "Sig";
                        }));
        assertThat(ours).isEqualTo(theirs);
    }

    private static byte[] locked(String password) throws IOException {
        Building building = new Building();
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "t"), 700));
        building.document.protect(new StandardProtectionPolicy("owner's", password, new AccessPermission()));
        return building.file();
    }

    @Test
    void aLockedFileOpensWithItsPasswordOrWithNone() throws IOException {
        assertThat(FormReader.read(locked(""), "").fields()).hasSize(1);
        byte[] file = locked("secret");
        assertThat(FormReader.read(file, "secret").fields()).hasSize(1);
        isRefused(file, "", Reason.PASSWORD, "This PDF opens with a password. Give it; it is not kept.");
        isRefused(file, "wrong", Reason.PASSWORD, "This is not the password of the PDF.");
    }

    private static void isRefused(byte[] file, String password, Reason reason, String message) {
        assertThatThrownBy(() -> FormReader.read(file, password))
                .isInstanceOfSatisfying(
                        UnreadableForm.class,
                        refused -> assertThat(refused.reason()).isEqualTo(reason))
                .hasMessage(message);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "PK\u0003\u0004 a word file", "<html>", "{\\rtf1}"})
    void whatIsNoPdfIsRefused(String content) {
        isRefused(
                content.getBytes(StandardCharsets.ISO_8859_1),
                "",
                Reason.BROKEN,
                "This is no PDF, whatever it is called: a PDF begins with “%PDF”.");
    }

    @Test
    void aFileThatIsCutOffIsReadOrRefusedWithASentence() throws IOException {
        Building building = new Building();
        building.fields.add(building.on(building.of("FT", "/Tx", "T", "t"), 700));
        byte[] file = building.file();
        for (int end = 5; end < file.length; end += 7) {
            try {
                FormReader.read(Arrays.copyOf(file, end), "");
            } catch (UnreadableForm refused) {
                assertThat(refused.getMessage()).endsWith(".");
            }
        }
    }

    @Test
    void aFormOfAnotherKindIsRefusedAndOneWithoutFieldsHasNone() throws IOException {
        assertThat(new Building().read().fields()).isEmpty();
        Building foreign = new Building();
        foreign.form.setItem(name("XFA"), new COSArray());
        isRefused(
                foreign.file(),
                "",
                Reason.NO_FIELDS,
                "This form is of a kind (XFA) that only the program it was made with fills in. Save it there as a PDF with ordinary fields.");
        PDDocument plain = new PDDocument();
        plain.addPage(new PDPage());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        plain.save(out);
        plain.close();
        assertThat(FormReader.read(out.toByteArray(), "").pages()).hasSize(1);
    }

    @Test
    void moreThanIsReadIsRefused() throws IOException {
        Building pages = new Building();
        for (int i = 0; i < 10_000; i++) {
            pages.document.addPage(new PDPage());
        }
        isRefused(pages.file(), "", Reason.TOO_MUCH, "The PDF has 10001 pages; at most 500 are read.");
        Building fields = new Building();
        for (int i = 0; i < 5_001; i++) {
            fields.fields.add(fields.of("FT", "/Tx", "T", "t" + i));
        }
        isRefused(fields.file(), "", Reason.TOO_MUCH, "The PDF has more than the 5000 fields that are read.");
    }

    @Test
    void circlesAndEndlessDepthEnd() throws IOException {
        Building circle = new Building();
        COSDictionary one = circle.of("T", "one", "FT", "/Tx");
        COSDictionary two = circle.of("T", "two");
        circle.kids(one, two);
        circle.kids(two, one);
        circle.fields.add(one);
        circle.fields.add(circle.on(circle.of("T", "fine", "FT", "/Tx"), 700));
        assertThat(circle.read().fields())
                .extracting(field -> field.common().name())
                .containsExactly("fine");
        Building deep = new Building();
        COSDictionary inner = deep.on(deep.of("T", "t"), 700);
        for (int i = 0; i < 200; i++) {
            inner = deep.kids(deep.of("T", "t", "FT", "/Tx"), inner);
        }
        deep.fields.add(inner);
        deep.fields.add(deep.on(deep.of("T", "fine", "FT", "/Tx"), 600));
        assertThat(deep.read().fields())
                .extracting(field -> field.common().name())
                .containsExactly("fine");
    }
}
