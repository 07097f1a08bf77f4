package loesscape.server.draft;

import java.util.UUID;
import loesscape.server.accounts.Author;
import loesscape.server.filling.FillApi;
import loesscape.server.records.ReadingCopies;
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
    private final ReadingCopies copies;

    PaperApi(PaperPreview preview, ReadingCopies copies) {
        this.preview = preview;
        this.copies = copies;
    }

    @GetMapping
    ReadingCopies.CopyPages now(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return preview.now(id, author.id()).about();
    }

    /** What stands now on the pages of PDF files that the document is written on. */
    @GetMapping("/filled")
    FillApi.FilledPages filled(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return new FillApi.FilledPages(preview.content(id, author.id()).filled());
    }

    @GetMapping("/pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return preview.now(id, author.id()).answer();
    }

    @GetMapping("/pages/{number}")
    ResponseEntity<byte[]> page(
            @PathVariable UUID id, @PathVariable int number, @AuthenticationPrincipal Author author) {
        return copies.page(preview.now(id, author.id()), number);
    }
}
