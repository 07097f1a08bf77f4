package loesscape.core.model;

/**
 * A page of a PDF file that a page of the document is written on.
 *
 * @param file the PDF, by the name of its file beside the template
 * @param number which page of the file, counted from 0
 * @param width as it is seen, in hundredths of a millimetre
 * @param height as it is seen, in hundredths of a millimetre
 * @param script what the file would have run by itself, to be read by whoever writes its rules anew; never run; may be empty
 */
public record SheetPage(
        String file,
        int number,
        int width,
        int height,
        @MayBeLeftOut String script) {

    /** The longest side of a page: 5 metres (ISO 32000-2, annex C.2: 14,400 units of 1/72 inch). */
    public static final int LONGEST_SIDE = 508_000;

    /** The same page without what the file would have run. */
    public SheetPage withoutScript() {
        return new SheetPage(file, number, width, height, "");
    }
}
