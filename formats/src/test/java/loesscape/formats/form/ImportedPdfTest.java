package loesscape.formats.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.FilledPage;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Lettering;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.model.Validation;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.paper.ArchiveCheck;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.formats.template.TemplateFile;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** PDF files that were brought, made templates. */
class ImportedPdfTest {

    private static final Path DEMO = Path.of("../server/src/main/resources/loesscape/server/demo");

    private static ImportedPdf office() throws IOException {
        return ImportedPdf.read(OfficeForm.drainageConsent(), "", "consent");
    }

    private static Field field(Template template, String label) {
        return template.fields().stream()
                .filter(field -> field.label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    private static List<Place> places(Page page, String key) {
        return page.places().stream().filter(place -> place.item().equals(key)).toList();
    }

    @Test
    void aFormBecomesQuestionsInTheOrderTheyAreReadIn() throws IOException {
        Template template = office().template();
        assertThat(Validation.of(template)).isEmpty();
        assertThat(template.title()).isEqualTo("Drainage consent");
        assertThat(template.pages()).extracting(Page::title).containsExactly("Page 1", "Page 2", "Page 3");
        assertThat(template.pages().stream()
                        .flatMap(page -> page.sections().stream())
                        .map(Section::title))
                .containsExactly(
                        "1 Applicant",
                        "2 Purpose",
                        "3 Discharge",
                        "4 Enclosed",
                        "5 Declaration",
                        "6 Decision of the Board",
                        "7 Pump");
        assertThat(template.fields())
                .extracting(Field::label)
                .startsWith(
                        "Name of the owner of the land",
                        "Telephone",
                        "Address",
                        "E-mail",
                        "Number of the parcel, eight signs",
                        "Day on which the works begin",
                        "What is drained?",
                        "Area of the field, ha");
    }

    @Test
    void everyKindComesWithWhatItTakes() throws IOException {
        Template template = office().template();
        assertThat(field(template, "Telephone").kind()).isEqualTo(new FieldKind.Text("", 0));
        assertThat(field(template, "Number of the parcel, eight signs").kind()).isEqualTo(new FieldKind.Text("", 8));
        assertThat(field(template, "Remarks").kind()).isEqualTo(new FieldKind.LongText("", 0));
        assertThat(field(template, "Levels of the outfall").kind()).isEqualTo(new FieldKind.YesNo());
        assertThat(field(template, "Signature of the owner").kind()).isEqualTo(new FieldKind.Signature());
        assertThat(((FieldKind.OneChoice) field(template, "What is drained?").kind()).choices())
                .containsExactly(
                        new Choice("field", "A field", "field"),
                        new Choice("yard", "A yard or a road", "yard"),
                        new Choice("cellar", "A building", "cellar"));
        FieldKind.OneChoice water =
                (FieldKind.OneChoice) field(template, "Into which water").kind();
        assertThat(water.layout()).isEqualTo(FieldKind.ChoiceLayout.LIST);
        assertThat(water.choices())
                .extracting(Choice::value)
                .containsExactly("Long Ditch", "Mill Stream", "Tiled drain 12");
        assertThat(field(template, "Address").required()).isEqualTo(new Condition.Always());
        assertThat(field(template, "Telephone").required()).isNull();
    }

    @Test
    void placesAreThoseOfTheFile() throws IOException {
        Template template = office().template();
        Page first = template.pages().getFirst();
        Place owner = places(first, "name_of_the_owner_of_the_land").getFirst();
        // 56 points from the left, 155 from the top, 300 wide, 19 high.
        assertThat(owner.left()).isCloseTo(1_976, within(1));
        assertThat(owner.top()).isCloseTo(5_468, within(1));
        assertThat(owner.width()).isCloseTo(10_583, within(1));
        assertThat(owner.height()).isCloseTo(670, within(1));
        assertThat(owner.source()).isEqualTo("owner");
        assertThat(template.pages())
                .allSatisfy(page -> assertThat(places(page, "name_of_the_owner_of_the_land"))
                        .as("a name on every page")
                        .hasSize(1));
        assertThat(places(first, "number_of_the_parcel_eight_signs").getFirst().lettering())
                .isEqualTo(Lettering.ofCells(8));
        assertThat(places(first, "remarks").getFirst().lettering()).isEqualTo(Lettering.ofLines());
        assertThat(places(first, "what_is_drained"))
                .extracting(Place::choice)
                .containsExactly("field", "yard", "cellar");
        assertThat(places(first, "levels_of_the_outfall"))
                .extracting(Place::choice)
                .containsExactly(FieldKind.YesNo.YES);
    }

    @Test
    void scriptsAreShownAndNeverKeptInWhatIsWrittenOn() throws IOException {
        ImportedPdf imported = office();
        assertThat(places(imported.template().pages().getFirst(), "area_of_the_field_ha")
                        .getFirst()
                        .script())
                .startsWith("K: if (getField('purpose')");
        assertThat(imported.remarks()).singleElement().asString().contains("is not run");
        try (PDDocument sheet = Loader.loadPDF(imported.sheet())) {
            assertThat(sheet.getDocumentCatalog().getAcroForm()).isNull();
            assertThat(sheet.getDocumentCatalog().getOpenAction()).isNull();
            for (PDPage page : sheet.getPages()) {
                assertThat(page.getAnnotations()).isEmpty();
                assertThat(page.getCOSObject().keySet())
                        .extracting(COSName::getName)
                        .containsOnly("Type", "MediaBox", "LoesscapeText", "Contents", "Resources", "Parent");
            }
            assertThat(new PDFTextStripper().getText(sheet)).contains("Whoever lets water", "7  Pump");
            assertThat(SheetFile.text(sheet.getPage(1))).contains("No charge is paid below one litre");
        }
    }

    @Test
    void theSameFileGivesTheSameSheetUnderTheSameName() throws IOException {
        ImportedPdf one = office();
        ImportedPdf other = office();
        assertThat(one.sheet()).isEqualTo(other.sheet());
        assertThat(one.name()).isEqualTo(other.name()).matches("sheet-[0-9a-f]{16}\\.pdf");
        assertThat(one.template().sheets()).containsExactly(one.name());
    }

    /** What was made once goes through the same when it comes back in an archive, and stays what it is. */
    @Test
    void aSheetStaysOneWhenItIsReadAgain() throws IOException {
        byte[] again = ImportedPdf.sheet(office().sheet());
        try (PDDocument sheet = Loader.loadPDF(again)) {
            assertThat(sheet.getNumberOfPages()).isEqualTo(3);
            assertThat(SheetFile.text(sheet.getPage(2))).contains("Hours of operation");
            assertThat(sheet.getPage(0).getMediaBox().getWidth()).isCloseTo(PDRectangle.A4.getWidth(), within(0.1f));
        }
    }

    /** A page of letters without their font, turned, with a corner of its own and a larger unit. */
    private static byte[] turned(int rotation, float unit) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(10, 20, 300, 200));
            page.setRotation(rotation);
            page.setUserUnit(unit);
            document.addPage(page);
            try (PDPageContentStream drawing = new PDPageContentStream(document, page)) {
                drawing.beginText();
                drawing.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                drawing.newLineAtOffset(60, 120);
                drawing.showText("Surname of whoever applies");
                drawing.endText();
            }
            return bytes(document);
        }
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    @Test
    void pagesAreUprightHoweverTheyWereTurned() throws IOException {
        for (int rotation : new int[] {0, 90, 180, 270}) {
            ImportedPdf imported = ImportedPdf.read(turned(rotation, 2), "", "Turned");
            Page page = imported.template().pages().getFirst();
            boolean isAcross = rotation % 180 != 0;
            SheetPage seen = Objects.requireNonNull(page.sheet());
            // 300 by 200 units of two points each.
            assertThat(seen.width()).isCloseTo(isAcross ? 14_111 : 21_167, within(2));
            assertThat(seen.height()).isCloseTo(isAcross ? 21_167 : 14_111, within(2));
            assertThat(imported.remarks()).anyMatch(remark -> remark.contains("kept as pictures"));
            try (PDDocument sheet = Loader.loadPDF(imported.sheet())) {
                assertThat(sheet.getPage(0).getMediaBox().getWidth()).isCloseTo(isAcross ? 400f : 600f, within(0.5f));
                assertThat(SheetFile.text(sheet.getPage(0))).isEqualTo("Surname of whoever applies");
            }
        }
    }

    @Test
    void aFileWithoutFieldsIsTakenAndSaysSo() throws IOException {
        ImportedPdf imported = ImportedPdf.read(turned(0, 1), "", "Flat");
        assertThat(imported.template().fields()).isEmpty();
        assertThat(imported.template().title()).isEqualTo("Flat");
        assertThat(imported.remarks()).anyMatch(remark -> remark.contains("has no fields"));
        assertThat(Validation.of(imported.template())).isEmpty();
    }

    @Test
    void aPageWithoutTextSaysThatItCannotBeReadAloud() throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(PDRectangle.A4));
            assertThat(ImportedPdf.read(bytes(document), "", "Scanned").remarks())
                    .anyMatch(remark -> remark.contains("without text"));
        }
    }

    private static byte[] locked(String password) throws IOException {
        try (PDDocument document = Loader.loadPDF(OfficeForm.drainageConsent())) {
            StandardProtectionPolicy policy = new StandardProtectionPolicy("owner", password, new AccessPermission());
            policy.setEncryptionKeyLength(256);
            document.protect(policy);
            return bytes(document);
        }
    }

    @Test
    void anEncryptedFileIsOpenedAndItsSheetIsNot() throws IOException {
        ImportedPdf open = ImportedPdf.read(locked(""), "", "T");
        assertThat(open.template().fields()).hasSameSizeAs(office().template().fields());
        ImportedPdf known = ImportedPdf.read(locked("sluice"), "sluice", "T");
        assertThat(known.template().fields()).hasSameSizeAs(open.template().fields());
        try (PDDocument sheet = Loader.loadPDF(known.sheet())) {
            assertThat(sheet.isEncrypted()).isFalse();
        }
        assertThatThrownBy(() -> ImportedPdf.read(locked("sluice"), "", "T"))
                .isInstanceOf(UnreadableForm.class)
                .hasMessageContaining("opens with a password");
    }

    /** A few bytes that stand for gigabytes, in a file that is encrypted, so that nobody can look at it before. */
    @Test
    void whatUnpacksWithoutEndIsRefusedInAnEncryptedFileToo() throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(PDRectangle.A4));
            COSStream bomb = document.getDocument().createCOSStream();
            try (var out = bomb.createOutputStream(COSName.FLATE_DECODE)) {
                byte[] zeros = new byte[1 << 20];
                for (int i = 0; i < 500; i++) {
                    out.write(zeros);
                }
            }
            document.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("Extra"), bomb);
            document.protect(new StandardProtectionPolicy("owner", "", new AccessPermission()));
            byte[] file = bytes(document);
            assertThat(file.length).isLessThan(2_000_000);
            assertThatThrownBy(() -> ImportedPdf.read(file, "", "T"))
                    .isInstanceOf(UnreadableForm.class)
                    .hasMessageContaining("unpacks to so much");
        }
    }

    /** Each form draws the next twice: 40 of them draw a million million times. */
    @Test
    void aPageThatDrawsWithoutEndIsRefused() throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDFormXObject inner = null;
            for (int i = 0; i < 40; i++) {
                PDFormXObject form = new PDFormXObject(document);
                form.setBBox(new PDRectangle(100, 100));
                PDResources resources = new PDResources();
                String content = "0 0 10 10 re f";
                if (inner != null) {
                    String name = resources.add(inner).getName();
                    content = "/%s Do /%s Do".formatted(name, name);
                }
                form.setResources(resources);
                try (var out = form.getContentStream().createOutputStream()) {
                    out.write(content.getBytes(StandardCharsets.US_ASCII));
                }
                inner = form;
            }
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream drawing = new PDPageContentStream(document, page)) {
                drawing.drawForm(inner);
            }
            byte[] file = bytes(document);
            assertThatThrownBy(() -> ImportedPdf.read(file, "", "T"))
                    .isInstanceOf(UnreadableForm.class)
                    .hasMessageContaining("without end");
        }
    }

    @Test
    void tooManyPagesAreRefused() throws IOException {
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < 10_000; i++) {
                document.addPage(new PDPage(PDRectangle.A6));
            }
            byte[] file = bytes(document);
            assertThatThrownBy(() -> ImportedPdf.read(file, "", "T"))
                    .isInstanceOf(UnreadableForm.class)
                    .hasMessageContaining("10000 pages");
        }
    }

    @Test
    void everyFileThatIsCutShortIsRefusedOrReadAndNeverFails() throws IOException {
        byte[] whole = OfficeForm.drainageConsent();
        for (int length = 0; length < whole.length; length += 467) {
            byte[] cut = Arrays.copyOf(whole, length);
            try {
                ImportedPdf.read(cut, "", "T");
            } catch (UnreadableForm refused) {
                assertThat(refused).hasMessageNotContaining("Exception");
            }
        }
    }

    /** Layers, colours of printing inks, pictures of a kind that is not kept: the page becomes a picture. */
    @Test
    void whatCannotBeKeptForEverBecomesAPicture() throws IOException {
        for (String content : List.of("0 0 0 1 k 10 10 50 50 re f", "/OC /Layer BDC 10 10 50 50 re f EMC")) {
            try (PDDocument document = new PDDocument()) {
                PDPage page = new PDPage(PDRectangle.A6);
                document.addPage(page);
                COSStream stream = document.getDocument().createCOSStream();
                try (var out = stream.createOutputStream()) {
                    out.write(content.getBytes(StandardCharsets.US_ASCII));
                }
                page.getCOSObject().setItem(COSName.CONTENTS, stream);
                try (PDDocument sheet = Loader.loadPDF(
                        ImportedPdf.read(bytes(document), "", "T").sheet())) {
                    COSDictionary objects =
                            sheet.getPage(0).getResources().getCOSObject().getCOSDictionary(COSName.XOBJECT);
                    COSObject drawn =
                            objects.getCOSObject(objects.keySet().iterator().next());
                    assertThat(((COSDictionary) drawn.getObject()).getCOSName(COSName.SUBTYPE))
                            .as(content)
                            .isEqualTo(COSName.IMAGE);
                }
            }
        }
    }

    /** Word processors tag what they write: the tags go, the letters stay letters, and what is made of it is archivable. */
    @Test
    void aTaggedDocumentIsKeptAsItIsWithoutItsTags() throws IOException {
        Template template = Template.of(
                "Loan",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of("s", "Loan", List.of(Field.of("who", "Who", new FieldKind.Text("", 0))))))));
        byte[] tagged = FinishedPdf.write(PrintedRecord.of(
                Content.of(
                        template,
                        CompiledTemplate.compile(template)
                                .evaluate(
                                        new Answers(Map.of("who", "Tessel Aarden")),
                                        new Context(LocalDate.of(2026, 11, 28), Stage.FINISHED, ""))),
                new RecordHeading(1, 1, Instant.EPOCH)));
        ImportedPdf imported = ImportedPdf.read(tagged, "", "Loan");
        assertThat(imported.remarks()).noneMatch(remark -> remark.contains("pictures"));
        try (PDDocument sheet = Loader.loadPDF(imported.sheet())) {
            assertThat(new PDFTextStripper().getText(sheet)).contains("Tessel Aarden");
        }
        SheetPage page =
                Objects.requireNonNull(imported.template().pages().getFirst().sheet());
        byte[] filled = FinishedPdf.write(new PrintedRecord(
                new Content("Loan", "", List.of(), PageSettings.PLAIN, List.of(new FilledPage("p", page, List.of()))),
                new RecordHeading(1, 1, Instant.EPOCH),
                Theme.PLAIN,
                new PrintedRecord.Pictures(Map.of(), Map.of(), Map.of(imported.name(), imported.sheet())),
                "",
                null));
        assertThat(ArchiveCheck.broken(filled)).isEmpty();
    }

    @Test
    void namesOfManyLinesAndSignsThatCannotBeSeenBecomeLines() throws IOException {
        try (PDDocument document = Loader.loadPDF(OfficeForm.drainageConsent())) {
            document.getDocumentCatalog()
                    .getAcroForm()
                    .getField("remarks")
                    .getCOSObject()
                    .setString(COSName.T, "re\nmarks\r\u0001 of all");
            document.getDocumentInformation().setTitle("Drainage\u0002\nconsent");
            Template template = ImportedPdf.read(bytes(document), "", "T").template();
            assertThat(Validation.of(template)).isEmpty();
            assertThat(template.title()).isEqualTo("Drainage consent");
            assertThat(places(template.pages().getFirst(), "remarks").getFirst().source())
                    .isEqualTo("re marks  of all");
        }
    }

    /** A button asks nothing, but what it would do is a rule to be written anew too. */
    @Test
    void theScriptOfAButtonIsShownWithThoseOfTheFile() throws IOException {
        try (PDDocument document = Loader.loadPDF(OfficeForm.drainageConsent())) {
            COSDictionary field = document.getDocumentCatalog()
                    .getAcroForm()
                    .getField("levels")
                    .getCOSObject();
            COSDictionary action = new COSDictionary();
            action.setName(COSName.S, "JavaScript");
            action.setString(COSName.getPDFName("JS"), "this.resetForm();");
            field.setItem(COSName.A, action);
            field.setInt(COSName.FF, 1 << 16);
            Template template = ImportedPdf.read(bytes(document), "", "T").template();
            assertThat(template.fields()).noneMatch(each -> each.label().startsWith("Levels"));
            assertThat(Objects.requireNonNull(template.pages().getFirst().sheet())
                            .script())
                    .isEqualTo("A: this.resetForm();");
        }
    }

    @Test
    void aPageWithoutRoomIsRefused() throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(new PDRectangle(0.001f, 0.001f)));
            byte[] file = bytes(document);
            assertThatThrownBy(() -> ImportedPdf.read(file, "", "T")).isInstanceOf(UnreadableForm.class);
        }
    }

    @Test
    void aFieldThatHangsOverTheEdgeIsPutOnItsPage() throws IOException {
        try (PDDocument document = Loader.loadPDF(OfficeForm.drainageConsent())) {
            COSArray box = new COSArray();
            box.setFloatArray(new float[] {-40, -20, 700, 12});
            document.getDocumentCatalog()
                    .getAcroForm()
                    .getField("remarks")
                    .getWidgets()
                    .getFirst()
                    .getCOSObject()
                    .setItem(COSName.RECT, box);
            Template template = ImportedPdf.read(bytes(document), "", "T").template();
            assertThat(Validation.of(template)).isEmpty();
        }
    }

    /** The demo shows what an author makes of a form that was brought. */
    @Test
    void theDrainageConsentOfTheDemoIsMadeOfItsForm() throws IOException {
        byte[] form = OfficeForm.drainageConsent();
        ImportedPdf imported = ImportedPdf.read(form, "", "Drainage consent");
        // What is promised and tried of it was written by hand.
        Template before = TemplateFile.read(Files.readString(DEMO.resolve("drainage-consent.loess.json")));
        Template made = Editing.apply(DrainageConsent.make(imported), new Edit.SetPromises(before.promises()));
        for (Trial trial : before.trials()) {
            made = Editing.apply(made, new Edit.PutTrials(List.of(trial)));
        }
        String file = TemplateFile.write(made);
        if (Boolean.getBoolean("loesscape.make")) {
            Files.write(DEMO.resolve("drainage-consent.pdf"), form);
            Files.writeString(DEMO.resolve("drainage-consent.loess.json"), file);
        }
        String kept = Files.readString(DEMO.resolve("drainage-consent.loess.json"));
        // The name hangs on how the bytes were packed, which another JDK may do otherwise.
        String name = TemplateFile.read(kept).sheets().iterator().next();
        assertThat(kept).isEqualTo(file.replace(imported.name(), name));
        assertThat(FormReader.read(Files.readAllBytes(DEMO.resolve("drainage-consent.pdf")), ""))
                .isEqualTo(FormReader.read(form, ""));
    }
}
