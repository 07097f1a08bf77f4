package loesscape.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.signing.Person;
import loesscape.server.accounts.Author;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.PageWanted;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.DispatchListStore.Sought;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.Dispatches.DispatchList;
import loesscape.server.signing.Dispatches.DispatchPage;
import loesscape.server.signing.Sending.SendingWanted;
import loesscape.server.signing.Sending.TableReport;
import loesscape.server.signing.Sending.ToSend;
import loesscape.server.templates.TemplatesApi;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Dispatches: sent, listed, reminded, withdrawn, corrected, saved. */
@RestController
class DispatchesApi {

    private static final int MOST_WORDS = 10;

    private final Dispatches dispatches;
    private final Sending sending;
    private final OpenLinkStore openLinks;
    private final Webhooks webhooks;

    DispatchesApi(Dispatches dispatches, Sending sending, OpenLinkStore openLinks, Webhooks webhooks) {
        this.dispatches = dispatches;
        this.sending = sending;
        this.openLinks = openLinks;
        this.webhooks = webhooks;
    }

    /** A dispatch that was begun. */
    public record Begun(String id) {}

    /** A table to be sent, with what all its lines have in common. */
    public record TableWanted(String table, SendingWanted common, boolean send) {}

    /** An open link to be made: how what is begun through it is sent, and how many a day at the most; 0 for as usual. */
    public record OpenLinkWanted(
            String message,
            int dueDays,
            int remindDays,
            boolean mayDelegate,
            @MayBeLeftOut boolean mailCode,
            @MayBeLeftOut boolean filesInside,
            @MayBeLeftOut boolean endsWhenDue,
            @MayBeLeftOut int mostADay) {}

    /** The path of a link, told once. */
    public record OpenLinkMade(String path) {}

    /** The open links of a template. */
    public record OpenLinkList(List<OpenLinkStore.OpenLinkRow> links) {}

    /** Why a dispatch is taken back. */
    public record Withdrawing(String because) {}

    /** Whose turn is meant. */
    public record OfRole(String role) {}

    /** Another name and address for a role. */
    public record Correction(
            String role,
            String name,
            String address,
            @MayBeLeftOut String phone) {}

    /** The address at which ends are told; empty for nowhere. */
    public record WebhookWanted(String address) {}

    /** Where ends are told, and what was told. */
    public record WebhookPage(Webhooks.WebhookTarget target, List<Webhooks.Delivery> deliveries) {}

    @GetMapping("/api/dispatches")
    DispatchList list(
            @RequestParam(defaultValue = "") String sought,
            @RequestParam(defaultValue = "ANY") DispatchListStore.DispatchStage stage,
            @RequestParam(defaultValue = "") String waitsFor,
            @RequestParam(defaultValue = "0") int idleDays,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "100") int size,
            @AuthenticationPrincipal Author author) {
        PageWanted.check(page, size);
        List<String> words =
                sought.isBlank() ? List.of() : List.of(sought.strip().split("\\s+", MOST_WORDS));
        return dispatches.list(author.id(), new Sought(words, stage, waitsFor, idleDays), page, size);
    }

    @GetMapping("/api/dispatches/{id}")
    DispatchPage find(@PathVariable UUID id) {
        return dispatches.find(id);
    }

    /** Who is to be named for a release, and what can be answered beforehand. */
    @GetMapping("/api/templates/{template}/releases/{release}/roles")
    ToSend toSend(@PathVariable UUID template, @PathVariable int release) {
        return sending.toSend(template, release);
    }

    @PostMapping("/api/templates/{template}/releases/{release}/dispatches")
    Begun send(
            @PathVariable UUID template,
            @PathVariable int release,
            @RequestBody SendingWanted wanted,
            @AuthenticationPrincipal Author author,
            HttpServletRequest request) {
        return new Begun(sending.send(template, release, wanted, author, request.getRemoteAddr())
                .toString());
    }

    @PostMapping("/api/templates/{template}/releases/{release}/dispatches/table")
    TableReport sendTable(
            @PathVariable UUID template,
            @PathVariable int release,
            @RequestBody TableWanted wanted,
            @AuthenticationPrincipal Author author,
            HttpServletRequest request) {
        return sending.sendTable(
                template, release, wanted.table(), wanted.common(), wanted.send(), author, request.getRemoteAddr());
    }

    @PostMapping("/api/templates/{template}/releases/{release}/open-links")
    @Told(SecurityEvent.LINK_MADE)
    OpenLinkMade openLink(
            @PathVariable UUID template,
            @PathVariable int release,
            @RequestBody OpenLinkWanted wanted,
            @AuthenticationPrincipal Author author) {
        SendingWanted common = new SendingWanted(
                List.of(),
                Map.of(),
                wanted.message(),
                null,
                wanted.remindDays(),
                wanted.mayDelegate(),
                wanted.filesInside(),
                wanted.endsWhenDue());
        return new OpenLinkMade(sending.openLink(
                template, release, common, wanted.dueDays(), wanted.mostADay(), wanted.mailCode(), author));
    }

    @GetMapping("/api/templates/{template}/open-links")
    OpenLinkList openLinks(@PathVariable UUID template) {
        return new OpenLinkList(openLinks.list(template));
    }

    @PostMapping("/api/templates/{template}/open-links/{link}/end")
    @Told(SecurityEvent.LINK_ENDED)
    OpenLinkList endOpenLink(@PathVariable UUID template, @PathVariable int link) {
        if (!openLinks.end(template, link)) {
            throw new Problems.Missing("There is no such link any more.");
        }
        return openLinks(template);
    }

    @PostMapping("/api/dispatches/{id}/withdraw")
    DispatchPage withdraw(
            @PathVariable UUID id,
            @RequestBody Withdrawing withdrawing,
            @AuthenticationPrincipal Author author,
            HttpServletRequest request) {
        return dispatches.withdraw(id, withdrawing.because(), actor(author, request));
    }

    @PostMapping("/api/dispatches/{id}/remind")
    DispatchPage remind(
            @PathVariable UUID id,
            @RequestBody OfRole of,
            @AuthenticationPrincipal Author author,
            HttpServletRequest request) {
        return dispatches.remind(id, of.role(), actor(author, request));
    }

    @PostMapping("/api/dispatches/{id}/seal")
    DispatchPage sealAgain(@PathVariable UUID id) {
        return dispatches.sealAgain(id);
    }

    @PostMapping("/api/dispatches/{id}/correct")
    DispatchPage correct(
            @PathVariable UUID id,
            @RequestBody Correction correction,
            @AuthenticationPrincipal Author author,
            HttpServletRequest request) {
        Person to = new Person(
                correction.name().strip(),
                correction.address().strip(),
                correction.phone().strip());
        return dispatches.correct(id, correction.role(), to, actor(author, request));
    }

    private static Actor actor(Author author, HttpServletRequest request) {
        return new Actor(author.name(), request.getRemoteAddr());
    }

    @GetMapping("/api/dispatches/{id}/document.pdf")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> document(@PathVariable UUID id) {
        return TemplatesApi.download(dispatches.document(id), MediaType.APPLICATION_PDF, "signed.pdf");
    }

    @GetMapping("/api/templates/{template}/webhook")
    WebhookPage webhook(@PathVariable UUID template) {
        return new WebhookPage(webhooks.target(template), webhooks.log(template));
    }

    /** Makes a new secret; for a day both sign. */
    @PostMapping("/api/templates/{template}/webhook/secret")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    WebhookPage renewSecret(@PathVariable UUID template) {
        return new WebhookPage(webhooks.renew(template), webhooks.log(template));
    }

    @PutMapping("/api/templates/{template}/webhook")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    WebhookPage setWebhook(@PathVariable UUID template, @RequestBody WebhookWanted wanted) {
        return new WebhookPage(webhooks.set(template, wanted.address()), webhooks.log(template));
    }
}
