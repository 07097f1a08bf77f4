package loesscape.core.signing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Standing;
import loesscape.core.evaluation.State;
import loesscape.core.model.Addresses;
import loesscape.core.model.PlainLine;
import loesscape.core.model.Refused;
import loesscape.core.model.Role;
import loesscape.core.signing.Party.Turn;
import loesscape.core.wording.Reasons;

/**
 * What may happen to a dispatch and what follows from it: each of these answers with the events that happen, or refuses.
 * Nothing is changed by them.
 *
 * <pre>{@code
 * SignedDocument document = SignedDocument.of(CompiledTemplate.compile(template), "owner");
 * List<Event> events = Signing.send(document, sent, Answers.NONE, today); // sent, and the first role is asked
 * Dispatch dispatch = Dispatch.of(events);
 * dispatch = dispatch.after(Signing.consent(dispatch, "owner").getFirst());
 * State state = document.state("owner", answers, today);
 * if (document.obstacles(dispatch, "owner", state).isEmpty()) {
 *     Snapshot given = document.snapshot("owner", answers, state, today); // counts like this from now on
 *     dispatch = dispatch.after(Signing.sign(document, dispatch, "owner", state, digest));
 *     Signing.next(document.after(given), dispatch, answers, today); // who is asked, and who is skipped, and why
 * }
 * }</pre>
 */
public final class Signing {

    private static final int LONGEST_REASON = 1_000;
    private static final int LONGEST_ADDRESS = 254;

    private Signing() {}

    /**
     * Sends a release.
     *
     * @param sent who plays its roles; every role of the template has its person
     * @throws Refused when a role has nobody, or a name, an address, a telephone number or the day is none
     */
    public static List<Event> send(SignedDocument document, Event.Sent sent, Answers answers, LocalDate today) {
        if (sent.parties().isEmpty()) {
            throw new NotNow("This release has no roles; give its fields to roles, and release it again.");
        }
        Set<String> named = sent.parties().stream().map(Event.Named::role).collect(Collectors.toSet());
        for (Role role : document.template().roles()) {
            if (!named.contains(role.key())) {
                throw new Refused(Refused.Cause.NOT_VALID, "Nobody is named for “%s”.".formatted(role.name()));
            }
        }
        for (Event.Named party : sent.parties()) {
            check(party.person(), party.title(), party.check());
        }
        if (sent.due() != null && sent.due().isBefore(today)) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "The day by which it is due, %s, has passed.".formatted(sent.due()));
        }
        List<Event> events = new ArrayList<>(List.of(sent));
        events.addAll(next(document, Dispatch.of(events), answers, today));
        return events;
    }

    private static void check(Person person, String title, IdentityCheck asked) {
        if (person.name().isBlank()
                || person.name().length() > PlainLine.LONGEST_NAME
                || !PlainLine.isPlain(person.name())) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "“%s” needs the name of a person: one line of at most %d characters."
                            .formatted(title, PlainLine.LONGEST_NAME));
        }
        if (person.address().length() > LONGEST_ADDRESS || !Addresses.isEmail(person.address())) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "“%s” is no e-mail address for “%s”.".formatted(person.address(), title));
        }
        if (asked == IdentityCheck.TEXT_CODE && !Addresses.isPhone(person.phone(), "")) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "“%s” needs a telephone number that begins with + and the code of its country, as the code goes there by text message."
                            .formatted(title));
        }
    }

    /**
     * What follows once nobody's turn is under way any more: the next roles are asked or skipped; nothing where somebody
     * still acts or all are through. Roles with the same number are decided at the same moment.
     */
    public static List<Event> next(SignedDocument document, Dispatch dispatch, Answers answers, LocalDate today) {
        if (!dispatch.isUnderWay() || !dispatch.acting().isEmpty()) {
            return List.of();
        }
        TreeMap<Integer, List<Party>> waiting = dispatch.parties().stream()
                .filter(party -> party.turn() == Turn.WAITING)
                .collect(Collectors.groupingBy(Party::order, TreeMap::new, Collectors.toList()));
        List<Event> events = new ArrayList<>();
        for (List<Party> together : waiting.values()) {
            boolean anybody = false;
            for (Party party : together) {
                Standing standing = document.standing(party.role(), answers, today);
                if (Boolean.FALSE.equals(standing.state().takesPart().get(party.role()))) {
                    events.add(new Event.Skipped(party.role(), because(document, party, standing)));
                } else {
                    events.add(new Event.Asked(party.role()));
                    anybody = true;
                }
            }
            if (anybody) {
                break;
            }
        }
        return events;
    }

    private static String because(SignedDocument document, Party party, Standing standing) {
        Role role = document.compiled().symbols().role(party.role());
        return role == null || role.takesPart() == null
                ? ""
                : new Reasons(document.compiled().prepared()).notMet(role.takesPart(), standing);
    }

    /** Whether all are through: signed, or not taking part. */
    public static boolean isThrough(Dispatch dispatch) {
        return dispatch.isUnderWay()
                && dispatch.parties().stream()
                        .allMatch(party -> party.turn() == Turn.FINISHED || party.turn() == Turn.SKIPPED);
    }

    /**
     * Ends a turn.
     *
     * @param state how the document stands for the role now
     * @param digest of the answers that count
     * @throws NotNow when it is not this role's turn, or it has not agreed to sign electronically, or something is missing
     */
    public static Event.Signed sign(
            SignedDocument document, Dispatch dispatch, String role, State state, String digest) {
        Party party = acting(dispatch, role);
        known(party);
        if (!party.hasConsented()) {
            throw new NotNow("Agree to sign electronically first.");
        }
        if (!document.obstacles(dispatch, role, state).isEmpty()) {
            throw new NotNow("Something is still missing.");
        }
        return new Event.Signed(role, document.given(role, state).size(), document.signatures(role, state), digest);
    }

    /** Refuses to sign, which ends the dispatch. */
    public static Event.Declined decline(Dispatch dispatch, String role, String because) {
        known(acting(dispatch, role));
        return new Event.Declined(role, reason(because));
    }

    /** Takes a dispatch back. */
    public static Event.Withdrawn withdraw(Dispatch dispatch, String because) {
        underWay(dispatch);
        return new Event.Withdrawn(reason(because));
    }

    /** Hands a turn on to somebody else. */
    public static Event.Delegated delegate(Dispatch dispatch, String role, Person to, String because) {
        Party party = acting(dispatch, role);
        if (!dispatch.mayDelegate()) {
            throw new NotNow("The sender does not allow that the turn is handed on.");
        }
        known(party);
        if (party.check() == IdentityCheck.PHRASE) {
            throw new NotNow(
                    "The sender agreed a phrase with %s alone, so the turn cannot be handed on; decline and say who should sign instead."
                            .formatted(party.person().name()));
        }
        check(to, party.title(), party.check());
        if (to.address().equalsIgnoreCase(party.person().address())) {
            throw new NotNow("It is with %s already.".formatted(to.address()));
        }
        return new Event.Delegated(role, party.person(), to, reason(because));
    }

    /** Puts another name or address in a person's place, as long as the document has not been opened there. */
    public static Event.Corrected correct(Dispatch dispatch, String role, Person to) {
        underWay(dispatch);
        Party party = find(dispatch, role);
        boolean isOver = party.turn() == Turn.FINISHED || party.turn() == Turn.SKIPPED;
        if (isOver || party.hasOpened()) {
            throw new NotNow("%s has %s already; the address can no longer be changed."
                    .formatted(party.person().name(), isOver ? "had the turn" : "opened the document"));
        }
        check(to, party.title(), party.check());
        return new Event.Corrected(role, party.person(), to);
    }

    /** Tells a person again whose turn it is. */
    public static Event.Reminded remind(Dispatch dispatch, String role) {
        acting(dispatch, role);
        return new Event.Reminded(role);
    }

    /**
     * Sends a code to a person.
     *
     * @throws NotNow when none is asked of this person
     */
    public static Event.CodeSent sendCode(Dispatch dispatch, String role) {
        Party party = acting(dispatch, role);
        if (!party.check().isCode()) {
            throw new NotNow("No code is asked of you.");
        }
        return new Event.CodeSent(role, party.check(), party.check().destination(party.person()));
    }

    /**
     * Says that a person has shown who they are.
     *
     * @throws NotNow when nothing is asked of this person
     */
    public static Event.Identified identify(Dispatch dispatch, String role) {
        Party party = acting(dispatch, role);
        if (party.check() == IdentityCheck.LINK) {
            throw new NotNow("Nothing is asked of you but to follow the link.");
        }
        return new Event.Identified(role, party.check(), party.check().destination(party.person()));
    }

    private static void known(Party party) {
        if (!party.isKnown()) {
            throw new NotNow("Show who you are first.");
        }
    }

    /** Opens the document for a role; nothing happens where it was open already. */
    public static List<Event> open(Dispatch dispatch, String role) {
        Party party = find(dispatch, role);
        return dispatch.isUnderWay() && party.turn() == Turn.ACTING && party.isKnown() && !party.hasOpened()
                ? List.of(new Event.Opened(role))
                : List.of();
    }

    /** Agrees to sign electronically; nothing happens where that was said already. */
    public static List<Event> consent(Dispatch dispatch, String role) {
        Party party = acting(dispatch, role);
        known(party);
        return party.hasConsented() ? List.of() : List.of(new Event.Consented(role, Event.Consented.WORDING));
    }

    /**
     * The party of a role whose turn it is.
     *
     * @throws NotNow when it is not
     */
    public static Party acting(Dispatch dispatch, String role) {
        underWay(dispatch);
        Party party = find(dispatch, role);
        return switch (party.turn()) {
            case ACTING -> party;
            case WAITING -> throw new NotNow("It is not your turn yet.");
            case FINISHED -> throw new NotNow("You have finished already; what you signed can no longer be changed.");
            case SKIPPED -> throw new NotNow("As the answers are, you do not take part.");
        };
    }

    private static Party find(Dispatch dispatch, String role) {
        return dispatch.party(role).orElseThrow(() -> new NotNow("There is no such role."));
    }

    private static void underWay(Dispatch dispatch) {
        switch (dispatch.status()) {
            case UNDER_WAY -> {}
            case DECLINED -> throw new NotNow("This was declined; it can no longer be changed.");
            case WITHDRAWN -> throw new NotNow("The sender has taken this back; it can no longer be changed.");
            case FINISHED -> throw new NotNow("This is finished; it can no longer be changed.");
        }
    }

    private static String reason(String because) {
        String reason = because.strip();
        if (reason.isEmpty()) {
            throw new Refused(Refused.Cause.NOT_VALID, "Say why in a few words; it becomes part of the trail.");
        }
        if (reason.length() > LONGEST_REASON) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "The reason has more than %d characters.".formatted(LONGEST_REASON));
        }
        return reason;
    }
}
