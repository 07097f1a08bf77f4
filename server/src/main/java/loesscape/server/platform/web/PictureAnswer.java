package loesscape.server.platform.web;

import java.util.Optional;
import loesscape.formats.picture.SafePicture;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A picture that goes out; nothing in it may run or fetch, even where it is opened by itself. */
public final class PictureAnswer {

    private PictureAnswer() {}

    /** The picture, or that there is none. */
    public static ResponseEntity<byte[]> of(Optional<SafePicture> found) {
        SafePicture picture = found.orElseThrow(() -> new Problems.Missing("There is no such picture."));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(picture.media()))
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=86400")
                .header("X-Content-Type-Options", "nosniff")
                .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
                .body(picture.content());
    }
}
