package loesscape.server.templates;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import loesscape.core.model.Keys;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.template.TemplateArchive;
import loesscape.formats.template.TemplateFile;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.accounts.Right;
import loesscape.server.accounts.Rights;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The list of templates, new ones, and template files in and out. */
@RestController
public class TemplatesApi {

    /** Documents of word processors in Office Open XML. */
    public static final MediaType DOCX =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.wordprocessingml.document");

    private final TemplateStore templates;
    private final Rights rights;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final TemplateImports imports;
    private final OrganisationStore organisations;

    public TemplatesApi(
            TemplateStore templates,
            Rights rights,
            PictureStore pictures,
            SheetStore sheets,
            TemplateImports imports,
            OrganisationStore organisations) {
        this.templates = templates;
        this.rights = rights;
        this.pictures = pictures;
        this.sheets = sheets;
        this.imports = imports;
        this.organisations = organisations;
    }

    /** How a template stands between its working copy and its releases. */
    public enum TemplateStanding {
        NEVER_RELEASED,
        RELEASED,
        CHANGED_SINCE_RELEASE
    }

    /** A template in the list. */
    public record TemplateRow(
            String id,
            String title,
            TemplateStanding standing,
            Instant changed,
            int releases,
            int records,
            Right may) {}

    /** All templates, the last changed first. */
    public record TemplateList(List<TemplateRow> templates) {}

    /** What to call a new template. */
    public record NewTemplate(String title) {}

    /**
     * Which template was made of a file.
     *
     * @param remarks what its author should know of it, a sentence each
     */
    public record TemplateImported(String id, List<String> remarks) {}

    /** Which template was made. */
    public record TemplateMade(String id) {}

    @GetMapping("/api/templates")
    TemplateList list(@AuthenticationPrincipal Author author) {
        return new TemplateList(templates.list(author.id()).stream()
                .map(row -> new TemplateRow(
                        row.id().toString(),
                        row.title(),
                        standing(row),
                        row.changed(),
                        row.releases(),
                        row.records(),
                        rights.of(author, row.id()).orElse(Right.NONE)))
                .toList());
    }

    private static TemplateStanding standing(TemplateStore.ListedTemplate row) {
        if (row.releases() == 0) {
            return TemplateStanding.NEVER_RELEASED;
        }
        return row.revision() == row.releasedRevision()
                ? TemplateStanding.RELEASED
                : TemplateStanding.CHANGED_SINCE_RELEASE;
    }

    @PostMapping("/api/templates")
    TemplateMade make(@RequestBody NewTemplate wanted, @AuthenticationPrincipal Author author) {
        String title =
                wanted.title().isBlank() ? "Untitled document" : wanted.title().strip();
        Section section = Section.of("section_1", "", List.of());
        Template template = Template.of(title, List.of(new Page("page_1", "", null, List.of(section))))
                .withPaper(organisations.stationery().paper());
        return new TemplateMade(
                templates.add(Validation.require(template), author.id()).toString());
    }

    /**
     * Makes a template of a file: of a template file or archive, or of a PDF, whose pages it is written on.
     *
     * @param name what the file is called
     * @param password by which a PDF opens; it is not kept
     */
    @PostMapping("/api/templates/import")
    TemplateImported importFile(
            InputStream body,
            @RequestParam(defaultValue = "") String name,
            @RequestHeader(name = "X-Document-Password", defaultValue = "") String password,
            @AuthenticationPrincipal Author author)
            throws IOException {
        // It is told in letters of ASCII, as headers are.
        String plain = URLDecoder.decode(password, StandardCharsets.UTF_8);
        return imports.take(body.readAllBytes(), name, plain, author.id());
    }

    @GetMapping("/api/templates/{id}/file")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> file(@PathVariable UUID id) {
        Template template =
                templates.find(id).orElseThrow(TemplateStore::missing).template();
        String name = Keys.from(template.title(), "template", taken -> false).replace('_', '-');
        List<SafePicture> beside = pictures.all(id);
        List<TemplateArchive.ArchivedSheet> papers = sheets.names(id).stream()
                .filter(template.sheets()::contains)
                .map(each -> new TemplateArchive.ArchivedSheet(
                        each, sheets.find(id, each).orElseThrow(TemplateStore::missing)))
                .toList();
        return beside.isEmpty() && papers.isEmpty()
                ? download(
                        TemplateFile.write(template).getBytes(StandardCharsets.UTF_8),
                        MediaType.APPLICATION_JSON,
                        name + ".loess.json")
                : download(
                        new TemplateArchive(template, beside, papers).write(),
                        MediaType.APPLICATION_OCTET_STREAM,
                        name + ".loess");
    }

    /** Bytes to be saved under a name. */
    public static ResponseEntity<byte[]> download(byte[] bytes, MediaType type, String name) {
        return download(type, name).body(bytes);
    }

    /** The same of a file that is deleted afterwards. */
    public static ResponseEntity<Resource> download(Path file, MediaType type, String name) {
        try {
            return download(type, name)
                    .contentLength(Files.size(file))
                    .body(new InputStreamResource(Files.newInputStream(file, StandardOpenOption.DELETE_ON_CLOSE)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ResponseEntity.BodyBuilder download(MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString());
    }
}
