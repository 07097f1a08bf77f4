package loesscape.formats.form;

import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import loesscape.formats.flat.Letter;
import loesscape.formats.form.UnreadableForm.Reason;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/**
 * What is printed on a page: its words with their places, and whether its letters can be kept for ever.
 *
 * @param words in reading order
 * @param letters one by one
 * @param text all of it, as it is read
 * @param fontsInside whether each letter is drawn by a font in the file that says which character it is, as wide as the
 *     file says (ISO 19005-3, 6.2.11)
 */
record PrintedPage(List<PrintedWord> words, List<Letter> letters, String text, boolean fontsInside) {

    /**
     * Some words on a line that stand together.
     *
     * @param place where they stand, in millimetres as seen
     * @param size of their letters in points
     * @param isBold whether their font is
     */
    record PrintedWord(String text, PdfForm.FormPlace place, double size, boolean isBold) {}

    /** The most operations of a page: one that draws forms in forms has no end otherwise. */
    static final int MOST_OPERATIONS = 1_000_000;

    private static final int MOST_OF_ALL = 5_000_000;

    private static final int LONGEST_TEXT = 20_000;

    private static final int MOST_LETTERS = 20_000;

    /** All pages of a document. */
    static List<PrintedPage> of(PDDocument document) throws IOException {
        List<PrintedPage> pages = new ArrayList<>();
        Reading reading = new Reading();
        for (int i = 0; i < document.getNumberOfPages(); i++) {
            pages.add(reading.page(document, i));
        }
        return pages;
    }

    private static final class Reading extends PDFTextStripper {

        private static final double POINT = 25.4 / 72;
        private static final Pattern BOLD = Pattern.compile("bold|black|heavy");

        /** What may differ of the width of a letter, in thousandths of its size. */
        private static final float TOLERANCE = 1.5f;

        private List<PrintedWord> words = new ArrayList<>();
        private List<Letter> letters = new ArrayList<>();
        private boolean fontsInside = true;
        private int page;
        private double unit = 1;
        private double ofUnit = 1;
        private int operations;
        private int ofPage;

        Reading() {
            setSortByPosition(true);
        }

        PrintedPage page(PDDocument document, int number) throws IOException {
            words = new ArrayList<>();
            letters = new ArrayList<>();
            fontsInside = true;
            page = number;
            ofPage = 0;
            PDPage read = document.getPage(number);
            ofUnit = read.getUserUnit();
            unit = POINT * ofUnit;
            setStartPage(number + 1);
            setEndPage(number + 1);
            StringBuilder text = new StringBuilder();
            writeText(document, new Appending(text));
            return new PrintedPage(
                    List.copyOf(words), List.copyOf(letters), text.toString().strip(), fontsInside);
        }

        @Override
        protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
            operations++;
            if (++ofPage > MOST_OPERATIONS || operations > MOST_OF_ALL) {
                throw new UnreadableForm(Reason.TOO_MUCH, "Page %d of the PDF draws without end.".formatted(page + 1));
            }
            super.processOperator(operator, operands);
        }

        @Override
        protected void processTextPosition(TextPosition position) {
            fontsInside = fontsInside && isInside(position);
            super.processTextPosition(position);
        }

        private static boolean isInside(TextPosition position) {
            PDFont font = position.getFont();
            if (font instanceof PDType3Font || !font.isEmbedded() || font.isDamaged()) {
                return false;
            }
            try {
                for (int code : position.getCharacterCodes()) {
                    String unicode = font.toUnicode(code);
                    if (unicode == null
                            || unicode.isEmpty()
                            || unicode.charAt(0) == 0
                            || unicode.charAt(0) == '\uFFFD') {
                        return false;
                    }
                    if (Math.abs(font.getWidth(code) - font.getWidthFromFont(code)) > TOLERANCE) {
                        return false;
                    }
                }
                return true;
            } catch (IOException | RuntimeException unreadable) {
                return false;
            }
        }

        @Override
        protected void writeString(String text, List<TextPosition> positions) throws IOException {
            if (!text.isBlank() && !positions.isEmpty()) {
                TextPosition first = positions.getFirst();
                String font = String.valueOf(first.getFont().getName()).toLowerCase(Locale.ROOT);
                words.add(new PrintedWord(
                        text.strip(),
                        place(positions),
                        first.getFontSizeInPt(),
                        BOLD.matcher(font).find()));
            }
            positions.forEach(this::keep);
            super.writeString(text, positions);
        }

        private void keep(TextPosition position) {
            String text = position.getUnicode();
            if (text != null && !text.isEmpty() && letters.size() < MOST_LETTERS) {
                letters.add(new Letter(
                        text.replace('\u00a0', ' '),
                        position.getX() * ofUnit,
                        position.getY() * ofUnit,
                        position.getWidth() * ofUnit,
                        Math.max(position.getFontSizeInPt(), 1) * ofUnit));
            }
        }

        private PdfForm.FormPlace place(List<TextPosition> positions) {
            double left = Double.MAX_VALUE;
            double right = 0;
            double top = Double.MAX_VALUE;
            double bottom = 0;
            for (TextPosition each : positions) {
                left = Math.min(left, each.getX());
                right = Math.max(right, each.getX() + each.getWidth());
                top = Math.min(top, each.getY() - each.getHeight());
                bottom = Math.max(bottom, each.getY());
            }
            return new PdfForm.FormPlace(page, left * unit, top * unit, (right - left) * unit, (bottom - top) * unit);
        }
    }

    /** Takes as much as is kept. */
    private static final class Appending extends Writer {

        private final StringBuilder text;

        Appending(StringBuilder text) {
            this.text = text;
        }

        @Override
        public void write(char[] characters, int from, int length) {
            int taken = Math.min(length, LONGEST_TEXT - text.length());
            if (taken > 0) {
                text.append(characters, from, taken);
            }
        }

        @Override
        public void flush() {}

        @Override
        public void close() {}
    }
}
