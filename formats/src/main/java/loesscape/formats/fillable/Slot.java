package loesscape.formats.fillable;

import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;

/**
 * A place on a page.
 *
 * @param element the element of the structure it belongs to
 * @param size of letters in points; 0 where they are to fit
 * @param isPrinted whether the page itself has lines or a box there
 * @param cells how many letters stand in cells of their own; 0 for none
 */
record Slot(
        SlotUse use,
        PDPage page,
        PDRectangle box,
        PDStructureElement element,
        double size,
        int cells,
        boolean isPrinted) {}
