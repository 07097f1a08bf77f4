package loesscape.formats.export;

import java.awt.Color;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.GregorianCalendar;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.model.Look;
import loesscape.formats.export.PdfSheet.Style;
import loesscape.formats.seal.SealCheck;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.jspecify.annotations.Nullable;

/** A record as PDF (ISO 32000): what was shown, with its answers, in document order, fonts embedded. */
public final class RecordPdf {

    /** Grows whenever the same record would be printed otherwise, so that what was printed before is not taken for it. */
    public static final int FORM = 1;

    private static final Color INK = new Color(0x1E2A28);
    private static final Color SOFT = new Color(0x5A6764);
    private static final Color RULE = new Color(0xC9D2CD);

    private static final Style TITLE = new Style(19, true, INK);
    private static final Style SUBTITLE = new Style(10, false, SOFT);
    private static final Style SECTION = new Style(12.5f, true, INK);
    private static final Style LABEL = new Style(9, false, SOFT);
    private static final Style ANSWER = new Style(11, false, INK);
    private static final Style SIGNED = new Style(14, false, new Color(0x174A70));
    private static final Style NOTHING = new Style(11, false, SOFT);
    private static final Style NOTICE = new Style(10, false, INK);
    private static final Style FOOT = new Style(8.5f, false, SOFT);

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern(
                    "d MMMM uuuu, HH:mm 'UTC'", Locale.ENGLISH)
            .withZone(ZoneOffset.UTC);

    private RecordPdf() {}

    /** The bytes of a record's PDF. */
    public static byte[] write(Content content, RecordHeading heading) {
        return write(content, heading, null);
    }

    /**
     * The bytes of a signed document: the record, a certificate, and the trail as an attached file.
     *
     * @param evidence how it came about; null for a record that was not signed by several
     */
    public static byte[] write(Content content, RecordHeading heading, @Nullable Evidence evidence) {
        try (PDDocument document = new PDDocument()) {
            information(document, content, heading);
            try (PdfSheet sheet = new PdfSheet(document, new PdfFonts(document), content.settings())) {
                sheet.text(content.title(), TITLE, 0, sheet.width());
                if (!content.subtitle().isEmpty()) {
                    sheet.text(content.subtitle(), SUBTITLE, 0, sheet.width());
                }
                for (Content.Block block : content.sections()) {
                    section(sheet, block);
                }
                if (evidence != null) {
                    new CertificatePage(sheet, evidence).write();
                    attach(document, evidence, heading);
                }
                sheet.footers(
                        "Record %d, release %d, finished %s"
                                .formatted(heading.number(), heading.release(), WHEN.format(heading.finished())),
                        FOOT);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Embedded files (ISO 32000-2, 7.11.4), said to be the source of what the certificate tells. */
    private static void attach(PDDocument document, Evidence evidence, RecordHeading heading) throws IOException {
        Map<String, PDComplexFileSpecification> files = new TreeMap<>();
        EvidenceFile trail = new EvidenceFile(
                SealCheck.TRAIL,
                "What happened to this document, entry by entry",
                "application/json",
                evidence.trail().json().getBytes(StandardCharsets.UTF_8));
        files.put(trail.name(), embedded(document, trail, heading));
        for (EvidenceFile file : evidence.files()) {
            files.put(file.name(), embedded(document, file, heading));
        }
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(files);
        PDDocumentNameDictionary names = new PDDocumentNameDictionary(document.getDocumentCatalog());
        names.setEmbeddedFiles(tree);
        document.getDocumentCatalog().setNames(names);
    }

    private static PDComplexFileSpecification embedded(PDDocument document, EvidenceFile it, RecordHeading heading)
            throws IOException {
        PDEmbeddedFile file = new PDEmbeddedFile(document, new ByteArrayInputStream(it.content()));
        file.setSubtype(it.media());
        file.setSize(it.content().length);
        file.setCreationDate(GregorianCalendar.from(heading.finished().atZone(ZoneOffset.UTC)));
        PDComplexFileSpecification specification = new PDComplexFileSpecification();
        specification.setFile(it.name());
        specification.setFileUnicode(it.name());
        specification.setFileDescription(it.description());
        specification.setEmbeddedFile(file);
        specification.setEmbeddedFileUnicode(file);
        specification.getCOSObject().setName(COSName.getPDFName("AFRelationship"), "Data");
        return specification;
    }

    private static void information(PDDocument document, Content content, RecordHeading heading) {
        document.getDocumentInformation().setTitle(content.title());
        document.getDocumentInformation().setProducer("Loesscape");
        document.getDocumentInformation()
                .setCreationDate(GregorianCalendar.from(heading.finished().atZone(ZoneOffset.UTC)));
        String language = content.settings().language();
        document.getDocumentCatalog().setLanguage(language.isEmpty() ? "en" : language);
        if (content.settings().isRightToLeft()) {
            PDViewerPreferences reading = new PDViewerPreferences(new COSDictionary());
            reading.setReadingDirection(PDViewerPreferences.READING_DIRECTION.R2L);
            document.getDocumentCatalog().setViewerPreferences(reading);
        }
    }

    private static void section(PdfSheet sheet, Content.Block block) throws IOException {
        sheet.space(18);
        sheet.keepTogether(64);
        if (!block.title().isEmpty()) {
            sheet.text(block.title(), SECTION, 0, sheet.width());
            sheet.space(4);
        }
        sheet.rule(RULE);
        for (Line line : block.lines()) {
            sheet.space(9);
            sheet.keepTogether(LABEL.lineHeight() + ANSWER.lineHeight());
            switch (line) {
                case Line.Noted noted -> sheet.text(noted.text(), NOTHING, 0, sheet.width());
                case Line.Told told -> sheet.text(told.text(), NOTICE, 0, sheet.width());
                case Line.Answer answer -> {
                    sheet.text(answer.label(), LABEL, 0, sheet.width());
                    answer(sheet, answer.text(), answer.look());
                }
                case Line.Signature signature -> {
                    sheet.text(signature.label(), LABEL, 0, sheet.width());
                    if (signature.signed().isEmpty()) {
                        answer(sheet, "", Look.PLAIN);
                    } else {
                        sheet.signature(signature.signed(), SIGNED, RULE);
                    }
                }
                case Line.Indicated indicated -> {
                    if (!indicated.label().isEmpty()) {
                        sheet.text(indicated.label(), LABEL, 0, sheet.width());
                    }
                    answer(sheet, indicated.text(), indicated.look());
                }
            }
        }
    }

    private static void answer(PdfSheet sheet, String text, Look look) throws IOException {
        if (text.isEmpty()) {
            sheet.text("not answered", NOTHING, 0, sheet.width());
        } else {
            Inks inks = Inks.of(look);
            if (inks != null) {
                sheet.space(2);
            }
            Color ink = inks == null ? INK : inks.text();
            sheet.looked(text, new Style(ANSWER.size(), look.bold(), ink, look.italic()), inks, look.mark());
        }
        if (!look.words().isEmpty()) {
            sheet.text(look.words(), NOTICE, 0, sheet.width());
        }
    }

    /** The colours of a look on paper: those of the author’s own, or of its shade, as on the screen. */
    record Inks(Color text, Color fill, Color edge) {

        /** Null for a look without colours. */
        static @Nullable Inks of(Look look) {
            Look.Colours colours =
                    look.colours() != null ? look.colours() : look.shade().colours();
            return colours == null
                    ? null
                    : new Inks(
                            Color.decode(colours.text()), Color.decode(colours.fill()), Color.decode(colours.border()));
        }
    }
}
