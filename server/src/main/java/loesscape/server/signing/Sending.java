package loesscape.server.signing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Field;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.model.Refused;
import loesscape.core.model.Role;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;
import loesscape.core.signing.SignedDocument;
import loesscape.core.signing.Signing;
import loesscape.formats.evidence.Trail;
import loesscape.formats.picture.SafePicture;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.OrganisationStore.Organisation;
import loesscape.server.filling.AnswerRules;
import loesscape.server.filling.FillingStore;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleasedTemplates;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Sends releases: to named people, to many from a table, or through an open link. */
@Service
public class Sending {

    private static final int LONGEST_MESSAGE = 4_000;
    private static final int MOST_DAYS = 3_650;
    private static final int USUAL_A_DAY = 50;
    private static final int MOST_A_DAY = 10_000;

    private final DispatchStore dispatches;
    private final OpenLinkStore openLinks;
    private final OpenConfirmations confirmations;
    private final IdentityStore identities;
    private final Identification identification;
    private final FillingStore fillings;
    private final PictureStore pictures;
    private final ReleasedTemplates releases;
    private final AnswerRules rules;
    private final DispatchService dispatchService;
    private final TransactionTemplate transactions;

    Sending(
            DispatchStore dispatches,
            OpenLinkStore openLinks,
            OpenConfirmations confirmations,
            IdentityStore identities,
            Identification identification,
            FillingStore fillings,
            PictureStore pictures,
            ReleasedTemplates releases,
            AnswerRules rules,
            DispatchService dispatchService,
            TransactionTemplate transactions) {
        this.dispatches = dispatches;
        this.openLinks = openLinks;
        this.confirmations = confirmations;
        this.identities = identities;
        this.identification = identification;
        this.fillings = fillings;
        this.pictures = pictures;
        this.releases = releases;
        this.rules = rules;
        this.dispatchService = dispatchService;
        this.transactions = transactions;
    }

    /**
     * Who plays a role.
     *
     * @param check what is asked of the person beside following the link
     * @param phone where codes go, if they are sent as text messages; otherwise empty
     * @param phrase that was agreed with the person, if one is asked for; otherwise empty
     */
    public record PersonNamed(
            String role,
            String name,
            String address,
            @MayBeLeftOut IdentityCheck check,
            @MayBeLeftOut String phone,
            @MayBeLeftOut String phrase) {

        /** Somebody of whom nothing is asked but to follow the link. */
        public PersonNamed(String role, String name, String address) {
            this(role, name, address, IdentityCheck.LINK, "", "");
        }

        /** Somebody of whom a code is asked that is sent by mail. */
        PersonNamed withMailCode() {
            return new PersonNamed(role, name, address, IdentityCheck.MAIL_CODE, "", "");
        }
    }

    /**
     * What is to be sent.
     *
     * @param people one for each role
     * @param answers given beforehand, by the addresses of their fields, as they would be typed
     * @param due until when it should be finished; null for no such day
     * @param remindDays after how many days people are reminded, again and again; 0 for never
     * @param filesInside whether files that are handed in go into the sealed document
     * @param endsWhenDue whether the links of turns end with the day on which it is due
     */
    public record SendingWanted(
            List<PersonNamed> people,
            Map<String, String> answers,
            String message,
            @Nullable LocalDate due,
            int remindDays,
            boolean mayDelegate,
            @MayBeLeftOut boolean filesInside,
            @MayBeLeftOut boolean endsWhenDue) {

        /** What is to be sent, without what is seldom asked for. */
        public SendingWanted(
                List<PersonNamed> people,
                Map<String, String> answers,
                String message,
                @Nullable LocalDate due,
                int remindDays,
                boolean mayDelegate,
                boolean filesInside) {
            this(people, answers, message, due, remindDays, mayDelegate, filesInside, false);
        }
    }

    /** A line of a table that was not taken: its number, counted from 1 below the heading, and why. */
    public record RefusedLine(int line, String why) {}

    /** What became of a table: how many of its lines can be sent, or were, and what is wrong with the others. */
    public record TableReport(int accepted, List<RefusedLine> refused, boolean sent) {}

    /** Sends a release to named people and tells the identity of the dispatch. */
    public UUID send(UUID template, int release, SendingWanted wanted, Author by, String from) {
        Map<String, String> phrases = phrases(wanted.people());
        return transactions.execute(status -> {
            UUID id = sent(template, release, wanted, by.id(), new Actor(by.name(), from));
            phrases.forEach((role, hash) -> identities.add(id, role, hash, true));
            return id;
        });
    }

    /** What is kept of the phrases, by the role of whom they were agreed with. It takes long, on purpose. */
    private Map<String, String> phrases(List<PersonNamed> people) {
        Map<String, String> phrases = new HashMap<>();
        for (PersonNamed person : people) {
            boolean isAsked = person.check() == IdentityCheck.PHRASE;
            if (isAsked) {
                phrases.put(person.role(), identification.hash(person.phrase()));
            }
            if (isAsked ? !person.phone().isEmpty() : !person.phrase().isEmpty()) {
                throw new Refusal("“%s” has a %s, which is not what is asked of them; take it away, or ask for it."
                        .formatted(person.name(), isAsked ? "telephone number" : "phrase"));
            }
        }
        return phrases;
    }

    private UUID sent(UUID template, int release, SendingWanted wanted, long account, Actor actor) {
        CompiledTemplate compiled = releases.get(template, release);
        Template document = compiled.template();
        check(wanted, false);
        Answers answers = new Answers(wanted.answers());
        State state = compiled.evaluate(answers, new Context(dispatchService.today(), Stage.FILLING, ""));
        String first = first(compiled, state);
        Event.Sent sent = new Event.Sent(
                document.title(),
                release,
                parties(document, wanted.people()),
                wanted.due(),
                wanted.mayDelegate(),
                (int) wanted.answers().keySet().stream()
                        .filter(address -> compiled.symbols().field(RowNames.key(address)) != null)
                        .count(),
                DispatchService.digest(releases.text(template, release)),
                wanted.filesInside(),
                pictures(template, document));
        List<Event> events = Signing.send(SignedDocument.of(compiled, first), sent, answers, dispatchService.today());
        UUID id = dispatches.add(new DispatchStore.New(
                template,
                release,
                account,
                document.title(),
                wanted.message().strip(),
                first,
                wanted.due(),
                wanted.mayDelegate(),
                wanted.remindDays(),
                wanted.endsWhenDue()));
        StoredDispatch kept = dispatches.lock(id).orElseThrow();
        prefill(compiled, state, kept, wanted.answers());
        StoredDispatch begun = dispatchService.happened(kept, actor, events.subList(0, 1));
        dispatchService.happened(begun, Actor.SERVER, events.subList(1, events.size()));
        return id;
    }

    private static void check(SendingWanted wanted, boolean isOpenLink) {
        if (wanted.message().length() > LONGEST_MESSAGE) {
            throw new Refusal("The message has more than %d characters.".formatted(LONGEST_MESSAGE));
        }
        if (wanted.endsWhenDue() && wanted.due() == null && !isOpenLink) {
            throw new Refusal("Links end with the day on which it is due; say which day that is.");
        }
        if (wanted.remindDays() < 0 || wanted.remindDays() > MOST_DAYS) {
            throw new Refusal("Reminders come after 1 to %d days, or never.".formatted(MOST_DAYS));
        }
    }

    private Map<String, String> pictures(UUID template, Template document) {
        Map<String, String> digests = new HashMap<>();
        for (SafePicture picture : pictures.all(template)) {
            if (document.pictures().contains(picture.name())) {
                digests.put(picture.name(), Trail.digest(picture.content()));
            }
        }
        return digests;
    }

    private static List<Event.Named> parties(Template document, List<PersonNamed> people) {
        Map<String, PersonNamed> named = new HashMap<>();
        for (PersonNamed person : people) {
            if (named.put(person.role(), person) != null) {
                throw new Refusal("There are two people for “%s”.".formatted(person.role()));
            }
        }
        List<Event.Named> parties = new ArrayList<>();
        for (Role role : document.roles()) {
            PersonNamed person = named.remove(role.key());
            if (person != null) {
                parties.add(new Event.Named(
                        role.key(),
                        role.name(),
                        role.order(),
                        new Person(
                                person.name().strip(),
                                person.address().strip(),
                                person.phone().strip()),
                        person.check()));
            }
        }
        if (!named.isEmpty()) {
            throw new Refusal("There is no role “%s” in this release."
                    .formatted(named.keySet().iterator().next()));
        }
        return parties;
    }

    /** The first role that takes part, as the answers given beforehand are. */
    private static String first(CompiledTemplate compiled, State state) {
        return compiled.template().roles().stream()
                .map(Role::key)
                .filter(role -> !Boolean.FALSE.equals(state.takesPart().get(role)))
                .findFirst()
                .orElse("");
    }

    private void prefill(CompiledTemplate compiled, State state, StoredDispatch kept, Map<String, String> answers) {
        answers.forEach((address, typed) -> {
            Field field = compiled.symbols().field(RowNames.key(address));
            if (state.nodes().get(address) instanceof NodeState.SectionState section && section.rows() != null) {
                rules.check(compiled, state, kept.filling(), address, typed);
                fillings.keep(kept.filling(), address, typed);
                return;
            }
            if (field == null) {
                throw new Refusal("There is no field “%s” to be answered beforehand.".formatted(address));
            }
            if (field.kind().isSigned() || field.kind().isGiven()) {
                throw new Refusal(
                        "“%s” (%s) cannot be given beforehand: nobody signs or pays for somebody else. Take it out."
                                .formatted(field.name(), address));
            }
            rules.check(compiled, state, kept.filling(), address, typed);
            if (state.nodes().get(address) instanceof NodeState.FieldState it && it.problem() != null) {
                throw new Refusal("“%s” for “%s”: %s".formatted(typed, field.name(), it.problem()));
            }
            fillings.keep(kept.filling(), address, typed);
        });
    }

    /**
     * Sends a release once for each line of a table (RFC 4180) with a heading: for each role its {@code key.name} and
     * {@code key.address}, {@code key.phone} or {@code key.check}, {@code due}, and the keys of fields to be answered beforehand.
     *
     * @param isSent whether what can be sent is; otherwise it is only looked at
     */
    public TableReport sendTable(
            UUID template, int release, String table, SendingWanted common, boolean isSent, Author by, String from) {
        List<RefusedLine> refused = new ArrayList<>();
        int accepted = 0;
        int line = 0;
        for (Map<String, String> cells : SendingTable.read(table)) {
            line++;
            try {
                SendingWanted wanted = SendingTable.wanted(
                        cells, releases.get(template, release).template(), common);
                transactions.executeWithoutResult(status -> {
                    sent(template, release, wanted, by.id(), new Actor(by.name(), from));
                    if (!isSent) {
                        status.setRollbackOnly();
                    }
                });
                accepted++;
            } catch (Refused | Problems.Missing problem) {
                refused.add(new RefusedLine(line, String.valueOf(problem.getMessage())));
            }
        }
        return new TableReport(accepted, refused, isSent);
    }

    /** A field that can be answered beforehand. */
    public record FieldToFill(String key, String label) {}

    /** What is to be filled in to send a release. */
    public record ToSend(String title, int release, List<RoleToName> roles, List<FieldToFill> fields) {}

    /** What is to be filled in to send a release. */
    public ToSend toSend(UUID template, int release) {
        CompiledTemplate compiled = releases.get(template, release);
        return new ToSend(
                compiled.template().title(),
                release,
                roles(compiled.template()),
                compiled.template().fields().stream()
                        .filter(field -> field.isTyped()
                                && !field.kind().isSigned()
                                && compiled.symbols().rowsAround(field.key()) == null)
                        .map(field -> new FieldToFill(field.key(), field.name()))
                        .toList());
    }

    static List<RoleToName> roles(Template template) {
        return template.roles().stream()
                .map(role -> new RoleToName(role.key(), role.name(), role.takesPart() != null))
                .toList();
    }

    /** What whoever follows an open link is asked: the roles to be named. */
    public record OpenInvitation(String title, String message, List<RoleToName> roles, Organisation organisation) {}

    /** A role that needs a person. */
    public record RoleToName(String role, String title, boolean sometimes) {}

    /** Makes a link through which anybody can begin a dispatch, and tells its path. */
    @Transactional
    public String openLink(
            UUID template, int release, SendingWanted wanted, int dueDays, int mostADay, boolean mailCode, Author by) {
        check(wanted, true);
        if (wanted.endsWhenDue() && dueDays == 0) {
            throw new Refusal("Links end with the day on which it is due; say within how many days that is.");
        }
        if (dueDays < 0 || dueDays > MOST_DAYS) {
            throw new Refusal("What is begun is due within 1 to %d days, or never.".formatted(MOST_DAYS));
        }
        if (mostADay < 0 || mostADay > MOST_A_DAY) {
            throw new Refusal("Through a link 1 to %d can be begun a day.".formatted(MOST_A_DAY));
        }
        if (releases.get(template, release).template().roles().isEmpty()) {
            throw new Refusal("This release has no roles; give its fields to roles, and release it again.");
        }
        return "/open/"
                + openLinks.add(
                        template, release, by.id(), wanted, dueDays, mostADay == 0 ? USUAL_A_DAY : mostADay, mailCode);
    }

    /**
     * The dispatch that whoever follows an open link begins.
     *
     * @param own the address that they have shown to be theirs
     * @param confirmation by which they have
     */
    public UUID begin(OpenLinkStore.Open open, List<PersonNamed> people, String own, String confirmation, String from) {
        if (people.stream().noneMatch(person -> person.address().strip().equalsIgnoreCase(own))) {
            throw new Refusal("“%s” is your own address, and nobody is named with it.".formatted(own));
        }
        LocalDate due = open.dueDays() == 0 ? null : dispatchService.today().plusDays(open.dueDays());
        List<PersonNamed> asked = people.stream()
                .map(person -> open.mailCode()
                        ? person.withMailCode()
                        : new PersonNamed(person.role(), person.name(), person.address()))
                .toList();
        SendingWanted wanted = new SendingWanted(
                asked,
                Map.of(),
                open.message(),
                due,
                open.remindDays(),
                open.mayDelegate(),
                open.filesInside(),
                open.endsWhenDue());
        return transactions.execute(status -> {
            confirmations.begun(open, confirmation, own);
            openLinks.begun(open.id());
            return sent(open.template(), open.release(), wanted, open.account(), new Actor("open link, " + own, from));
        });
    }
}
