package loesscape.formats.paper;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.core.signing.Party;
import loesscape.formats.evidence.EventWords;
import loesscape.formats.evidence.TrailEntry;

/** The last pages of a signed document: who signed, and all that happened, with the hashes that hold it together. In English. */
final class CertificateMarkup {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern(
                    "d MMMM uuuu, HH:mm:ss 'UTC'", Locale.ENGLISH)
            .withZone(ZoneOffset.UTC);

    private final Markup page;
    private final Evidence evidence;

    private CertificateMarkup(Markup page, Evidence evidence) {
        this.page = page;
        this.evidence = evidence;
    }

    static void write(Markup body, Evidence evidence) {
        Markup page = body.in("div", "certificate").with("lang", "en").with("dir", "ltr");
        new CertificateMarkup(page, evidence).write();
    }

    private void write() {
        page.in("h1").say("Certificate of completion");
        String by = evidence.organisation().isEmpty() ? "" : " Sent by " + evidence.organisation() + ".";
        page.in("p")
                .say(
                        "Dispatch %s.%s All times are those of the server, in UTC. The trail is attached to this file as trail.json, with what it names by hash; the seal over the whole file shows any later change."
                                .formatted(evidence.dispatch(), by));
        people();
        if (!evidence.handedIn().isEmpty()) {
            handedIn();
        }
        trail();
    }

    private void people() {
        page.in("h2").say("Who took part");
        for (Party party : Dispatch.of(evidence.trail().events()).parties()) {
            Markup entry = page.in("div", "entry");
            entry.in("p", "strong")
                    .say("%s: %s".formatted(party.title(), party.person().name()));
            entry.in("p").say("%s · %s".formatted(party.person().address(), outcome(party)));
            if (party.turn() != Party.Turn.SKIPPED) {
                entry.in("p").say(identity(party));
            }
        }
    }

    private String outcome(Party party) {
        for (TrailEntry entry : evidence.trail().entries()) {
            if (entry.event() instanceof Event.Signed signed && signed.role().equals(party.role())) {
                return "signed on " + WHEN.format(entry.at());
            }
        }
        return party.turn() == Party.Turn.SKIPPED ? "did not take part" : "did not sign";
    }

    /** What was checked to know that it was this person. */
    private static String identity(Party party) {
        String mailed = "Followed a link that was sent to this address";
        String asked = EventWords.of(party.check(), party.person().phone());
        if (asked.isEmpty()) {
            return mailed + "; nothing else was asked.";
        }
        return party.isIdentified()
                ? "%s, and showed to be this person by %s.".formatted(mailed, asked)
                : "Was to show to be this person by %s, and did not.".formatted(asked);
    }

    private void handedIn() {
        page.in("h2").say("Files that were handed in");
        for (FileListed file : evidence.handedIn()) {
            Markup entry = page.in("div", "entry");
            entry.in("p", "strong").say(file.name());
            String where = file.inside().isEmpty()
                    ? "kept by whoever sent this document, not inside it"
                    : "inside this file as " + file.inside();
            entry.in("p").say("%,d bytes, %s".formatted(file.bytes(), where));
            entry.in("p", "small").say("SHA-256 " + file.digest());
        }
    }

    private void trail() {
        page.in("h2").say("What happened");
        EventWords words = new EventWords(evidence.trail().events());
        for (TrailEntry entry : evidence.trail().entries()) {
            Markup told = page.in("div", "entry");
            told.in("p").say(words.of(entry));
            String from = entry.from().isEmpty() ? "" : " · from " + entry.from();
            told.in("p", "small")
                    .say("%d · %s · %s%s".formatted(entry.number(), WHEN.format(entry.at()), entry.who(), from));
            told.in("p", "small").say(entry.hash());
        }
        page.in("p", "small").say("The last hash stands for all entries before it.");
    }
}
