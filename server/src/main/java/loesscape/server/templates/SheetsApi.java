package loesscape.server.templates;

import java.util.List;
import java.util.UUID;
import loesscape.formats.flat.FlatPage;
import loesscape.server.platform.web.Problems;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The PDF files beside a template. */
@RestController
@RequestMapping("/api/templates/{id}/sheets/{name}")
class SheetsApi {

    private final SheetStore sheets;
    private final SheetPictures pictures;

    private final FoundPlaces found;

    SheetsApi(SheetStore sheets, SheetPictures pictures, FoundPlaces found) {
        this.sheets = sheets;
        this.pictures = pictures;
        this.found = found;
    }

    /**
     * What is found on a page to be filled in.
     *
     * @param left the numbers of what authors do not want
     */
    public record FoundOnPage(FlatPage page, List<Integer> left) {}

    /** What is not wanted of what was found, by numbers. */
    public record LeftProposals(List<Integer> numbers) {}

    @GetMapping("/pages/{page}/found")
    FoundOnPage found(@PathVariable UUID id, @PathVariable String name, @PathVariable int page) {
        return new FoundOnPage(found.on(id, name, page), found.left(id, name, page));
    }

    @PutMapping("/pages/{page}/left")
    FoundOnPage leave(
            @PathVariable UUID id, @PathVariable String name, @PathVariable int page, @RequestBody LeftProposals left) {
        found.leave(id, name, page, left.numbers());
        return found(id, name, page);
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
