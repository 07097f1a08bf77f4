package loesscape.server.signing;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.NotNow;
import loesscape.core.signing.Party;
import loesscape.core.signing.Person;
import loesscape.core.signing.Signing;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.DispatchListStore.Sought;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The senders' side of the server: what was sent, where it is, and what can be done about it. */
@Service
public class Dispatches {

    private final DispatchStore dispatches;
    private final SealStore seals;
    private final DispatchListStore search;
    private final DispatchService dispatchService;
    private final EvidenceCheck evidence;
    private final Clock clock;

    Dispatches(
            DispatchStore dispatches,
            SealStore seals,
            DispatchListStore search,
            DispatchService dispatchService,
            EvidenceCheck evidence,
            Clock clock) {
        this.dispatches = dispatches;
        this.seals = seals;
        this.search = search;
        this.dispatchService = dispatchService;
        this.evidence = evidence;
        this.clock = clock;
    }

    /** How a dispatch is, for its sender. */
    public enum DispatchStanding {
        WAITING,
        OVERDUE,
        DECLINED,
        WITHDRAWN,
        SEALING,
        FINISHED
    }

    /** A role of a dispatch. */
    public record PartyRow(
            String role,
            String title,
            int order,
            String name,
            String address,
            String phone,
            Party.Turn turn,
            boolean opened,
            IdentityCheck check,
            boolean identified) {}

    /** A dispatch in the list. */
    public record DispatchRow(
            String id,
            String template,
            String title,
            int release,
            DispatchStanding standing,
            Instant sent,
            Instant changed,
            @Nullable LocalDate due,
            List<PartyRow> parties,
            @Nullable Integer record) {}

    /**
     * A page of dispatches, the last changed first.
     *
     * @param found how many there are like what was sought
     * @param all how many there are
     * @param waitedFor who is to act now in any of them
     */
    public record DispatchList(List<DispatchRow> dispatches, int found, int all, List<String> waitedFor) {}

    /**
     * A dispatch with all that happened to it.
     *
     * @param broken what of it does not hold together, in a sentence; empty where all does
     * @param notSealed why the finished document could not be sealed; empty where nothing is in the way
     */
    public record DispatchPage(
            DispatchRow dispatch,
            String message,
            String because,
            boolean mayDelegate,
            String broken,
            String notSealed,
            List<SignedApi.TrailLine> trail) {}

    @Transactional(readOnly = true)
    public DispatchList list(long account, Sought sought, int page, int size) {
        DispatchListStore.Found found = search.find(account, sought, page, size);
        return new DispatchList(
                dispatches.list(found.page()).stream().map(this::row).toList(),
                found.count(),
                search.count(account),
                search.waitedFor(account));
    }

    @Transactional(readOnly = true)
    public DispatchPage find(UUID id) {
        StoredDispatch kept = dispatches.find(id).orElseThrow(Dispatches::missing);
        return new DispatchPage(
                row(kept),
                kept.message(),
                kept.dispatch().because(),
                kept.dispatch().mayDelegate(),
                evidence.problem(kept).orElse(""),
                seals.sealProblem(id),
                SignedApi.lines(dispatches.trail(id)));
    }

    private DispatchRow row(StoredDispatch kept) {
        return new DispatchRow(
                kept.id().toString(),
                kept.template().toString(),
                kept.title(),
                kept.release(),
                standing(kept),
                kept.sent(),
                kept.changed(),
                kept.dispatch().due(),
                kept.dispatch().parties().stream()
                        .map(party -> new PartyRow(
                                party.role(),
                                party.title(),
                                party.order(),
                                party.person().name(),
                                party.person().address(),
                                party.person().phone(),
                                party.turn(),
                                party.hasOpened(),
                                party.check(),
                                party.isIdentified()))
                        .toList(),
                kept.record());
    }

    private DispatchStanding standing(StoredDispatch kept) {
        return switch (kept.dispatch().status()) {
            case UNDER_WAY ->
                kept.dispatch().isOverdue(LocalDate.now(clock)) ? DispatchStanding.OVERDUE : DispatchStanding.WAITING;
            case DECLINED -> DispatchStanding.DECLINED;
            case WITHDRAWN -> DispatchStanding.WITHDRAWN;
            case FINISHED -> kept.isSealed() ? DispatchStanding.FINISHED : DispatchStanding.SEALING;
        };
    }

    @Transactional
    public DispatchPage withdraw(UUID id, String because, Actor actor) {
        StoredDispatch kept = locked(id);
        dispatchService.happened(kept, actor, List.of(Signing.withdraw(kept.dispatch(), because)));
        return find(id);
    }

    @Transactional
    public DispatchPage remind(UUID id, String role, Actor actor) {
        StoredDispatch kept = locked(id);
        dispatchService.happened(kept, actor, List.of(Signing.remind(kept.dispatch(), role)));
        return find(id);
    }

    @Transactional
    public DispatchPage correct(UUID id, String role, Person to, Actor actor) {
        StoredDispatch kept = locked(id);
        Event.Corrected corrected = Signing.correct(kept.dispatch(), role, to);
        dispatchService.happened(dispatchService.passOn(kept, actor, role), actor, List.of(corrected));
        return find(id);
    }

    @Transactional(readOnly = true)
    public byte[] document(UUID id) {
        StoredDispatch kept = dispatches.find(id).orElseThrow(Dispatches::missing);
        return seals.sealed(kept.id()).orElseThrow(() -> new NotNow("There is no finished document yet."));
    }

    /** Has a finished document that could not be sealed tried again. */
    @Transactional
    public DispatchPage sealAgain(UUID id) {
        if (!seals.sealAgain(locked(id).id())) {
            throw new NotNow("There is no finished document that waits to be sealed.");
        }
        return find(id);
    }

    private StoredDispatch locked(UUID id) {
        return dispatches.lock(id).orElseThrow(Dispatches::missing);
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such dispatch.");
    }
}
