package loesscape.core.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;

/** Turns, in order and at the same time, and how a dispatch ends. */
class SigningTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

    private static final Condition DEEP = new Clause.Comparison(
            "depth",
            Clause.Comparison.OrderTest.AT_LEAST,
            new Clause.Operand.NumberOperand(new BigDecimal("100")),
            null);

    /** The owner first, then driller and witness at the same time, then, for deep wells only, the hydrologist. */
    private static final Template WELL = new Template(
            "Well",
            "",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(Section.of(
                            "main",
                            "Main",
                            List.of(
                                    Field.of("depth", "Depth", new FieldKind.Number(2, "m", null, null))
                                            .withRequired(new Condition.Always()),
                                    signature("owner"),
                                    Field.of("licence", "Licence", new FieldKind.Text("", 0))
                                            .withRole("driller")
                                            .withShown(DEEP)
                                            .withRequired(new Condition.Always()),
                                    signature("driller"),
                                    Field.of("day", "Signed on", new FieldKind.DateSigned())
                                            .withRole("driller"),
                                    signature("witness"),
                                    signature("hydrologist")))))),
            List.of(
                    new Role("owner", "Owner", 1, null),
                    new Role("driller", "Driller", 2, null),
                    new Role("witness", "Witness", 2, null),
                    new Role("hydrologist", "Hydrologist", 3, DEEP)),
            List.of(),
            List.of(),
            List.of(
                    new FinishRule(
                            new Condition.Any(
                                    List.of(new Condition.None(List.of(DEEP)), new Clause.Answered("licence"))),
                            "There is no licence."),
                    new FinishRule(new Clause.Answered("depth"), "There is no depth.")),
            PageSettings.PLAIN,
            List.of(),
            List.of());

    private final SignedDocument document = SignedDocument.of(CompiledTemplate.compile(WELL), "owner");
    private final List<Event> events = new ArrayList<>();
    private Answers answers = Answers.NONE;

    private static Field signature(String role) {
        return Field.of(role + "_signature", "Signature of the " + role, new FieldKind.Signature())
                .withRole(role)
                .withRequired(new Condition.Always());
    }

    private static Event.Sent sent(boolean mayDelegate) {
        return new Event.Sent(
                "Well",
                1,
                WELL.roles().stream()
                        .map(role -> new Event.Named(
                                role.key(), role.name(), role.order(), person(role.key()), IdentityCheck.LINK))
                        .toList(),
                TODAY.plusDays(7),
                mayDelegate,
                0,
                "",
                false,
                Map.of());
    }

    private static Person person(String name) {
        return new Person(name, name + "@veldhollow.example");
    }

    private Dispatch dispatch() {
        return Dispatch.of(events);
    }

    private void send(boolean mayDelegate) {
        events.addAll(Signing.send(document, sent(mayDelegate), answers, TODAY));
    }

    private void answer(String field, String typed) {
        answers = answers.with(field, typed);
    }

    private void sign(String role) {
        events.addAll(Signing.open(dispatch(), role));
        events.addAll(Signing.consent(dispatch(), role));
        answer(role + "_signature", "Name");
        events.add(Signing.sign(document, dispatch(), role, document.state(role, answers, TODAY), "digest"));
        events.addAll(Signing.next(document, dispatch(), answers, TODAY));
    }

    private List<String> acting() {
        return dispatch().acting().stream().map(Party::role).toList();
    }

    @Test
    void rolesActInTheirOrderAndAtTheSameTimeAndAreSkippedWithTheReason() {
        send(false);
        assertThat(acting()).containsExactly("owner");
        answer("depth", "24");
        sign("owner");
        assertThat(acting()).containsExactly("driller", "witness");
        sign("witness");
        assertThat(acting()).containsExactly("driller");
        assertThat(Signing.isThrough(dispatch())).isFalse();
        sign("driller");
        assertThat(events.getLast()).isEqualTo(new Event.Skipped("hydrologist", "Depth is 24 m"));
        assertThat(Signing.isThrough(dispatch())).isTrue();
        events.add(new Event.Finished(1, "digest"));
        assertThat(dispatch().status()).isEqualTo(Dispatch.Status.FINISHED);
        assertThatThrownBy(() -> Signing.withdraw(dispatch(), "Too late")).hasMessageStartingWith("This is finished");
    }

    @Test
    void aTurnEndsOnlyWhenItsOwnAnswersAreThereAndRulesLeanOnNobodyWhoIsStillToCome() {
        send(false);
        events.addAll(Signing.consent(dispatch(), "owner"));
        assertThat(obstacles("owner")).containsExactly("depth", "owner_signature", "There is no depth.");
        assertThatThrownBy(
                        () -> Signing.sign(document, dispatch(), "owner", document.state("owner", answers, TODAY), ""))
                .isInstanceOf(NotNow.class);
        answer("depth", "100");
        sign("owner");
        events.addAll(Signing.consent(dispatch(), "driller"));
        assertThat(obstacles("driller")).containsExactly("licence", "driller_signature", "There is no licence.");
        assertThat(obstacles("witness"))
                .as("the driller, who acts at the same time, has the licence")
                .containsExactly("witness_signature");
    }

    private List<String> obstacles(String role) {
        State state = document.state(role, answers, TODAY);
        return document.obstacles(dispatch(), role, state).stream()
                .map(obstacle -> obstacle.key().isEmpty() ? obstacle.message() : obstacle.key())
                .toList();
    }

    @Test
    void onlyWhoseTurnItIsCanAct() {
        send(false);
        assertThatThrownBy(() -> Signing.decline(dispatch(), "driller", "No")).hasMessage("It is not your turn yet.");
        answer("depth", "24");
        sign("owner");
        assertThatThrownBy(
                        () -> Signing.sign(document, dispatch(), "owner", document.state("owner", answers, TODAY), ""))
                .hasMessageStartingWith("You have finished already");
        assertThatThrownBy(() -> Signing.delegate(dispatch(), "driller", person("other"), "On leave"))
                .hasMessageStartingWith("The sender does not allow");
        assertThatThrownBy(() ->
                        Signing.sign(document, dispatch(), "driller", document.state("driller", answers, TODAY), ""))
                .hasMessage("Agree to sign electronically first.");
        events.add(Signing.decline(dispatch(), "driller", " Too far away "));
        assertThat(dispatch().status()).isEqualTo(Dispatch.Status.DECLINED);
        assertThat(dispatch().because()).isEqualTo("Too far away");
        assertThat(acting()).isEmpty();
    }

    /** Whether somebody takes part is decided when their turn comes, not by what others answer at the same time. */
    @Test
    void whoActsSignsWhateverOthersAnswerMeanwhile() {
        Template together = new Template(
                "Together",
                "",
                List.of(new Page(
                        "page",
                        "",
                        null,
                        List.of(Section.of(
                                "main",
                                "Main",
                                List.of(
                                        Field.of("depth", "Depth", new FieldKind.Number(2, "m", null, null)),
                                        signature("owner"),
                                        signature("hydrologist")))))),
                List.of(new Role("owner", "Owner", 1, null), new Role("hydrologist", "Hydrologist", 1, DEEP)),
                List.of(),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        SignedDocument of = SignedDocument.of(CompiledTemplate.compile(together), "owner");
        for (String depth : List.of("120", "20", "")) {
            assertThat(of.state("hydrologist", Answers.NONE.with("depth", depth), TODAY)
                            .obstacles())
                    .as(depth)
                    .extracting(State.Obstacle::key)
                    .containsExactly("hydrologist_signature");
        }
    }

    @Test
    void aTurnIsHandedOnAndAnAddressCorrectedWithoutWhatTheOtherAgreedTo() {
        send(true);
        events.addAll(Signing.consent(dispatch(), "owner"));
        events.add(Signing.delegate(dispatch(), "owner", person("cousin"), "On leave"));
        Party owner = dispatch().party("owner").orElseThrow();
        assertThat(owner.person()).isEqualTo(person("cousin"));
        assertThat(owner.hasConsented()).isFalse();
        events.add(Signing.correct(dispatch(), "driller", person("other_driller")));
        assertThat(dispatch().party("driller").orElseThrow().person()).isEqualTo(person("other_driller"));
        events.addAll(Signing.open(dispatch(), "owner"));
        assertThatThrownBy(() -> Signing.correct(dispatch(), "owner", person("owner")))
                .hasMessageContaining("opened the document already");
        events.add(Signing.withdraw(dispatch(), "Wrong parcel"));
        assertThatThrownBy(() -> Signing.remind(dispatch(), "owner")).hasMessageContaining("taken this back");
    }

    @Test
    void aSignerSeesAnswersThatCountAndItsOwnAndOpensOnlyItsOwnFields() {
        answer("licence", "DR-1");
        answer("depth", "24");
        State state = document.state("owner", answers, TODAY);
        assertThat(document.visible("owner", answers, state).typed()).containsOnlyKeys("depth");
        assertThat(document.visible("driller", answers, state).typed()).containsOnlyKeys("depth", "licence");
        assertThat(((NodeState.FieldState)
                                document.state("owner", answers, TODAY).of("depth"))
                        .editable())
                .as("what is given to nobody is the first role's")
                .isTrue();
        assertThat(((NodeState.FieldState)
                                document.state("driller", answers, TODAY).of("depth"))
                        .editable())
                .isFalse();
        assertThat(document.signingDays("driller", state)).containsExactly("day");
        assertThat(document.mayAnswer("witness", "day")).isFalse();
    }

    @Test
    void aSectionConcernsARoleAlsoThroughTheSectionsInIt() {
        Field second = Field.of("second", "Second signature", new FieldKind.Signature())
                .withRole("witness");
        Section outer = Section.of("outer", "Outer", List.of(Section.of("inner", "Inner", List.of(second))));
        List<Section> sections = new ArrayList<>(WELL.pages().getFirst().sections());
        sections.add(outer);
        CompiledTemplate nested =
                CompiledTemplate.compile(WELL.withPages(List.of(new Page("page", "", null, sections))));
        SignedDocument of = SignedDocument.of(nested, "owner");
        assertThat(of.sections("witness", of.state("witness", answers, TODAY)))
                .containsExactlyInAnyOrder("main", "outer");
        assertThat(of.sections("driller", of.state("driller", answers, TODAY))).containsExactly("main");
    }

    @Test
    void whatWasPaidIsWhatIsDue() {
        Field days = Field.of("days", "Days", new FieldKind.Number(0, "", null, null));
        Field deposit = Field.of("deposit", "Deposit", new FieldKind.Payment("EUR", "10 * days"))
                .withRequired(new Condition.Always());
        CompiledTemplate loan = CompiledTemplate.compile(Template.of(
                "Loan", List.of(new Page("page", "", null, List.of(Section.of("main", "", List.of(days, deposit)))))));
        Answers paid = Answers.NONE.with("days", "3").with("deposit", "30 reference");
        assertThat(loan.evaluate(paid).obstacles()).isEmpty();
        assertThat(loan.evaluate(paid.with("days", "5")).obstacles())
                .extracting(State.Obstacle::message)
                .containsExactly("€ 30.00 was paid, but € 50.00 is due now; change back what the amount hangs on.");
        assertThat(loan.evaluate(paid.with("deposit", "")).obstacles()).hasSize(1);
    }

    @Test
    void whoIsNamedWronglyOrTooLateIsRefused() {
        Event.Sent some = sent(false);
        assertThatThrownBy(() -> Signing.send(
                        document,
                        new Event.Sent("Well", 1, some.parties().subList(0, 3), null, false, 0, "", false, Map.of()),
                        answers,
                        TODAY))
                .hasMessage("Nobody is named for “Hydrologist”.");
        assertThatThrownBy(() -> Signing.send(document, some, answers, TODAY.plusDays(8)))
                .hasMessageContaining("has passed");
        assertThat(Dispatch.of(List.of(some)).isOverdue(TODAY.plusDays(7))).isFalse();
        assertThat(Dispatch.of(List.of(some)).isOverdue(TODAY.plusDays(8))).isTrue();
    }

    private void sendAsking(IdentityCheck check, String phone) {
        Event.Sent plain = sent(true);
        List<Event.Named> asked = plain.parties().stream()
                .map(it -> it.role().equals("owner")
                        ? new Event.Named(
                                it.role(),
                                it.title(),
                                it.order(),
                                new Person(it.person().name(), it.person().address(), phone),
                                check)
                        : it)
                .toList();
        Event.Sent sent = new Event.Sent("Well", 1, asked, null, true, 0, "", false, Map.of());
        events.addAll(Signing.send(document, sent, answers, TODAY));
    }

    @Test
    void whoHasNotShownWhoTheyAreDoesNothing() {
        for (IdentityCheck check : List.of(IdentityCheck.MAIL_CODE, IdentityCheck.TEXT_CODE, IdentityCheck.PHRASE)) {
            events.clear();
            sendAsking(check, "+44 7700 900123");
            assertThat(Signing.open(dispatch(), "owner")).isEmpty();
            Stream.<ThrowingCallable>of(
                            () -> Signing.consent(dispatch(), "owner"),
                            () -> Signing.sign(
                                    document, dispatch(), "owner", document.state("owner", answers, TODAY), ""),
                            () -> Signing.decline(dispatch(), "owner", "No"),
                            () -> Signing.delegate(dispatch(), "owner", person("cousin"), "On leave"))
                    .forEach(act -> assertThatThrownBy(act)
                            .as(check.name())
                            .isInstanceOf(NotNow.class)
                            .hasMessage("Show who you are first."));
            events.add(Signing.identify(dispatch(), "owner"));
            assertThat(Signing.open(dispatch(), "owner")).containsExactly(new Event.Opened("owner"));
            assertThat(Signing.consent(dispatch(), "owner")).hasSize(1);
        }
        assertThatThrownBy(() -> Signing.sendCode(dispatch(), "owner")).hasMessage("No code is asked of you.");
    }

    @Test
    void whoTakesATurnOverShowsAnewWhoTheyAre() {
        sendAsking(IdentityCheck.TEXT_CODE, "+44 7700 900123");
        events.add(Signing.identify(dispatch(), "owner"));
        assertThatThrownBy(() -> Signing.delegate(dispatch(), "owner", person("cousin"), "On leave"))
                .hasMessageContaining("needs a telephone number");
        Person cousin = new Person("cousin", "cousin@veldhollow.example", "+44 7700 900456");
        events.add(Signing.delegate(dispatch(), "owner", cousin, "On leave"));
        assertThat(dispatch().party("owner").orElseThrow().isKnown()).isFalse();
        assertThat(Signing.sendCode(dispatch(), "owner").to()).isEqualTo("+44 7700 900456");
    }

    @Test
    void aPhraseIsAgreedWithOnePersonAlone() {
        sendAsking(IdentityCheck.PHRASE, "");
        events.add(Signing.identify(dispatch(), "owner"));
        assertThatThrownBy(() -> Signing.delegate(dispatch(), "owner", person("cousin"), "On leave"))
                .hasMessageContaining("agreed a phrase with owner alone");
    }

    @Test
    void aCodeNeedsATelephoneToGoTo() {
        for (String phone : List.of("", "0612345678", "+44", "none")) {
            assertThatThrownBy(() -> sendAsking(IdentityCheck.TEXT_CODE, phone))
                    .as(phone)
                    .hasMessageContaining("“Owner” needs a telephone number");
        }
    }
}
