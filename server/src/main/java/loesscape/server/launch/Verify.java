package loesscape.server.launch;

import java.io.ByteArrayInputStream;
import java.security.cert.CRLException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509CRL;
import java.security.cert.X509Certificate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import loesscape.formats.evidence.EventWords;
import loesscape.formats.evidence.Trail;
import loesscape.formats.json.Json;
import loesscape.formats.seal.SealCheck;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Says of a sealed document, without any server, whether it is whole and who sealed it. */
public final class Verify {

    private static final String USAGE =
            "verify takes a PDF and, where it is known, the root: FILE.pdf [--root root.pem [--crl root.crl]] [--json]";

    private Verify() {}

    /**
     * Checks a file. It ends with 0 for whole and sealed by the root, 1 for whole and sealed by somebody not known, 2 for
     * anything else.
     *
     * @throws LaunchProblem when a file cannot be read, or the arguments are not understood
     */
    public static CommandResult run(List<String> arguments) {
        List<String> rest = new ArrayList<>(arguments);
        boolean isJson = rest.remove("--json");
        int at = rest.indexOf("--root");
        X509Certificate root = null;
        if (at >= 0) {
            if (at + 1 >= rest.size()) {
                throw new LaunchProblem(2, USAGE);
            }
            root = certificate(rest.remove(at + 1));
            rest.remove(at);
        }
        int list = rest.indexOf("--crl");
        byte[] revoked = null;
        if (list >= 0) {
            if (list + 1 >= rest.size() || root == null) {
                throw new LaunchProblem(2, USAGE);
            }
            revoked = list(rest.remove(list + 1));
            rest.remove(list);
        }
        if (rest.size() != 1 || rest.getFirst().startsWith("--")) {
            throw new LaunchProblem(2, USAGE);
        }
        SealCheck check = SealCheck.of(read(rest.getFirst()), root, revoked);
        int code = switch (check.verdict()) {
            case SEALED_HERE -> 0;
            case SEALED_BY_OTHERS -> 1;
            case CHANGED, NOT_SEALED, UNREADABLE -> 2;
        };
        return new CommandResult(isJson ? json(check, root != null) : words(check, root != null), code);
    }

    /** A file that cannot be read is nothing proved, which has the exit code 2 here. */
    private static byte[] read(String file) {
        try {
            return Files.read(file);
        } catch (LaunchProblem unreadable) {
            throw new LaunchProblem(2, String.valueOf(unreadable.getMessage()));
        }
    }

    private static X509Certificate certificate(String file) {
        try {
            return (X509Certificate)
                    CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(read(file)));
        } catch (CertificateException e) {
            throw new LaunchProblem(2, "The file %s holds no certificate in PEM.".formatted(file));
        }
    }

    private static byte[] list(String file) {
        try {
            return CertificateFactory.getInstance("X.509").generateCRL(new ByteArrayInputStream(read(file)))
                            instanceof X509CRL crl
                    ? crl.getEncoded()
                    : new byte[0];
        } catch (CertificateException | CRLException e) {
            throw new LaunchProblem(2, "The file %s holds no list of revoked certificates.".formatted(file));
        }
    }

    private static String verdict(SealCheck check, boolean hasRoot) {
        return switch (check.verdict()) {
            case SEALED_HERE -> "Whole, and sealed under this root.";
            case SEALED_BY_OTHERS ->
                hasRoot
                        ? check.message()
                        : "Whole; who sealed it was not checked, as no --root was given: what it says is a claim.";
            case CHANGED, NOT_SEALED, UNREADABLE -> check.message();
        };
    }

    private static String words(SealCheck check, boolean hasRoot) {
        StringBuilder text = new StringBuilder(verdict(check, hasRoot)).append('\n');
        if (!check.by().isEmpty()) {
            text.append("Sealed by ").append(check.by());
            text.append(check.at() == null ? ", at a time that is not proved" : ", " + check.at())
                    .append('\n');
        }
        Trail trail = check.trail();
        if (trail != null) {
            EventWords words = new EventWords(trail.events());
            trail.entries()
                    .forEach(entry -> text.append("%d  %s  %s%n      %s%n"
                            .formatted(entry.number(), entry.at(), entry.who(), words.of(entry))));
        }
        return text.toString();
    }

    private static String json(SealCheck check, boolean hasRoot) {
        ObjectNode said = JsonNodeFactory.instance.objectNode();
        said.put("verdict", check.verdict().name().toLowerCase(Locale.ROOT));
        said.put("message", verdict(check, hasRoot));
        said.put("by", check.by());
        said.put("at", check.at() == null ? null : check.at().toString());
        ArrayNode entries = said.putArray("trail");
        @Nullable Trail trail = check.trail();
        if (trail != null) {
            trail.entries()
                    .forEach(entry ->
                            entries.addObject().put("text", entry.text()).put("hash", entry.hash()));
        }
        return Json.pretty(said);
    }
}
