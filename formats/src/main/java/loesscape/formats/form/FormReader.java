package loesscape.formats.form;

import java.io.IOException;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import loesscape.formats.form.PdfForm.FormPage;
import loesscape.formats.form.UnreadableForm.Reason;
import loesscape.formats.seal.PackedPdf;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/**
 * Reads PDF files with fields.
 *
 * <pre>{@code
 * PdfForm form = FormReader.read(bytes, "");
 * form.fields().getFirst().common().name(); // "owner.name"
 * }</pre>
 */
public final class FormReader {

    /** The most bytes a file may have. */
    public static final int LARGEST = 32 * 1024 * 1024;

    /** The most pages a file may have. */
    public static final int MOST_PAGES = 500;

    private FormReader() {}

    /**
     * Reads a file.
     *
     * @param password by which it opens; empty for a file that opens without
     * @throws UnreadableForm where it is no PDF, is broken, locked, or more than is read
     */
    public static PdfForm read(byte[] file, String password) {
        return open(file, password, FormReader::read);
    }

    /** Opens a file for as long as it is read. */
    static <T> T open(byte[] file, String password, FileReading<T> reading) {
        if (file.length > LARGEST) {
            throw new UnreadableForm(
                    Reason.TOO_MUCH,
                    "The file has %d MB; at most %d are read.".formatted(file.length >> 20, LARGEST >> 20));
        }
        if (!isPdf(file)) {
            throw new UnreadableForm(Reason.BROKEN, "This is no PDF, whatever it is called: a PDF begins with “%PDF”.");
        }
        try {
            PackedPdf.checkUsual(file);
            try (PDDocument document = BoundedParser.open(file, password)) {
                return reading.of(document);
            }
        } catch (InvalidPasswordException locked) {
            throw new UnreadableForm(
                    Reason.PASSWORD,
                    password.isEmpty()
                            ? "This PDF opens with a password. Give it; it is not kept."
                            : "This is not the password of the PDF.");
        } catch (PackedPdf.TooMuch tooMuch) {
            throw new UnreadableForm(Reason.TOO_MUCH, "The PDF unpacks to so much that it is not looked into.");
        } catch (IOException | RuntimeException | StackOverflowError broken) {
            if (broken instanceof UnreadableForm known) {
                throw known;
            }
            throw new UnreadableForm(
                    Reason.BROKEN,
                    "The PDF is broken and cannot be read. Open it elsewhere and save it anew, then try again.");
        }
    }

    /** What is made of an open document. */
    @FunctionalInterface
    interface FileReading<T> {

        T of(PDDocument document) throws IOException;
    }

    /**
     * Whether some bytes are a PDF, whatever they are called. The sign of one stands within the first 1,024 bytes (ISO
     * 32000-2, 7.5.2, and what readers bear with).
     */
    public static boolean isPdf(byte[] file) {
        int last = Math.min(file.length - 4, 1_024);
        for (int i = 0; i <= last; i++) {
            if (file[i] == '%' && file[i + 1] == 'P' && file[i + 2] == 'D' && file[i + 3] == 'F') {
                return true;
            }
        }
        return false;
    }

    /** Reads an open document; one without fields has none. */
    static PdfForm read(PDDocument document) {
        int count = document.getNumberOfPages();
        if (count > MOST_PAGES) {
            throw new UnreadableForm(
                    Reason.TOO_MUCH, "The PDF has %d pages; at most %d are read.".formatted(count, MOST_PAGES));
        }
        List<PDPage> pages = new ArrayList<>();
        for (PDPage page : document.getPages()) {
            pages.add(page);
            if (pages.size() > MOST_PAGES) {
                throw new UnreadableForm(
                        Reason.TOO_MUCH, "The PDF has more than the %d pages that are read.".formatted(MOST_PAGES));
            }
        }
        if (pages.isEmpty()) {
            throw new UnreadableForm(Reason.BROKEN, "The PDF has no pages.");
        }
        COSDictionary root = document.getDocumentCatalog().getCOSObject();
        COSDictionary form = root.getCOSDictionary(COSName.ACRO_FORM);
        COSArray fields = form == null ? null : form.getCOSArray(COSName.FIELDS);
        if ((fields == null || fields.size() == 0) && form != null && form.containsKey(COSName.getPDFName("XFA"))) {
            throw new UnreadableForm(
                    Reason.NO_FIELDS,
                    "This form is of a kind (XFA) that only the program it was made with fills in. Save it there as a PDF with ordinary fields.");
        }
        List<PlacedPage> placed = pages.stream().map(PlacedPage::of).toList();
        FieldTree tree = new FieldTree(form == null ? new COSDictionary() : form, placed, widgets(pages));
        if (fields != null) {
            tree.read(fields);
        }
        FormScripts.ofDocument(root, tree.scripts());
        List<FormPage> seen = placed.stream().map(PlacedPage::seen).toList();
        return new PdfForm(seen, tree.fields(), tree.scripts());
    }

    /** On which page each annotation lies: fields need not say it themselves. */
    private static IdentityHashMap<COSDictionary, Integer> widgets(List<PDPage> pages) {
        IdentityHashMap<COSDictionary, Integer> found = new IdentityHashMap<>();
        for (int page = 0; page < pages.size(); page++) {
            COSArray annotations = pages.get(page).getCOSObject().getCOSArray(COSName.ANNOTS);
            for (int i = 0; annotations != null && i < annotations.size(); i++) {
                COSBase annotation = annotations.getObject(i);
                if (annotation instanceof COSDictionary dictionary) {
                    found.putIfAbsent(dictionary, page);
                }
            }
        }
        return found;
    }
}
