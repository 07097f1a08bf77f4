package loesscape.server.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.List;
import loesscape.core.evaluation.FilledPage;
import loesscape.server.files.HandedIn;
import loesscape.server.filling.Fillings.AnswerKept;
import loesscape.server.filling.Fillings.Finished;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.LinkCookie;
import loesscape.server.platform.web.PictureAnswer;
import loesscape.server.records.ReadingCopies;
import loesscape.server.templates.TemplatesApi;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

    private static final Duration KNOWN_FOR = Duration.ofDays(180);

    private final Fillings fillings;
    private final HandedIn handedIn;
    private final ReadingCopies copies;
    private final LinkCookie cookie;

    FillApi(Fillings fillings, HandedIn handedIn, ReadingCopies copies, Facing facing) {
        this.copies = copies;
        this.handedIn = handedIn;
        this.fillings = fillings;
        this.cookie = new LinkCookie("filling", "/api/fill/", facing);
    }

    /** What stands in a field now. */
    public record TypedAnswer(String typed) {}

    @GetMapping
    ResponseEntity<Sheet> open(@PathVariable String link, HttpServletRequest request) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(fillings.open(link, cookie.of(request)));
    }

    @PutMapping("/answers/{key}")
    ResponseEntity<AnswerKept> answer(
            @PathVariable String link,
            @PathVariable String key,
            @RequestBody TypedAnswer answer,
            HttpServletRequest request) {
        String before = cookie.of(request);
        Fillings.Done<AnswerKept> kept = fillings.answer(link, before, key, answer.typed());
        return remember(link, before, kept.secret()).body(kept.outcome());
    }

    @PostMapping(value = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<HandedIn.Identity> handIn(
            @PathVariable String link, @RequestParam String name, InputStream content, HttpServletRequest request)
            throws IOException {
        String before = cookie.of(request);
        // Before the file is taken in, so that nothing is sent to a link that is closed.
        String known = fillings.begin(link, before);
        return remember(link, before, known)
                .body(handedIn.take(name, content, file -> fillings.handIn(link, known, file)));
    }

    @GetMapping("/files/{id}")
    ResponseEntity<Resource> file(@PathVariable String link, @PathVariable String id, HttpServletRequest request) {
        return HandedIn.answer(fillings.file(link, secret(request), id));
    }

    /** A picture of the document. */
    @GetMapping("/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String link, @PathVariable String name) {
        return PictureAnswer.of(fillings.picture(link, name));
    }

    /** The logo of who hands the document out. */
    @GetMapping("/logo")
    ResponseEntity<byte[]> logo(@PathVariable String link) {
        return PictureAnswer.of(fillings.logo(link));
    }

    /** How many pages the document would have now. */
    @GetMapping("/paper")
    ReadingCopies.CopyPages paper(@PathVariable String link, HttpServletRequest request) {
        return fillings.copy(link, cookie.of(request)).about();
    }

    @GetMapping("/paper/pdf")
    ResponseEntity<byte[]> wholePaper(@PathVariable String link, HttpServletRequest request) {
        return fillings.copy(link, cookie.of(request)).answer();
    }

    @GetMapping("/paper/pages/{number}")
    ResponseEntity<byte[]> page(@PathVariable String link, @PathVariable int number, HttpServletRequest request) {
        return copies.page(fillings.copy(link, cookie.of(request)), number);
    }

    /** What stands now on the pages of PDF files that the document is written on. */
    @GetMapping("/filled")
    FilledPages filled(@PathVariable String link, HttpServletRequest request) {
        return new FilledPages(fillings.content(link, cookie.of(request)).filled());
    }

    /** Pages of PDF files with what stands on them; none where the document is set from its items. */
    public record FilledPages(List<FilledPage> pages) {}

    /** A page of a PDF file that the document is written on. */
    @GetMapping("/sheets/{name}/pages/{number}")
    ResponseEntity<byte[]> sheet(@PathVariable String link, @PathVariable String name, @PathVariable int number) {
        return fillings.sheet(link, name, number);
    }

    @PostMapping("/finish")
    ResponseEntity<Finished> finish(@PathVariable String link, HttpServletRequest request) {
        String before = cookie.of(request);
        Fillings.Done<Finished> finished = fillings.finish(link, before);
        return remember(link, before, finished.secret()).body(finished.outcome());
    }

    /** Forgets the finished document in this browser, so that another can be filled in. */
    @PostMapping("/again")
    ResponseEntity<Void> again(@PathVariable String link) {
        fillings.follow(link);
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie.header(link, "", Duration.ZERO))
                .build();
    }

    @GetMapping("/record.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable String link, HttpServletRequest request) {
        Fillings.Pdf pdf = fillings.pdf(link, secret(request));
        return TemplatesApi.download(pdf.bytes(), MediaType.APPLICATION_PDF, "record-" + pdf.record() + ".pdf");
    }

    private ResponseEntity.BodyBuilder remember(String link, @Nullable String before, String secret) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok();
        return !secret.equals(before)
                ? answer.header(HttpHeaders.SET_COOKIE, cookie.header(link, secret, KNOWN_FOR))
                : answer;
    }

    private String secret(HttpServletRequest request) {
        String secret = cookie.of(request);
        return secret == null ? "" : secret;
    }
}
