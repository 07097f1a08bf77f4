package loesscape.server.demo;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import loesscape.server.clock.ServerClock;
import loesscape.server.dispatch.Dispatches;
import loesscape.server.dispatch.Sending;
import loesscape.server.dispatch.Sending.PersonNamed;
import loesscape.server.dispatch.Sending.SendingWanted;
import loesscape.server.dispatch.Turns;
import loesscape.server.outside.Mail;
import loesscape.server.security.Author;
import loesscape.server.store.DispatchStore;
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

    /** A pen that wrote something like a name. */
    private static final String PEN =
            "M30 62L44 30L52 66L60 40L66 60L74 44L82 60L96 36L104 60L118 46L128 58M140 60L150 34L160 58L172 44L184 56L198 40L214 56M40 72L222 66";

    private final Sending sending;
    private final Turns turns;
    private final Dispatches dispatches;
    private final Mail mail;
    private final ServerClock clock;

    DemoDispatches(Sending sending, Turns turns, Dispatches dispatches, Mail mail, ServerClock clock) {
        this.sending = sending;
        this.turns = turns;
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
        turn(declined, DRILLER, 14, link -> turns.decline(link, SOMEWHERE, "No rig free before June."));

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
    }

    private UUID send(UUID template, Author author, int daysAgo, String owner, @Nullable LocalDate due) {
        String address = address(owner);
        SendingWanted wanted = new SendingWanted(
                List.of(
                        new PersonNamed(OWNER, owner, address),
                        new PersonNamed(DRILLER, "Bronwater Drilling", "office@bronwater.example"),
                        new PersonNamed(HYDROLOGIST, "Dr Liva Morren", "liva.morren@veldhollow.example")),
                Map.of("owner_name", owner),
                "Please look through the agreement and sign it. Call us if anything is unclear.",
                due,
                due == null ? 0 : 7,
                true);
        return clock.ago(Duration.ofDays(daysAgo), () -> sending.send(template, 1, wanted, author, SOMEWHERE));
    }

    private static String address(String name) {
        return name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@veldhollow.example";
    }

    private void owner(UUID id, int daysAgo, String name, String depth, String soil) {
        turn(id, OWNER, daysAgo, link -> {
            answer(link, "owner_phone", "0612345678");
            answer(link, "district", "hill");
            answer(link, "soil", soil);
            answer(link, "depth", depth);
            answer(link, "diameter", "d160");
            answer(link, "access", "road,track");
            answer(link, "start_day", LocalDate.now(clock).plusDays(60).toString());
            answer(link, "end_day", LocalDate.now(clock).plusDays(75).toString());
            answer(link, "owner_initials", initials(name));
            answer(link, "owner_signature", PEN);
            finish(link);
        });
    }

    private static String initials(String name) {
        return name.replaceAll("(\\p{Lu})\\p{L}*", "$1.");
    }

    private void driller(UUID id, int daysAgo) {
        turn(id, DRILLER, daysAgo, link -> {
            answer(link, "driller_name", "Bronwater Drilling");
            answer(link, "licence", "DR-4471");
            answer(link, "insured", "no");
            answer(link, "crew_name@r1", "Jorn Bakkum");
            answer(link, "crew_hours@r1", "8.5");
            answer(link, "metre_price", "62.50");
            answer(link, "driller_initials", "J. B.");
            answer(link, "driller_signature", "Jorn Bakkum");
            finish(link);
        });
    }

    private void hydrologist(UUID id, int daysAgo) {
        turn(id, HYDROLOGIST, daysAgo, link -> {
            answer(link, "review_result", "agreed");
            answer(link, "filter_depth", "120");
            answer(link, "hydrologist_signature", PEN);
            finish(link);
        });
    }

    private void turn(UUID id, String role, int daysAgo, Consumer<String> work) {
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
            turns.open(link, SOMEWHERE);
            turns.consent(link, SOMEWHERE);
            work.accept(link);
            return id;
        });
    }

    private void answer(String link, String address, String typed) {
        turns.answer(link, SOMEWHERE, address, typed);
    }

    private void finish(String link) {
        var ended = turns.finish(link, SOMEWHERE);
        if (!ended.finished()) {
            throw new IllegalStateException("A demo turn cannot be finished: " + ended.obstacles());
        }
    }
}
