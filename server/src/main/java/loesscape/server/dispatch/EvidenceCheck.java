package loesscape.server.dispatch;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import loesscape.server.store.DispatchStore;
import loesscape.server.store.DispatchStore.Kept;
import loesscape.server.store.FileStore;
import loesscape.server.store.RecordStore;
import org.springframework.stereotype.Component;

/**
 * Whether all that is kept of a dispatch still is what its trail says: the chain of the trail itself, how the dispatch
 * stands, what was given in each turn, and the answers of the record.
 */
@Component
class EvidenceCheck {

    private final DispatchStore dispatches;
    private final FileStore files;
    private final RecordStore records;

    EvidenceCheck(DispatchStore dispatches, FileStore files, RecordStore records) {
        this.dispatches = dispatches;
        this.files = files;
        this.records = records;
    }

    /** What does not hold, in a sentence; empty where all of it does. */
    Optional<String> problem(Kept kept) {
        Trail trail = dispatches.trail(kept.id());
        int broken = trail.firstBroken();
        if (broken > 0) {
            return Optional.of(
                    "Entry %d of the trail is not what it was, or does not follow the one before.".formatted(broken));
        }
        if (!Dispatch.of(trail.events()).equals(kept.dispatch())) {
            return Optional.of("What is kept of the dispatch is not what follows from its trail.");
        }
        Map<String, String> snapshots = dispatches.snapshotTexts(kept.id());
        for (TrailEntry entry : trail.entries()) {
            Optional<String> problem = switch (entry.event()) {
                case Event.Signed signed when !entry.isOfFirstForm() -> signed(signed, entry, snapshots);
                case Event.Finished finished -> finished(kept, finished, entry);
                case null, default -> Optional.empty();
            };
            if (problem.isPresent()) {
                return problem;
            }
        }
        return files(kept);
    }

    private Optional<String> files(Kept kept) {
        Map<String, String> named = new TreeMap<>();
        dispatches.snapshots(kept.id()).forEach(snapshot -> named.putAll(snapshot.files()));
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
        return text != null && Proceedings.digest(text).equals(signed.digest())
                ? Optional.empty()
                : Optional.of("What was given in the turn that entry %d ends is not what is kept of it."
                        .formatted(entry.number()));
    }

    private Optional<String> finished(Kept kept, Event.Finished finished, TrailEntry entry) {
        return records.find(kept.template(), finished.record())
                        .filter(record -> Proceedings.digest(record.answers()).equals(finished.digest()))
                        .isPresent()
                ? Optional.empty()
                : Optional.of("The answers of record %d are not those that entry %d names."
                        .formatted(finished.record(), entry.number()));
    }
}
