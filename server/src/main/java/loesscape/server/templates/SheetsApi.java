package loesscape.server.templates;

import java.util.UUID;
import loesscape.server.platform.web.Problems;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The PDF files beside a template. */
@RestController
@RequestMapping("/api/templates/{id}/sheets/{name}")
class SheetsApi {

    private final SheetStore sheets;
    private final SheetPictures pictures;

    SheetsApi(SheetStore sheets, SheetPictures pictures) {
        this.sheets = sheets;
        this.pictures = pictures;
    }

    @GetMapping("/pages/{page}")
    ResponseEntity<byte[]> page(@PathVariable UUID id, @PathVariable String name, @PathVariable int page) {
        return pictures.answer(id, name, page);
    }

    /** The file as it was brought. */
    @GetMapping("/original")
    ResponseEntity<byte[]> original(@PathVariable UUID id, @PathVariable String name) {
        SheetStore.Original original = sheets.original(id, name)
                .orElseThrow(() -> new Problems.Missing("The file as it was brought is not kept here."));
        return TemplatesApi.download(original.content(), MediaType.APPLICATION_PDF, original.name());
    }
}
