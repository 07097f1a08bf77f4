package loesscape.server.signing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import loesscape.formats.seal.SealCheck;
import loesscape.server.files.FileStore;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.records.RecordEvidence;
import loesscape.server.records.RecordStore;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import org.springframework.stereotype.Component;

/**
 * Whether all that is kept of a dispatch still is what its trail says: the chain of the trail itself, how the dispatch
 * stands, what was given in each turn, the answers of the record, and the sealed document.
 */
@Component
class EvidenceCheck implements RecordEvidence {

    private final DispatchStore dispatches;
    private final SnapshotStore snapshots;
    private final SealStore seals;
    private final FileStore files;
    private final RecordStore records;
    private final CertificateAuthority authority;

    EvidenceCheck(
            DispatchStore dispatches,
            SnapshotStore snapshots,
            SealStore seals,
            FileStore files,
            RecordStore records,
            CertificateAuthority authority) {
        this.dispatches = dispatches;
        this.snapshots = snapshots;
        this.seals = seals;
        this.files = files;
        this.records = records;
        this.authority = authority;
    }

    @Override
    public Optional<String> problem(UUID template, int record) {
        return dispatches.ofRecord(template, record).flatMap(this::problem);
    }

    /** What does not hold, in a sentence; empty where all of it does. */
    Optional<String> problem(StoredDispatch kept) {
        Trail trail = dispatches.trail(kept.id());
        int broken = trail.firstBroken();
        if (broken > 0) {
            return Optional.of(
                    "Entry %d of the trail is not what it was, or does not follow the one before.".formatted(broken));
        }
        if (!Dispatch.of(trail.events()).equals(kept.dispatch())) {
            return Optional.of("What is kept of the dispatch is not what follows from its trail.");
        }
        Map<String, String> given = snapshots.snapshotTexts(kept.id());
        for (TrailEntry entry : trail.entries()) {
            Optional<String> problem = switch (entry.event()) {
                case Event.Signed signed when !entry.isOfFirstForm() -> signed(signed, entry, given);
                case Event.Finished finished -> finished(kept, finished, entry);
                case Event.Sealed sealed -> sealed(kept, sealed, entry, trail);
                case null, default -> Optional.empty();
            };
            if (problem.isPresent()) {
                return problem;
            }
        }
        return files(kept);
    }

    private Optional<String> files(StoredDispatch kept) {
        Map<String, String> named = new TreeMap<>();
        snapshots.snapshots(kept.id()).forEach(snapshot -> named.putAll(snapshot.files()));
        if (!named.isEmpty()) {
            Map<String, String> digests = files.digests(kept.filling());
            for (Map.Entry<String, String> file : named.entrySet()) {
                if (!file.getValue().equals(digests.get(file.getKey()))) {
                    return Optional.of("A file that was handed in is not what it was when the turn ended: %s."
                            .formatted(file.getKey()));
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<String> signed(Event.Signed signed, TrailEntry entry, Map<String, String> snapshots) {
        String text = snapshots.get(signed.role());
        return text != null && DispatchService.digest(text).equals(signed.digest())
                ? Optional.empty()
                : Optional.of("What was given in the turn that entry %d ends is not what is kept of it."
                        .formatted(entry.number()));
    }

    /** The sealed document is the one that was sealed, and tells the same of what happened as the trail that is kept. */
    private Optional<String> sealed(StoredDispatch kept, Event.Sealed event, TrailEntry entry, Trail trail) {
        byte[] document = seals.sealed(kept.id()).orElse(new byte[0]);
        if (!Trail.digest(document).equals(event.digest())) {
            return Optional.of(
                    "The sealed document that is kept is not the one that entry %d names.".formatted(entry.number()));
        }
        SealCheck check = authority.check(document);
        if (check.verdict() != SealCheck.Verdict.SEALED_HERE || check.trail() == null) {
            return Optional.of("The seal of the document does not hold: " + check.message());
        }
        List<TrailEntry> told = check.trail().entries();
        return told.size() < entry.number() && told.equals(trail.entries().subList(0, told.size()))
                ? Optional.empty()
                : Optional.of("The trail in the sealed document is not the one that is kept.");
    }

    private Optional<String> finished(StoredDispatch kept, Event.Finished finished, TrailEntry entry) {
        return records.find(kept.template(), finished.record())
                        .filter(record ->
                                DispatchService.digest(record.answers()).equals(finished.digest()))
                        .isPresent()
                ? Optional.empty()
                : Optional.of("The answers of record %d are not those that entry %d names."
                        .formatted(finished.record(), entry.number()));
    }
}
