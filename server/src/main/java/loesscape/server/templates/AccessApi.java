package loesscape.server.templates;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import loesscape.core.model.Refused;
import loesscape.server.accounts.AccountRole;
import loesscape.server.accounts.AccountStore;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.Right;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.templates.AccessStore.Access;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whose a template is, and with whom it is shared. */
@RestController
@RequestMapping("/api/templates/{id}/access")
class AccessApi {

    private final AccessStore access;
    private final TemplateStore templates;
    private final AccountStore accounts;

    AccessApi(AccessStore access, TemplateStore templates, AccountStore accounts) {
        this.access = access;
        this.templates = templates;
        this.accounts = accounts;
    }

    /** Somebody a template is shared with; an empty name is everybody who has an account. */
    public record SharedWith(String name, Right may) {}

    /** Whose a template is, with whom it is shared, and with whom it could be. */
    public record Sharing(String owner, List<SharedWith> shared, List<String> accounts) {}

    /** With whom a template is to be shared. */
    public record SharingWanted(List<SharedWith> shared) {}

    /** Whose a template is to be. */
    public record OwnerWanted(String name) {}

    @GetMapping
    Sharing find(@PathVariable UUID id) {
        if (templates.title(id).isEmpty()) {
            throw TemplateStore.missing();
        }
        String owner = "";
        List<SharedWith> shared = new ArrayList<>();
        for (Access each : access.list(id)) {
            if (each.may() == Right.OWN) {
                owner = each.name();
            } else {
                shared.add(new SharedWith(each.name(), each.may()));
            }
        }
        return new Sharing(
                owner, shared, accounts.list().stream().map(Author::name).toList());
    }

    @PutMapping
    @Transactional
    @Told(SecurityEvent.RIGHTS_CHANGED)
    public Sharing share(@PathVariable UUID id, @RequestBody SharingWanted wanted) {
        Sharing before = find(id);
        List<Access> with = new ArrayList<>();
        Set<String> named = new HashSet<>(List.of(before.owner()));
        for (SharedWith each : wanted.shared()) {
            if (each.may() == Right.OWN || each.may() == Right.NONE || !named.add(each.name())) {
                throw new Refused(
                        Refused.Cause.NOT_VALID,
                        "Say once for each whether they see, send or write; it has one owner.");
            }
            with.add(new Access(
                    each.name().isEmpty() ? null : account(each.name()).id(), each.name(), each.may()));
        }
        access.share(id, with);
        return find(id);
    }

    @PutMapping("/owner")
    @Transactional
    @Told(SecurityEvent.RIGHTS_CHANGED)
    public Sharing give(@PathVariable UUID id, @RequestBody OwnerWanted wanted) {
        find(id);
        Author to = account(wanted.name());
        if (to.role() != AccountRole.AUTHOR) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "A template belongs to an author; “%s” is none.".formatted(to.name()));
        }
        access.give(id, to.id());
        return find(id);
    }

    private Author account(String name) {
        return accounts.find(name)
                .orElseThrow(() ->
                        new Refused(Refused.Cause.NOT_VALID, "There is no account “%s” any more.".formatted(name)));
    }
}
