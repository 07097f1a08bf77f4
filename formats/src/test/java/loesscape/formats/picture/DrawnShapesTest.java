package loesscape.formats.picture;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Shapes that are drawn again and again are counted as often as they are drawn. */
class DrawnShapesTest {

    private static void read(String inner) {
        SafePicture.read(
                "a.svg",
                ("<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\">" + inner
                                + "</svg>")
                        .getBytes(UTF_8));
    }

    /** Ten uses of what uses the one before ten times, ten deep: ten thousand million circles of a few hundred elements. */
    private static String chain(String reference) {
        StringBuilder chain = new StringBuilder("<g id=\"g0\"><circle r=\"1\"/></g>");
        for (int i = 1; i <= 10; i++) {
            int before = i - 1;
            chain.append("<g id=\"g%d\">".formatted(i));
            IntStream.range(0, 10).forEach(n -> chain.append(reference.formatted(before)));
            chain.append("</g>");
        }
        return chain.toString();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<use href=\"#g%d\"/>",
                "<use xlink:href=\"#g%d\"/>",
                "<rect fill=\"url(#g%d)\"/>",
                "<rect mask=\"url(#g%d)\"/>"
            })
    void chainsOfUsesAreRefused(String reference) {
        assertThatThrownBy(() -> read(chain(reference)))
                .isInstanceOf(UnsafePicture.class)
                .hasMessageContaining("uses its shapes again too often");
    }

    @Test
    void whatUsesItselfIsRefused() {
        assertThatThrownBy(() -> read("<g id=\"a\"><use href=\"#b\"/></g><g id=\"b\"><use href=\"#a\"/></g>"))
                .isInstanceOf(UnsafePicture.class);
    }

    @Test
    void usingAShapeSomeTimesIsFine() {
        assertThatCode(() -> read("<defs><circle id=\"dot\" r=\"1\"/></defs>"
                        + "<use href=\"#dot\" x=\"3\"/>".repeat(500) + "<use href=\"#nowhere\"/>"))
                .doesNotThrowAnyException();
    }
}
