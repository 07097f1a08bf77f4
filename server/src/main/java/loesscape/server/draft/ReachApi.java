package loesscape.server.draft;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import loesscape.core.reach.ReachAcross;
import loesscape.core.reach.ReachExamples;
import loesscape.formats.table.CommaSeparated;
import loesscape.server.accounts.Author;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the answers to one field reach. */
@RestController
@RequestMapping("/api/templates/{id}/draft/reach/{field}")
class ReachApi {

    private final DraftReach reach;

    ReachApi(DraftReach reach) {
        this.reach = reach;
    }

    /**
     * Its table: with the answers tried out, or for all others.
     *
     * @param asked what else is asked for: {@code edge} and {@code item}, each as often as there are some. As a list, one edge
     *     with a decimal comma would be taken for two
     */
    @GetMapping
    DraftReach.ReachView table(
            @PathVariable UUID id,
            @PathVariable String field,
            @RequestParam(defaultValue = "HELD") DraftReach.ReachReading reading,
            @RequestParam MultiValueMap<String, String> asked,
            @AuthenticationPrincipal Author author) {
        return reach.table(id, asked(field, asked), reading, author.id());
    }

    private static DraftReach.AskedReach asked(String field, MultiValueMap<String, String> asked) {
        return new DraftReach.AskedReach(
                field, asked.getOrDefault("edge", List.of()), asked.getOrDefault("item", List.of()));
    }

    /** The same for a table of another program. */
    @GetMapping("/table.csv")
    ResponseEntity<byte[]> csv(
            @PathVariable UUID id,
            @PathVariable String field,
            @RequestParam(defaultValue = "HELD") DraftReach.ReachReading reading,
            @RequestParam MultiValueMap<String, String> asked,
            @AuthenticationPrincipal Author author) {
        List<List<String>> lines = reach.table(id, asked(field, asked), reading, author.id()).table().lines().stream()
                .map(line -> line.stream().map(CommaSeparated::harmless).toList())
                .toList();
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("reach.csv")
                                .build()
                                .toString())
                .body(CommaSeparated.write(lines).getBytes(StandardCharsets.UTF_8));
    }

    /**
     * One of its columns by the answers to another field too.
     *
     * @param revision of the draft of which the table tells, as with what is set
     */
    @GetMapping("/across/{other}")
    ReachAcross across(
            @PathVariable UUID id,
            @PathVariable String field,
            @PathVariable String other,
            @RequestParam int revision,
            @RequestParam int column,
            @RequestParam(defaultValue = "HELD") DraftReach.ReachReading reading,
            @RequestParam MultiValueMap<String, String> asked,
            @AuthenticationPrincipal Author author) {
        return reach.across(id, asked(field, asked), revision, column, other, reading, author.id());
    }

    /**
     * Answers for which something is so in a line, and others for which it is not.
     *
     * @param revision of the draft of which the table tells
     */
    @GetMapping("/examples")
    ReachExamples examples(
            @PathVariable UUID id,
            @PathVariable String field,
            @RequestParam int revision,
            @RequestParam int row,
            @RequestParam int column,
            @RequestParam MultiValueMap<String, String> asked) {
        return reach.examples(id, asked(field, asked), revision, row, column);
    }

    /** Sets what is to be so in some lines. */
    @PostMapping
    DraftChange set(
            @PathVariable UUID id,
            @PathVariable String field,
            @RequestBody DraftReach.SetInReach set,
            @AuthenticationPrincipal Author author) {
        return reach.set(id, field, set, author.id());
    }
}
