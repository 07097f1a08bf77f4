package loesscape.server.signing;

import java.nio.charset.StandardCharsets;
import java.security.cert.CertificateEncodingException;
import java.time.Instant;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import loesscape.core.editing.Refusal;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.outside.Mail;
import loesscape.server.outside.OutsideService;
import loesscape.server.outside.OutsideStore;
import loesscape.server.outside.PaymentDesk;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.TemplatesApi;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The simulated world outside: what passed, the mailbox, switches that make services fail, and the payment desk's page. */
@RestController
class OutsideApi {

    private static final int MOST = 200;
    private static final int LONGEST_DELAY = 60_000;

    private final Facing facing;
    private final OutsideStore log;
    private final Mail mail;
    private final PaymentDesk desk;
    private final Payments payments;
    private final CertificateAuthority authority;

    OutsideApi(
            OutsideStore log,
            Mail mail,
            PaymentDesk desk,
            Payments payments,
            CertificateAuthority authority,
            Facing facing) {
        this.facing = facing;
        this.log = log;
        this.mail = mail;
        this.desk = desk;
        this.payments = payments;
        this.authority = authority;
    }

    /** A message in the mailbox. */
    public record MailRow(
            int id,
            OutsideService service,
            Instant made,
            String name,
            String address,
            String subject,
            String body,
            String path,
            String code,
            int tries,
            @Nullable Instant delivered) {}

    /** All that can be seen of the world outside. */
    public record Outside(List<OutsideStore.Setting> services, List<MailRow> mail, List<OutsideStore.Passed> passed) {}

    /** What is to be paid at the desk. */
    public record AtDesk(String purpose, String amount, PaymentDesk.DeskState state) {}

    /** How a payer ends a payment. */
    public record Ending(boolean approved) {}

    @GetMapping("/api/outside")
    Outside outside() {
        return new Outside(
                Arrays.stream(OutsideService.values()).map(log::setting).toList(),
                mail.list(MOST).stream()
                        .map(it -> new MailRow(
                                (int) it.id(),
                                it.service(),
                                it.made(),
                                it.name(),
                                it.address(),
                                it.subject(),
                                it.body(),
                                it.path(),
                                it.code(),
                                it.tries(),
                                it.delivered()))
                        .toList(),
                log.last(MOST));
    }

    @PutMapping("/api/outside")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    Outside set(@RequestBody OutsideStore.Setting setting) {
        if (setting.delay() < 0 || setting.delay() > LONGEST_DELAY) {
            throw new Refusal("A service answers after 0 to %d ms.".formatted(LONGEST_DELAY));
        }
        log.set(setting);
        return outside();
    }

    /** The certificate of the authority, as others need it to check a seal. */
    @GetMapping("/api/outside/root.pem")
    ResponseEntity<byte[]> root() throws CertificateEncodingException {
        String pem = "-----BEGIN CERTIFICATE-----\n%s\n-----END CERTIFICATE-----\n"
                .formatted(Base64.getMimeEncoder(64, new byte[] {'\n'})
                        .encodeToString(authority.root().getEncoded()));
        return TemplatesApi.download(
                pem.getBytes(StandardCharsets.US_ASCII), MediaType.APPLICATION_OCTET_STREAM, "root.pem");
    }

    /** What the authority has called back (RFC 2585 has its media type). */
    @GetMapping("/api/outside/root.crl")
    ResponseEntity<byte[]> revocationList() {
        return TemplatesApi.download(
                authority.revocationList(), MediaType.parseMediaType("application/pkix-crl"), "root.crl");
    }

    /** Calls back the certificates of the authority; it goes on with new ones. */
    @PostMapping("/api/outside/authority/renew")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    Outside renew() {
        authority.renew();
        return outside();
    }

    @GetMapping("/api/desk/{token}")
    AtDesk due(@PathVariable String token) {
        PaymentDesk.Due due = find(token);
        return new AtDesk(due.purpose(), due.amount(), due.state());
    }

    @PostMapping("/api/desk/{token}")
    AtDesk end(@PathVariable String token, @RequestBody Ending ending) {
        payments.end(find(token), ending.approved() ? PaymentDesk.DeskState.APPROVED : PaymentDesk.DeskState.REFUSED);
        return due(token);
    }

    /** Nobody paid in time; the clock is not waited for. */
    @PostMapping("/api/desk/{token}/late")
    AtDesk late(@PathVariable String token) {
        payments.end(find(token), PaymentDesk.DeskState.LATE);
        return due(token);
    }

    private PaymentDesk.Due find(String token) {
        return (facing.simulatedPayments() ? desk.find(token) : Optional.<PaymentDesk.Due>empty())
                .orElseThrow(() -> new Problems.Missing("Nothing is to be paid here."));
    }
}
