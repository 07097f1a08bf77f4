package loesscape.server.forms;

import java.util.UUID;
import loesscape.server.accounts.Author;
import loesscape.server.forms.ReturnedForms.Bringing;
import loesscape.server.forms.ReturnedForms.ReturnedFile;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Files with answers that come back. */
@RestController
@RequestMapping("/api/templates/{id}")
class ReturnedFormsApi {

    private final ReturnedForms forms;

    ReturnedFormsApi(ReturnedForms forms) {
        this.forms = forms;
    }

    /** What is in a file; nothing is kept. */
    @PostMapping(value = "/answers", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReturnedFile look(@PathVariable UUID id, @RequestParam(defaultValue = "0") int release, @RequestBody byte[] file) {
        return forms.look(id, release, file);
    }

    /** Takes what is in a file into the records. */
    @PostMapping(value = "/records", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReturnedFile take(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") int release,
            @RequestParam(defaultValue = "") String name,
            @RequestBody byte[] file,
            @AuthenticationPrincipal Author author) {
        return forms.take(id, release, file, new Bringing(name, author.id()));
    }
}
