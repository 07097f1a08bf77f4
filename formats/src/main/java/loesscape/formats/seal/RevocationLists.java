package loesscape.formats.seal;

import java.io.IOException;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.bouncycastle.cert.CertException;
import org.bouncycastle.cert.X509CRLEntryHolder;
import org.bouncycastle.cert.X509CRLHolder;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentVerifierProviderBuilder;
import org.bouncycastle.util.Store;
import org.jspecify.annotations.Nullable;

/** Lists of certificates that were called back (RFC 5280, 5), as far as the root that is known has signed them. */
final class RevocationLists {

    private final List<X509CRLHolder> lists = new ArrayList<>();
    private final X509Certificate root;

    RevocationLists(X509Certificate root) {
        this.root = root;
    }

    /** Takes the lists that stand in a signature. */
    void add(Store<X509CRLHolder> inside) {
        inside.getMatches(null).forEach(this::add);
    }

    /**
     * Takes a list.
     *
     * @throws IOException when it is none
     */
    void add(byte[] list) throws IOException {
        add(new X509CRLHolder(list));
    }

    private void add(X509CRLHolder list) {
        try {
            if (list.isSignatureValid(new JcaContentVerifierProviderBuilder().build(root))) {
                lists.add(list);
            }
        } catch (CertException | OperatorCreationException e) {
            // A list that nobody known has signed says nothing.
        }
    }

    /** Whether a certificate had been called back at some time; at any time, where that is not known. */
    boolean isRevoked(X509CertificateHolder certificate, @Nullable Instant at) {
        for (X509CRLHolder list : lists) {
            X509CRLEntryHolder entry = list.getRevokedCertificate(certificate.getSerialNumber());
            if (entry != null
                    && (at == null || !entry.getRevocationDate().toInstant().isAfter(at))) {
                return true;
            }
        }
        return false;
    }
}
