package loesscape.server.templates;

import java.util.UUID;
import loesscape.formats.picture.SafePicture;
import loesscape.server.platform.web.PictureAnswer;
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
class PicturesApi {

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
            throw TemplateStore.missing();
        }
        SafePicture picture = SafePicture.read(name, content);
        pictures.keep(id, picture);
        return new Named(picture.name());
    }

    @GetMapping("/{name}")
    ResponseEntity<byte[]> find(@PathVariable UUID id, @PathVariable String name) {
        return PictureAnswer.of(pictures.find(id, name));
    }
}
