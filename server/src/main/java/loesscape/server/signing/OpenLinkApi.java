package loesscape.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import loesscape.core.model.Template;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.filling.LinkThrottle;
import loesscape.server.signing.Sending.OpenInvitation;
import loesscape.server.templates.ReleasedTemplates;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Open links: whoever follows one names the people, and the first of them is asked by mail like everybody else. */
@RestController
@RequestMapping("/api/open/{link}")
class OpenLinkApi {

    private final OpenLinkStore links;
    private final OpenConfirmations confirmations;
    private final Sending sending;
    private final ReleasedTemplates releases;
    private final OrganisationStore organisations;
    private final LinkThrottle throttle;

    OpenLinkApi(
            OpenLinkStore links,
            OpenConfirmations confirmations,
            Sending sending,
            ReleasedTemplates releases,
            OrganisationStore organisations,
            LinkThrottle throttle) {
        this.links = links;
        this.confirmations = confirmations;
        this.sending = sending;
        this.releases = releases;
        this.organisations = organisations;
        this.throttle = throttle;
    }

    /**
     * Who plays the roles.
     *
     * @param confirmation by which the visitor is known whom a code was sent to
     * @param code that was sent; may be empty once it was taken
     */
    public record PeopleNamed(List<Sending.PersonNamed> people, String confirmation, String code) {}

    /** The visitor's own address. */
    public record OwnAddress(String address) {}

    /** By what a visitor is known to whom a code was sent. */
    public record CodeOnItsWay(String confirmation) {}

    @GetMapping
    OpenInvitation open(@PathVariable String link, HttpServletRequest request) {
        OpenLinkStore.Open open = follow(link, request.getRemoteAddr());
        Template template = releases.get(open.template(), open.release()).template();
        return new OpenInvitation(template.title(), open.message(), Sending.roles(template), organisations.find());
    }

    @PostMapping
    ResponseEntity<Void> begin(@PathVariable String link, @RequestBody PeopleNamed named, HttpServletRequest request) {
        String from = request.getRemoteAddr();
        OpenLinkStore.Open open = follow(link, from);
        String own = confirmations.confirmed(open, named.confirmation(), named.code());
        sending.begin(open, named.people(), own, named.confirmation(), from);
        return ResponseEntity.noContent().build();
    }

    /** Sends a code to the visitor's own address. */
    @PostMapping("/code")
    CodeOnItsWay sendCode(@PathVariable String link, @RequestBody OwnAddress own, HttpServletRequest request) {
        String from = request.getRemoteAddr();
        return new CodeOnItsWay(confirmations.send(follow(link, from), own.address(), from));
    }

    private OpenLinkStore.Open follow(String link, String from) {
        return throttle.follow(from, () -> links.follow(link));
    }
}
