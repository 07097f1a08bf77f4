package loesscape.formats.paper;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdfwriter.ContentStreamWriter;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDStream;

/**
 * Mends what is to be wished of the tags after setting (ISO 32000-2, 14.7): the heading of a table is read once and not once
 * a page, a part that holds paragraphs is no mere span, and empty feet of tables go.
 */
public final class TagTidying {

    private static final Set<String> BLOCKS = Set.of("P", "Div", "L", "Table");

    /** What holds words in a line. */
    private static final Set<String> INLINE = Set.of("P", "Span", "LBody", "H1", "H2", "H3", "H4", "H5", "TD");

    private final PDDocument document;
    private final IdentityHashMap<COSDictionary, Set<Integer>> repeated = new IdentityHashMap<>();

    private final boolean isRightToLeft;

    private TagTidying(PDDocument document, boolean isRightToLeft) {
        this.document = document;
        this.isRightToLeft = isRightToLeft;
    }

    /** @param isRightToLeft whether the cells of a row stand in the other order than they are read in */
    public static void tidy(PDDocument document, boolean isRightToLeft) throws IOException {
        TagTidying tidying = new TagTidying(document, isRightToLeft);
        tidying.element(document.getDocumentCatalog().getStructureTreeRoot().getCOSObject(), "", false);
        tidying.takeOutRepeated();
    }

    private void element(COSDictionary element, String holder, boolean inHead) {
        String type = type(element);
        boolean head = inHead || type.equals("THead");
        boolean holdsBlock = false;
        List<COSBase> kept = new ArrayList<>();
        List<COSBase> kids = kids(element);
        for (COSBase kid : kids) {
            if (!(kid instanceof COSDictionary it)) {
                kept.add(kid);
            } else if (it.containsKey(COSName.S)) {
                if (type(it).equals("TFoot") && it.getDictionaryObject(COSName.K) == null) {
                    continue;
                }
                holdsBlock |= BLOCKS.contains(type(it));
                element(it, type, head);
                kept.add(it);
            } else if (head && COSName.getPDFName("MCR").equals(it.getCOSName(COSName.TYPE))) {
                // The same heading again, on a later page.
                repeated.computeIfAbsent(it.getCOSDictionary(COSName.PG), page -> new HashSet<>())
                        .add(it.getInt(COSName.MCID));
            } else {
                kept.add(it);
            }
        }
        boolean isTurned = isRightToLeft && type.equals("TR");
        if (isTurned) {
            Collections.reverse(kept);
        }
        if (isTurned || kept.size() < kids.size()) {
            COSArray rest = new COSArray();
            kept.forEach(rest::add);
            element.setItem(COSName.K, rest);
        }
        if (type.equals("Span") && holdsBlock) {
            element.setName(COSName.S, "Div");
        }
        if (type.equals("Sect") && !holdsBlock && INLINE.contains(holder)) {
            element.setName(COSName.S, "Span");
        }
    }

    private static String type(COSDictionary element) {
        String type = element.getNameAsString(COSName.S);
        return type == null ? "" : type;
    }

    private static List<COSBase> kids(COSDictionary element) {
        COSBase kids = element.getDictionaryObject(COSName.K);
        List<COSBase> all = new ArrayList<>();
        if (kids instanceof COSArray array) {
            array.forEach(kid -> all.add(kid instanceof COSObject object ? object.getObject() : kid));
        } else if (kids != null) {
            all.add(kids);
        }
        return all;
    }

    /** What is not read again is no content: it only belongs to the page (ISO 32000-2, 14.8.2.2). */
    private void takeOutRepeated() throws IOException {
        if (repeated.isEmpty()) {
            return;
        }
        COSArray parents = (COSArray) document.getDocumentCatalog()
                .getStructureTreeRoot()
                .getParentTree()
                .getCOSObject()
                .getDictionaryObject(COSName.NUMS);
        for (PDPage page : document.getPages()) {
            Set<Integer> marked = repeated.get(page.getCOSObject());
            if (marked != null) {
                rewrite(page, marked);
                forget(parents, page.getStructParents(), marked);
            }
        }
    }

    private void rewrite(PDPage page, Set<Integer> marked) throws IOException {
        List<Object> tokens = new PDFStreamParser(page).parse();
        for (int i = 2; i < tokens.size(); i++) {
            if (tokens.get(i) instanceof Operator operator && operator.getName().equals("BDC")) {
                COSDictionary properties = switch (tokens.get(i - 1)) {
                    case COSDictionary direct -> direct;
                    case COSName name -> page.getResources().getProperties(name).getCOSObject();
                    default -> new COSDictionary();
                };
                if (marked.contains(properties.getInt(COSName.MCID, -1))) {
                    COSDictionary pagination = new COSDictionary();
                    pagination.setName(COSName.TYPE, "Pagination");
                    tokens.set(i - 2, COSName.ARTIFACT);
                    tokens.set(i - 1, pagination);
                }
            }
        }
        PDStream content = new PDStream(document);
        try (OutputStream out = content.createOutputStream(COSName.FLATE_DECODE)) {
            new ContentStreamWriter(out).writeTokens(tokens);
        }
        page.setContents(content);
    }

    private static void forget(COSArray parents, int page, Set<Integer> marked) {
        for (int i = 0; i < parents.size(); i += 2) {
            if (((COSNumber) parents.getObject(i)).intValue() == page
                    && parents.getObject(i + 1) instanceof COSArray contents) {
                marked.forEach(each -> contents.set(each, COSNull.NULL));
            }
        }
    }
}
