package loesscape.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.signing.Person;
import loesscape.server.files.HandedIn;
import loesscape.server.filling.FillApi;
import loesscape.server.filling.Fillings.AnswerKept;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.LinkCookie;
import loesscape.server.platform.web.PictureAnswer;
import loesscape.server.records.ReadingCopies;
import loesscape.server.signing.Identification.IdentityAsked;
import loesscape.server.signing.TurnLinks.Caller;
import loesscape.server.signing.Turns.OpenTurn;
import loesscape.server.signing.Turns.TurnEnded;
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

/** A turn in a dispatch, through the link of the person whose turn it is. The link is all that is needed, and all there is. */
@RestController
@RequestMapping("/api/sign/{link}")
class TurnApi {

    private final HandedIn handedIn;
    private final ReadingCopies copies;
    private final LinkCookie cookie;
    private final Turns turns;
    private final Identification identification;

    TurnApi(Turns turns, Identification identification, HandedIn handedIn, ReadingCopies copies, Facing facing) {
        this.copies = copies;
        this.handedIn = handedIn;
        this.cookie = new LinkCookie("turn", "/api/sign/", facing);
        this.turns = turns;
        this.identification = identification;
    }

    private Caller caller(String link, HttpServletRequest request) {
        String pass = cookie.of(request);
        return new Caller(link, request.getRemoteAddr(), pass == null ? "" : pass);
    }

    /** Why somebody does not sign. */
    public record Declining(String because) {}

    /** Who is to sign instead, and why. */
    public record HandedOn(
            String name, String address, @MayBeLeftOut String phone, String because) {}

    /** A code or a phrase by which somebody shows who they are. */
    public record IdentityGiven(String given) {}

    /**
     * Whether that was right.
     *
     * @param problem what is wrong with it, and what can be done; empty where nothing is
     */
    public record IdentityAnswer(boolean shown, String problem) {}

    /** Where the payment is made: a path on this server, which stands for the desk's own. */
    public record AtTheDesk(String path) {}

    @GetMapping
    ResponseEntity<OpenTurn> find(@PathVariable String link, HttpServletRequest request) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(turns.find(caller(link, request)));
    }

    /** What is asked before the document opens. */
    @GetMapping("/identity")
    IdentityAsked identity(@PathVariable String link, HttpServletRequest request) {
        return identification.asked(caller(link, request));
    }

    @PostMapping("/identity/code")
    IdentityAsked sendCode(@PathVariable String link, HttpServletRequest request) {
        return identification.send(caller(link, request));
    }

    @PostMapping("/identity")
    ResponseEntity<IdentityAnswer> identify(
            @PathVariable String link, @RequestBody IdentityGiven given, HttpServletRequest request) {
        Identification.Outcome outcome = identification.give(caller(link, request), given.given());
        boolean isShown = !outcome.pass().isEmpty();
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok();
        if (isShown) {
            // The browser is known at this link only, and until it is closed or half a day is over.
            answer.header(HttpHeaders.SET_COOKIE, cookie.header(link, outcome.pass(), Identification.KNOWN_FOR));
        }
        return answer.body(new IdentityAnswer(isShown, outcome.problem()));
    }

    /** Told by the page, not by asking for the turn: mail programs follow links too, to look where they lead. */
    @PostMapping("/opened")
    ResponseEntity<Void> opened(@PathVariable String link, HttpServletRequest request) {
        turns.open(caller(link, request));
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/consent")
    OpenTurn consent(@PathVariable String link, HttpServletRequest request) {
        return turns.consent(caller(link, request));
    }

    @PutMapping("/answers/{key}")
    AnswerKept answer(
            @PathVariable String link,
            @PathVariable String key,
            @RequestBody FillApi.TypedAnswer answer,
            HttpServletRequest request) {
        return turns.answer(caller(link, request), key, answer.typed());
    }

    @PostMapping(value = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    HandedIn.Identity handIn(
            @PathVariable String link, @RequestParam String name, InputStream content, HttpServletRequest request)
            throws IOException {
        Caller caller = caller(link, request);
        turns.checkActing(caller);
        return handedIn.take(name, content, file -> turns.handIn(caller, file));
    }

    @GetMapping("/files/{id}")
    ResponseEntity<Resource> file(@PathVariable String link, @PathVariable String id, HttpServletRequest request) {
        return HandedIn.answer(turns.file(caller(link, request), id));
    }

    @GetMapping("/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String link, @PathVariable String name, HttpServletRequest request) {
        return PictureAnswer.of(turns.picture(caller(link, request), name));
    }

    @GetMapping("/logo")
    ResponseEntity<byte[]> logo(@PathVariable String link, HttpServletRequest request) {
        return PictureAnswer.of(turns.logo(caller(link, request)));
    }

    /** How many pages the document would have now. */
    @GetMapping("/paper")
    ReadingCopies.CopyPages paper(@PathVariable String link, HttpServletRequest request) {
        return turns.copy(caller(link, request)).about();
    }

    @GetMapping("/paper/pdf")
    ResponseEntity<byte[]> wholePaper(@PathVariable String link, HttpServletRequest request) {
        return turns.copy(caller(link, request)).answer();
    }

    @GetMapping("/paper/pages/{number}")
    ResponseEntity<byte[]> page(@PathVariable String link, @PathVariable int number, HttpServletRequest request) {
        return copies.page(turns.copy(caller(link, request)), number);
    }

    /** What stands now on the pages of PDF files that the document is written on. */
    @GetMapping("/filled")
    FillApi.FilledPages filled(@PathVariable String link, HttpServletRequest request) {
        return new FillApi.FilledPages(turns.content(caller(link, request)).filled());
    }

    /** A page of a PDF file that the document is written on. */
    @GetMapping("/sheets/{name}/pages/{number}")
    ResponseEntity<byte[]> sheet(
            @PathVariable String link,
            @PathVariable String name,
            @PathVariable int number,
            HttpServletRequest request) {
        return turns.sheet(caller(link, request), name, number);
    }

    @PostMapping("/finish")
    TurnEnded finish(@PathVariable String link, HttpServletRequest request) {
        return turns.finish(caller(link, request));
    }

    @PostMapping("/decline")
    ResponseEntity<Void> decline(
            @PathVariable String link, @RequestBody Declining declining, HttpServletRequest request) {
        turns.decline(caller(link, request), declining.because());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/delegate")
    ResponseEntity<Void> delegate(
            @PathVariable String link, @RequestBody HandedOn handedOn, HttpServletRequest request) {
        Person to = new Person(
                handedOn.name().strip(),
                handedOn.address().strip(),
                handedOn.phone().strip());
        turns.delegate(caller(link, request), to, handedOn.because());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/payments/{key}")
    AtTheDesk pay(@PathVariable String link, @PathVariable String key, HttpServletRequest request) {
        return new AtTheDesk(turns.pay(caller(link, request), key));
    }
}
