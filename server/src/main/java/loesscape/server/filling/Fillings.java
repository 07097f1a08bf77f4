package loesscape.server.filling;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Progress;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.State;
import loesscape.core.model.Node;
import loesscape.core.model.Refused;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.signing.FinishedDocument;
import loesscape.core.signing.SignedDocument;
import loesscape.core.wording.Display;
import loesscape.formats.export.RecordRow;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.picture.SafePicture;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.files.FileStore;
import loesscape.server.filling.FillingStore.Filling;
import loesscape.server.filling.FillingStore.Known;
import loesscape.server.platform.database.Forcing;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.ReadingCopies;
import loesscape.server.records.RecordDocuments;
import loesscape.server.records.RecordStore;
import loesscape.server.records.RecordStore.StoredRecord;
import loesscape.server.records.Records;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.ReleaseStore.LinkTarget;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.SheetPictures;
import loesscape.server.templates.SheetStore;
import loesscape.server.templates.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The filler's side of the server: a release filled in through a link, kept answer by answer, finished once. */
@Service
public class Fillings {

    private final ReleaseStore links;
    private final ReleasedTemplates releases;
    private final FillingStore fillings;
    private final RecordStore records;
    private final TemplateStore templates;
    private final FileStore files;
    private final AnswerRules rules;
    private final RecordDocuments pdfs;
    private final Forcing forcing;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final SheetPictures sheetPictures;
    private final OrganisationStore organisations;
    private final ReadingCopies copies;
    private final Clock clock;

    Fillings(
            ReleaseStore links,
            ReleasedTemplates releases,
            FillingStore fillings,
            RecordStore records,
            TemplateStore templates,
            FileStore files,
            AnswerRules rules,
            RecordDocuments pdfs,
            Forcing forcing,
            PictureStore pictures,
            SheetStore sheets,
            SheetPictures sheetPictures,
            OrganisationStore organisations,
            ReadingCopies copies,
            Clock clock) {
        this.links = links;
        this.releases = releases;
        this.fillings = fillings;
        this.records = records;
        this.templates = templates;
        this.files = files;
        this.rules = rules;
        this.pdfs = pdfs;
        this.forcing = forcing;
        this.pictures = pictures;
        this.sheets = sheets;
        this.sheetPictures = sheetPictures;
        this.organisations = organisations;
        this.copies = copies;
        this.clock = clock;
    }

    /**
     * What an answer changed, and what is still needed.
     *
     * @param held what of the document holds other things now than before, as its reader is told of it
     * @param nodes what the reader is told of for the first time, or otherwise than before
     * @param states what stands otherwise than before
     */
    public record AnswerKept(
            Instant kept,
            Map<String, List<String>> held,
            Map<String, Node> nodes,
            Map<String, NodeState> states,
            List<Progress> progress,
            List<State.Obstacle> obstacles) {

        /** What a reader is told after an answer. */
        public static AnswerKept of(
                Instant kept,
                Template template,
                State before,
                Answers given,
                State after,
                Answers answers,
                List<State.Obstacle> obstacles) {
            Disclosure changed = Disclosure.change(template, before, given, after, answers);
            return new AnswerKept(
                    kept, changed.held(), changed.nodes(), changed.states(), Progress.of(template, after), obstacles);
        }
    }

    /** How an attempt to finish ended: a record, or what is still in the way. */
    public record Finished(@Nullable Integer record, List<State.Obstacle> obstacles) {}

    /** A PDF with the name to save it under. */
    record Pdf(byte[] bytes, int record) {}

    /** A picture of the document behind a link. */
    @Transactional(readOnly = true)
    public Optional<SafePicture> picture(String link, String name) {
        return pictures.find(target(link).template(), name);
    }

    /** The logo of who hands out the document behind a link. */
    @Transactional(readOnly = true)
    public Optional<SafePicture> logo(String link) {
        target(link);
        return organisations.logo();
    }

    @Transactional(readOnly = true)
    public Sheet open(String link, @Nullable String secret) {
        LinkTarget target = target(link);
        CompiledTemplate release = release(target);
        Filling filling = secret == null ? null : fillings.find(link, secret).orElse(null);
        if (filling == null || filling.finished() == null) {
            checkOpen(target);
        }
        Answers answers = filling == null ? Answers.NONE : filling.answers();
        Integer record = filling == null || filling.finished() == null
                ? null
                : records.ofFilling(filling.id()).map(StoredRecord::number).orElse(null);
        return Sheet.of(release.template(), release.evaluate(answers, now()), answers, organisations.find(), record);
    }

    /**
     * Makes sure that a link leads somewhere.
     *
     * @throws Problems.Missing where it does not
     */
    @Transactional(readOnly = true)
    public void follow(String link) {
        target(link);
    }

    /**
     * What came of something that a browser did.
     *
     * @param secret by which the browser knows its filling from now on
     */
    public record Done<T>(String secret, T outcome) {}

    /** Begins a filling where a browser knows none that is still there; tells the secret of that or of the one it knows. */
    @Transactional
    public String begin(String link, @Nullable String secret) {
        checkOpen(target(link));
        return known(link, secret).secret();
    }

    /** The filling a browser knows, locked, or a new one. */
    private Known known(String link, @Nullable String secret) {
        return Optional.ofNullable(secret)
                .flatMap(it -> fillings.lock(link, it).map(filling -> new Known(it, filling)))
                .orElseGet(() -> fillings.begin(link));
    }

    @Transactional
    public Done<AnswerKept> answer(String link, @Nullable String secret, String key, String typed) {
        LinkTarget target = target(link);
        checkOpen(target);
        CompiledTemplate release = release(target);
        Known known = known(link, secret);
        Filling filling = open(known.filling());
        Session session = release.session(filling.answers(), now());
        State before = session.state();
        String kept = rules.check(release, before, filling.id(), key, typed);
        fillings.keep(filling.id(), key, kept);
        Answers answers = filling.answers().with(key, kept);
        session.answer(key, kept);
        State after = session.state();
        return new Done<>(
                known.secret(),
                AnswerKept.of(
                        clock.instant(),
                        release.template(),
                        before,
                        filling.answers(),
                        after,
                        answers,
                        after.obstacles()));
    }

    /** Keeps a file of a filling that was begun, and tells its identity. */
    @Transactional
    public String handIn(String link, String secret, FileStore.Incoming file) {
        checkOpen(target(link));
        Filling filling = open(fillings.lock(link, secret).orElseThrow(Fillings::noFilling));
        return rules.handIn(filling.id(), file);
    }

    /** A file that this browser handed in. */
    @Transactional(readOnly = true)
    public FileStore.Outgoing file(String link, String secret, String id) {
        target(link);
        return fillings.find(link, secret)
                .flatMap(filling -> files.find(filling.id(), id))
                .orElseThrow(() -> new Problems.Missing("There is no such file."));
    }

    @Transactional
    public Done<Finished> finish(String link, @Nullable String secret) {
        LinkTarget target = target(link);
        templates.lock(target.template());
        Known known = known(link, secret);
        Filling filling = known.filling();
        if (filling.finished() != null) {
            return new Done<>(
                    known.secret(),
                    new Finished(
                            records.ofFilling(filling.id())
                                    .map(StoredRecord::number)
                                    .orElse(null),
                            List.of()));
        }
        checkOpen(target);
        return new Done<>(known.secret(), finish(target.template(), target.release(), filling.id(), filling.answers()));
    }

    /**
     * Finishes at once what was filled in elsewhere.
     *
     * @param answers as {@link AnswerRules} take them
     * @return the number of the record
     * @throws Refused where something is in the way of finishing it
     */
    @Transactional
    public int take(UUID template, int release, Answers answers) {
        templates.lock(template);
        long filling = fillings.begin();
        answers.typed().forEach((address, typed) -> fillings.keep(filling, address, typed));
        Finished finished = finish(template, release, filling, answers);
        if (finished.record() == null) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, finished.obstacles().getFirst().message());
        }
        return finished.record();
    }

    private Finished finish(UUID template, int release, long filling, Answers given) {
        SignedDocument document = SignedDocument.ofOne(releases.get(template, release));
        LocalDate today = LocalDate.now(clock);
        Answers answers = given;
        State state = document.state("", answers, today);
        if (!state.obstacles().isEmpty()) {
            return new Finished(null, state.obstacles());
        }
        List<String> days = document.signingDays("", state);
        for (String address : days) {
            fillings.keep(filling, address, today.toString());
            answers = answers.with(address, today.toString());
        }
        if (!days.isEmpty()) {
            state = document.state("", answers, today);
        }
        FinishedDocument whole =
                document.after(document.snapshot("", answers, state, today)).finish(answers, today);
        Instant finished = fillings.finish(filling);
        int number = records.add(template, release, filling, finished, whole);
        forcing.whenCommitted();
        return new Finished(number, List.of());
    }

    public Pdf pdf(String link, String secret) {
        LinkTarget target = target(link);
        StoredRecord record = fillings.find(link, secret)
                .flatMap(filling -> records.ofFilling(filling.id()))
                .orElseThrow(() -> new Problems.Missing("This is not finished yet, so there is no PDF."));
        RecordRow row = Records.row(release(target), record, clock);
        return new Pdf(pdfs.of(target.template(), row), record.number());
    }

    /** The document as it would be now, to be read. */
    ReadingCopies.ReadingCopy copy(String link, @Nullable String secret) {
        LinkTarget target = target(link);
        checkOpen(target);
        Filling filling = begun(link, secret);
        Content content = content(target, filling);
        return copies.of(
                content,
                () -> PrintedRecord.Pictures.of(
                        content,
                        name -> pictures.find(target.template(), name),
                        file -> (filling == null
                                        ? Optional.<FileStore.Outgoing>empty()
                                        : files.find(filling.id(), file))
                                .map(FileStore.Outgoing::taken),
                        name -> sheets.find(target.template(), name)));
    }

    /** What the document would say now. */
    Content content(String link, @Nullable String secret) {
        LinkTarget target = target(link);
        checkOpen(target);
        return content(target, begun(link, secret));
    }

    private @Nullable Filling begun(String link, @Nullable String secret) {
        return secret == null ? null : fillings.find(link, secret).orElse(null);
    }

    private Content content(LinkTarget target, @Nullable Filling filling) {
        Answers answers = filling == null ? Answers.NONE : filling.answers();
        CompiledTemplate release = release(target);
        State state = release.evaluate(answers, new Context(LocalDate.now(clock), Stage.FINISHED, ""));
        return Content.of(release.template(), state);
    }

    /** A page of a PDF that the release is written on; of no other, for there may be pages in it that nobody has seen yet. */
    ResponseEntity<byte[]> sheet(String link, String name, int page) {
        LinkTarget target = target(link);
        checkOpen(target);
        if (!release(target).template().sheets().contains(name)) {
            throw new Problems.Missing("There is no such page.");
        }
        return sheetPictures.answer(target.template(), name, page);
    }

    private static Filling open(Filling filling) {
        if (filling.finished() != null) {
            throw new Refused(
                    Refused.Cause.NOT_NOW, "This document is finished; its answers can no longer be changed.");
        }
        return filling;
    }

    private Context now() {
        return Context.filling(LocalDate.now(clock));
    }

    private LinkTarget target(String link) {
        return links.follow(link)
                .orElseThrow(() -> new Problems.Missing("This link leads nowhere. Ask whoever sent it for a new one."));
    }

    private void checkOpen(LinkTarget target) {
        Instant opens = target.opening().opens();
        Instant closes = target.opening().closes();
        if (target.ended() != null) {
            throw new Problems.Ended("This link was ended. Ask whoever sent it for a new one.");
        }
        if (closes != null && !clock.instant().isBefore(closes)) {
            throw new Problems.Ended(
                    "This closed on %s. What was finished before is still there.".formatted(day(closes)));
        }
        if (opens != null && clock.instant().isBefore(opens)) {
            throw new Refused(Refused.Cause.NOT_NOW, "This opens on %s; come again then.".formatted(day(opens)));
        }
    }

    private String day(Instant instant) {
        return Display.day(LocalDate.ofInstant(instant, clock.getZone()))
                + DateTimeFormatter.ofPattern(", HH:mm").format(instant.atZone(clock.getZone()));
    }

    private CompiledTemplate release(LinkTarget target) {
        return releases.get(target.template(), target.release());
    }

    private static Problems.Missing noFilling() {
        return new Problems.Missing("This browser has not begun to fill in the document.");
    }
}
