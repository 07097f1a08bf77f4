package loesscape.formats.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.GregorianCalendar;
import java.util.List;
import loesscape.core.evaluation.Content;
import loesscape.formats.seal.SealCheck;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/**
 * Finished documents as PDF: what was shown, with its answers, in document order, to be archived (ISO 19005-3, level A) and
 * read aloud (ISO 14289-1). The trail, what it names, and the answers are associated files of the whole.
 *
 * <pre>{@code
 * byte[] pdf = FinishedPdf.write(new PrintedRecord(
 *         Content.of(template, state), heading, Theme.PLAIN, Pictures.NONE, answers, null));
 * }</pre>
 */
public final class FinishedPdf {

    /** Grows whenever the same record would be printed otherwise, so that what was printed before is not taken for it. */
    public static final int FORM = 4;

    private static final Instant NEVER = Instant.EPOCH;

    private FinishedPdf() {}

    /** The bytes of a finished document; the same for the same record. */
    public static byte[] write(PrintedRecord printed) {
        Instant finished = printed.heading() == null ? NEVER : printed.heading().finished();
        try (LentFonts fonts = new LentFonts();
                PDDocument document = new PDDocument()) {
            Content content = printed.content();
            SheetTags tags = new SheetTags();
            if (!content.filled().isEmpty()) {
                PaperWords words = new PaperWords(content.settings().language());
                for (Content.Block rest :
                        new SheetDrawing(document, fonts, printed.pictures(), words, tags).draw(content.filled())) {
                    content = content.with(rest);
                }
            }
            boolean isSet = content.filled().isEmpty() || !content.sections().isEmpty() || printed.evidence() != null;
            if (isSet) {
                Typesetter.set(DocumentMarkup.of(printed.with(content)), document, fonts);
                ArchiveMetadata.date(document, finished);
            } else {
                ArchiveCatalog.begin(document, content, finished);
            }
            GregorianCalendar at = GregorianCalendar.from(finished.atZone(ZoneOffset.UTC));
            document.getDocumentInformation().setCreationDate(at);
            document.getDocumentInformation().setModificationDate(at);
            reading(document, content);
            AssociatedFiles.attach(document, files(printed), at);
            if (isSet) {
                TagTidying.tidy(document, content.settings().isRightToLeft());
            }
            tags.into(document);
            document.setDocumentId(identity(printed));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<EvidenceFile> files(PrintedRecord printed) {
        List<EvidenceFile> files = new ArrayList<>();
        if (!printed.answers().isEmpty()) {
            files.add(new EvidenceFile(
                    "answers.json",
                    "The answers that count",
                    "application/json",
                    printed.answers().getBytes(StandardCharsets.UTF_8)));
        }
        Evidence evidence = printed.evidence();
        if (evidence != null) {
            files.add(new EvidenceFile(
                    SealCheck.TRAIL,
                    "What happened to this document, entry by entry",
                    "application/json",
                    evidence.trail().json().getBytes(StandardCharsets.UTF_8)));
            files.addAll(evidence.files());
        }
        return files;
    }

    private static void reading(PDDocument document, Content content) {
        PDViewerPreferences reading = new PDViewerPreferences(new COSDictionary());
        reading.setDisplayDocTitle(true);
        if (content.settings().isRightToLeft()) {
            reading.setReadingDirection(PDViewerPreferences.READING_DIRECTION.R2L);
        }
        document.getDocumentCatalog().setViewerPreferences(reading);
    }

    /** What a file is known by among others (ISO 32000-2, 14.4), made of what it says instead of the time. */
    private static long identity(PrintedRecord printed) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256")
                    .digest((printed.content() + "\n" + printed.heading() + "\n" + printed.answers())
                            .getBytes(StandardCharsets.UTF_8));
            return ByteBuffer.wrap(hash).getLong();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
