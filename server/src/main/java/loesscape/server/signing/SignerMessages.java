package loesscape.server.signing;

import loesscape.core.signing.Party;
import loesscape.core.wording.Display;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.outside.Mail;
import loesscape.server.outside.OutsideService;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.signing.PartyLinkStore.Purpose;
import org.springframework.stereotype.Component;

/** The messages that go out, in words. */
@Component
class SignerMessages {

    private final Mail mail;
    private final PartyLinkStore partyLinks;
    private final OrganisationStore organisations;

    SignerMessages(Mail mail, PartyLinkStore partyLinks, OrganisationStore organisations) {
        this.mail = mail;
        this.partyLinks = partyLinks;
        this.organisations = organisations;
    }

    /** Asks a person whose turn it is, with a new link. */
    void ask(StoredDispatch kept, Party party) {
        String due = kept.dispatch().due() == null
                ? ""
                : "Please do so by %s.\n\n"
                        .formatted(Display.day(kept.dispatch().due()));
        turn(
                kept,
                party,
                "Please fill in and sign: " + kept.title(),
                "%s asks you, as %s, to fill in and sign “%s”.\n\n%s%s"
                        .formatted(sender(), party.title(), kept.title(), quoted(kept.message()), due));
    }

    /** Reminds a person whose turn it is, with a new link. */
    void remind(StoredDispatch kept, Party party) {
        turn(
                kept,
                party,
                "Still waiting for you: " + kept.title(),
                "“%s” still waits for you as %s. An earlier link has ended; use this one.\n\n"
                        .formatted(kept.title(), party.title()));
    }

    private void turn(StoredDispatch kept, Party party, String subject, String text) {
        String path = "/sign/" + partyLinks.addLink(kept.id(), party.role(), Purpose.TURN);
        mail.send(
                party.person().name(),
                party.person().address(),
                subject,
                "Dear %s,\n\n%sThis link is for you alone; do not pass it on."
                        .formatted(party.person().name(), text),
                path);
    }

    /** Sends a code to an address that somebody who follows an open link says is theirs. */
    void openCode(String address, String code) {
        mail.sendCode(
                OutsideService.MAIL,
                "",
                address,
                "Your code",
                "Somebody, probably you, has begun a document with this address. With this code it goes on, within fifteen minutes. If it was not you, nothing happens without the code.",
                code);
    }

    /** Sends a code to a person, as the sender asked. */
    void code(Party party, String code) {
        switch (party.check()) {
            case MAIL_CODE -> code(OutsideService.MAIL, party, code);
            case TEXT_CODE -> code(OutsideService.TEXT_MESSAGES, party, code);
            case LINK, PHRASE -> throw new IllegalStateException("No code is asked of this person");
        }
    }

    private void code(OutsideService service, Party party, String code) {
        mail.sendCode(
                service,
                party.person().name(),
                party.check().destination(party.person()),
                "Your code",
                "With this code the document opens for you, within ten minutes. Tell it to nobody. If you did not ask for a code, somebody else has followed your link.",
                code);
    }

    /** Tells everybody who has been asked that it has ended before all had signed. */
    void ended(StoredDispatch kept, String what) {
        for (Party party : kept.dispatch().parties()) {
            if (party.turn() == Party.Turn.ACTING || party.turn() == Party.Turn.FINISHED) {
                mail.send(
                        party.person().name(),
                        party.person().address(),
                        "Ended: " + kept.title(),
                        "Dear %s,\n\n%s “%s” will not be signed; your link has ended.\n\n%s"
                                .formatted(
                                        party.person().name(),
                                        what,
                                        kept.title(),
                                        quoted(kept.dispatch().because())),
                        "");
            }
        }
    }

    /** Gives everybody who has had a turn the hash of the trail so far, to be held against the finished document. */
    void receipt(StoredDispatch kept, String ended, String chain) {
        String title = kept.dispatch().party(ended).map(Party::title).orElse(ended);
        for (Party party : kept.dispatch().parties()) {
            if (party.turn() == Party.Turn.FINISHED) {
                mail.send(
                        party.person().name(),
                        party.person().address(),
                        "Receipt: " + kept.title(),
                        "Dear %s,\n\nthe turn of %s in “%s” has ended. The trail of all that happened until then has this hash; keep it, and the finished document must show it:\n\n%s"
                                .formatted(party.person().name(), title, kept.title(), chain),
                        "");
            }
        }
    }

    /** Gives everybody who took part the finished document. */
    void finished(StoredDispatch kept) {
        for (Party party : kept.dispatch().parties()) {
            if (party.turn() == Party.Turn.FINISHED) {
                mail.send(
                        party.person().name(),
                        party.person().address(),
                        "Finished: " + kept.title(),
                        "Dear %s,\n\nall have signed “%s”. With this link you can save the finished, sealed document."
                                .formatted(party.person().name(), kept.title()),
                        "/signed/" + partyLinks.addLink(kept.id(), party.role(), Purpose.DOCUMENT));
            }
        }
    }

    private String sender() {
        String name = organisations.find().name();
        return name.isEmpty() ? "Somebody" : name;
    }

    private static String quoted(String text) {
        return text.isBlank() ? "" : text.strip() + "\n\n";
    }
}
