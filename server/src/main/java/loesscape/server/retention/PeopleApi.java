package loesscape.server.retention;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import loesscape.core.model.Addresses;
import loesscape.core.model.Refused;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;
import loesscape.server.accounts.Author;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.retention.PersonStore.Found;
import loesscape.server.templates.TemplatesApi;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * All that is kept of one person: found, exported, erased (Regulation (EU) 2016/679, articles 15, 17 and 20). What others
 * have signed too stays as their evidence (article 17(3)(e)), until its dispatch is deleted or its time is over.
 */
@RestController
@RequestMapping("/api/people")
class PeopleApi {

    private final PersonStore search;
    private final DeletionStore deletions;

    PeopleApi(PersonStore search, DeletionStore deletions) {
        this.search = search;
        this.deletions = deletions;
    }

    /** Whose. */
    public record OfAddress(String address) {}

    /** Whose, and why. */
    public record Erasing(String address, String because) {}

    /** A place where something of a person is kept. */
    public record KeptOf(String what, String path) {}

    /**
     * All that is kept of a person.
     *
     * @param erasable what is deleted when they ask for it
     * @param evidence what stays, because it proves what others have signed too
     */
    public record KnownPerson(String address, List<KeptOf> erasable, List<KeptOf> evidence) {}

    @PostMapping("/find")
    KnownPerson find(@RequestBody OfAddress of, @AuthenticationPrincipal Author author) {
        String address = checked(of.address());
        return person(address, search.find(address, author.id()));
    }

    private static KnownPerson person(String address, Found found) {
        List<KeptOf> erasable = new ArrayList<>();
        found.records()
                .forEach(it -> erasable.add(new KeptOf(
                        "Record %d of “%s”".formatted(it.number(), it.title()),
                        "/templates/%s/records/%d".formatted(it.template(), it.number()))));
        if (!found.fillings().isEmpty()) {
            erasable.add(new KeptOf(
                    "%d begun and not finished".formatted(found.fillings().size()), ""));
        }
        if (!found.messages().isEmpty()) {
            erasable.add(new KeptOf(
                    found.messages().size() == 1
                            ? "1 message"
                            : found.messages().size() + " messages",
                    ""));
        }
        List<KeptOf> evidence = found.dispatches().stream()
                .map(it -> new KeptOf("“%s”, as %s".formatted(it.title(), it.role()), "/dispatches/" + it.id()))
                .toList();
        return new KnownPerson(address, erasable, evidence);
    }

    private static String checked(String text) {
        String address = text.strip();
        if (!Addresses.isEmail(address)) {
            throw new Refused(Refused.Cause.NOT_VALID, "Give the whole e-mail address of the person.");
        }
        return address;
    }

    /** All of it as JSON, to be given to the person. */
    @PostMapping("/export")
    @Told(SecurityEvent.EXPORTED)
    ResponseEntity<byte[]> export(@RequestBody OfAddress of, @AuthenticationPrincipal Author author) {
        Found found = search.find(checked(of.address()), author.id());
        return TemplatesApi.download(
                Json.pretty(JsonWriter.full(found, Found.class)).getBytes(StandardCharsets.UTF_8),
                MediaType.APPLICATION_JSON,
                "person.json");
    }

    @PostMapping("/erase")
    @Transactional
    @Told(SecurityEvent.DELETED)
    public KnownPerson erase(@RequestBody Erasing erasing, @AuthenticationPrincipal Author author) {
        String address = checked(erasing.address());
        String because = erasing.because().strip();
        if (because.isEmpty() || because.length() > 1_000) {
            throw new Refused(Refused.Cause.NOT_VALID, "Say why in a few words; that is kept.");
        }
        Found found = search.find(address, author.id());
        found.records()
                .forEach(it -> deletions.record(UUID.fromString(it.template()), it.number(), because, author.name()));
        found.fillings()
                .forEach(it -> deletions.filling(UUID.fromString(it.template()), it.filling(), because, author.name()));
        search.deleteMessages(address);
        return person(address, search.find(address, author.id()));
    }
}
