package loesscape.formats.paper;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.parser.resources.ResourcePolicy;
import com.github.weisj.jsvg.view.ViewBox;
import com.openhtmltopdf.css.sheet.FontFaceRule;
import com.openhtmltopdf.css.style.CssContext;
import com.openhtmltopdf.extend.OutputDevice;
import com.openhtmltopdf.extend.SVGDrawer;
import com.openhtmltopdf.layout.SharedContext;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.render.Box;
import com.openhtmltopdf.render.RenderingContext;
import java.awt.Component;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.util.List;
import javax.xml.XMLConstants;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Element;

/** Draws the SVG that stands in a page; nothing in it is fetched. */
final class InlineDrawing implements SVGDrawer {

    /** The longer side of a drawing that is painted as dots. */
    private static final int DOTS = 1_200;

    private static final LoaderContext ALONE = LoaderContext.builder()
            .externalResourcePolicy(ResourcePolicy.DENY_ALL)
            .build();

    @Override
    public void importFontFaceRules(List<FontFaceRule> rules, SharedContext shared) {}

    @Override
    public void addFontFile(File file, String family, Integer weight, FontStyle style) {}

    @Override
    public void close() {}

    @Override
    public SVGImage buildSVGImage(
            Element element, Box box, CssContext css, double width, double height, double dotsPerPixel) {
        SVGDocument drawing = new SVGLoader().load(new ByteArrayInputStream(text(element)), null, ALONE);
        if (drawing == null) {
            throw new IllegalStateException("What stands in the page as a drawing is none");
        }
        // The style sheet's measures come in dots, below 0 where it says nothing.
        double across = width >= 0 ? width : drawing.size().width * dotsPerPixel;
        double down = height >= 0 ? height : drawing.size().height * dotsPerPixel;
        return new SVGImage() {
            @Override
            public int getIntrinsicWidth() {
                return (int) Math.round(across);
            }

            @Override
            public int getIntrinsicHeight() {
                return (int) Math.round(down);
            }

            @Override
            public void drawSVG(OutputDevice device, RenderingContext context, double x, double y) {
                float wide = (float) (across / dotsPerPixel);
                float high = (float) (down / dotsPerPixel);
                device.drawWithGraphics(
                        (float) x,
                        (float) y,
                        wide,
                        high,
                        pen -> drawing.render((Component) null, pen, new ViewBox(wide, high)));
            }
        };
    }

    /** A drawing that was made safe, as dots, fine enough for paper. */
    static BufferedImage painted(byte[] svg) {
        SVGDocument drawing = new SVGLoader().load(new ByteArrayInputStream(svg), null, ALONE);
        if (drawing == null) {
            throw new IllegalStateException("A picture that was cleaned cannot be drawn");
        }
        double scale = DOTS / Math.max(1, Math.max(drawing.size().width, drawing.size().height));
        int width = Math.clamp(Math.round(drawing.size().width * scale), 1, DOTS);
        int height = Math.clamp(Math.round(drawing.size().height * scale), 1, DOTS);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        drawing.render((Component) null, pen, new ViewBox(width, height));
        pen.dispose();
        return image;
    }

    private static byte[] text(Element element) {
        try {
            TransformerFactory factory = TransformerFactory.newDefaultInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            Transformer transformer = factory.newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            transformer.transform(new DOMSource(element), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IllegalStateException(e);
        }
    }
}
