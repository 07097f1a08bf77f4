package loesscape.formats.fillable;

import com.openhtmltopdf.pdfboxout.PagePosition;
import com.openhtmltopdf.pdfboxout.PdfBoxAccessibilityHelper;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.render.Box;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Notice;
import loesscape.core.model.Template;
import loesscape.core.prose.Prose;
import loesscape.core.script.DocumentScript;
import loesscape.core.script.LeftOut;
import loesscape.formats.paper.ArchiveMetadata;
import loesscape.formats.paper.LentFonts;
import loesscape.formats.paper.TagTidying;
import loesscape.formats.paper.Theme;
import loesscape.formats.paper.Typesetter;
import loesscape.formats.picture.SafePicture;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDJavascriptNameTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;

/**
 * A template as a PDF form that behaves.
 *
 * <pre>{@code
 * FillablePdf form = FillablePdf.of(FillableForm.of(template, Answers.NONE), Theme.PLAIN, pictures, sheets);
 * form.file();     // fields under the addresses of their answers, and the logic as a script
 * form.leftOut();  // what the script does not do
 * }</pre>
 *
 * @param file the same bytes for the same form
 * @param leftOut what it does not do, a sentence each
 */
public record FillablePdf(byte[] file, List<LeftOut> leftOut) {

    private static final String BEHAVIOUR = behaviour();
    private static final Pattern SLOT = Pattern.compile("^slot\\d+$");

    public FillablePdf {
        leftOut = List.copyOf(leftOut);
    }

    /**
     * The form of a template.
     *
     * @param pictures the picture of a name beside the template
     * @param sheets the PDF file of a name beside the template
     */
    public static FillablePdf of(
            FillableForm form,
            Theme theme,
            Function<String, Optional<SafePicture>> pictures,
            Function<String, Optional<byte[]>> sheets) {
        Template template = form.template().template();
        DocumentScript script = script(form);
        try (LentFonts fonts = new LentFonts();
                PDDocument document = new PDDocument()) {
            FormMarkup markup = new FormMarkup(form, PlacedForm.placed(form), pictures);
            List<Slot> slots = new ArrayList<>();
            Typesetter.set(
                    markup.write(theme).document(),
                    document,
                    fonts,
                    false,
                    renderer -> slots.addAll(slots(renderer, markup.uses(), document)));
            TagTidying.tidy(document, template.pageSettings().isRightToLeft());
            document.setVersion(1.7f);
            PlacedForm placed = new PlacedForm(document, form, sheets);
            List<Slot> all = new ArrayList<>(placed.write());
            all.addAll(slots);
            FormControls controls = new FormControls(form);
            FormFields fields = new FormFields(document, form, controls);
            fields.write(all);
            String text = script.text() + controls.text() + BEHAVIOUR;
            behave(document, text);
            date(document);
            document.setDocumentId(identity(template.title() + text));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            List<LeftOut> leftOut = new ArrayList<>(script.leftOut());
            leftOut.addAll(placed.leftOut());
            leftOut.addAll(fields.leftOut());
            leftOut.addAll(texts(template));
            return new FillablePdf(
                    out.toByteArray(), leftOut.stream().distinct().toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static DocumentScript script(FillableForm form) {
        return DocumentScript.of(form.template(), form.rooms());
    }

    private static List<LeftOut> texts(Template template) {
        return template.nodes().stream()
                .filter(Notice.class::isInstance)
                .map(Notice.class::cast)
                .filter(notice -> {
                    Prose prose = Prose.of(notice.text());
                    return !prose.merged().isEmpty() || !prose.bracketed().isEmpty();
                })
                .map(notice -> new LeftOut(
                        notice.key(), "“%s” is not written anew while the form is filled in.".formatted(notice.name())))
                .toList();
    }

    private static List<Slot> slots(PdfBoxRenderer renderer, Map<String, SlotUse> uses, PDDocument document) {
        List<Slot> slots = new ArrayList<>();
        // They are found in some order; fields come in that of reading.
        List<PagePosition<Box>> positions = new ArrayList<>(renderer.findPagePositionsByID(SLOT));
        positions.sort(Comparator.comparingInt(
                position -> Integer.parseInt(position.getId().substring("slot".length()))));
        for (PagePosition<Box> position : positions) {
            SlotUse use = uses.get(position.getId());
            PDStructureElement element = PdfBoxAccessibilityHelper.getStructualElementForBox(position.getElement());
            if (use == null || element == null) {
                continue;
            }
            slots.add(new Slot(
                    use,
                    document.getPage(position.getPageNo()),
                    new PDRectangle(position.getX(), position.getY(), position.getWidth(), position.getHeight()),
                    element,
                    10,
                    0,
                    false));
        }
        return slots;
    }

    /** The script stands in the document, and is asked once when it is opened (ISO 32000-2, 12.6.4.17). */
    private static void behave(PDDocument document, String script) {
        PDDocumentNameDictionary names = document.getDocumentCatalog().getNames();
        if (names == null) {
            names = new PDDocumentNameDictionary(document.getDocumentCatalog());
        }
        PDJavascriptNameTreeNode scripts = new PDJavascriptNameTreeNode();
        scripts.setNames(Map.of("loess", new PDActionJavaScript(script)));
        names.setJavascript(scripts);
        document.getDocumentCatalog().setNames(names);
        document.getDocumentCatalog().setOpenAction(new PDActionJavaScript("this.calculateNow();"));
    }

    private static void date(PDDocument document) throws IOException {
        GregorianCalendar never = GregorianCalendar.from(Instant.EPOCH.atZone(ZoneOffset.UTC));
        document.getDocumentInformation().setCreationDate(never);
        document.getDocumentInformation().setModificationDate(never);
        ArchiveMetadata.date(document, Instant.EPOCH);
    }

    private static long identity(String text) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return ByteBuffer.wrap(hash).getLong();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String behaviour() {
        try (InputStream stream = FillablePdf.class.getResourceAsStream("form.js")) {
            return new String(Objects.requireNonNull(stream).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
