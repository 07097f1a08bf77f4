package loesscape.formats.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.formats.template.TemplateArchive;
import org.junit.jupiter.api.Test;

/** Pictures are what they say, of bounded size, and harmless. */
class SafePictureTest {

    private static final String SHAPE = "<path d=\"M2 2h20v20z\" fill=\"#16332f\"/>";

    private static String svg(String content) {
        String whole =
                "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" viewBox=\"0 0 24 24\">"
                        + content + "</svg>";
        return new String(
                SafePicture.read("sign.svg", whole.getBytes(StandardCharsets.UTF_8))
                        .content(),
                StandardCharsets.UTF_8);
    }

    private static byte[] png(int width) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, 4, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void whatDrawsStays() {
        assertThat(svg("<defs><linearGradient id=\"g\"><stop offset=\"0\" stop-color=\"red\"/></linearGradient></defs>"
                        + "<rect fill=\"url(#g)\" width=\"4\" height=\"4\"/><use href=\"#g\"/>" + SHAPE))
                .contains("<rect", "url(#g)", "href=\"#g\"", "<path", "viewBox");
    }

    @Test
    void whatRunsFetchesOrLinksGoes() {
        String safe = svg("<script>alert(1)</script><path onclick=\"alert(1)\" d=\"M0 0\"/>"
                + "<image href=\"http://example.org/x.png\"/><use xlink:href=\"http://example.org/#a\"/>"
                + "<a href=\"javascript:alert(1)\"><text>x</text></a><foreignObject><b>x</b></foreignObject>"
                + "<rect style=\"background:url(http://example.org)\" fill=\"url(http://example.org/#p)\"/>"
                + "<style>@import 'http://example.org/x.css';</style><animate attributeName=\"href\"/>"
                + "<set attributeName=\"onload\"/><!-- <script/> -->");
        assertThat(safe)
                .doesNotContain(
                        "script", "onclick", "image", "example.org", "foreignObject", "style", "animate", "<set", "<a")
                .contains("<rect", "<path");
    }

    @Test
    void documentTypesAndBombsAreRefused() {
        String bomb = "<!DOCTYPE svg [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]>"
                + "<svg xmlns=\"http://www.w3.org/2000/svg\"><text>&b;</text></svg>";
        assertThatThrownBy(() -> SafePicture.read("a.svg", bomb.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(UnsafePicture.class);
        assertThatThrownBy(() -> svg("<g>".repeat(60) + "</g>".repeat(60))).isInstanceOf(UnsafePicture.class);
    }

    @Test
    void aPictureIsWhatItsFirstBytesSayAndOfBearableSize() throws IOException {
        SafePicture picture = SafePicture.read("../Site plan.JPG", png(8));
        assertThat(picture.media()).isEqualTo("image/png");
        assertThat(picture.name()).matches("Site-plan-[0-9a-f]{16}\\.png");
        assertThat(SafePicture.read("other.png", png(9)).name()).isNotEqualTo(picture.name());
        assertThatThrownBy(() -> SafePicture.read("a.png", "<html>".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(UnsafePicture.class);
        assertThatThrownBy(() -> SafePicture.read("a.png", png(SafePicture.MOST_PIXELS + 1)))
                .hasMessageContaining("pixels");
        assertThatThrownBy(() -> SafePicture.read("a.png", new byte[SafePicture.LARGEST + 1]))
                .hasMessageContaining("2 MB");
        byte[] cut = Arrays.copyOf(png(8), 20);
        assertThatThrownBy(() -> SafePicture.read("a.png", cut)).isInstanceOf(UnsafePicture.class);
    }

    @Test
    void aTemplateTravelsWithItsPictures() throws IOException {
        Template template =
                Template.of("T", List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of())))));
        SafePicture picture = SafePicture.read("map.png", png(8));
        TemplateArchive archive = new TemplateArchive(template, List.of(picture), List.of());
        TemplateArchive read = TemplateArchive.read(archive.write());
        assertThat(read.template()).isEqualTo(template);
        assertThat(read.pictures()).hasSize(1);
        assertThat(read.pictures().getFirst().name()).isEqualTo(picture.name());
        assertThat(read.pictures().getFirst().content()).isEqualTo(picture.content());
        assertThat(read.write()).isEqualTo(archive.write());
    }
}
