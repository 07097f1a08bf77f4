package loesscape.formats.form;

import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.core.model.Problem;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.formats.flat.FlatPage;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * A PDF that somebody brought, made a template that is written on its pages.
 *
 * <pre>{@code
 * ImportedPdf imported = ImportedPdf.read(bytes, "", "Drainage consent");
 * imported.template(); // with a place for each field of the file, and its questions in their order
 * imported.sheet(); // its pages without fields, to be kept under the name that the template has for it
 * }</pre>
 *
 * @param template a question for each field
 * @param name what the file of the pages is called beside the template; another for another content
 * @param sheet the pages to be written on, as PDF
 * @param found of each page, what is printed there to be filled in
 * @param remarks what its author should know, a sentence each; may be empty
 */
public record ImportedPdf(Template template, String name, byte[] sheet, List<FlatPage> found, List<String> remarks) {

    private static final Pattern MADE =
            Pattern.compile("(?i)about:.*|https?:.*|untitled.*|document\\d*|.*\\.(docx?|odt|rtf|pdf|html?|xlsx?|indd)");

    public ImportedPdf {
        found = List.copyOf(found);
        remarks = List.copyOf(remarks);
    }

    /**
     * Reads a file.
     *
     * @param password by which it opens; empty for a file that opens without
     * @param title what the document is called, where the file does not say
     * @throws UnreadableForm where it is no PDF, is broken, locked, or more than is read
     */
    public static ImportedPdf read(byte[] file, String password, String title) {
        return FormReader.open(file, password, document -> read(document, title));
    }

    /**
     * The pages of a file without its fields, as they are kept; what is printed on them goes along.
     *
     * @throws UnreadableForm as {@link #read}
     */
    public static byte[] sheet(byte[] file) {
        return FormReader.open(
                file,
                "",
                document -> SheetFile.of(document, PrintedPage.of(document)).content());
    }

    /**
     * What is printed on each page of a file to be filled in.
     *
     * @throws UnreadableForm as {@link #read}; a file that opens with a password is one
     */
    public static List<FlatPage> found(byte[] file) {
        return FormReader.open(file, "", document -> PlacesFound.of(document, PrintedPage.of(document)));
    }

    private static String name(byte[] sheet) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(sheet);
            return "sheet-%s.pdf".formatted(HexFormat.of().formatHex(digest, 0, 8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ImportedPdf read(PDDocument document, String title) throws IOException {
        PdfForm form = FormReader.read(document);
        List<PrintedPage> printed = PrintedPage.of(document);
        List<FlatPage> found = PlacesFound.of(document, printed);
        SheetFile.MadeSheet made = SheetFile.of(document, printed);
        String name = name(made.content());
        String own = document.getDocumentInformation().getTitle();
        Template template =
                new PlacedTemplate(form, printed, name).make(own == null || !saysSomething(own) ? title : own.strip());
        List<Problem> problems = Validation.of(template);
        if (!problems.isEmpty()) {
            throw new UnreadableForm(
                    UnreadableForm.Reason.BROKEN,
                    "No template can be made of this PDF. %s"
                            .formatted(problems.getFirst().message()));
        }
        return new ImportedPdf(template, name, made.content(), found, remarks(form, printed, found, made));
    }

    /** Whether a title was given by a person rather than by the program that made the file. */
    private static boolean saysSomething(String title) {
        return !title.isBlank()
                && title.length() <= 200
                && !MADE.matcher(title.strip()).matches();
    }

    private static String proposed(List<FlatPage> found) {
        int places = found.stream().mapToInt(page -> page.proposals().size()).sum();
        return switch (places) {
            case 0 -> "This PDF has no fields. Draw places where answers are to stand.";
            case 1 ->
                "This PDF has no fields. One place that looks as if it were to be filled in is proposed on its page.";
            default ->
                "This PDF has no fields. %d places that look as if they were to be filled in are proposed on its pages."
                        .formatted(places);
        };
    }

    private static List<String> remarks(
            PdfForm form, List<PrintedPage> printed, List<FlatPage> found, SheetFile.MadeSheet made) {
        List<String> remarks = new ArrayList<>();
        if (form.fields().isEmpty()) {
            remarks.add(proposed(found));
        }
        if (printed.stream().allMatch(page -> page.words().isEmpty())) {
            remarks.add(
                    "Its pages are pictures without text, perhaps scanned: places are found by lines and boxes only and have no names, and the words on them cannot be read aloud.");
        }
        if (!form.scripts().isEmpty()) {
            remarks.add(
                    "What the file would do by itself is not run. Its scripts stand beside the questions they belonged to, so that their rules can be written anew.");
        }
        if (!made.pictured().isEmpty()) {
            remarks.add(
                    made.pictured().size() == printed.size()
                            ? "Its pages use letters or colours that cannot be kept for ever, and are kept as pictures."
                            : "Kept as pictures, because of letters or colours that cannot be kept for ever: page %s."
                                    .formatted(String.join(
                                            ", ",
                                            made.pictured().stream()
                                                    .map(String::valueOf)
                                                    .toList())));
        }
        return remarks;
    }
}
