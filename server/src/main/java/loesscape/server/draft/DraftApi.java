package loesscape.server.draft;

import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import loesscape.core.analysis.Why;
import loesscape.core.editing.Edit;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.LookupList;
import loesscape.core.model.Stage;
import loesscape.core.trial.SuggestedTrials;
import loesscape.server.accounts.Author;
import loesscape.server.files.HandedIn;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The Draft view of a template. */
@RestController
@RequestMapping("/api/templates/{id}/draft")
class DraftApi {

    private final HandedIn handedIn;
    private final Drafts drafts;
    private final Tryouts tryouts;
    private final DraftReading reading;
    private final DraftProof proof;

    DraftApi(Drafts drafts, Tryouts tryouts, DraftReading reading, DraftProof proof, HandedIn handedIn) {
        this.handedIn = handedIn;
        this.drafts = drafts;
        this.tryouts = tryouts;
        this.reading = reading;
        this.proof = proof;
    }

    /** An edit, made on a revision. */
    public record EditRequest(int revision, Edit edit) {}

    /** The number of edits kept. */
    public record Revision(int revision) {}

    /** A condition as a formula. */
    public record AsText(String formula) {}

    /** A condition built of clauses. */
    public record AsClauses(Condition condition) {}

    /** At which stage, and as whom, the document is looked at; an empty role for nobody in particular. */
    public record SeenAs(Stage stage, String role) {}

    /** The name of a trial. */
    public record TrialName(String name) {}

    /** What is typed into a field now. */
    public record Typed(String key, String typed) {}

    @GetMapping
    Draft open(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return drafts.open(id, author.id());
    }

    /** How many edits were kept, for whoever wonders whether there are new ones. */
    @GetMapping("/revision")
    Revision revision(@PathVariable UUID id) {
        return new Revision(drafts.revision(id));
    }

    @PostMapping("/edits")
    DraftChange edit(@PathVariable UUID id, @RequestBody EditRequest request, @AuthenticationPrincipal Author author) {
        return drafts.edit(id, request.revision(), request.edit(), author.id());
    }

    @PostMapping("/undo")
    DraftChange undo(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return drafts.undo(id, author.id());
    }

    @PostMapping("/redo")
    DraftChange redo(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return drafts.redo(id, author.id());
    }

    @PutMapping("/answers")
    DraftChange tryOut(@PathVariable UUID id, @RequestBody Typed typed, @AuthenticationPrincipal Author author) {
        return tryouts.tryOut(id, typed.key(), typed.typed(), author.id());
    }

    /** Shows the document at another stage, or as another role sees it. */
    @PutMapping("/seen-as")
    DraftChange see(@PathVariable UUID id, @RequestBody SeenAs seen, @AuthenticationPrincipal Author author) {
        return tryouts.see(id, seen.stage(), seen.role(), author.id());
    }

    /** Types the answers of a trial in place of what is typed. */
    @PostMapping("/trial")
    DraftChange tryTrial(@PathVariable UUID id, @RequestBody TrialName trial, @AuthenticationPrincipal Author author) {
        return tryouts.tryTrial(id, trial.name(), author.id());
    }

    /** Keeps how the document stands with the answers tried out as a trial; without a name it is called by its answers. */
    @PostMapping("/trials")
    DraftChange record(@PathVariable UUID id, @RequestBody TrialName trial, @AuthenticationPrincipal Author author) {
        return drafts.record(id, trial.name(), author.id());
    }

    /** Expects of a trial what comes of its answers now. */
    @PutMapping("/trials")
    DraftChange expect(@PathVariable UUID id, @RequestBody TrialName trial, @AuthenticationPrincipal Author author) {
        return drafts.expect(id, trial.name(), author.id());
    }

    /** Trials of what its own have not tried. */
    @GetMapping("/trials/suggested")
    SuggestedTrials.Suggestions suggested(@PathVariable UUID id) {
        return proof.suggested(id);
    }

    @GetMapping("/history")
    DraftReading.History history(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return reading.history(id, author);
    }

    /** A lookup list with all its rows. */
    @GetMapping("/lists/{key}")
    LookupList list(@PathVariable UUID id, @PathVariable String key) {
        return reading.list(id, key);
    }

    @PostMapping(value = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    HandedIn.Identity handIn(
            @PathVariable UUID id,
            @RequestParam String name,
            InputStream content,
            @AuthenticationPrincipal Author author)
            throws IOException {
        return handedIn.take(name, content, file -> tryouts.handIn(id, author.id(), file));
    }

    @GetMapping("/files/{file}")
    ResponseEntity<Resource> file(
            @PathVariable UUID id, @PathVariable String file, @AuthenticationPrincipal Author author) {
        return HandedIn.answer(tryouts.file(id, author.id(), file));
    }

    /** A condition in the words of formulas. */
    @GetMapping("/formula")
    AsText formula(@PathVariable UUID id, @RequestParam String key, @RequestParam Aspect aspect) {
        return new AsText(reading.formula(id, key, aspect));
    }

    /** A formula in clauses, as far as these reach. */
    @PostMapping("/as-condition")
    AsClauses asCondition(@PathVariable UUID id, @RequestBody AsText formula) {
        return new AsClauses(reading.condition(id, formula.formula()));
    }

    /** What the document does for all possible answers, whether its promises are kept, and what comes of its trials. */
    @GetMapping("/proof")
    DraftProof.Proof proof(@PathVariable UUID id) {
        return proof.of(id);
    }

    /** Why an item stands as it does, and what would open it. */
    @GetMapping("/why/{address}")
    Why why(@PathVariable UUID id, @PathVariable String address, @AuthenticationPrincipal Author author) {
        return reading.why(id, address, author.id());
    }

    @DeleteMapping("/answers")
    DraftChange clear(@PathVariable UUID id, @AuthenticationPrincipal Author author) {
        return tryouts.clear(id, author.id());
    }
}
