package loesscape.server.platform.doors;

import java.net.URI;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How the server faces those who do not sit at its machine.
 *
 * @param publicUrl where people reach it, over TLS, without a slash at the end; null where only this machine does
 * @param behind the proxies whose forwarded headers are believed: addresses, or networks like {@code 10.0.0.0/8}
 * @param metricsPort the port on this machine where its state can be asked for; 0 for none
 * @param smtp the server that takes its mail, as {@code smtps://name@host:465} or {@code smtp://name@host:587}; null for
 *     the simulated mailbox
 * @param mailFrom the address that mail comes from; empty where there is none
 * @param anyWebhooks whether webhooks may go to addresses that are not secure, or not public
 * @param simulatedPayments whether the simulated payment desk is open
 */
public record Facing(
        @Nullable URI publicUrl,
        List<String> behind,
        int metricsPort,
        @Nullable URI smtp,
        String mailFrom,
        boolean anyWebhooks,
        boolean simulatedPayments) {

    /** Nobody but this machine, and a world outside that is simulated. */
    public static final Facing DEMO = new Facing(null, List.of(), 0, null, "", true, true);

    /** Nobody but this machine. */
    public static final Facing START = new Facing(null, List.of(), 0, null, "", false, false);

    public Facing {
        behind = List.copyOf(behind);
    }

    /** Whether people reach it through TLS only. */
    public boolean isSecure() {
        return publicUrl != null;
    }
}
