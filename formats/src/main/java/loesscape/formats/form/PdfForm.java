package loesscape.formats.form;

import java.util.List;

/**
 * A PDF with fields.
 *
 * @param pages in order; at least one
 * @param fields in the order of the file; those without a place on a page are left out
 * @param scripts what the file would do by itself, to be read and never to be run
 */
public record PdfForm(List<FormPage> pages, List<FormField> fields, List<FormScript> scripts) {

    public PdfForm {
        pages = List.copyOf(pages);
        fields = List.copyOf(fields);
        scripts = List.copyOf(scripts);
    }

    /**
     * A page as it is seen, turned as the file says.
     *
     * @param width in millimetres
     * @param height in millimetres
     */
    public record FormPage(double width, double height) {}

    /**
     * Where something lies on a page as it is seen.
     *
     * @param page counted from 0
     * @param left from the left edge of the page, in millimetres
     * @param top from the top edge of the page, in millimetres
     * @param width in millimetres
     * @param height in millimetres
     */
    public record FormPlace(int page, double left, double top, double width, double height) {}

    /**
     * A script in a file.
     *
     * @param field the full name of the field it belongs to; empty for the document
     * @param event when it would run, by the name of the entry: A, C, F, K, V, ...
     * @param text itself
     */
    public record FormScript(String field, String event, String text) {}
}
