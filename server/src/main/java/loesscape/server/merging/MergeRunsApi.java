package loesscape.server.merging;

import java.util.UUID;
import loesscape.formats.answers.Merging.Making;
import loesscape.server.accounts.Author;
import loesscape.server.merging.MergeRuns.MergeRunList;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.templates.TemplatesApi;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Documents of a table of answers. */
@RestController
@RequestMapping("/api/templates/{id}/merges")
class MergeRunsApi {

    private final MergeRuns runs;

    MergeRunsApi(MergeRuns runs) {
        this.runs = runs;
    }

    @GetMapping
    MergeRunList list(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return runs.list(id, author.id());
    }

    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    MergeRunList begin(
            @PathVariable UUID id,
            @RequestParam int release,
            @RequestParam Making making,
            @RequestParam(defaultValue = "") String name,
            @RequestBody byte[] file,
            @AuthenticationPrincipal Author author) {
        runs.begin(id, release, making, name, file, author.id());
        return list(id, author);
    }

    @PostMapping("/{run}/stop")
    MergeRunList stop(@PathVariable UUID id, @PathVariable UUID run, @AuthenticationPrincipal Author author) {
        runs.stop(id, run, author.id());
        return list(id, author);
    }

    @DeleteMapping("/{run}")
    MergeRunList delete(@PathVariable UUID id, @PathVariable UUID run, @AuthenticationPrincipal Author author) {
        runs.delete(id, run, author.id());
        return list(id, author);
    }

    @GetMapping("/{run}/documents.zip")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<Resource> archive(
            @PathVariable UUID id, @PathVariable UUID run, @AuthenticationPrincipal Author author) {
        return TemplatesApi.download(
                runs.archive(id, run, author.id()), MediaType.valueOf("application/zip"), "documents.zip");
    }
}
