package loesscape.formats.form;

import java.io.IOException;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.jspecify.annotations.Nullable;

/**
 * Whether what a page draws with can stand in an archived document as it is (ISO 19005-3, 6.2). What is known to be allowed
 * is; all else is not, and becomes a picture.
 */
final class ArchivableResources {

    private static final Set<String> FILTERS = Set.of(
            "FlateDecode",
            "Fl",
            "DCTDecode",
            "DCT",
            "CCITTFaxDecode",
            "CCF",
            "RunLengthDecode",
            "RL",
            "ASCII85Decode",
            "A85",
            "ASCIIHexDecode",
            "AHx");

    private static final Set<String> COLOURS =
            Set.of("DeviceRGB", "DeviceGray", "G", "RGB", "CalRGB", "CalGray", "ICCBased", "Indexed", "I", "Lab");

    private static final Set<String> BLENDING = Set.of("Normal", "Compatible", "Multiply");

    /** Operators that draw with colours of printing inks, with shadings, or what may be seen or not. */
    private static final Set<String> OTHERWISE = Set.of("k", "K", "sh", "ri");

    private static final int DEEPEST = 20;
    private static final COSName GROUP = COSName.getPDFName("Group");
    private static final COSName ALTERNATES = COSName.getPDFName("Alternates");
    private static final COSName OPI = COSName.getPDFName("OPI");

    private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    private ArchivableResources() {}

    /** Whether a page can be kept as it is, its fonts apart. */
    static boolean of(PDPage page) throws IOException {
        ArchivableResources looking = new ArchivableResources();
        COSDictionary resources =
                page.getResources() == null ? null : page.getResources().getCOSObject();
        return isGroup(page.getCOSObject().getCOSDictionary(GROUP))
                && looking.areTokens(new PDFStreamParser(page))
                && looking.areResources(resources, 0);
    }

    private boolean areTokens(PDFStreamParser parser) throws IOException {
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (token instanceof Operator operator) {
                if (OTHERWISE.contains(operator.getName())) {
                    return false;
                }
                if (operator.getImageParameters() != null) {
                    return false;
                }
            }
            if (token instanceof COSName name && name.equals(COSName.OC)) {
                return false;
            }
        }
        return true;
    }

    private boolean areResources(@Nullable COSDictionary resources, int depth) throws IOException {
        if (resources == null || !seen.add(resources)) {
            return true;
        }
        if (depth > DEEPEST
                || resources.containsKey(COSName.SHADING)
                || hasLayers(resources.getCOSDictionary(COSName.PROPERTIES))
                || isNotEmpty(resources.getCOSDictionary(COSName.PATTERN))) {
            return false;
        }
        return areColours(resources.getCOSDictionary(COSName.COLORSPACE))
                && areStates(resources.getCOSDictionary(COSName.EXT_G_STATE))
                && areObjects(resources.getCOSDictionary(COSName.XOBJECT), depth)
                && areFonts(resources.getCOSDictionary(COSName.FONT));
    }

    /** What is drawn together is mixed in colours that the document knows. */
    private static boolean isGroup(@Nullable COSDictionary group) {
        return group == null || isColour(group.getDictionaryObject(COSName.CS), 0);
    }

    /** Tags are taken out; what is seen or not as its reader likes cannot be kept. */
    private static boolean hasLayers(@Nullable COSDictionary properties) {
        return properties != null
                && properties.keySet().stream()
                        .map(properties::getCOSDictionary)
                        .anyMatch(each -> each != null
                                && Set.of("OCG", "OCMD").contains(String.valueOf(each.getNameAsString(COSName.TYPE))));
    }

    private static boolean isNotEmpty(@Nullable COSDictionary dictionary) {
        return dictionary != null && dictionary.size() > 0;
    }

    private static boolean areColours(@Nullable COSDictionary colours) {
        return colours == null
                || colours.keySet().stream().allMatch(key -> isColour(colours.getDictionaryObject(key), 0));
    }

    private static boolean isColour(@Nullable COSBase colour, int depth) {
        if (colour == null) {
            return true;
        }
        if (colour instanceof COSName name) {
            return COLOURS.contains(name.getName()) || name.equals(COSName.PATTERN);
        }
        if (!(colour instanceof COSArray array) || depth > 2 || !(array.getObject(0) instanceof COSName family)) {
            return false;
        }
        return switch (family.getName()) {
            case "ICCBased" ->
                array.getObject(1) instanceof COSStream profile
                        && (profile.getInt(COSName.N) == 1 || profile.getInt(COSName.N) == 3);
            case "Indexed", "I" -> isColour(array.getObject(1), depth + 1);
            default -> COLOURS.contains(family.getName());
        };
    }

    private static boolean areStates(@Nullable COSDictionary states) {
        if (states == null) {
            return true;
        }
        for (COSName key : states.keySet()) {
            COSDictionary state = states.getCOSDictionary(key);
            if (state == null) {
                continue;
            }
            COSBase blending = state.getDictionaryObject(COSName.BM);
            boolean isPlain =
                    blending == null || (blending instanceof COSName name && BLENDING.contains(name.getName()));
            boolean hasOther = state.containsKey(COSName.TR)
                    || state.containsKey(COSName.getPDFName("TR2"))
                    || state.containsKey(COSName.getPDFName("HTP"))
                    || state.containsKey(COSName.getPDFName("RI"))
                    || state.getDictionaryObject(COSName.SMASK) instanceof COSDictionary
                    || state.containsKey(COSName.FONT);
            if (!isPlain || hasOther) {
                return false;
            }
        }
        return true;
    }

    private boolean areObjects(@Nullable COSDictionary objects, int depth) throws IOException {
        if (objects == null) {
            return true;
        }
        for (COSName key : objects.keySet()) {
            if (!(objects.getDictionaryObject(key) instanceof COSStream stream)) {
                return false;
            }
            if (!isObject(stream, depth)) {
                return false;
            }
        }
        return true;
    }

    private boolean isObject(COSStream stream, int depth) throws IOException {
        if (stream.containsKey(COSName.OC) || stream.containsKey(OPI) || !areFilters(stream)) {
            return false;
        }
        COSName subtype = stream.getCOSName(COSName.SUBTYPE);
        if (COSName.IMAGE.equals(subtype)) {
            // Says how it might look better, and on which device: neither is kept.
            stream.removeItem(COSName.INTERPOLATE);
            stream.removeItem(ALTERNATES);
            stream.removeItem(COSName.getPDFName("Intent"));
            return isColour(stream.getDictionaryObject(COSName.COLORSPACE, COSName.CS), 0)
                    && (!(stream.getDictionaryObject(COSName.SMASK) instanceof COSStream mask)
                            || isObject(mask, depth));
        }
        boolean isPlainForm = COSName.FORM.equals(subtype)
                && !stream.containsKey(COSName.getPDFName("Ref"))
                && !stream.containsKey(COSName.getPDFName("PS"))
                && isGroup(stream.getCOSDictionary(GROUP));
        return isPlainForm
                && seen.add(stream)
                && areTokens(new PDFStreamParser(new PDFormXObject(stream)))
                && areResources(stream.getCOSDictionary(COSName.RESOURCES), depth + 1);
    }

    private static boolean areFilters(COSStream stream) {
        COSBase filters = stream.getFilters();
        if (filters instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) {
                if (!(array.getObject(i) instanceof COSName name) || !FILTERS.contains(name.getName())) {
                    return false;
                }
            }
            return true;
        }
        return filters == null || (filters instanceof COSName name && FILTERS.contains(name.getName()));
    }

    /** Lists of what a font has are not kept: they need not be there, and are wrong in many files. */
    private static boolean areFonts(@Nullable COSDictionary fonts) {
        if (fonts == null) {
            return true;
        }
        for (COSName key : fonts.keySet()) {
            COSDictionary font = fonts.getCOSDictionary(key);
            if (font == null) {
                return false;
            }
            COSArray descendants = font.getCOSArray(COSName.DESCENDANT_FONTS);
            COSDictionary drawn =
                    descendants != null && descendants.getObject(0) instanceof COSDictionary it ? it : font;
            COSDictionary descriptor = drawn.getCOSDictionary(COSName.FONT_DESC);
            if (descriptor == null) {
                return false;
            }
            descriptor.removeItem(COSName.getPDFName("CIDSet"));
            descriptor.removeItem(COSName.getPDFName("CharSet"));
        }
        return true;
    }
}
