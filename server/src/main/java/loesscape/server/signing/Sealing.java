package loesscape.server.signing;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.signing.Event;
import loesscape.formats.evidence.Trail;
import loesscape.formats.export.RecordRow;
import loesscape.formats.paper.Evidence;
import loesscape.formats.paper.EvidenceFile;
import loesscape.formats.paper.FileListed;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.files.FileStore;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.web.OutsideFailed;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.RecordDocuments;
import loesscape.server.records.RecordStore;
import loesscape.server.records.Records;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleasedTemplates;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes finished documents, has them sealed, and gives them to everybody who took part. */
@Component
class Sealing {

    private static final Logger LOG = LoggerFactory.getLogger(Sealing.class);

    /** What is beyond it is listed by its hash only: a document is sent to all who signed it. */
    private static final long MOST_BYTES_INSIDE = 50_000_000;

    private final EvidenceCheck evidence;
    private final DispatchStore dispatches;
    private final SnapshotStore snapshots;
    private final SealStore seals;
    private final RecordStore records;
    private final FileStore files;
    private final PictureStore pictures;
    private final OrganisationStore organisations;
    private final ReleasedTemplates releases;
    private final CertificateAuthority authority;
    private final DispatchService dispatchService;
    private final SignerMessages signerMessages;
    private final TransactionTemplate transactions;
    private final RecordDocuments pdfs;
    private final Clock clock;

    Sealing(
            EvidenceCheck evidence,
            DispatchStore dispatches,
            SnapshotStore snapshots,
            SealStore seals,
            RecordStore records,
            FileStore files,
            PictureStore pictures,
            OrganisationStore organisations,
            ReleasedTemplates releases,
            CertificateAuthority authority,
            DispatchService dispatchService,
            SignerMessages signerMessages,
            TransactionTemplate transactions,
            RecordDocuments pdfs,
            Clock clock) {
        this.pdfs = pdfs;
        this.evidence = evidence;
        this.dispatches = dispatches;
        this.snapshots = snapshots;
        this.seals = seals;
        this.records = records;
        this.files = files;
        this.pictures = pictures;
        this.organisations = organisations;
        this.releases = releases;
        this.authority = authority;
        this.dispatchService = dispatchService;
        this.signerMessages = signerMessages;
        this.transactions = transactions;
        this.clock = clock;
    }

    /**
     * Seals what waits for it, one by one. What the authority does not seal now is tried again later, and so is what fails
     * for another reason, which its sender is told; nothing of it keeps others waiting. What its trail does not bear out is
     * not sealed before somebody has looked at it.
     */
    void sealWaiting() {
        for (UUID id : seals.unsealed()) {
            try {
                seal(id);
            } catch (OutsideFailed | Problems.Busy failed) {
                seals.sealLater(id, "");
            } catch (RuntimeException e) {
                DatabaseFull.passOn(e);
                LOG.error("The document of dispatch {} was not sealed; it is tried again", id, e);
                seals.sealLater(id, "The finished document could not be made; the log of the server says why.");
            }
        }
    }

    private void seal(UUID id) {
        StoredDispatch kept = dispatches.find(id).orElseThrow();
        Optional<String> problem = evidence.problem(kept);
        if (problem.isPresent()) {
            LOG.error("The document of dispatch {} is not sealed: {}", id, problem.get());
            seals.stopSealing(id, problem.get());
            return;
        }
        if (snapshots.stamps(id).size() < snapshots.snapshotTexts(id).size()) {
            return; // The ends of its turns are stamped first; that is tried again of itself.
        }
        byte[] sealed = authority.seal(document(kept), "All who take part have signed");
        transactions.executeWithoutResult(status -> keep(id, sealed));
    }

    private void keep(UUID id, byte[] sealed) {
        StoredDispatch kept = dispatches.lock(id).orElseThrow();
        if (seals.sealed(id).isPresent()) {
            return;
        }
        String digest = Trail.digest(sealed);
        seals.seal(id, sealed, digest);
        signerMessages.finished(dispatchService.happened(kept, Actor.SERVER, List.of(new Event.Sealed(digest))));
    }

    /** The finished document as it is to be sealed: what counted, the certificate, and the trail up to the finish. */
    private byte[] document(StoredDispatch kept) {
        RecordStore.StoredRecord record = records.find(kept.template(), Objects.requireNonNull(kept.record()))
                .orElseThrow();
        CompiledTemplate release = dispatchService.document(kept).compiled();
        RecordRow row = Records.row(release, record, clock);
        return pdfs.made(kept.template(), row, evidenceOf(kept));
    }

    private Evidence evidenceOf(StoredDispatch kept) {
        Trail trail = dispatches.trail(kept.id());
        List<EvidenceFile> inside = new ArrayList<>(files(kept));
        List<FileListed> listed = new ArrayList<>();
        boolean isInside = trail.events().getFirst() instanceof Event.Sent sent && sent.filesInside();
        Map<String, String> counting = new TreeMap<>();
        snapshots.snapshots(kept.id()).forEach(snapshot -> counting.putAll(snapshot.files()));
        long bytes = 0;
        for (FileStore.FileAtHand file : files.list(kept.filling())) {
            String digest = counting.get(file.id());
            if (digest == null) {
                continue;
            }
            bytes += file.bytes();
            String name = isInside && bytes <= MOST_BYTES_INSIDE
                    ? "file-%d-%s".formatted(listed.size() + 1, file.name())
                    : "";
            if (!name.isEmpty()) {
                FileStore.Whole whole = files.whole(kept.filling(), file.id()).orElseThrow();
                inside.add(new EvidenceFile(name, "A file that was handed in", whole.media(), whole.content()));
            }
            listed.add(new FileListed(file.name(), file.bytes(), digest, name));
        }
        return new Evidence(kept.id().toString(), organisations.find().name(), trail, inside, listed);
    }

    /** What the trail names by hash, as it is kept: what was given in each turn, and the template file of the release. */
    private List<EvidenceFile> files(StoredDispatch kept) {
        List<EvidenceFile> files = new ArrayList<>();
        files.add(json(
                "template.loess.json",
                "The document as it was released",
                releases.text(kept.template(), kept.release())));
        Set<String> shown =
                releases.get(kept.template(), kept.release()).template().pictures();
        pictures.all(kept.template()).stream()
                .filter(picture -> shown.contains(picture.name()))
                .forEach(picture -> files.add(new EvidenceFile(
                        "picture-" + picture.name(), "A picture in the document", picture.media(), picture.content())));
        snapshots
                .snapshotTexts(kept.id())
                .forEach((role, text) -> files.add(
                        json("turn-%s.json".formatted(role), "What was given in the turn of this role", text)));
        snapshots
                .stamps(kept.id())
                .forEach((role, stamp) -> files.add(new EvidenceFile(
                        "turn-%s.tst".formatted(role),
                        "Time stamp (RFC 3161) on the hash of the trail at the end of this turn",
                        "application/timestamp-token",
                        stamp)));
        return files;
    }

    private static EvidenceFile json(String name, String description, String text) {
        return new EvidenceFile(name, description, "application/json", text.getBytes(StandardCharsets.UTF_8));
    }
}
