package loesscape.server.demo;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import loesscape.core.signing.IdentityCheck;
import loesscape.server.accounts.Author;
import loesscape.server.outside.Mail;
import loesscape.server.platform.clock.ServerClock;
import loesscape.server.signing.DispatchListStore;
import loesscape.server.signing.DispatchListStore.Sought;
import loesscape.server.signing.DispatchStore;
import loesscape.server.signing.Dispatches;
import loesscape.server.signing.Identification;
import loesscape.server.signing.Sending;
import loesscape.server.signing.Sending.PersonNamed;
import loesscape.server.signing.Sending.SendingWanted;
import loesscape.server.signing.TurnLinks.Caller;
import loesscape.server.signing.Turns;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Dispatches of the drilling agreement, one in every state, as their people have left them. */
@Component
@ConditionalOnProperty("loesscape.demo")
class DemoDispatches {

    private static final String OWNER = "landowner";
    private static final String DRILLER = "driller";
    private static final String HYDROLOGIST = "hydrologist";
    private static final String SOMEWHERE = "192.0.2.17";

    /** Of the numbers that are kept for telling stories (Ofcom, telephone numbers for drama). */
    private static final String PHONE = "+44 7700 900123";

    /** A pen that wrote something like a name. */
    private static final String PEN =
            "M30 62L44 30L52 66L60 40L66 60L74 44L82 60L96 36L104 60L118 46L128 58M140 60L150 34L160 58L172 44L184 56L198 40L214 56M40 72L222 66";

    private final Sending sending;
    private final Turns turns;
    private final Identification identification;
    private final Dispatches dispatches;
    private final Mail mail;
    private final ServerClock clock;

    DemoDispatches(
            Sending sending,
            Turns turns,
            Identification identification,
            Dispatches dispatches,
            Mail mail,
            ServerClock clock) {
        this.sending = sending;
        this.turns = turns;
        this.identification = identification;
        this.dispatches = dispatches;
        this.mail = mail;
        this.clock = clock;
    }

    /** Sends the first release of a template and lets its people act. */
    void lay(UUID template, Author author) {
        UUID deep = send(template, author, 24, "Ruben Hallema", null);
        owner(deep, 23, "Ruben Hallema", "128", "loess");
        driller(deep, 22);
        hydrologist(deep, 20);

        UUID shallow = send(template, author, 12, "Tessel Aarden", null);
        owner(shallow, 11, "Tessel Aarden", "36", "sand");
        driller(shallow, 9);

        UUID declined = send(template, author, 16, "Wouter Ilgen", null);
        owner(declined, 15, "Wouter Ilgen", "64", "sand");
        turn(declined, DRILLER, 14, caller -> turns.decline(caller, "No rig free before June."));

        UUID withdrawn = send(template, author, 8, "Sanne Veltkamp", null);
        clock.ago(
                Duration.ofDays(6),
                () -> dispatches.withdraw(
                        withdrawn, "The parcel was sold.", new DispatchStore.Actor(author.name(), SOMEWHERE)));

        UUID overdue =
                send(template, author, 19, "Niek Oldersma", LocalDate.now(clock).minusDays(4));
        owner(overdue, 18, "Niek Oldersma", "52", "sand");

        UUID waiting =
                send(template, author, 3, "Hanna Bruil", LocalDate.now(clock).plusDays(11));
        owner(waiting, 2, "Hanna Bruil", "110", "chalk");

        send(template, author, 0, "Femke Oosterlaan", LocalDate.now(clock).plusDays(14));
        check(author);
    }

    /** What stands in columns follows from the events; where it does not, the demo says so at once. */
    private void check(Author author) {
        Sought all = new Sought(List.of(), DispatchListStore.DispatchStage.ANY, "", 0);
        for (Dispatches.DispatchRow row :
                dispatches.list(author.id(), all, 0, 100).dispatches()) {
            String broken = dispatches.find(UUID.fromString(row.id())).broken();
            if (!broken.isEmpty()) {
                throw new IllegalStateException("Dispatch %s: %s".formatted(row.id(), broken));
            }
        }
    }

    private UUID send(UUID template, Author author, int daysAgo, String owner, @Nullable LocalDate due) {
        String address = address(owner);
        SendingWanted wanted = new SendingWanted(
                List.of(
                        new PersonNamed(OWNER, owner, address),
                        new PersonNamed(DRILLER, "Bronwater Drilling", "office@bronwater.example"),
                        new PersonNamed(
                                HYDROLOGIST,
                                "Dr Liva Morren",
                                "liva.morren@veldhollow.example",
                                IdentityCheck.TEXT_CODE,
                                PHONE,
                                "")),
                Map.of("owner_name", owner),
                "Please look through the agreement and sign it. Call us if anything is unclear.",
                due,
                due == null ? 0 : 7,
                true,
                true);
        return clock.ago(Duration.ofDays(daysAgo), () -> sending.send(template, 1, wanted, author, SOMEWHERE));
    }

    private static String address(String name) {
        return name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@veldhollow.example";
    }

    private void owner(UUID id, int daysAgo, String name, String depth, String soil) {
        turn(id, OWNER, daysAgo, caller -> {
            answer(caller, "owner_phone", "0612345678");
            answer(caller, "district", "hill");
            answer(caller, "soil", soil);
            answer(caller, "depth", depth);
            answer(caller, "diameter", "d160");
            answer(caller, "access", "road,track");
            answer(caller, "start_day", LocalDate.now(clock).plusDays(60).toString());
            answer(caller, "end_day", LocalDate.now(clock).plusDays(75).toString());
            answer(caller, "owner_initials", initials(name));
            answer(caller, "owner_signature", PEN);
            finish(caller);
        });
    }

    private static String initials(String name) {
        return name.replaceAll("(\\p{Lu})\\p{L}*", "$1.");
    }

    private void driller(UUID id, int daysAgo) {
        turn(id, DRILLER, daysAgo, caller -> {
            answer(caller, "driller_name", "Bronwater Drilling");
            answer(caller, "licence", "DR-4471");
            answer(caller, "insured", "no");
            answer(caller, "crew_name@r1", "Jorn Bakkum");
            answer(caller, "crew_hours@r1", "8.5");
            answer(caller, "metre_price", "62.50");
            answer(caller, "driller_initials", "J. B.");
            answer(caller, "driller_signature", "Jorn Bakkum");
            finish(caller);
        });
    }

    private void hydrologist(UUID id, int daysAgo) {
        turn(id, HYDROLOGIST, daysAgo, caller -> {
            answer(caller, "review_result", "agreed");
            answer(caller, "filter_depth", "120");
            answer(caller, "hydrologist_signature", PEN);
            finish(caller);
        });
    }

    private void turn(UUID id, String role, int daysAgo, Consumer<Caller> work) {
        clock.ago(Duration.ofDays(daysAgo), () -> {
            String address = dispatches.find(id).dispatch().parties().stream()
                    .filter(party -> party.role().equals(role))
                    .findFirst()
                    .orElseThrow()
                    .address();
            String link = mail.list(500).stream()
                    .filter(message ->
                            message.address().equals(address) && message.path().startsWith("/sign/"))
                    .findFirst()
                    .orElseThrow()
                    .path()
                    .substring("/sign/".length());
            Caller caller = identified(new Caller(link, SOMEWHERE, ""));
            turns.open(caller);
            turns.consent(caller);
            work.accept(caller);
            return id;
        });
    }

    /** Somebody who has given the code that was asked for, if one was. */
    private Caller identified(Caller caller) {
        if (identification.asked(caller).check() != IdentityCheck.TEXT_CODE) {
            return caller;
        }
        identification.send(caller);
        String code = mail.list(500).stream()
                .filter(message -> message.address().equals(PHONE))
                .findFirst()
                .orElseThrow()
                .code();
        return new Caller(
                caller.link(), caller.from(), identification.give(caller, code).pass());
    }

    private void answer(Caller caller, String address, String typed) {
        turns.answer(caller, address, typed);
    }

    private void finish(Caller caller) {
        var ended = turns.finish(caller);
        if (!ended.finished()) {
            throw new IllegalStateException("A demo turn cannot be finished: " + ended.obstacles());
        }
    }
}
