package loesscape.formats.export;

import java.awt.Color;
import java.io.IOException;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.core.signing.Party;
import loesscape.formats.evidence.EventWords;
import loesscape.formats.evidence.TrailEntry;
import loesscape.formats.export.PdfSheet.Style;

/** The last pages of a signed document: who signed, and all that happened, with the hashes that hold it together. */
final class CertificatePage {

    private static final Color INK = new Color(0x1E2A28);
    private static final Color SOFT = new Color(0x5A6764);
    private static final Color RULE = new Color(0xC9D2CD);

    private static final Style TITLE = new Style(16, true, INK);
    private static final Style HEADING = new Style(11.5f, true, INK);
    private static final Style TEXT = new Style(9.5f, false, INK);
    private static final Style STRONG = new Style(9.5f, true, INK);
    private static final Style SMALL = new Style(8, false, SOFT);

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern(
                    "d MMMM uuuu, HH:mm:ss 'UTC'", Locale.ENGLISH)
            .withZone(ZoneOffset.UTC);

    private final PdfSheet sheet;
    private final Evidence evidence;

    CertificatePage(PdfSheet sheet, Evidence evidence) {
        this.sheet = sheet;
        this.evidence = evidence;
    }

    void write() throws IOException {
        sheet.newPage();
        sheet.text("Certificate of completion", TITLE, 0, sheet.width());
        sheet.space(4);
        String by = evidence.organisation().isEmpty() ? "" : " Sent by " + evidence.organisation() + ".";
        sheet.text(
                "Dispatch %s.%s All times are those of the server, in UTC. The trail is attached to this file as trail.json, with what it names by hash; the seal over the whole file shows any later change."
                        .formatted(evidence.dispatch(), by),
                TEXT,
                0,
                sheet.width());
        people();
        if (!evidence.handedIn().isEmpty()) {
            handedIn();
        }
        trail();
    }

    private void people() throws IOException {
        heading("Who took part");
        for (Party party : Dispatch.of(evidence.trail().events()).parties()) {
            sheet.space(6);
            sheet.keepTogether(2 * TEXT.lineHeight());
            sheet.text("%s: %s".formatted(party.title(), party.person().name()), STRONG, 0, sheet.width());
            sheet.text("%s · %s".formatted(party.person().address(), outcome(party)), TEXT, 0, sheet.width());
            if (party.turn() != Party.Turn.SKIPPED) {
                sheet.text(identity(party), TEXT, 0, sheet.width());
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

    private void handedIn() throws IOException {
        heading("Files that were handed in");
        for (FileListed file : evidence.handedIn()) {
            sheet.space(6);
            sheet.keepTogether(2 * TEXT.lineHeight() + SMALL.lineHeight());
            sheet.text(file.name(), STRONG, 0, sheet.width());
            String where = file.inside().isEmpty()
                    ? "kept by whoever sent this document, not inside it"
                    : "inside this file as " + file.inside();
            sheet.text("%,d bytes, %s".formatted(file.bytes(), where), TEXT, 0, sheet.width());
            sheet.text("SHA-256 " + file.digest(), SMALL, 0, sheet.width());
        }
    }

    private void trail() throws IOException {
        heading("What happened");
        EventWords words = new EventWords(evidence.trail().events());
        for (TrailEntry entry : evidence.trail().entries()) {
            sheet.space(5);
            sheet.keepTogether(TEXT.lineHeight() + 2 * SMALL.lineHeight());
            sheet.text(words.of(entry), TEXT, 0, sheet.width());
            String from = entry.from().isEmpty() ? "" : " · from " + entry.from();
            sheet.text(
                    "%d · %s · %s%s".formatted(entry.number(), WHEN.format(entry.at()), entry.who(), from),
                    SMALL,
                    0,
                    sheet.width());
            sheet.text(entry.hash(), SMALL, 0, sheet.width());
        }
        sheet.space(8);
        sheet.text("The last hash stands for all entries before it.", SMALL, 0, sheet.width());
    }

    private void heading(String text) throws IOException {
        sheet.space(16);
        sheet.keepTogether(48);
        sheet.text(text, HEADING, 0, sheet.width());
        sheet.space(3);
        sheet.rule(RULE);
    }
}
