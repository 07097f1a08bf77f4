package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;
import loesscape.server.accounts.AccountStore;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.testing.RunningServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.transaction.support.TransactionTemplate;

/** What stands in the columns of a dispatch is what follows from its events, whatever happens, in whatever order. */
class RandomEventsTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final int DISPATCHES = 60;
    private static final int EVENTS = 25;

    private final Set<Class<?>> happened = new HashSet<>();

    @Test
    void columnsAreWhatFollowsFromTheEvents() {
        DispatchStore store = SERVER.part("dispatchStore", DispatchStore.class);
        TransactionTemplate transactions = SERVER.part("transactionTemplate", TransactionTemplate.class);
        UUID template = UUID.fromString(SERVER.author().template("Drilling agreement"));
        long account = SERVER.part("accountStore", AccountStore.class)
                .find("Ilse Maarwick")
                .orElseThrow()
                .id();
        Random random = new Random(20261127);
        for (int n = 0; n < DISPATCHES; n++) {
            Event.Sent sent = sent(random);
            UUID id = transactions.execute(status -> store.add(new DispatchStore.New(
                    template, 1, account, "Random", "", "r0", sent.due(), sent.mayDelegate(), 0, false)));
            for (int i = 0; i < EVENTS; i++) {
                Event event = i == 0 ? sent : event(random);
                happened.add(event.getClass());
                transactions.executeWithoutResult(status -> {
                    StoredDispatch kept = store.lock(id).orElseThrow();
                    store.happened(kept, Actor.SERVER, event);
                });
                List<Event> events = store.trail(id).events();
                assertThat(events.getLast()).isEqualTo(event);
                assertThat(store.find(id).orElseThrow().dispatch())
                        .as("%s", events)
                        .isEqualTo(Dispatch.of(events));
            }
            assertThat(store.trail(id).firstBroken()).isZero();
        }
        assertThat(happened).containsExactlyInAnyOrder(Event.class.getPermittedSubclasses());
    }

    private static Event.Sent sent(Random random) {
        List<Event.Named> parties = IntStream.range(0, 3)
                .mapToObj(
                        i -> new Event.Named("r" + i, "Role " + i, random.nextInt(1, 4), person(random), check(random)))
                .toList();
        LocalDate due = random.nextBoolean() ? null : LocalDate.of(2026, 12, 1).plusDays(random.nextInt(300));
        return new Event.Sent(
                "Random",
                1,
                parties,
                due,
                random.nextBoolean(),
                random.nextInt(9),
                "ab",
                random.nextBoolean(),
                Map.of("well.png", "ef"));
    }

    private static Event event(Random random) {
        String role = "r" + random.nextInt(3);
        String words = words(random);
        List<Event> events = List.of(
                new Event.Asked(role),
                new Event.Skipped(role, words),
                new Event.CodeSent(role, check(random), words),
                new Event.Identified(role, check(random), words),
                new Event.NotIdentified(role, check(random)),
                new Event.Opened(role),
                new Event.Consented(role, words),
                new Event.Paid(role, "fee", words, words),
                new Event.NotPaid(role, "fee", words),
                new Event.SignatureMade(role, "sign", words, "cd"),
                new Event.SignatureTakenBack(role, "sign", words, words),
                new Event.Signed(role, random.nextInt(99), List.of(words), "ef"),
                new Event.Declined(role, words),
                new Event.Delegated(role, person(random), person(random), words),
                new Event.Corrected(role, person(random), person(random)),
                new Event.Reminded(role),
                new Event.Withdrawn(words),
                new Event.Finished(random.nextInt(99), "01"),
                new Event.Sealed("23"));
        return events.get(random.nextInt(events.size()));
    }

    private static IdentityCheck check(Random random) {
        List<IdentityCheck> checks = List.of(IdentityCheck.values());
        return checks.get(random.nextInt(checks.size()));
    }

    private static Person person(Random random) {
        return new Person(
                words(random), words(random).strip() + "@veldhollow.example", random.nextBoolean() ? "" : "+1");
    }

    /** Words with what has to be written in another way in JSON or SQL. */
    private static String words(Random random) {
        List<String> parts =
                Arrays.asList("O'Brien", "“said”", "\"", "\\", "é", "名", "😀", "line\nline", "%s", "--", "a");
        return parts.get(random.nextInt(parts.size())) + random.nextInt(1_000);
    }
}
