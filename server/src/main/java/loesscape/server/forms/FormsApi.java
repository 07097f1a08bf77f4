package loesscape.server.forms;

import java.util.UUID;
import loesscape.server.templates.TemplatesApi;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Releases as files to be filled in. */
@RestController
@RequestMapping("/api/templates/{id}/releases/{number}")
class FormsApi {

    private final FormFiles forms;

    FormsApi(FormFiles forms) {
        this.forms = forms;
    }

    @GetMapping("/form.docx")
    ResponseEntity<byte[]> docx(@PathVariable UUID id, @PathVariable int number) {
        return TemplatesApi.download(forms.docx(id, number), TemplatesApi.DOCX, "form-release-" + number + ".docx");
    }
}
