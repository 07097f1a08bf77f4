package loesscape.formats.form;

import loesscape.formats.form.PdfForm.FormPage;
import loesscape.formats.form.PdfForm.FormPlace;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A page with the way from its own coordinates to where things are seen (ISO 32000-2, 8.3.2.3 and 14.11.2). */
record PlacedPage(PDRectangle crop, int turned, double millimetres) {

    private static final double MILLIMETRES_OF_A_POINT = 25.4 / 72;

    static PlacedPage of(PDPage page) {
        return new PlacedPage(
                page.getCropBox(), Math.floorMod(page.getRotation(), 360), MILLIMETRES_OF_A_POINT * page.getUserUnit());
    }

    private boolean isAcross() {
        return turned == 90 || turned == 270;
    }

    FormPage seen() {
        double width = crop.getWidth() * millimetres;
        double height = crop.getHeight() * millimetres;
        return isAcross() ? new FormPage(height, width) : new FormPage(width, height);
    }

    /** Where a rectangle of the page is seen. */
    FormPlace place(int page, PDRectangle box) {
        double fromLeft = box.getLowerLeftX() - crop.getLowerLeftX();
        double fromRight = crop.getUpperRightX() - box.getUpperRightX();
        double fromBottom = box.getLowerLeftY() - crop.getLowerLeftY();
        double fromTop = crop.getUpperRightY() - box.getUpperRightY();
        double left = switch (turned) {
            case 90 -> fromBottom;
            case 180 -> fromRight;
            case 270 -> fromTop;
            default -> fromLeft;
        };
        double top = switch (turned) {
            case 90 -> fromLeft;
            case 180 -> fromBottom;
            case 270 -> fromRight;
            default -> fromTop;
        };
        double width = isAcross() ? box.getHeight() : box.getWidth();
        double height = isAcross() ? box.getWidth() : box.getHeight();
        return new FormPlace(page, left * millimetres, top * millimetres, width * millimetres, height * millimetres);
    }
}
