package loesscape.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.State;
import loesscape.core.signing.Answering;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.NotNow;
import loesscape.core.signing.Party;
import loesscape.core.signing.Person;
import loesscape.core.signing.SignedDocument;
import loesscape.core.signing.Signing;
import loesscape.core.signing.Snapshot;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.picture.SafePicture;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.files.FileStore;
import loesscape.server.filling.AnswerRules;
import loesscape.server.filling.FillingStore;
import loesscape.server.filling.Fillings.AnswerKept;
import loesscape.server.filling.LinkThrottle;
import loesscape.server.filling.Sheet;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.ReadingCopies;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.signing.TurnLinks.Caller;
import loesscape.server.signing.TurnLinks.Followed;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.SheetPictures;
import loesscape.server.templates.SheetStore;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The signers' side of the server: a turn opened, filled in, finished, declined or handed on, through a link of one's own. */
@Service
public class Turns {

    private final DispatchStore dispatches;
    private final PartyLinkStore partyLinks;
    private final SealStore seals;
    private final FillingStore fillings;
    private final FileStore files;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final SheetPictures sheetPictures;
    private final OrganisationStore organisations;
    private final AnswerRules rules;
    private final DispatchService dispatchService;
    private final Payments payments;
    private final TurnLinks links;
    private final ReadingCopies copies;
    private final LinkThrottle throttle;
    private final Clock clock;

    Turns(
            DispatchStore dispatches,
            PartyLinkStore partyLinks,
            SealStore seals,
            FillingStore fillings,
            FileStore files,
            PictureStore pictures,
            SheetStore sheets,
            SheetPictures sheetPictures,
            OrganisationStore organisations,
            AnswerRules rules,
            DispatchService dispatchService,
            Payments payments,
            TurnLinks links,
            ReadingCopies copies,
            LinkThrottle throttle,
            Clock clock) {
        this.dispatches = dispatches;
        this.partyLinks = partyLinks;
        this.seals = seals;
        this.fillings = fillings;
        this.files = files;
        this.pictures = pictures;
        this.sheets = sheets;
        this.sheetPictures = sheetPictures;
        this.organisations = organisations;
        this.rules = rules;
        this.dispatchService = dispatchService;
        this.payments = payments;
        this.links = links;
        this.copies = copies;
        this.throttle = throttle;
        this.clock = clock;
    }

    /**
     * Somebody else in the same dispatch, as a signer sees it: nobody's address.
     *
     * @param title what the role is called
     */
    public record Other(String title, String name, Party.Turn turn) {}

    /**
     * A turn.
     *
     * @param sheet the document, without what does not concern this role now
     * @param role what this person's role is called
     * @param name of this person
     * @param message what the sender wrote
     * @param due until when it should be finished; null for no such day
     * @param check what is asked of this person beside following the link
     * @param consent what is agreed to before anything can be signed
     * @param others all who take part, this person included, in the order of their turns
     * @param owned the roles whose fields are this person's: the key of their own, and the empty one where what is
     *     nobody's is theirs
     * @param mine the keys of the sections in which this role has something to do
     */
    public record OpenTurn(
            Sheet sheet,
            String role,
            String name,
            String message,
            @Nullable LocalDate due,
            boolean mayDelegate,
            IdentityCheck check,
            boolean hasOpened,
            boolean hasConsented,
            String consent,
            List<Other> others,
            List<String> owned,
            List<String> mine) {}

    /** How a turn ended: finished, or what is still in the way. */
    public record TurnEnded(boolean finished, List<State.Obstacle> obstacles) {}

    @Transactional(readOnly = true)
    public OpenTurn find(Caller caller) {
        return turn(follow(caller));
    }

    /** Adds to the trail that this person has the document open, the first time. */
    @Transactional
    public void open(Caller caller) {
        Followed followed = locked(caller);
        dispatchService.happened(
                followed.kept(), followed.actor(), Signing.open(followed.kept().dispatch(), followed.role()));
    }

    private OpenTurn turn(Followed followed) {
        StoredDispatch kept = followed.kept();
        DispatchDocument now = dispatchService.read(kept);
        SignedDocument document = now.document();
        String role = followed.role();
        State state = now.state(role);
        Sheet sheet = Sheet.of(
                        document.template(),
                        state,
                        document.visible(role, now.answers(), state),
                        organisations.find(),
                        null)
                .with(document.obstacles(kept.dispatch(), role, state));
        Party party = followed.party();
        return new OpenTurn(
                sheet,
                party.title(),
                party.person().name(),
                kept.message(),
                kept.dispatch().due(),
                kept.dispatch().mayDelegate(),
                party.check(),
                party.hasOpened(),
                party.hasConsented(),
                Event.Consented.WORDING,
                kept.dispatch().parties().stream()
                        .map(it -> new Other(it.title(), it.person().name(), it.turn()))
                        .toList(),
                kept.firstRole().equals(role) ? List.of(role, "") : List.of(role),
                List.copyOf(new TreeSet<>(document.sections(role, state))));
    }

    @Transactional
    public OpenTurn consent(Caller caller) {
        Followed followed = locked(caller);
        StoredDispatch opened = dispatchService.happened(
                followed.kept(), followed.actor(), Signing.open(followed.kept().dispatch(), followed.role()));
        return turn(followed.with(dispatchService.happened(
                opened, followed.actor(), Signing.consent(opened.dispatch(), followed.role()))));
    }

    @Transactional
    public AnswerKept answer(Caller caller, String address, String typed) {
        // Locked, so that nobody signs meanwhile: what was signed is never changed.
        Followed followed = locked(caller);
        fillings.lock(followed.kept().filling());
        StoredDispatch kept = followed.kept();
        String role = followed.role();
        DispatchDocument before = dispatchService.read(kept);
        SignedDocument document = before.document();
        if (!Signing.acting(kept.dispatch(), role).hasConsented()) {
            throw new NotNow("Agree to sign electronically first.");
        }
        if (!document.mayAnswer(role, address)) {
            throw new NotNow("This is for somebody else to answer.");
        }
        Answering answering = document.answering(role, before.answers(), before.today());
        State stood = answering.state();
        String given = rules.check(document.compiled(), stood, kept.filling(), address, typed);
        document.checkRows(role, address, typed, before.answers(), stood);
        fillings.keep(kept.filling(), address, given);
        dispatchService.happened(
                kept,
                followed.actor(),
                document.answered(role, address, before.answers().of(address), given, DispatchService::digest));
        DispatchDocument after = before.with(address, given);
        State stands = answering.answer(address, given);
        return AnswerKept.of(
                clock.instant(),
                document.template(),
                stood,
                document.visible(role, before.answers(), stood),
                stands,
                document.visible(role, after.answers(), stands),
                document.obstacles(kept.dispatch(), role, stands));
    }

    /** Makes sure that whoever hands something in is somebody whose turn it is, before it is taken. */
    @Transactional(readOnly = true)
    public void checkActing(Caller caller) {
        Followed followed = follow(caller);
        Signing.acting(followed.kept().dispatch(), followed.role());
    }

    @Transactional
    public String handIn(Caller caller, FileStore.Incoming file) {
        Followed followed = locked(caller);
        Signing.acting(followed.kept().dispatch(), followed.role());
        return rules.handIn(followed.kept().filling(), file);
    }

    /** A file that this person may see: one that an answer names which counts, or which is this person's own. */
    @Transactional(readOnly = true)
    public FileStore.Outgoing file(Caller caller, String id) {
        Followed followed = follow(caller);
        DispatchDocument now = dispatchService.read(followed.kept());
        State state = now.state(followed.role());
        boolean isVisible = now.document().visible(followed.role(), now.answers(), state).typed().values().stream()
                .anyMatch(typed -> typed.contains(id));
        return (isVisible ? files.find(followed.kept().filling(), id) : Optional.<FileStore.Outgoing>empty())
                .orElseThrow(() -> new Problems.Missing("There is no such file."));
    }

    /** The document as it would be now and as far as this person may see it, to be read before it is signed. */
    ReadingCopies.ReadingCopy copy(Caller caller) {
        Followed followed = follow(caller);
        StoredDispatch kept = followed.kept();
        Content content = content(followed);
        return copies.of(
                content,
                () -> PrintedRecord.Pictures.of(
                        content,
                        name -> pictures.find(kept.template(), name),
                        file -> files.find(kept.filling(), file).map(FileStore.Outgoing::taken),
                        name -> sheets.find(kept.template(), name)));
    }

    /** What the document would say now, as far as this person may see it. */
    Content content(Caller caller) {
        return content(follow(caller));
    }

    private Content content(Followed followed) {
        DispatchDocument now = dispatchService.read(followed.kept());
        return Content.of(now.document().template(), now.state(followed.role()));
    }

    /** A page of a PDF that the document is written on. */
    ResponseEntity<byte[]> sheet(Caller caller, String name, int page) {
        StoredDispatch kept = follow(caller).kept();
        if (!dispatchService.read(kept).document().template().sheets().contains(name)) {
            throw new Problems.Missing("There is no such page.");
        }
        return sheetPictures.answer(kept.template(), name, page);
    }

    @Transactional(readOnly = true)
    public Optional<SafePicture> picture(Caller caller, String name) {
        return pictures.find(follow(caller).kept().template(), name);
    }

    @Transactional(readOnly = true)
    public Optional<SafePicture> logo(Caller caller) {
        links.follow(caller);
        return organisations.logo();
    }

    @Transactional
    public TurnEnded finish(Caller caller) {
        Followed followed = locked(caller);
        StoredDispatch kept = followed.kept();
        String role = followed.role();
        fillings.lock(kept.filling());
        DispatchDocument now = dispatchService.read(kept);
        SignedDocument document = now.document();
        State state = now.state(role);
        List<State.Obstacle> obstacles = document.obstacles(kept.dispatch(), role, state);
        if (!obstacles.isEmpty()) {
            return new TurnEnded(false, obstacles);
        }
        List<String> days = document.signingDays(role, state);
        for (String address : days) {
            String day = now.today().toString();
            fillings.keep(kept.filling(), address, day);
            now = now.with(address, day);
        }
        if (!days.isEmpty()) {
            state = now.state(role);
        }
        Snapshot snapshot = document.snapshot(role, now.answers(), state, now.today());
        Event.Signed event =
                Signing.sign(document, kept.dispatch(), role, state, dispatchService.keepSnapshot(kept, snapshot));
        dispatchService.proceed(dispatchService.happened(kept, followed.actor(), List.of(event)), now.after(snapshot));
        return new TurnEnded(true, List.of());
    }

    @Transactional
    public void decline(Caller caller, String because) {
        Followed followed = locked(caller);
        dispatchService.happened(
                followed.kept(),
                followed.actor(),
                List.of(Signing.decline(followed.kept().dispatch(), followed.role(), because)));
    }

    @Transactional
    public void delegate(Caller caller, Person to, String because) {
        Followed followed = locked(caller);
        Event.Delegated delegated = Signing.delegate(followed.kept().dispatch(), followed.role(), to, because);
        dispatchService.happened(
                dispatchService.passOn(followed.kept(), followed.actor(), followed.role()),
                followed.actor(),
                List.of(delegated));
    }

    /** Begins a payment and tells the path of the desk's page. The desk may be slow, and nobody waits for it but the payer. */
    public String pay(Caller caller, String address) {
        return "/desk/"
                + payments.begin(
                        () -> {
                            Followed followed = locked(caller);
                            Signing.acting(followed.kept().dispatch(), followed.role());
                            return new Payments.Payer(followed.kept(), followed.role());
                        },
                        address);
    }

    /** The sealed document behind a link to it. */
    @Transactional(readOnly = true)
    public byte[] document(String link, String from) {
        return seals.sealed(documentLink(link, from))
                .orElseThrow(() -> new NotNow("The document is being sealed; try again in a moment."));
    }

    /** What the document behind a link is called. */
    @Transactional(readOnly = true)
    public String title(String link, String from) {
        return dispatches.find(documentLink(link, from)).orElseThrow().title();
    }

    private UUID documentLink(String link, String from) {
        PartyLinkStore.Link found = throttle.follow(from, () -> partyLinks.follow(link));
        if (found.purpose() != PartyLinkStore.Purpose.DOCUMENT || found.ended()) {
            throw LinkThrottle.nowhere();
        }
        return found.dispatch();
    }

    private Followed follow(Caller caller) {
        return links.known(links.follow(caller), caller);
    }

    private Followed locked(Caller caller) {
        return links.known(links.locked(caller), caller);
    }
}
