package loesscape.formats.paper;

import java.io.IOException;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/** Tags what stands on sheets (ISO 32000-2, 14.7), in front of what is set behind them. */
final class SheetTags {

    private final COSArray parts = new COSArray();
    private final COSArray pages = new COSArray();
    private COSDictionary part = new COSDictionary();
    private COSArray ofPage = new COSArray();

    /** Begins a page. */
    void begin(PDPage page) {
        part = new COSDictionary();
        part.setName(COSName.TYPE, "StructElem");
        part.setName(COSName.S, "Sect");
        part.setItem(COSName.PG, page);
        part.setItem(COSName.K, new COSArray());
        parts.add(part);
        ofPage = new COSArray();
        COSArray both = new COSArray();
        both.add(page.getCOSObject());
        both.add(ofPage);
        pages.add(both);
    }

    /**
     * Tags something that is drawn next.
     *
     * @param type of element
     * @param words for those who cannot see it; empty for the letters themselves
     * @param box where a figure lies; null for letters
     * @return the number it is marked with
     */
    int next(String type, String words, @org.jspecify.annotations.Nullable PDRectangle box) {
        int number = ofPage.size();
        COSDictionary element = new COSDictionary();
        element.setName(COSName.TYPE, "StructElem");
        element.setName(COSName.S, type);
        element.setItem(COSName.P, part);
        element.setItem(COSName.PG, part.getDictionaryObject(COSName.PG));
        element.setInt(COSName.K, number);
        if (!words.isEmpty()) {
            element.setString(COSName.ALT, words);
        }
        if (box != null) {
            COSDictionary layout = new COSDictionary();
            layout.setName(COSName.O, "Layout");
            COSArray corners = new COSArray();
            corners.add(new COSFloat(box.getLowerLeftX()));
            corners.add(new COSFloat(box.getLowerLeftY()));
            corners.add(new COSFloat(box.getUpperRightX()));
            corners.add(new COSFloat(box.getUpperRightY()));
            layout.setItem(COSName.BBOX, corners);
            element.setItem(COSName.A, layout);
        }
        ((COSArray) part.getDictionaryObject(COSName.K)).add(element);
        ofPage.add(element);
        return number;
    }

    /** Puts all that was tagged in front of what the document has of tags. */
    void into(PDDocument document) throws IOException {
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        PDStructureTreeRoot root = catalog.getStructureTreeRoot();
        if (root == null) {
            root = new PDStructureTreeRoot();
            root.appendKid(new PDStructureElement("Document", root));
            COSDictionary numbers = new COSDictionary();
            numbers.setItem(COSName.NUMS, new COSArray());
            root.getCOSObject().setItem(COSName.PARENT_TREE, numbers);
            catalog.setStructureTreeRoot(root);
            PDMarkInfo marked = new PDMarkInfo();
            marked.setMarked(true);
            catalog.setMarkInfo(marked);
        }
        COSDictionary whole = whole(root.getCOSObject());
        COSArray kids = kids(whole);
        for (int i = parts.size() - 1; i >= 0; i--) {
            COSDictionary each = (COSDictionary) parts.get(i);
            each.setItem(COSName.P, whole);
            kids.add(0, each);
        }
        whole.setItem(COSName.K, kids);
        COSDictionary tree = root.getCOSObject().getCOSDictionary(COSName.PARENT_TREE);
        COSArray numbers = tree.getCOSArray(COSName.NUMS);
        int next = 0;
        for (int i = 0; i < numbers.size(); i += 2) {
            next = Math.max(next, numbers.getInt(i) + 1);
        }
        for (int i = 0; i < pages.size(); i++) {
            COSArray both = (COSArray) pages.get(i);
            ((COSDictionary) both.get(0)).setInt(COSName.STRUCT_PARENTS, next);
            numbers.add(COSInteger.get(next));
            numbers.add(both.get(1));
            next++;
        }
        root.setParentTreeNextKey(next);
    }

    private static COSDictionary whole(COSDictionary root) {
        COSBase kids = root.getDictionaryObject(COSName.K);
        COSBase first = kids instanceof COSArray array ? array.getObject(0) : kids;
        if (first instanceof COSDictionary whole) {
            return whole;
        }
        throw new IllegalStateException("The tags of the document have no root");
    }

    private static COSArray kids(COSDictionary whole) {
        COSBase kids = whole.getDictionaryObject(COSName.K);
        if (kids instanceof COSArray array) {
            return array;
        }
        COSArray all = new COSArray();
        if (kids != null) {
            all.add(kids);
        }
        return all;
    }
}
