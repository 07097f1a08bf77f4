package loesscape.formats.form;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdfwriter.ContentStreamWriter;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;

/**
 * Takes tags out of what is drawn (ISO 32000-2, 14.6): they belong to the tree of the file that was brought, and a sheet is
 * one figure in another.
 */
final class UnmarkedContent {

    private static final Set<String> MARKS = Set.of("BMC", "BDC", "EMC", "MP", "DP");

    private final Set<COSStream> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    private UnmarkedContent() {}

    /** Rewrites a form, and the forms that it draws. */
    static void make(PDFormXObject form) throws IOException {
        new UnmarkedContent().rewrite(form.getCOSObject());
    }

    private void rewrite(COSStream stream) throws IOException {
        if (!seen.add(stream)) {
            return;
        }
        PDFStreamParser parser = new PDFStreamParser(new PDFormXObject(stream));
        List<Object> kept = new ArrayList<>();
        List<Object> operands = new ArrayList<>();
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            operands.add(token);
            if (token instanceof Operator operator) {
                if (!MARKS.contains(operator.getName())) {
                    kept.addAll(operands);
                }
                operands.clear();
            }
        }
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            new ContentStreamWriter(out).writeTokens(kept);
        }
        stream.removeItem(COSName.STRUCT_PARENTS);
        stream.removeItem(COSName.getPDFName("StructParent"));
        COSDictionary resources = stream.getCOSDictionary(COSName.RESOURCES);
        if (resources == null) {
            return;
        }
        resources.removeItem(COSName.PROPERTIES);
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (objects == null) {
            return;
        }
        for (COSName name : objects.keySet()) {
            COSBase object = objects.getDictionaryObject(name);
            if (object instanceof COSStream drawn) {
                drawn.removeItem(COSName.getPDFName("StructParent"));
                if (COSName.FORM.equals(drawn.getCOSName(COSName.SUBTYPE))) {
                    rewrite(drawn);
                }
            }
        }
    }
}
