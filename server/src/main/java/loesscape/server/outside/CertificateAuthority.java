package loesscape.server.outside;

import java.security.cert.X509Certificate;
import java.time.Clock;
import java.util.List;
import java.util.function.Supplier;
import loesscape.formats.seal.Authority;
import loesscape.formats.seal.Seal;
import loesscape.formats.seal.SealCheck;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The authority whose certificates seal documents. It is made when it is first needed, and kept under the secret of the
 * installation.
 */
@Component
public class CertificateAuthority {

    private static final String NAME = "Loesscape local authority";

    private final AuthorityStore store;
    private final OutsideLog log;
    private final Clock clock;
    private final String passphrase;
    private @Nullable Authority known;

    CertificateAuthority(
            AuthorityStore store,
            OutsideLog log,
            Clock clock,
            @Qualifier("authorityPassphrase") Supplier<String> passphrase) {
        this.passphrase = passphrase.get();
        this.store = store;
        this.log = log;
        this.clock = clock;
    }

    /**
     * Seals a document.
     *
     * @throws OutsideFailed where the authority does not answer
     */
    public byte[] seal(byte[] document, String reason) {
        log.ask(OutsideService.AUTHORITY, reason);
        byte[] sealed = Seal.seal(document, authority(), reason, clock.instant());
        log.passed(OutsideService.AUTHORITY, "Sealed: " + reason, false);
        return sealed;
    }

    /**
     * Stamps the time on something.
     *
     * @throws OutsideFailed where the authority does not answer
     */
    public byte[] stamp(byte[] content) {
        log.ask(OutsideService.AUTHORITY, "A time stamp");
        return authority().stamp(content, clock.instant());
    }

    /** What the seal of a file says. */
    public SealCheck check(byte[] file) {
        return SealCheck.of(file, authority().root(), revocationList());
    }

    /** The certificate of the root, for those who want to check a seal themselves. */
    public X509Certificate root() {
        return authority().root();
    }

    /** What was called back, signed by the root, for those who want to check a seal themselves. */
    public byte[] revocationList() {
        return authority().revocationList(clock.instant());
    }

    /** Calls back the certificates that seals and time stamps were made with, and goes on with new ones. */
    @Transactional
    public synchronized void renew() {
        Authority renewed = authority().renewed(clock.instant());
        store.keep(renewed.bytes(passphrase), renewed.revoked());
        known = renewed;
        log.passed(OutsideService.AUTHORITY, "Certificates called back and made anew", false);
    }

    private synchronized Authority authority() {
        if (known == null) {
            known = store.keys().map(this::read).orElseGet(this::made).withRevoked(store.revoked());
        }
        return known;
    }

    /** The keys of before November 2026 lay under no passphrase; they do from now on. */
    private Authority read(byte[] keys) {
        return Authority.read(keys, passphrase).orElseGet(() -> {
            Authority open = Authority.read(keys, "")
                    .orElseThrow(
                            () -> new IllegalStateException(
                                    "The keys of the authority lie under another secret than the one this installation was started with"));
            store.keep(open.bytes(passphrase), List.of());
            return open;
        });
    }

    private Authority made() {
        Authority made = Authority.make(NAME, clock.instant());
        store.add(made.bytes(passphrase));
        return made;
    }
}
