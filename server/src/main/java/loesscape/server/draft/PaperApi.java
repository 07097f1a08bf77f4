package loesscape.server.draft;

import java.util.UUID;
import loesscape.server.accounts.Author;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The finished document that the answers tried out would make. */
@RestController
@RequestMapping("/api/templates/{id}/draft/paper")
class PaperApi {

    private final PaperPreview preview;

    PaperApi(PaperPreview preview) {
        this.preview = preview;
    }

    @GetMapping
    PaperPreview.PreviewPages now(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return preview.now(id, author.id());
    }

    @GetMapping("/pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .header("X-Content-Type-Options", "nosniff")
                .body(preview.pdf(id, author.id()));
    }

    /** A page as a picture, as it is now; the pages ask for it under another address whenever it would be another. */
    @GetMapping("/pages/{number}")
    ResponseEntity<byte[]> page(
            @PathVariable UUID id, @PathVariable int number, @AuthenticationPrincipal Author author) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=600")
                .header("X-Content-Type-Options", "nosniff")
                .body(preview.page(id, author.id(), number));
    }
}
