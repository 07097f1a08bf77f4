package loesscape.core.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.signing.Party.Turn;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** Random documents with random people who do whatever they like, against a second, simple account of whose turn it is. */
class RandomDispatchesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final int NOTED = 10;

    @Test
    void whateverPeopleTryTurnsFollowTheirOrderAndNothingHiddenIsSeen() {
        Cases.check("random dispatches", 400, (random, size) -> new Case(random, 1 + size / 5).play(size * 4));
    }

    /** One dispatch, with what a simple account says of it: {@code turns}, {@code consented}, {@code over}. */
    private static final class Case {

        private final RandomGenerator random;
        private final List<Role> roles = new ArrayList<>();
        /** By role: what its taking part follows, as the place of an earlier role and the least number it must give. */
        private final Map<String, int[]> follows = new HashMap<>();

        private final SignedDocument document;
        private final List<Event> events = new ArrayList<>();
        private Answers answers = Answers.NONE;

        private final Map<String, Turn> turns = new HashMap<>();
        private final Set<String> consented = new HashSet<>();
        private final Set<String> opened = new HashSet<>();
        private Dispatch.Status status = Dispatch.Status.UNDER_WAY;

        Case(RandomGenerator random, int most) {
            this.random = random;
            List<Item> items = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(most); i++) {
                String role = "r" + i;
                Condition takesPart = null;
                if (i > 0 && random.nextBoolean()) {
                    int[] followed = {random.nextInt(i), random.nextInt(20)};
                    follows.put(role, followed);
                    takesPart = atLeast("d" + followed[0], followed[1]);
                }
                roles.add(new Role(role, "Role " + i, 1 + random.nextInt(3), takesPart));
                turns.put(role, Turn.WAITING);
                items.add(Field.of("d" + i, "Depth " + i, new FieldKind.Number(0, "", null, null))
                        .withRole(role));
                items.add(Field.of("n" + i, "Note " + i, new FieldKind.Text("", 0))
                        .withRole(role)
                        .withShown(atLeast("d" + i, NOTED)));
                items.add(Field.of("s" + i, "Signature " + i, new FieldKind.Signature())
                        .withRole(role)
                        .withRequired(new Condition.Always()));
            }
            document = SignedDocument.of(
                    CompiledTemplate.compile(new Template(
                            "Random",
                            "",
                            List.of(new Page("page", "", null, List.of(Section.of("main", "Main", items)))),
                            roles,
                            List.of(),
                            List.of(),
                            List.of(),
                            PageSettings.PLAIN,
                            List.of(),
                            List.of())),
                    "r0");
        }

        private static Condition atLeast(String field, int number) {
            return new Clause.Comparison(
                    field,
                    Clause.Comparison.OrderTest.AT_LEAST,
                    new Clause.Operand.NumberOperand(BigDecimal.valueOf(number)),
                    null);
        }

        void play(int steps) {
            for (int i = 0; i < roles.size(); i++) {
                if (random.nextInt(4) == 0) {
                    answers = answers.with("d" + i, "" + random.nextInt(20));
                }
            }
            List<Event.Named> people = roles.stream()
                    .map(role -> new Event.Named(
                            role.key(), role.name(), role.order(), person(role.key()), IdentityCheck.LINK))
                    .toList();
            events.addAll(Signing.send(
                    document, new Event.Sent("Random", 1, people, null, true, 0, "", false, Map.of()), answers, TODAY));
            advance();
            compare();
            for (int i = 0; i < steps; i++) {
                step("r" + random.nextInt(roles.size()));
                compare();
            }
        }

        private void step(String role) {
            boolean mayAct = status == Dispatch.Status.UNDER_WAY && turns.get(role) == Turn.ACTING;
            String number = role.substring(1);
            switch (random.nextInt(24)) {
                case 0 -> {
                    if (tried(mayAct, () -> List.of(Signing.decline(now(), role, "No")))) {
                        status = Dispatch.Status.DECLINED;
                    }
                }
                case 1 -> {
                    if (random.nextInt(4) == 0
                            && tried(
                                    status == Dispatch.Status.UNDER_WAY,
                                    () -> List.of(Signing.withdraw(now(), "Wrong")))) {
                        status = Dispatch.Status.WITHDRAWN;
                    }
                }
                case 2 -> {
                    if (tried(
                            mayAct,
                            () -> List.of(Signing.delegate(now(), role, person("x" + random.nextLong()), "Away")))) {
                        opened.remove(role);
                        consented.remove(role);
                    }
                }
                case 3 -> {
                    boolean may = status == Dispatch.Status.UNDER_WAY
                            && (turns.get(role) == Turn.ACTING || turns.get(role) == Turn.WAITING)
                            && !opened.contains(role);
                    tried(may, () -> List.of(Signing.correct(now(), role, person("c" + random.nextLong()))));
                }
                case 4 -> tried(mayAct, () -> List.of(Signing.remind(now(), role)));
                case 5, 6, 7, 8 -> {
                    tried(true, () -> Signing.open(now(), role));
                    if (mayAct) {
                        opened.add(role);
                    }
                    if (tried(mayAct, () -> Signing.consent(now(), role))) {
                        consented.add(role);
                    }
                }
                case 9, 10, 11, 12, 13 -> {
                    String field = List.of("d", "n", "s").get(random.nextInt(3)) + random.nextInt(roles.size());
                    assertThat(document.mayAnswer(role, field))
                            .isEqualTo(field.substring(1).equals(number));
                    if (mayAct && consented.contains(role) && document.mayAnswer(role, field)) {
                        answers = answers.with(field, random.nextInt(4) == 0 ? "" : "" + random.nextInt(20));
                    }
                }
                default -> {
                    boolean may = mayAct
                            && consented.contains(role)
                            && !answers.of("s" + number).isBlank();
                    if (tried(
                            may,
                            () -> List.of(Signing.sign(
                                    document, now(), role, document.state(role, answers, TODAY), "digest")))) {
                        turns.put(role, Turn.FINISHED);
                        events.addAll(Signing.next(document, now(), answers, TODAY));
                        advance();
                    }
                }
            }
            if (Signing.isThrough(now())) {
                events.add(new Event.Finished(1, "digest"));
                status = Dispatch.Status.FINISHED;
            }
        }

        private boolean tried(boolean may, Supplier<? extends List<? extends Event>> attempt) {
            try {
                events.addAll(attempt.get());
                assertThat(may).as("allowed").isTrue();
                return true;
            } catch (NotNow refused) {
                assertThat(may).as("refused: %s", refused.getMessage()).isFalse();
                return false;
            }
        }

        private Dispatch now() {
            return Dispatch.of(events);
        }

        private static Person person(String name) {
            return new Person(name, name + "@veldhollow.example");
        }

        /** The simple account: whoever has the least number among those who wait is next, unless left out. */
        private void advance() {
            while (!turns.containsValue(Turn.ACTING) && turns.containsValue(Turn.WAITING)) {
                TreeMap<Integer, List<Role>> waiting = new TreeMap<>();
                for (Role role : roles) {
                    if (turns.get(role.key()) == Turn.WAITING) {
                        waiting.computeIfAbsent(role.order(), order -> new ArrayList<>())
                                .add(role);
                    }
                }
                for (Role role : waiting.firstEntry().getValue()) {
                    int[] followed = follows.get(role.key());
                    boolean takesPart = followed == null || given("d" + followed[0]) >= followed[1];
                    turns.put(role.key(), takesPart ? Turn.ACTING : Turn.SKIPPED);
                }
            }
        }

        /** A number, or one below all others where there is none. */
        private int given(String field) {
            String typed = answers.of(field);
            return typed.isBlank() ? -1 : Integer.parseInt(typed);
        }

        private void compare() {
            Dispatch now = now();
            assertThat(now.status()).isEqualTo(status);
            for (Party party : now.parties()) {
                assertThat(party.turn()).as(party.role()).isEqualTo(turns.get(party.role()));
            }
            for (Role role : roles) {
                Set<String> seen = document.visible(role.key(), answers, document.state(role.key(), answers, TODAY))
                        .typed()
                        .keySet();
                for (int i = 0; i < roles.size(); i++) {
                    if (given("d" + i) < NOTED && !role.key().equals("r" + i)) {
                        assertThat(seen).as("what others have hidden").doesNotContain("n" + i);
                    }
                }
            }
        }
    }
}
