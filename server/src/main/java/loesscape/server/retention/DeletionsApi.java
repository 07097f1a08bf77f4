package loesscape.server.retention;

import java.util.UUID;
import loesscape.server.accounts.Author;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.retention.DeletionService.Retained;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Records and dispatches deleted with a reason, and for how long they are kept. */
@RestController
class DeletionsApi {

    private final DeletionService deletions;

    DeletionsApi(DeletionService deletions) {
        this.deletions = deletions;
    }

    /** Why something is deleted. */
    public record Deleting(String because) {}

    /** For how many days what comes in is kept; null for good. */
    public record KeepFor(@Nullable Integer days) {}

    @PostMapping("/api/templates/{id}/records/{number}/delete")
    @Told(SecurityEvent.DELETED)
    ResponseEntity<Void> record(
            @PathVariable UUID id,
            @PathVariable int number,
            @RequestBody Deleting deleting,
            @AuthenticationPrincipal Author author) {
        deletions.record(id, number, deleting.because(), author.name());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/api/dispatches/{id}/delete")
    @Told(SecurityEvent.DELETED)
    ResponseEntity<Void> dispatch(
            @PathVariable UUID id, @RequestBody Deleting deleting, @AuthenticationPrincipal Author author) {
        deletions.dispatch(id, deleting.because(), author.name());
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/api/templates/{id}/retention")
    Retained retention(@PathVariable UUID id) {
        return deletions.of(id);
    }

    @PutMapping("/api/templates/{id}/retention")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    Retained keepFor(@PathVariable UUID id, @RequestBody KeepFor keep) {
        return deletions.keepFor(id, keep.days());
    }
}
