package loesscape.server.forms;

import java.util.List;
import java.util.UUID;
import loesscape.core.script.LeftOut;
import loesscape.server.templates.TemplatesApi;
import org.springframework.http.MediaType;
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

    /**
     * What is to be known before a form is saved.
     *
     * @param leftOut what the PDF form does not do
     */
    public record FormAbout(int release, List<LeftOut> leftOut) {}

    @GetMapping("/form.json")
    FormAbout about(@PathVariable UUID id, @PathVariable int number) {
        return new FormAbout(number, forms.pdf(id, number).leftOut());
    }

    @GetMapping("/form.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, @PathVariable int number) {
        return TemplatesApi.download(
                forms.pdf(id, number).file(), MediaType.APPLICATION_PDF, "form-release-" + number + ".pdf");
    }

    @GetMapping("/form.docx")
    ResponseEntity<byte[]> docx(@PathVariable UUID id, @PathVariable int number) {
        return TemplatesApi.download(forms.docx(id, number), TemplatesApi.DOCX, "form-release-" + number + ".docx");
    }
}
