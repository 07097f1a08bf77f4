package loesscape.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import loesscape.formats.evidence.EventWords;
import loesscape.formats.evidence.Trail;
import loesscape.formats.seal.SealCheck;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.platform.database.Spool;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.templates.TemplatesApi;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Finished documents: saved through a link, and checked by anybody. */
@RestController
class SignedApi {

    private final Turns turns;
    private final Spool spool;
    private final HeavyWork heavy;
    private final CertificateAuthority authority;
    private final SealStore seals;

    SignedApi(Turns turns, CertificateAuthority authority, SealStore seals, Spool spool, HeavyWork heavy) {
        this.turns = turns;
        this.spool = spool;
        this.heavy = heavy;
        this.authority = authority;
        this.seals = seals;
    }

    /** What a finished document is called. */
    public record SignedTitle(String title) {}

    /** An entry of a trail, in words. */
    public record TrailLine(int number, Instant at, String who, String from, String words, String hash) {}

    /**
     * What is to be said of a file.
     *
     * @param verdict whether it is as it was when it was sealed
     * @param message the same in words
     * @param by who sealed it; empty where it is not known
     * @param at when; null where it is not known
     * @param trail what the trail in it says
     * @param brokenAt the number of the first entry of the trail that does not fit; 0 where all do
     */
    public record Checked(
            SealCheck.Verdict verdict,
            String message,
            String by,
            @Nullable Instant at,
            List<TrailLine> trail,
            int brokenAt) {}

    @GetMapping("/api/signed/{link}")
    SignedTitle title(@PathVariable String link, HttpServletRequest request) {
        return new SignedTitle(turns.title(link, request.getRemoteAddr()));
    }

    @GetMapping("/api/signed/{link}/document.pdf")
    ResponseEntity<byte[]> document(@PathVariable String link, HttpServletRequest request) {
        byte[] document = turns.document(link, request.getRemoteAddr());
        return TemplatesApi.download(document, MediaType.APPLICATION_PDF, "signed.pdf");
    }

    /** Checks a file that anybody has; it is not kept. */
    @PostMapping(value = "/api/verify", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Checked verify(InputStream file) throws IOException {
        try (Spool.Passing passing = spool.take(file)) {
            SealCheck check = heavy.run(() -> authority.check(Files.readAllBytes(passing.at())));
            return checked(check, seals.wasSealed(passing.digest()));
        }
    }

    private static Checked checked(SealCheck check, boolean isKept) {
        if (check.verdict() == SealCheck.Verdict.SEALED_HERE && !isKept) {
            return new Checked(
                    SealCheck.Verdict.CHANGED,
                    "The document in it is as it was sealed here, but the bytes of its seal are not those that were kept.",
                    check.by(),
                    check.at(),
                    lines(check.trail()),
                    broken(check.trail()));
        }
        return new Checked(
                check.verdict(), check.message(), check.by(), check.at(), lines(check.trail()), broken(check.trail()));
    }

    private static int broken(@Nullable Trail trail) {
        return trail == null ? 0 : trail.firstBroken();
    }

    static List<TrailLine> lines(@Nullable Trail trail) {
        if (trail == null) {
            return List.of();
        }
        EventWords words = new EventWords(trail.events());
        return trail.entries().stream()
                .map(entry -> new TrailLine(
                        entry.number(), entry.at(), entry.who(), entry.from(), words.of(entry), entry.hash()))
                .toList();
    }
}
