package loesscape.server.signing;

import java.nio.charset.StandardCharsets;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.web.OutsideFailed;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.signing.SnapshotStore.Unstamped;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Anchors the trail outside of this server: when a turn has ended, the chain so far is time stamped by the authority, and
 * everybody who has had a turn gets the hash by mail. A chain that is made anew afterwards does not fit what they hold.
 */
@Component
class Receipts {

    private static final Logger LOG = LoggerFactory.getLogger(Receipts.class);

    private final DispatchStore dispatches;
    private final SnapshotStore snapshots;
    private final CertificateAuthority authority;
    private final SignerMessages signerMessages;
    private final TransactionTemplate transactions;

    Receipts(
            DispatchStore dispatches,
            SnapshotStore snapshots,
            CertificateAuthority authority,
            SignerMessages signerMessages,
            TransactionTemplate transactions) {
        this.dispatches = dispatches;
        this.snapshots = snapshots;
        this.authority = authority;
        this.signerMessages = signerMessages;
        this.transactions = transactions;
    }

    /** Stamps what waits for it, one by one; what fails is tried again later. */
    void stampWaiting() {
        for (Unstamped turn : snapshots.unstamped()) {
            try {
                byte[] stamp = authority.stamp(turn.chain().getBytes(StandardCharsets.US_ASCII));
                transactions.executeWithoutResult(status -> keep(turn, stamp));
            } catch (OutsideFailed failed) {
                snapshots.stampLater(turn);
            } catch (RuntimeException e) {
                DatabaseFull.passOn(e);
                LOG.error("The end of a turn of dispatch {} was not stamped; it is tried again", turn.dispatch(), e);
                snapshots.stampLater(turn);
            }
        }
    }

    private void keep(Unstamped turn, byte[] stamp) {
        StoredDispatch kept = dispatches.lock(turn.dispatch()).orElseThrow();
        if (snapshots.stamp(turn, stamp)) {
            signerMessages.receipt(kept, turn.role(), turn.chain());
        }
    }
}
