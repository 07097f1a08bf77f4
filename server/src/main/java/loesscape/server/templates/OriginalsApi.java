package loesscape.server.templates;

import java.util.UUID;
import loesscape.server.platform.web.Problems;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The document of a word processor that a template was made of. */
@RestController
@RequestMapping("/api/templates/{id}/original")
class OriginalsApi {

    private final OriginalStore originals;

    OriginalsApi(OriginalStore originals) {
        this.originals = originals;
    }

    /** What a template was made of; an empty name for nothing of the kind. */
    public record MadeOf(String name) {}

    @GetMapping("/about")
    MadeOf about(@PathVariable UUID id) {
        return new MadeOf(originals.name(id));
    }

    @GetMapping
    ResponseEntity<byte[]> original(@PathVariable UUID id) {
        SheetStore.Original original = originals
                .find(id)
                .orElseThrow(() -> new Problems.Missing("The template was not made of a document that is kept here."));
        return TemplatesApi.download(original.content(), MediaType.APPLICATION_OCTET_STREAM, original.name());
    }
}
