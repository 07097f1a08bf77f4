package loesscape.server.records;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Field;
import loesscape.core.model.Stage;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.export.RecordRow;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.RecordStore.StoredRecord;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.ReleasedTemplates;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The records of a template, over all its releases. */
@Service
public class Records {

    private final RecordStore records;
    private final ReleaseStore releaseList;
    private final ReleasedTemplates releases;
    private final Clock clock;

    Records(RecordStore records, ReleaseStore releaseList, ReleasedTemplates releases, Clock clock) {
        this.records = records;
        this.releaseList = releaseList;
        this.releases = releases;
        this.clock = clock;
    }

    /** The records, the newest first. */
    @Transactional(readOnly = true)
    public List<RecordRow> rows(UUID template) {
        return records.list(template).stream().map(kept -> row(template, kept)).toList();
    }

    /** A page of records, ordered by what is known without looking into them. */
    @Transactional(readOnly = true)
    public List<RecordRow> page(UUID template, RecordStore.Order order, boolean descending, int page, int size) {
        return records.page(template, order, descending, page, size).stream()
                .map(kept -> row(template, kept))
                .toList();
    }

    /** How many records there are. */
    public int count(UUID template) {
        return records.count(template);
    }

    /** The number of the next record after one, or of the one before it; null at the ends. */
    public @Nullable Integer neighbour(UUID template, int number, boolean isAfter) {
        return records.neighbour(template, number, isAfter).orElse(null);
    }

    /** One record. */
    @Transactional(readOnly = true)
    public RecordRow row(UUID template, int number) {
        return row(
                template,
                records.find(template, number)
                        .orElseThrow(() -> new Problems.Missing("There is no record %d.".formatted(number))));
    }

    private RecordRow row(UUID template, StoredRecord kept) {
        return row(releases.get(template, kept.release()), kept, clock);
    }

    /** A record as it stands: it is finished, its day is the one on which that was, and what was settled then stays so. */
    public static RecordRow row(CompiledTemplate release, StoredRecord kept, Clock clock) {
        LocalDate day = LocalDate.ofInstant(kept.finished(), clock.getZone());
        return new RecordRow(
                new RecordHeading(kept.number(), kept.release(), kept.finished()),
                release.template(),
                release.evaluate(kept.answers(), new Context(day, Stage.FINISHED, ""), kept.settled()),
                kept.settled());
    }

    /** The fields of all releases, those of the newest first, each key once. */
    @Transactional(readOnly = true)
    public List<Field> fields(UUID template) {
        List<Field> fields = new ArrayList<>();
        Set<String> keys = new HashSet<>();
        for (ReleaseStore.ListedRelease release : releaseList.list(template)) {
            for (Field field :
                    releases.get(template, release.number()).template().fields()) {
                if (keys.add(field.key())) {
                    fields.add(field);
                }
            }
        }
        return fields;
    }

    /** What was asked and answered, whether or not it stands in the document. */
    static Content asked(RecordRow row) {
        return Content.asked(row.template(), row.state(), row.settled());
    }

    /** What the document of a record says. */
    static Content content(RecordRow row) {
        return Content.of(row.template(), row.state(), row.settled());
    }

    /** The answer of a record to a field, in words; empty where it was not asked or not answered. */
    static String text(RecordRow row, Field column) {
        return row.template().fields().stream()
                .filter(field -> field.key().equals(column.key()))
                .findFirst()
                .map(field -> row.state().answers(field.key()).stream()
                        .map(value -> Display.of(field.kind(), value))
                        .filter(text -> !text.isEmpty())
                        .collect(Collectors.joining("; ")))
                .orElse("");
    }

    /** Tells whether a record says a text anywhere, without regard to case. */
    static boolean says(RecordRow row, List<Field> columns, String text) {
        String sought = text.strip().toLowerCase(Locale.ROOT);
        return sought.isEmpty()
                || columns.stream()
                        .anyMatch(column ->
                                text(row, column).toLowerCase(Locale.ROOT).contains(sought));
    }

    /** Orders records by the answer to a field: numbers and dates by size, texts by alphabet, blanks last. */
    static Comparator<RecordRow> by(String key, boolean descending) {
        Comparator<Value> values = Records::compare;
        Comparator<Value> directed = descending ? values.reversed() : values;
        return (a, b) -> {
            Value left = value(a, key);
            Value right = value(b, key);
            if (left.isBlank() || right.isBlank()) {
                return Boolean.compare(left.isBlank(), right.isBlank());
            }
            return directed.compare(left, right);
        };
    }

    private static Value value(RecordRow row, String key) {
        return row.state().answers(key).stream().findFirst().orElse(Value.blank());
    }

    private static int compare(Value left, Value right) {
        return switch (left) {
            case Value.Number(var a) when right instanceof Value.Number(var b) -> a.compareTo(b);
            case Value.Date(var a) when right instanceof Value.Date(var b) -> a.compareTo(b);
            case Value.Text(var a)
            when right instanceof Value.Text(var b) -> String.CASE_INSENSITIVE_ORDER.compare(a, b);
            case Value.Time(var a) when right instanceof Value.Time(var b) -> a.compareTo(b);
            case Value.Chosen(var a, var words)
            when right instanceof Value.Chosen(var b, var others) -> (a + words).compareTo(b + others);
            case Value.YesNo(var a) when right instanceof Value.YesNo(var b) -> Boolean.compare(b, a);
            default -> left.getClass().getName().compareTo(right.getClass().getName());
        };
    }
}
