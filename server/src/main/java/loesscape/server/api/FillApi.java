package loesscape.server.api;

import java.time.Duration;
import loesscape.server.api.Fillings.AnswerKept;
import loesscape.server.api.Fillings.Finished;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * Filling in through a link. The link says which document; a cookie, bound to the link, says whose answers, so that the
 * same browser finds them again and another one does not.
 */
@RestController
@RequestMapping("/api/fill/{link}")
public class FillApi {

    private static final String COOKIE = "filling";
    private static final Duration KNOWN_FOR = Duration.ofDays(180);

    private final Fillings fillings;

    FillApi(Fillings fillings) {
        this.fillings = fillings;
    }

    /** What stands in a field now. */
    public record TypedAnswer(String typed) {}

    @GetMapping
    ResponseEntity<Sheet> open(
            @PathVariable String link, @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        return ResponseEntity.ok().header(HttpHeaders.CACHE_CONTROL, "no-store").body(fillings.open(link, secret));
    }

    @PutMapping("/answers/{key}")
    ResponseEntity<AnswerKept> answer(
            @PathVariable String link,
            @PathVariable String key,
            @RequestBody TypedAnswer answer,
            @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        String known = fillings.known(link, secret);
        return remember(link, secret, known).body(fillings.answer(link, known, key, answer.typed()));
    }

    @PostMapping(value = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<HandedIn.Identity> handIn(
            @PathVariable String link,
            @RequestParam String name,
            @RequestBody(required = false) byte @Nullable [] content,
            @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        String known = fillings.known(link, secret);
        return remember(link, secret, known)
                .body(new HandedIn.Identity(fillings.handIn(link, known, HandedIn.file(name, content))));
    }

    @GetMapping("/files/{id}")
    ResponseEntity<byte[]> file(
            @PathVariable String link,
            @PathVariable String id,
            @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        return HandedIn.answer(fillings.file(link, secret == null ? "" : secret, id));
    }

    /** A picture of the document. */
    @GetMapping("/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String link, @PathVariable String name) {
        return PicturesApi.answer(fillings.picture(link, name));
    }

    /** The logo of who hands the document out. */
    @GetMapping("/logo")
    ResponseEntity<byte[]> logo(@PathVariable String link) {
        return PicturesApi.answer(fillings.logo(link));
    }

    @PostMapping("/finish")
    ResponseEntity<Finished> finish(
            @PathVariable String link, @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        String known = fillings.known(link, secret);
        return remember(link, secret, known).body(fillings.finish(link, known));
    }

    /** Forgets the finished document in this browser, so that another can be filled in. */
    @PostMapping("/again")
    ResponseEntity<Void> again(@PathVariable String link) {
        fillings.follow(link);
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie(link, "", Duration.ZERO))
                .build();
    }

    @GetMapping("/record.pdf")
    ResponseEntity<byte[]> pdf(
            @PathVariable String link, @CookieValue(name = COOKIE, required = false) @Nullable String secret) {
        Fillings.Pdf pdf = fillings.pdf(link, secret == null ? "" : secret);
        return TemplatesApi.download(pdf.bytes(), MediaType.APPLICATION_PDF, "record-" + pdf.record() + ".pdf");
    }

    private static ResponseEntity.BodyBuilder remember(String link, @Nullable String before, String secret) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok();
        return !secret.equals(before) ? answer.header(HttpHeaders.SET_COOKIE, cookie(link, secret, KNOWN_FOR)) : answer;
    }

    private static String cookie(String link, String secret, Duration age) {
        return ResponseCookie.from(COOKIE, secret)
                .path("/api/fill/" + link)
                .httpOnly(true)
                .sameSite("Strict")
                .maxAge(age)
                .build()
                .toString();
    }
}
