package loesscape.server.launch;

import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import loesscape.server.platform.doors.Facing;
import org.springframework.security.web.util.matcher.IpAddressMatcher;

/** What of the command line says how the server faces others. */
final class FacingOptions {

    private static final int HTTPS = 443;
    private static final Pattern NETWORK = Pattern.compile("[0-9a-fA-F.:]+(?:/\\d{1,3})?");

    /** The variable of the environment with the password for the mail server. */
    static final String SMTP_PASSWORD = "LOESSCAPE_SMTP_PASSWORD";

    private FacingOptions() {}

    /** What was asked for on the command line, by its option; refuses what does not go together. */
    static Facing read(Facing usual, Map<String, String> given, String address) {
        String mailFrom = given.getOrDefault("--mail-from", usual.mailFrom());
        Facing facing = new Facing(
                given.containsKey("--public-url") ? publicUrl(given.get("--public-url")) : usual.publicUrl(),
                given.containsKey("--behind") ? proxies(given.get("--behind")) : usual.behind(),
                given.containsKey("--metrics-port") ? Options.port(given.get("--metrics-port")) : usual.metricsPort(),
                given.containsKey("--smtp") ? mailServer(given.get("--smtp")) : usual.smtp(),
                mailFrom,
                usual.anyWebhooks() || given.containsKey("--webhooks-anywhere"),
                usual.simulatedPayments() || given.containsKey("--simulated-payments"));
        if (facing.publicUrl() == null && !isLoopback(address)) {
            throw new LaunchProblem(
                    2,
                    "On %s others reach this server too; say under which address they do, so that nothing goes out unprotected: --public-url https://… (docs/operating.md says how)."
                            .formatted(address));
        }
        if (facing.smtp() != null && !mailFrom.contains("@")) {
            throw new LaunchProblem(2, "Mail needs an address that it comes from: --mail-from documents@….");
        }
        return facing;
    }

    private static URI publicUrl(String text) {
        URI url = uri("--public-url", text);
        boolean isPlain = "https".equals(url.getScheme())
                && url.getHost() != null
                && url.getUserInfo() == null
                && (url.getPath().isEmpty() || url.getPath().equals("/"))
                && url.getQuery() == null
                && url.getFragment() == null;
        if (!isPlain) {
            throw new LaunchProblem(
                    2,
                    "“%s” is not a public address; give one like --public-url https://documents.example, without a path."
                            .formatted(text));
        }
        return URI.create("https://" + url.getHost().toLowerCase(Locale.ROOT)
                + (url.getPort() < 0 || url.getPort() == HTTPS ? "" : ":" + url.getPort()));
    }

    private static List<String> proxies(String text) {
        List<String> proxies =
                Arrays.stream(text.split(",", -1)).map(String::strip).toList();
        for (String proxy : proxies) {
            if (!NETWORK.matcher(proxy).matches() || !isNetwork(proxy)) {
                throw new LaunchProblem(
                        2, "“%s” is not an address or a network; give one like --behind 10.0.0.0/8.".formatted(proxy));
            }
        }
        return proxies;
    }

    private static boolean isNetwork(String text) {
        try {
            return new IpAddressMatcher(text).matches(text.replaceFirst("/.*", ""));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static URI mailServer(String text) {
        URI server = uri("--smtp", text);
        boolean isKnown =
                ("smtp".equals(server.getScheme()) || "smtps".equals(server.getScheme())) && server.getHost() != null;
        if (!isKnown) {
            throw new LaunchProblem(
                    2,
                    "“%s” is not a mail server; give one like --smtp smtps://name@mail.example:465 (TLS) or smtp://name@mail.example:587 (STARTTLS), and its password in %s."
                            .formatted(text, SMTP_PASSWORD));
        }
        if (server.getUserInfo() != null && server.getUserInfo().contains(":")) {
            throw new LaunchProblem(
                    2,
                    "A password on the command line can be read by all who use this machine; give it in %s."
                            .formatted(SMTP_PASSWORD));
        }
        return server;
    }

    private static boolean isLoopback(String address) {
        try {
            return InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            throw new LaunchProblem(2, "“%s” is not an address of this machine.".formatted(address));
        }
    }

    private static URI uri(String option, String text) {
        try {
            return new URI(text.strip());
        } catch (URISyntaxException e) {
            throw new LaunchProblem(2, "%s “%s” is not an address.".formatted(option, text));
        }
    }
}
