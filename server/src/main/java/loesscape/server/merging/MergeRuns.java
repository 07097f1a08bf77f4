package loesscape.server.merging;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import loesscape.core.model.Refused;
import loesscape.formats.answers.Merging;
import loesscape.formats.answers.Merging.Making;
import loesscape.formats.answers.Merging.MergedFile;
import loesscape.server.files.FileNames;
import loesscape.server.forms.AnswerFiles;
import loesscape.server.merging.MergeRunStore.Order;
import loesscape.server.merging.MergeRunStore.Remarked;
import loesscape.server.merging.MergeRunStore.RunStanding;
import loesscape.server.platform.database.Spool;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.ReleasedTemplates;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Runs in which documents are made: begun, looked at, stopped, saved, thrown away, each by whoever began it. */
@Service
class MergeRuns {

    private static final int MOST_DOCUMENTS = 2_000;
    private static final int MOST_UNDER_WAY = 2;
    private static final int MOST_SHOWN = 50;
    private final MergeRunStore store;
    private final ReleasedTemplates releases;
    private final AnswerFiles answerFiles;
    private final Spool spool;

    MergeRuns(MergeRunStore store, ReleasedTemplates releases, AnswerFiles answerFiles, Spool spool) {
        this.store = store;
        this.releases = releases;
        this.answerFiles = answerFiles;
        this.spool = spool;
    }

    /**
     * A run, as whoever began it sees it.
     *
     * @param name of the file with the answers
     * @param documents how many there are answers for
     * @param tried how many were made or could not be
     * @param made how many there are
     * @param ended null while it goes on
     * @param remarked the first of which there is something to say
     */
    record MergeRun(
            String id,
            int release,
            Making making,
            String name,
            int documents,
            int tried,
            int made,
            Instant begun,
            @Nullable Instant ended,
            List<Remarked> remarked) {}

    /** The runs of an account with a template, the newest first. */
    record MergeRunList(List<MergeRun> runs) {}

    MergeRunList list(UUID template, long account) {
        return new MergeRunList(store.list(template, account).stream()
                .map(run -> new MergeRun(
                        run.id().toString(),
                        run.release(),
                        run.making(),
                        run.name(),
                        run.documents(),
                        run.tried(),
                        run.made(),
                        run.begun(),
                        run.ended(),
                        store.remarked(run.id(), MOST_SHOWN)))
                .toList());
    }

    /** Begins a run. */
    void begin(UUID template, int release, Making making, String name, byte[] file, long account) {
        releases.get(template, release);
        int documents = answerFiles.read(file).size();
        if (documents > MOST_DOCUMENTS) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "The file has answers for %,d documents; at most %,d are made at once. Split it, or use “loesscape merge”."
                            .formatted(documents, MOST_DOCUMENTS));
        }
        if (store.underWay(account) >= MOST_UNDER_WAY) {
            throw new Refused(
                    Refused.Cause.NOT_NOW,
                    "%d of your runs go on already; wait for one of them, or stop it.".formatted(MOST_UNDER_WAY));
        }
        store.begin(new Order(template, release, making, FileNames.plain(name, "answers"), file, documents), account);
    }

    /** Ends a run; what was made stays. */
    void stop(UUID template, UUID run, long account) {
        store.end(find(template, run, account).id());
    }

    /** Throws a run away with all that was made. */
    void delete(UUID template, UUID run, long account) {
        store.delete(find(template, run, account).id());
    }

    private RunStanding find(UUID template, UUID run, long account) {
        return store.find(template, run, account)
                .orElseThrow(() -> new Problems.Missing("These documents are not here any more."));
    }

    /** All documents made so far in a zip archive, and a report; its caller sees to it that the file is deleted. */
    Path archive(UUID template, UUID run, long account) {
        RunStanding standing = find(template, run, account);
        Map<Integer, MergedFile> report = new TreeMap<>();
        return spool.make(out -> {
            try (ZipOutputStream zip = new ZipOutputStream(out)) {
                for (int number = 1; number <= standing.tried(); number++) {
                    MergedFile made = store.document(run, number);
                    if (made.file().isPresent()) {
                        entry(zip, made.name(), made.file().get());
                    }
                    report.put(
                            number, new MergedFile(made.name(), made.file().map(file -> new byte[0]), made.problems()));
                }
                entry(zip, "report.csv", Merging.report(report).getBytes(StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static void entry(ZipOutputStream zip, String name, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
        zip.closeEntry();
    }
}
