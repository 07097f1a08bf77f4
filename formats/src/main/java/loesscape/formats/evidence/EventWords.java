package loesscape.formats.evidence;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;

/** What happened to a dispatch, as a reader of its trail sees it. */
public final class EventWords {

    private final Map<String, String> titles = new HashMap<>();

    /** @param events of the same dispatch, its sending among them; they tell what its roles are called */
    public EventWords(List<Event> events) {
        for (Event event : events) {
            if (event instanceof Event.Sent sent) {
                sent.parties().forEach(named -> titles.put(named.role(), named.title()));
            }
        }
    }

    private String title(String role) {
        return titles.getOrDefault(role, role);
    }

    /** What an entry says, in a sentence. */
    public String of(TrailEntry entry) {
        return entry.event() == null ? "This entry cannot be read; it was changed, or damaged." : of(entry.event());
    }

    /** One event in a sentence. */
    public String of(Event event) {
        return switch (event) {
            case Event.Sent it -> sent(it);
            case Event.Asked it -> "The turn of %s began; a message was sent.".formatted(title(it.role()));
            case Event.Skipped it -> "%s does not take part, because %s.".formatted(title(it.role()), it.because());
            case Event.CodeSent it -> "A code was sent to %s %s.".formatted(title(it.role()), way(it.check(), it.to()));
            case Event.Identified it ->
                "Showed to be the person named as %s, by the %s."
                        .formatted(
                                title(it.role()),
                                it.check() == IdentityCheck.PHRASE
                                        ? "phrase agreed beforehand"
                                        : "code sent " + way(it.check(), it.to()));
            case Event.NotIdentified it ->
                "Somebody who followed the link of %s gave a wrong %s five times."
                        .formatted(title(it.role()), it.check() == IdentityCheck.PHRASE ? "phrase" : "code");
            case Event.Opened it -> "Opened the document as %s.".formatted(title(it.role()));
            case Event.Consented it ->
                "Agreed to sign electronically as %s%s"
                        .formatted(title(it.role()), it.wording().isEmpty() ? "." : ": “%s”".formatted(it.wording()));
            case Event.Paid it -> "Paid %s, reference %s.".formatted(it.amount(), it.reference());
            case Event.NotPaid it -> "A payment was not made: %s.".formatted(it.because());
            case Event.SignatureMade it ->
                "Signed “%s” as %s (SHA-256 %s).".formatted(it.label(), title(it.role()), it.digest());
            case Event.SignatureTakenBack it ->
                "The signature “%s” of %s was taken back%s."
                        .formatted(
                                it.label(),
                                title(it.role()),
                                it.because().isEmpty() ? "" : ", because " + it.because());
            case Event.Signed it -> signed(it);
            case Event.Declined it -> "Declined as %s: “%s”".formatted(title(it.role()), it.because());
            case Event.Delegated it ->
                "Handed the turn of %s on to %s: “%s”".formatted(title(it.role()), person(it.to()), it.because());
            case Event.Corrected it ->
                "Put %s in place of %s as %s.".formatted(person(it.to()), person(it.from()), title(it.role()));
            case Event.Reminded it -> "Reminded %s, with a new link.".formatted(title(it.role()));
            case Event.Withdrawn it -> "Took it back: “%s”".formatted(it.because());
            case Event.Finished it ->
                "All have signed; the answers became record %d (SHA-256 %s).".formatted(it.record(), it.digest());
            case Event.Sealed it -> "The finished document was sealed (SHA-256 %s).".formatted(it.digest());
        };
    }

    private static String sent(Event.Sent it) {
        String due = it.due() == null ? "" : ", due %s".formatted(it.due());
        String before = it.prefilled() == 0
                ? ""
                : ", with %d %s given beforehand".formatted(it.prefilled(), it.prefilled() == 1 ? "answer" : "answers");
        String release = it.releaseDigest().isEmpty() ? "" : " Its template: SHA-256 %s.".formatted(it.releaseDigest());
        String pictures = it.pictures().entrySet().stream()
                .map(picture -> " %s: SHA-256 %s.".formatted(picture.getKey(), picture.getValue()))
                .collect(Collectors.joining());
        return "Sent release %d of “%s” to %s%s%s.%s%s"
                .formatted(
                        it.release(),
                        it.document(),
                        it.parties().stream()
                                .map(named -> named.title() + " " + person(named.person()) + asked(named))
                                .collect(Collectors.joining(", ")),
                        due,
                        before,
                        release,
                        pictures);
    }

    private static String asked(Event.Named named) {
        String asked = of(named.check(), named.person().phone());
        return asked.isEmpty() ? "" : " (asked for %s)".formatted(asked);
    }

    /**
     * What is asked of a person beside following the link, as it stands after “by”; empty where nothing is.
     *
     * @param phone to which text messages go
     */
    public static String of(IdentityCheck check, String phone) {
        return switch (check) {
            case LINK -> "";
            case MAIL_CODE -> "a code sent by mail";
            case TEXT_CODE -> "a code sent by text message to " + phone;
            case PHRASE -> "a phrase agreed beforehand";
        };
    }

    private static String way(IdentityCheck check, String to) {
        return "%s to %s".formatted(check == IdentityCheck.TEXT_CODE ? "by text message" : "by mail", to);
    }

    private String signed(Event.Signed it) {
        String signatures =
                it.signatures().isEmpty() ? "" : " Signed: %s.".formatted(String.join(", ", it.signatures()));
        return "Finished the turn of %s with %d %s.%s What was given: SHA-256 %s."
                .formatted(
                        title(it.role()),
                        it.answers(),
                        it.answers() == 1 ? "answer" : "answers",
                        signatures,
                        it.digest());
    }

    private static String person(Person person) {
        return "%s <%s>".formatted(person.name(), person.address());
    }
}
