package loesscape.server.api;

import java.util.UUID;
import loesscape.formats.picture.SafePicture;
import loesscape.server.store.PictureStore;
import loesscape.server.store.TemplateStore;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The pictures beside a template. */
@RestController
@RequestMapping("/api/templates/{id}/pictures")
public class PicturesApi {

    private final TemplateStore templates;
    private final PictureStore pictures;

    PicturesApi(TemplateStore templates, PictureStore pictures) {
        this.templates = templates;
        this.pictures = pictures;
    }

    /** The name of a picture that was kept. */
    public record Named(String name) {}

    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @Transactional
    public Named keep(@PathVariable UUID id, @RequestParam String name, @RequestBody byte[] content) {
        if (templates.version(id).isEmpty()) {
            throw new Problems.Missing("There is no such template.");
        }
        SafePicture picture = SafePicture.read(name, content);
        pictures.keep(id, picture);
        return new Named(picture.name());
    }

    @GetMapping("/{name}")
    ResponseEntity<byte[]> find(@PathVariable UUID id, @PathVariable String name) {
        return answer(pictures.find(id, name).orElseThrow(PicturesApi::missing));
    }

    public static Problems.Missing missing() {
        return new Problems.Missing("There is no such picture.");
    }

    /** A picture that goes out; nothing in it may run or fetch, even where it is opened by itself. */
    public static ResponseEntity<byte[]> answer(SafePicture picture) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(picture.media()))
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=86400")
                .header("X-Content-Type-Options", "nosniff")
                .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
                .body(picture.content());
    }
}
