package loesscape.server.dispatch;

import jakarta.servlet.http.HttpServletRequest;
import loesscape.core.signing.Person;
import loesscape.server.api.FillApi;
import loesscape.server.api.Fillings.AnswerKept;
import loesscape.server.api.HandedIn;
import loesscape.server.api.PicturesApi;
import loesscape.server.dispatch.Turns.OpenTurn;
import loesscape.server.dispatch.Turns.TurnEnded;
import org.jspecify.annotations.Nullable;
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

    private final Turns turns;

    TurnApi(Turns turns) {
        this.turns = turns;
    }

    /** Why somebody does not sign. */
    public record Declining(String because) {}

    /** Who is to sign instead, and why. */
    public record HandedOn(String name, String address, String because) {}

    /** Where the payment is made: a path on this server, which stands for the desk's own. */
    public record AtTheDesk(String path) {}

    @GetMapping
    ResponseEntity<OpenTurn> find(@PathVariable String link, HttpServletRequest request) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(turns.find(link, request.getRemoteAddr()));
    }

    /** Told by the page, not by asking for the turn: mail programs follow links too, to look where they lead. */
    @PostMapping("/opened")
    ResponseEntity<Void> opened(@PathVariable String link, HttpServletRequest request) {
        turns.open(link, request.getRemoteAddr());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/consent")
    OpenTurn consent(@PathVariable String link, HttpServletRequest request) {
        return turns.consent(link, request.getRemoteAddr());
    }

    @PutMapping("/answers/{key}")
    AnswerKept answer(
            @PathVariable String link,
            @PathVariable String key,
            @RequestBody FillApi.TypedAnswer answer,
            HttpServletRequest request) {
        return turns.answer(link, request.getRemoteAddr(), key, answer.typed());
    }

    @PostMapping(value = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    HandedIn.Identity handIn(
            @PathVariable String link,
            @RequestParam String name,
            @RequestBody(required = false) byte @Nullable [] content,
            HttpServletRequest request) {
        return new HandedIn.Identity(turns.handIn(link, request.getRemoteAddr(), HandedIn.file(name, content)));
    }

    @GetMapping("/files/{id}")
    ResponseEntity<byte[]> file(@PathVariable String link, @PathVariable String id, HttpServletRequest request) {
        return HandedIn.answer(turns.file(link, request.getRemoteAddr(), id));
    }

    @GetMapping("/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String link, @PathVariable String name, HttpServletRequest request) {
        return PicturesApi.answer(turns.picture(link, request.getRemoteAddr(), name));
    }

    @GetMapping("/logo")
    ResponseEntity<byte[]> logo(@PathVariable String link, HttpServletRequest request) {
        return PicturesApi.answer(turns.logo(link, request.getRemoteAddr()));
    }

    @PostMapping("/finish")
    TurnEnded finish(@PathVariable String link, HttpServletRequest request) {
        return turns.finish(link, request.getRemoteAddr());
    }

    @PostMapping("/decline")
    ResponseEntity<Void> decline(
            @PathVariable String link, @RequestBody Declining declining, HttpServletRequest request) {
        turns.decline(link, request.getRemoteAddr(), declining.because());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/delegate")
    ResponseEntity<Void> delegate(
            @PathVariable String link, @RequestBody HandedOn handedOn, HttpServletRequest request) {
        Person to = new Person(handedOn.name().strip(), handedOn.address().strip());
        turns.delegate(link, request.getRemoteAddr(), to, handedOn.because());
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/payments/{key}")
    AtTheDesk pay(@PathVariable String link, @PathVariable String key, HttpServletRequest request) {
        return new AtTheDesk(turns.pay(link, request.getRemoteAddr(), key));
    }
}
