package loesscape.server.signing;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Answers;
import loesscape.core.signing.Event;
import loesscape.core.signing.FinishedDocument;
import loesscape.core.signing.Party;
import loesscape.core.signing.SignedDocument;
import loesscape.core.signing.Signing;
import loesscape.core.signing.Snapshot;
import loesscape.formats.evidence.Trail;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;
import loesscape.server.files.FileStore;
import loesscape.server.filling.FillingStore;
import loesscape.server.platform.database.Forcing;
import loesscape.server.records.RecordStore;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.signing.PartyLinkStore.Purpose;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.TemplateStore;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What follows when something happens to a dispatch: its trail grows, people are told, the next are asked, and in the end
 * its answers become a record. All of it in one transaction, so that either all of it has happened or nothing.
 */
@Component
class DispatchService {

    private final DispatchStore dispatches;
    private final SnapshotStore snapshots;
    private final PartyLinkStore partyLinks;
    private final SealStore seals;
    private final FillingStore fillings;
    private final FileStore files;
    private final IdentityStore identities;
    private final RecordStore records;
    private final TemplateStore templates;
    private final ReleasedTemplates releases;
    private final SignerMessages signerMessages;
    private final Webhooks webhooks;
    private final Forcing forcing;
    private final Clock clock;

    DispatchService(
            DispatchStore dispatches,
            SnapshotStore snapshots,
            PartyLinkStore partyLinks,
            SealStore seals,
            FillingStore fillings,
            FileStore files,
            IdentityStore identities,
            RecordStore records,
            TemplateStore templates,
            ReleasedTemplates releases,
            SignerMessages signerMessages,
            Webhooks webhooks,
            Forcing forcing,
            Clock clock) {
        this.forcing = forcing;
        this.dispatches = dispatches;
        this.snapshots = snapshots;
        this.partyLinks = partyLinks;
        this.seals = seals;
        this.fillings = fillings;
        this.files = files;
        this.identities = identities;
        this.records = records;
        this.templates = templates;
        this.releases = releases;
        this.signerMessages = signerMessages;
        this.webhooks = webhooks;
        this.clock = clock;
    }

    /** The document of a dispatch, as its signers go through it. */
    SignedDocument document(StoredDispatch kept) {
        return SignedDocument.of(
                releases.get(kept.template(), kept.release()), kept.firstRole(), snapshots.snapshots(kept.id()));
    }

    /** The same with what was answered so far. */
    DispatchDocument read(StoredDispatch kept) {
        SignedDocument document = document(kept);
        return new DispatchDocument(document, document.counting(fillings.answers(kept.filling())), today());
    }

    LocalDate today() {
        return LocalDate.now(clock);
    }

    /** What happens to the signatures of a role whose turn passes to somebody else: they are taken back. */
    StoredDispatch passOn(StoredDispatch kept, Actor actor, String role) {
        return happened(kept, actor, document(kept).passedOn(role, fillings.answers(kept.filling())));
    }

    /** SHA-256 of a text, in hexadecimal. */
    static String digest(String text) {
        return Trail.digest(text.getBytes(StandardCharsets.UTF_8));
    }

    /** Keeps what a role gives with the end of its turn, and tells the hash of it. */
    String keepSnapshot(StoredDispatch kept, Snapshot snapshot) {
        Map<String, String> named = new TreeMap<>(files.digests(kept.filling()));
        named.keySet().removeIf(id -> snapshot.answers().values().stream().noneMatch(typed -> typed.contains(id)));
        String text = Json.compact(JsonWriter.full(snapshot.withFiles(named), Snapshot.class));
        snapshots.keepSnapshot(kept.id(), snapshot.role(), text);
        return digest(text);
    }

    /** A dispatch after events that happened to it now, with all that follows. */
    StoredDispatch happened(StoredDispatch before, Actor actor, List<? extends Event> events) {
        StoredDispatch kept = before;
        for (Event event : events) {
            kept = dispatches.happened(kept, actor, event);
            follow(kept, event);
        }
        return kept;
    }

    /** Asks whoever is next; where all are through, the answers become a record. */
    StoredDispatch proceed(StoredDispatch before, DispatchDocument now) {
        StoredDispatch kept = happened(
                before, Actor.SERVER, Signing.next(now.document(), before.dispatch(), now.answers(), now.today()));
        return Signing.isThrough(kept.dispatch()) ? finish(kept, now) : kept;
    }

    private StoredDispatch finish(StoredDispatch kept, DispatchDocument now) {
        templates.lock(kept.template());
        FinishedDocument whole = now.document().finish(now.answers(), now.today());
        Instant finished = fillings.finish(kept.filling());
        int record = records.add(kept.template(), kept.release(), kept.filling(), finished, whole);
        StoredDispatch after =
                happened(kept, Actor.SERVER, List.of(new Event.Finished(record, digest(whole.answers()))));
        seals.finished(kept.id(), record);
        return after;
    }

    /** SHA-256 of answers, as a compact JSON object in the order of their addresses. */
    static String digest(Answers answers) {
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        new TreeMap<>(answers.typed()).forEach(object::put);
        return digest(Json.compact(object));
    }

    private void follow(StoredDispatch kept, Event event) {
        switch (event) {
            case Event.Asked it -> signerMessages.ask(kept, party(kept, it.role()));
            case Event.Reminded it -> signerMessages.remind(kept, party(kept, it.role()));
            case Event.Delegated it -> {
                identities.forget(kept.id(), it.role());
                signerMessages.ask(kept, party(kept, it.role()));
            }
            case Event.Corrected it -> {
                identities.forget(kept.id(), it.role());
                if (party(kept, it.role()).turn() == Party.Turn.ACTING) {
                    signerMessages.ask(kept, party(kept, it.role()));
                }
            }
            case Event.Signed it -> {
                forcing.whenCommitted();
                partyLinks.endLinks(kept.id(), it.role(), Purpose.TURN);
                identities.forget(kept.id(), it.role());
                snapshots.endTurn(
                        kept.id(), it.role(), dispatches.trail(kept.id()).last());
            }
            case Event.Declined ignored -> ended(kept, "Somebody declined.", "declined");
            case Event.Withdrawn ignored -> ended(kept, "The sender took it back.", "withdrawn");
            case Event.Finished it -> {
                forcing.whenCommitted();
                webhooks.tell(kept, "finished", it.record());
            }
            case Event.Sent ignored -> {}
            case Event.SignatureMade ignored -> {}
            case Event.SignatureTakenBack it -> fillings.keep(kept.filling(), it.field(), "");
            case Event.CodeSent ignored -> {}
            case Event.Identified ignored -> {}
            case Event.NotIdentified ignored -> {}
            case Event.Skipped ignored -> {}
            case Event.Opened ignored -> {}
            case Event.Consented ignored -> {}
            case Event.Paid ignored -> forcing.whenCommitted();
            case Event.NotPaid ignored -> {}
            case Event.Sealed ignored -> forcing.whenCommitted();
        }
    }

    private void ended(StoredDispatch kept, String words, String event) {
        forcing.whenCommitted();
        signerMessages.ended(kept, words);
        kept.dispatch().parties().forEach(party -> partyLinks.endLinks(kept.id(), party.role(), Purpose.TURN));
        webhooks.tell(kept, event, null);
    }

    private static Party party(StoredDispatch kept, String role) {
        return kept.dispatch().party(role).orElseThrow();
    }
}
