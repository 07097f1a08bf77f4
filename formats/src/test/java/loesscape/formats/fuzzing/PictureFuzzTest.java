package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import java.io.ByteArrayInputStream;
import java.util.Locale;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.picture.UnsafePicture;

/** Files that say they are pictures: what is taken neither runs nor fetches anything, and is taken again as it is. */
class PictureFuzzTest {

    private static final String SVG = "http://www.w3.org/2000/svg";

    @FuzzTest(maxDuration = "2m")
    void isSafeOrRefused(byte[] file) throws XMLStreamException {
        SafePicture picture;
        try {
            picture = SafePicture.read("picture", file);
        } catch (UnsafePicture refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        assertThat(SafePicture.read("picture", picture.content()).content()).isEqualTo(picture.content());
        if (picture.media().equals("image/svg+xml")) {
            onlyDraws(picture.content());
        }
    }

    /** As another reader than the one that cleaned it has it: words that are shown may say anything, markup may not. */
    private static void onlyDraws(byte[] drawing) throws XMLStreamException {
        XMLStreamReader reader =
                XMLInputFactory.newDefaultFactory().createXMLStreamReader(new ByteArrayInputStream(drawing), "UTF-8");
        while (reader.hasNext()) {
            switch (reader.next()) {
                case XMLStreamConstants.START_ELEMENT -> element(reader);
                case XMLStreamConstants.END_ELEMENT,
                        XMLStreamConstants.CHARACTERS,
                        XMLStreamConstants.SPACE,
                        XMLStreamConstants.END_DOCUMENT -> {}
                default -> throw new AssertionError("Something that does not draw stays: " + reader.getEventType());
            }
        }
    }

    private static void element(XMLStreamReader reader) {
        assertThat(reader.getNamespaceURI()).isEqualTo(SVG);
        assertThat(reader.getLocalName().toLowerCase(Locale.ROOT))
                .isNotIn(
                        "script",
                        "foreignobject",
                        "image",
                        "feimage",
                        "a",
                        "style",
                        "set",
                        "iframe",
                        "handler",
                        "listener")
                .doesNotStartWith("animate");
        for (int i = 0; i < reader.getAttributeCount(); i++) {
            String name = reader.getAttributeLocalName(i).toLowerCase(Locale.ROOT);
            String value = reader.getAttributeValue(i).toLowerCase(Locale.ROOT);
            assertThat(name).doesNotStartWith("on").isNotIn("style", "src", "base");
            assertThat(value).doesNotContain("javascript:", "data:");
            assertThat(value).doesNotContainPattern("url\\s*\\(\\s*[\"']?\\s*[^#\"'\\s]");
            if (name.equals("href")) {
                assertThat(value).startsWith("#");
            }
        }
    }
}
