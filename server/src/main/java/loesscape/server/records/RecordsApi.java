package loesscape.server.records;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.NodeState;
import loesscape.core.model.Field;
import loesscape.core.model.Value;
import loesscape.formats.export.RecordRow;
import loesscape.formats.export.RecordsCsv;
import loesscape.formats.export.RecordsJson;
import loesscape.server.files.FileStore;
import loesscape.server.files.HandedIn;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.PageWanted;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.ReturnedFormStore.BroughtIn;
import loesscape.server.records.ReturnedFormStore.ReturnedForm;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplatesApi;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The Records table of a template, one record, and the exports. */
@RestController
@RequestMapping("/api/templates/{id}")
class RecordsApi {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final Records records;
    private final TemplateStore templates;
    private final FileStore files;
    private final RecordEvidence evidence;
    private final RecordDocuments documents;
    private final ReturnedFormStore returned;

    RecordsApi(
            Records records,
            TemplateStore templates,
            FileStore files,
            RecordEvidence evidence,
            RecordDocuments documents,
            ReturnedFormStore returned) {
        this.documents = documents;
        this.returned = returned;
        this.records = records;
        this.templates = templates;
        this.files = files;
        this.evidence = evidence;
    }

    /** A column that can be shown. */
    public record RecordColumn(String key, String name, String label, boolean numeric) {}

    /** A line of the table; the cells by column key, only those that say something. */
    public record Row(int number, int release, Instant finished, Map<String, String> cells) {}

    /** The table: all columns, a page of rows, how many rows say what was asked for, and how many there are. */
    public record RecordTable(String title, List<RecordColumn> columns, List<Row> rows, int found, int total) {}

    /**
     * One record, with the files that were handed in, and the numbers of its neighbours; null at the ends.
     *
     * @param broken what of it is not what was signed, in a sentence; empty where all is
     * @param broughtIn of which file it was made; null where it was filled in here
     */
    public record RecordPage(
            int number,
            int release,
            Instant finished,
            Content content,
            List<Value.File> files,
            String broken,
            @Nullable BroughtIn broughtIn,
            @Nullable Integer newer,
            @Nullable Integer older) {}

    @GetMapping("/records")
    RecordTable table(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "number") String sort,
            @RequestParam(defaultValue = "true") boolean descending,
            @RequestParam(defaultValue = "") String filter,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "100") int size) {
        PageWanted.check(page, size);
        String title = templates.title(id).orElseThrow(TemplateStore::missing);
        List<Field> fields = records.fields(id);
        int total = records.count(id);
        int found = total;
        List<RecordRow> shown;
        RecordStore.Order known = KNOWN.get(sort);
        if (known != null && filter.isBlank()) {
            shown = records.page(id, known, descending, page, size);
        } else {
            // What they say is known only once they are evaluated.
            List<RecordRow> wanted = new ArrayList<>(records.rows(id));
            wanted.removeIf(row -> !Records.says(row, fields, filter));
            wanted.sort(order(sort, descending));
            found = wanted.size();
            shown = wanted.stream().skip((long) page * size).limit(size).toList();
        }
        return new RecordTable(
                title,
                fields.stream()
                        .map(field -> new RecordColumn(
                                field.key(),
                                field.name(),
                                field.label(),
                                field.kind().isNumeric()))
                        .toList(),
                shown.stream().map(row -> line(row, fields)).toList(),
                found,
                total);
    }

    private static final Map<String, RecordStore.Order> KNOWN = Map.of(
            "number", RecordStore.Order.NUMBER,
            "release", RecordStore.Order.RELEASE,
            "finished", RecordStore.Order.FINISHED);

    private static Comparator<RecordRow> order(String sort, boolean descending) {
        Comparator<RecordRow> numbers =
                Comparator.comparingInt(row -> row.heading().number());
        Comparator<RecordRow> newest = numbers.reversed();
        return switch (sort) {
            case "number" -> descending ? newest : numbers;
            case "release" -> {
                Comparator<RecordRow> byRelease =
                        Comparator.comparingInt(row -> row.heading().release());
                yield (descending ? byRelease.reversed() : byRelease).thenComparing(newest);
            }
            case "finished" -> {
                Comparator<RecordRow> byTime =
                        Comparator.comparing(row -> row.heading().finished());
                yield (descending ? byTime.reversed() : byTime).thenComparing(newest);
            }
            default -> Records.by(sort, descending).thenComparing(newest);
        };
    }

    private static Row line(RecordRow row, List<Field> fields) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (Field field : fields) {
            String text = Records.text(row, field);
            if (!text.isEmpty()) {
                cells.put(field.key(), text);
            }
        }
        return new Row(
                row.heading().number(), row.heading().release(), row.heading().finished(), cells);
    }

    @GetMapping("/records/{number}")
    RecordPage page(@PathVariable UUID id, @PathVariable int number) {
        RecordRow row = records.row(id, number);
        return new RecordPage(
                number,
                row.heading().release(),
                row.heading().finished(),
                Records.asked(row),
                handedIn(row),
                evidence.problem(id, number).orElse(""),
                returned.about(id, number).orElse(null),
                records.neighbour(id, number, true),
                records.neighbour(id, number, false));
    }

    /** A file that was handed in with a record and counts in it. */
    @GetMapping("/records/{number}/files/{file}")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<Resource> file(@PathVariable UUID id, @PathVariable int number, @PathVariable String file) {
        boolean counts = handedIn(records.row(id, number)).stream()
                .anyMatch(each -> each.id().equals(file));
        return HandedIn.answer((counts ? files.ofRecord(id, number, file) : Optional.<FileStore.Outgoing>empty())
                .orElseThrow(() -> new Problems.Missing("There is no such file.")));
    }

    /** The file with answers that a record was made of. */
    @GetMapping("/records/{number}/returned")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> returned(@PathVariable UUID id, @PathVariable int number) {
        ReturnedForm form = returned.file(id, number)
                .orElseThrow(() -> new Problems.Missing("The file it was made of is not kept here."));
        return TemplatesApi.download(
                Objects.requireNonNull(form.content()), MediaType.APPLICATION_OCTET_STREAM, form.name());
    }

    private static List<Value.File> handedIn(RecordRow row) {
        List<Value.File> all = new ArrayList<>();
        row.state().nodes().values().forEach(node -> {
            if (node instanceof NodeState.FieldState field && field.value() instanceof Value.Files(var handedIn)) {
                all.addAll(handedIn);
            }
        });
        return all;
    }

    @GetMapping("/records/{number}/record.pdf")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, @PathVariable int number) {
        RecordRow row = records.row(id, number);
        return TemplatesApi.download(documents.of(id, row), MediaType.APPLICATION_PDF, "record-" + number + ".pdf");
    }

    @GetMapping("/records/{number}/record.docx")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> docx(@PathVariable UUID id, @PathVariable int number) {
        RecordRow row = records.row(id, number);
        return TemplatesApi.download(
                documents.forWordProcessors(id, row), TemplatesApi.DOCX, "record-" + number + ".docx");
    }

    @GetMapping("/records.csv")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> csv(@PathVariable UUID id) {
        String text = RecordsCsv.write(records.fields(id), records.rows(id));
        return TemplatesApi.download(text.getBytes(StandardCharsets.UTF_8), CSV, "records.csv");
    }

    @GetMapping("/records.json")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> json(@PathVariable UUID id) {
        String text = RecordsJson.write(records.rows(id));
        return TemplatesApi.download(text.getBytes(StandardCharsets.UTF_8), MediaType.APPLICATION_JSON, "records.json");
    }
}
