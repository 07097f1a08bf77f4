package loesscape.server.filling;

import java.util.List;
import java.util.UUID;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.ReleasesApi;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The links to fill in a template's releases: when they open and close, and that they end. */
@RestController
@RequestMapping("/api/templates/{id}/links")
class FillLinksApi {

    private final ReleaseStore releases;

    FillLinksApi(ReleaseStore releases) {
        this.releases = releases;
    }

    /** The links of a template, the newest first. */
    public record FillLinkList(List<ReleaseStore.FillLink> links) {}

    @GetMapping
    FillLinkList list(@PathVariable UUID id) {
        return new FillLinkList(releases.links(id));
    }

    @PutMapping("/{number}")
    @Told(SecurityEvent.SETTINGS_CHANGED)
    FillLinkList setOpening(
            @PathVariable UUID id, @PathVariable int number, @RequestBody ReleaseStore.LinkTimes opening) {
        if (!releases.setOpening(id, number, ReleasesApi.checked(opening))) {
            throw missing();
        }
        return list(id);
    }

    @PostMapping("/{number}/end")
    @Told(SecurityEvent.LINK_ENDED)
    FillLinkList end(@PathVariable UUID id, @PathVariable int number) {
        if (!releases.endLink(id, number)) {
            throw missing();
        }
        return list(id);
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such link any more.");
    }
}
