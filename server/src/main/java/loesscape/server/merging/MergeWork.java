package loesscape.server.merging;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import loesscape.core.model.Template;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.Merging;
import loesscape.formats.answers.Merging.MergedFile;
import loesscape.formats.template.TemplateArchive;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.forms.AnswerFiles;
import loesscape.server.merging.MergeRunStore.Order;
import loesscape.server.merging.MergeRunStore.RunProgress;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.SheetStore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Makes the documents of all runs that go on, a few of each in turn. Each is kept as soon as it is made, so that a server that
 * is stopped goes on where it was; one that cannot be made keeps no other.
 */
@Component
class MergeWork {

    private static final Logger LOG = LoggerFactory.getLogger(MergeWork.class);

    /** So many documents of a run are made before it is another's turn. */
    private static final int IN_TURN = 5;

    /** Answers of so many runs are held in memory; others wait for one of them to end. */
    private static final int AT_ONCE = 4;

    private static final long MOST_BYTES = 1_000_000_000;
    private static final Duration KEPT = Duration.ofDays(7);

    private final MergeRunStore store;
    private final AnswerFiles answerFiles;
    private final ReleasedTemplates releases;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final OrganisationStore organisations;
    private final HeavyWork heavy;
    private final Clock clock;
    private final Map<UUID, Begun> begun = new HashMap<>();

    /** A run with all it needs, kept while it goes on. */
    private static final class Begun {

        private final Merging merging;
        private final List<GivenAnswers> answers;
        private int tried;
        private long bytes;

        Begun(Merging merging, List<GivenAnswers> answers, RunProgress before) {
            this.merging = merging;
            this.answers = answers;
            this.tried = before.tried();
            this.bytes = before.bytes();
        }
    }

    MergeWork(
            MergeRunStore store,
            AnswerFiles answerFiles,
            ReleasedTemplates releases,
            PictureStore pictures,
            SheetStore sheets,
            OrganisationStore organisations,
            HeavyWork heavy,
            Clock clock) {
        this.store = store;
        this.answerFiles = answerFiles;
        this.releases = releases;
        this.pictures = pictures;
        this.sheets = sheets;
        this.organisations = organisations;
        this.heavy = heavy;
        this.clock = clock;
    }

    /** Goes on with all runs until none is left. */
    @Scheduled(fixedDelay = 500, timeUnit = TimeUnit.MILLISECONDS)
    void goOn() {
        try {
            List<UUID> underWay = store.underWay(AT_ONCE);
            while (!underWay.isEmpty()) {
                underWay.forEach(this::attempt);
                underWay = store.underWay(AT_ONCE);
            }
            begun.clear();
        } catch (Problems.Busy later) {
            // Others make documents too; it goes on in a moment.
        } catch (RuntimeException e) {
            if (!DatabaseFull.isBehind(e)) {
                LOG.warn("Documents were not made; it is tried again", e);
            }
        }
    }

    @Scheduled(fixedDelay = 60, timeUnit = TimeUnit.SECONDS)
    void clear() {
        store.clear(KEPT);
    }

    /** What goes wrong with a run ends it, and keeps no other. */
    private void attempt(UUID run) {
        try {
            turn(run);
        } catch (Problems.Busy later) {
            throw later;
        } catch (RuntimeException e) {
            DatabaseFull.passOn(e);
            LOG.error("Run {} could not go on, and was ended", run, e);
            store.end(run);
            begun.remove(run);
        }
    }

    private void turn(UUID run) {
        for (int i = 0; i < IN_TURN; i++) {
            Begun it = store.goesOn(run) ? begun(run) : null;
            if (it == null) {
                begun.remove(run);
                return;
            }
            if (it.tried >= it.answers.size() || it.bytes > MOST_BYTES) {
                store.end(run);
                return;
            }
            MergedFile made = made(it, it.tried + 1);
            try {
                store.keep(run, it.tried + 1, made);
            } catch (DataIntegrityViolationException thrownAway) {
                return;
            }
            it.tried++;
            it.bytes += made.file().map(file -> file.length).orElse(0);
        }
    }

    private @Nullable Begun begun(UUID run) {
        Begun known = begun.get(run);
        if (known == null) {
            known = store.order(run)
                    .map(order -> new Begun(merging(order), answerFiles.read(order.answers()), store.progress(run)))
                    .orElse(null);
            if (known != null) {
                begun.put(run, known);
            }
        }
        return known;
    }

    private Merging merging(Order order) {
        Template template = releases.get(order.template(), order.release()).template();
        TemplateArchive archive = new TemplateArchive(
                template,
                template.pictures().stream()
                        .flatMap(name -> pictures.find(order.template(), name).stream())
                        .toList(),
                template.sheets().stream()
                        .flatMap(name -> sheets.find(order.template(), name).stream()
                                .map(content -> new TemplateArchive.ArchivedSheet(name, content)))
                        .toList());
        return new Merging(archive, organisations.theme(), order.making(), LocalDate.now(clock), clock.instant());
    }

    private MergedFile made(Begun it, int number) {
        try {
            return heavy.run(() -> it.merging.make(number, it.answers.get(number - 1)));
        } catch (Problems.Busy busy) {
            throw busy;
        } catch (RuntimeException e) {
            LOG.error("Document {} of a run could not be made", number, e);
            return new MergedFile(
                    "%04d".formatted(number),
                    Optional.empty(),
                    List.of("This document could not be made; the log of the server says why."));
        }
    }
}
