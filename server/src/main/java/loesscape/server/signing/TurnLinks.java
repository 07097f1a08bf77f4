package loesscape.server.signing;

import java.util.Optional;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Party;
import loesscape.core.signing.Person;
import loesscape.server.filling.LinkThrottle;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import org.springframework.stereotype.Component;

/** Follows the links of people: to whose turn they lead, and whether whoever follows one may see the document. */
@Component
public class TurnLinks {

    private final DispatchStore dispatches;
    private final PartyLinkStore partyLinks;
    private final IdentityStore identities;
    private final LinkThrottle throttle;

    TurnLinks(DispatchStore dispatches, PartyLinkStore partyLinks, IdentityStore identities, LinkThrottle throttle) {
        this.dispatches = dispatches;
        this.partyLinks = partyLinks;
        this.identities = identities;
        this.throttle = throttle;
    }

    /**
     * Who follows a link.
     *
     * @param from which network address
     * @param pass by which the browser is known in which its person has shown who they are; empty for none
     */
    public record Caller(String link, String from, String pass) {}

    /** A link that was followed, with the dispatch it leads to. */
    record Followed(StoredDispatch kept, String role, Actor actor) {

        Party party() {
            return kept.dispatch().party(role).orElseThrow();
        }

        /** Whoever it is, as long as the person has not shown to be who was named. */
        Actor anybody() {
            return new Actor("whoever followed the link", actor.from());
        }

        Followed with(StoredDispatch after) {
            return new Followed(after, role, actor);
        }
    }

    /** The turn behind a link, whoever follows it. */
    Followed follow(Caller caller) {
        PartyLinkStore.Link link = link(caller);
        return followed(link, dispatches.find(link.dispatch()), caller);
    }

    /** The same, with the dispatch kept from change by others until the transaction ends. */
    Followed locked(Caller caller) {
        Optional<StoredDispatch> kept = dispatches.lockBehind(caller.link());
        // Read after the lock, as the link may have ended while the dispatch was waited for.
        return followed(link(caller), kept, caller);
    }

    /**
     * A turn, for whoever may see its document.
     *
     * @throws Problems.NotIdentified where something is asked of the person that was not shown in this browser yet
     */
    Followed known(Followed followed, Caller caller) {
        if (followed.party().check() != IdentityCheck.LINK
                && !identities.isAdmitted(followed.kept().id(), followed.role(), caller.pass())) {
            throw new Problems.NotIdentified("Show who you are: load this page anew. Nothing that you typed is lost.");
        }
        return followed;
    }

    private PartyLinkStore.Link link(Caller caller) {
        PartyLinkStore.Link link = throttle.follow(caller.from(), () -> partyLinks.follow(caller.link()));
        if (link.purpose() != PartyLinkStore.Purpose.TURN) {
            throw LinkThrottle.nowhere();
        }
        return link;
    }

    private static Followed followed(PartyLinkStore.Link link, Optional<StoredDispatch> found, Caller caller) {
        StoredDispatch kept = found.orElseThrow();
        Party party = kept.dispatch().party(link.role()).orElseThrow();
        if (link.ended()) {
            throw new Problems.Ended(ended(kept, party));
        }
        if (link.late()) {
            throw new Problems.Ended(
                    "The day by which this was due has passed, and the link ended with it. Ask the sender.");
        }
        Person person = party.person();
        return new Followed(
                kept, link.role(), new Actor("%s <%s>".formatted(person.name(), person.address()), caller.from()));
    }

    private static String ended(StoredDispatch kept, Party party) {
        return switch (kept.dispatch().status()) {
            case DECLINED -> "This document was declined, so there is nothing more to do.";
            case WITHDRAWN -> "The sender has taken this document back, so there is nothing more to do.";
            case FINISHED, UNDER_WAY ->
                party.turn() == Party.Turn.FINISHED
                        ? "You have finished. When all have signed you get the document by mail."
                        : "This link has ended; a newer message has another.";
        };
    }
}
