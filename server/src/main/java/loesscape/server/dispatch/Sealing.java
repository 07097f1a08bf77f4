package loesscape.server.dispatch;

import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.signing.Event;
import loesscape.formats.evidence.Trail;
import loesscape.formats.export.Evidence;
import loesscape.formats.export.RecordPdf;
import loesscape.formats.export.RecordRow;
import loesscape.server.api.Records;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.outside.OutsideFailed;
import loesscape.server.store.DispatchStore;
import loesscape.server.store.DispatchStore.Actor;
import loesscape.server.store.DispatchStore.Kept;
import loesscape.server.store.OrganisationStore;
import loesscape.server.store.RecordStore;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes finished documents, has them sealed, and gives them to everybody who took part. */
@Component
class Sealing {

    private final DispatchStore dispatches;
    private final RecordStore records;
    private final OrganisationStore organisations;
    private final CertificateAuthority authority;
    private final Proceedings proceedings;
    private final Letters letters;
    private final TransactionTemplate transactions;
    private final Clock clock;

    Sealing(
            DispatchStore dispatches,
            RecordStore records,
            OrganisationStore organisations,
            CertificateAuthority authority,
            Proceedings proceedings,
            Letters letters,
            TransactionTemplate transactions,
            Clock clock) {
        this.dispatches = dispatches;
        this.records = records;
        this.organisations = organisations;
        this.authority = authority;
        this.proceedings = proceedings;
        this.letters = letters;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** Seals what waits for it; what the authority does not seal now is tried again later. */
    void sealWaiting() {
        for (UUID id : dispatches.unsealed()) {
            try {
                byte[] sealed = authority.seal(document(id), "All who take part have signed");
                transactions.executeWithoutResult(status -> keep(id, sealed));
            } catch (OutsideFailed failed) {
                dispatches.sealLater(id);
            }
        }
    }

    private void keep(UUID id, byte[] sealed) {
        Kept kept = dispatches.lock(id).orElseThrow();
        if (dispatches.sealed(id).isPresent()) {
            return;
        }
        String digest = Trail.digest(sealed);
        dispatches.seal(id, sealed, digest);
        letters.finished(proceedings.happened(kept, Actor.SERVER, List.of(new Event.Sealed(digest))));
    }

    /** The finished document as it is to be sealed: what counted, the certificate, and the trail up to the finish. */
    private byte[] document(UUID id) {
        Kept kept = dispatches.find(id).orElseThrow();
        RecordStore.Kept record = records.find(kept.template(), Objects.requireNonNull(kept.record()))
                .orElseThrow();
        CompiledTemplate release = proceedings.document(kept).compiled();
        RecordRow row = Records.row(release, record, clock);
        return RecordPdf.write(
                Records.content(row),
                row.heading(),
                new Evidence(id.toString(), organisations.find().name(), dispatches.trail(id)));
    }
}
