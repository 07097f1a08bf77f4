package loesscape.server.draft;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import loesscape.core.editing.Blocks;
import loesscape.server.accounts.Author;
import loesscape.server.platform.web.Problems;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** An author's own library of blocks. */
@RestController
class BlocksApi {

    private final Library library;

    BlocksApi(Library library) {
        this.library = library;
    }

    /** A block in the library; the version is its last. */
    public record BlockRow(String id, String name, int version, Instant kept) {}

    /** The blocks of an author, by name. */
    public record BlockList(List<BlockRow> blocks) {}

    /** Which section is to be kept, and under which name; empty for its own. */
    public record KeepBlock(int revision, String section, String name) {}

    /** Which block is to be used, and where. */
    public record UseOfBlock(
            int revision,
            String block,
            String holder,
            @Nullable String after) {}

    /** What a later version of a block would change in a section. */
    public record BlockDifferences(List<Blocks.Difference> differences) {}

    /** What of it is to be taken over. */
    public record TakenOver(int revision, List<String> items) {}

    @GetMapping("/api/blocks")
    BlockList list(@AuthenticationPrincipal Author author) {
        return new BlockList(library.list(author.id()).stream()
                .map(it -> new BlockRow(it.id().toString(), it.name(), it.version(), it.kept()))
                .toList());
    }

    @DeleteMapping("/api/blocks/{block}")
    ResponseEntity<Void> remove(@PathVariable UUID block, @AuthenticationPrincipal Author author) {
        if (!library.remove(block, author.id())) {
            throw new Problems.Missing("There is no such block in your library.");
        }
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/api/templates/{id}/draft/blocks")
    DraftChange keep(@PathVariable UUID id, @RequestBody KeepBlock wanted, @AuthenticationPrincipal Author author) {
        return library.keep(id, wanted.revision(), wanted.section(), wanted.name(), author.id());
    }

    @PostMapping("/api/templates/{id}/draft/blocks/use")
    DraftChange use(@PathVariable UUID id, @RequestBody UseOfBlock use, @AuthenticationPrincipal Author author) {
        return library.use(id, use.revision(), use.block(), use.holder(), use.after(), author.id());
    }

    @GetMapping("/api/templates/{id}/draft/blocks/{section}")
    BlockDifferences differences(
            @PathVariable UUID id, @PathVariable String section, @AuthenticationPrincipal Author author) {
        return new BlockDifferences(library.differences(id, section, author.id()));
    }

    @PostMapping("/api/templates/{id}/draft/blocks/{section}")
    DraftChange takeOver(
            @PathVariable UUID id,
            @PathVariable String section,
            @RequestBody TakenOver taken,
            @AuthenticationPrincipal Author author) {
        return library.takeOver(id, taken.revision(), section, taken.items(), author.id());
    }
}
