package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.picture.UnsafePicture;

/** Files that say they are pictures: what is taken neither runs nor fetches anything, and is taken again as it is. */
class PictureFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isSafeOrRefused(byte[] file) {
        SafePicture picture;
        try {
            picture = SafePicture.read("picture", file);
        } catch (UnsafePicture refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        assertThat(SafePicture.read("picture", picture.content()).content()).isEqualTo(picture.content());
        if (picture.media().equals("image/svg+xml")) {
            String drawing = new String(picture.content(), StandardCharsets.UTF_8).toLowerCase(Locale.ROOT);
            assertThat(drawing).doesNotContain("<script", "<!entity", "<!doctype", "javascript:", "<foreignobject");
            assertThat(drawing).doesNotContainPattern("<[^>]*\\son[a-z]+\\s*=");
            assertThat(drawing).doesNotContainPattern("<[^>]*href\\s*=\\s*[\"'][^#\"']");
        }
    }
}
