package loesscape.core.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PlainLine;
import loesscape.core.model.Refused;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A document as the roles of a dispatch see it: whose what is, who signed where, and what a turn leaves behind. */
class SignedDocumentTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final Field SIGNATURE = Field.of("signature", "Signature of the driller", new FieldKind.Signature())
            .withRole("driller");

    private static Field field(String key, String role) {
        return Field.of(key, "Label of " + key, new FieldKind.Number(0, "", null, null))
                .withRole(role);
    }

    private static Field workedOut(String key, String role, String formula) {
        return field(key, role).withValue(new FieldValue.WorkedOut(formula, false));
    }

    private static SignedDocument document(Section... sections) {
        Template template = new Template(
                "Well",
                "",
                List.of(new Page("page", "", null, List.of(sections))),
                List.of(new Role("owner", "Owner", 1, null), new Role("driller", "Driller", 2, null)),
                List.of(),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        return SignedDocument.of(CompiledTemplate.compile(template), "owner");
    }

    private static Section section(String key, Object... items) {
        return Section.of(key, key, Arrays.stream(items).map(Item.class::cast).toList());
    }

    private static Snapshot snapshot(SignedDocument document, String role, Answers answers) {
        return document.snapshot(role, answers, document.state(role, answers, TODAY), TODAY);
    }

    @Test
    void whatIsNobodysIsOfTheFirstWhoTakesPart() {
        SignedDocument document = document(section("well", field("depth", ""), field("cost", "driller")));
        assertThat(document.mayAnswer("owner", "depth")).isTrue();
        assertThat(document.mayAnswer("driller", "depth")).isFalse();
        assertThat(document.mayAnswer("driller", "cost")).isTrue();
        assertThat(document.mayAnswer("driller", "nothing")).isFalse();
        SignedDocument alone = SignedDocument.ofOne(document.compiled());
        assertThat(alone.mayAnswer("", "depth")).isTrue();
        assertThat(alone.mayAnswer("", "cost"))
                .as("whoever fills in all of it is everybody")
                .isTrue();
    }

    @Test
    void rowsAreOfThoseWhoHaveSomethingInThem() {
        SignedDocument document = document(
                section("holes", field("deep", "driller")).withRows(new Section.Rows(0, 5)),
                section("bills", field("amount", "owner")).withRows(new Section.Rows(0, 5)));
        assertThat(document.mayAnswer("driller", "holes")).isTrue();
        assertThat(document.mayAnswer("driller", "bills")).isFalse();
        assertThat(document.mayAnswer("owner", "bills")).isTrue();
        assertThat(document.mayAnswer("driller", "deep@r1")).isTrue();
    }

    @Test
    void nothingIsOpenWhileItIsNobodysTurn() {
        SignedDocument document = document(section("well", field("depth", "owner"), field("cost", "driller")));
        State own = document.state("owner", Answers.NONE, TODAY);
        assertThat(((FieldState) own.of("depth")).editable()).isTrue();
        assertThat(((FieldState) own.of("cost")).editable()).isFalse();
        State closed = document.closed("owner", new Answers(Map.of("depth", "12")), TODAY);
        assertThat(((FieldState) closed.of("depth")).editable()).isFalse();
        assertThat(closed.counting("depth").isBlank()).isFalse();
    }

    @Test
    void signaturesAreToldByTheirLabelsAndTheirPlaces() {
        SignedDocument document = document(
                section("well", field("depth", "driller"), SIGNATURE),
                section(
                        "more",
                        Field.of("initials", "Initials", new FieldKind.Initials())
                                .withRole("owner")));
        Answers answers = new Answers(Map.of("depth", "12", "signature", "M1 1L2 2", "initials", "R. T."));
        State state = document.state("driller", answers, TODAY);
        assertThat(document.given("driller", state)).containsExactly("depth", "signature");
        assertThat(document.signatures("driller", state)).containsExactly("Signature of the driller");
        assertThat(document.signatures("owner", state)).containsExactly("Initials");
        assertThat(document.signedAt("driller", answers)).containsExactly("signature");
        assertThat(document.signedAt("owner", answers)).containsExactly("initials");
        assertThat(document.signedAt("driller", new Answers(Map.of("signature", " ", "depth", "1"))))
                .isEmpty();
        assertThat(document.passedOn("driller", answers))
                .containsExactly(new Event.SignatureTakenBack(
                        "driller", "signature", "Signature of the driller", "the turn passed to somebody else"));
    }

    @Test
    void aSignatureIsMadeAndTakenBackAndNothingElseIsTold() {
        SignedDocument document = document(section("well", field("depth", "driller"), SIGNATURE));
        assertThat(document.answered("driller", "signature", "", "M1 1", text -> "hash of " + text))
                .containsExactly(
                        new Event.SignatureMade("driller", "signature", "Signature of the driller", "hash of M1 1"));
        assertThat(document.answered("driller", "signature", "M1 1", "", text -> "x"))
                .containsExactly(new Event.SignatureTakenBack("driller", "signature", "Signature of the driller", ""));
        assertThat(document.answered("driller", "signature", "M1 1", "M1 1", text -> "x"))
                .isEmpty();
        assertThat(document.answered("driller", "depth", "", "12", text -> "x")).isEmpty();
        assertThat(document.answered("driller", "nothing", "", "12", text -> "x"))
                .isEmpty();
    }

    @Test
    void aWorkedOutValueIsGivenOnceNobodyCanChangeItAnyMore() {
        SignedDocument document = document(section(
                "well",
                field("depth", "owner"),
                field("rate", "driller"),
                workedOut("double", "owner", "depth * 2"),
                workedOut("cost", "owner", "double * rate"),
                workedOut("theirs", "driller", "depth * 3")));
        Answers answers = new Answers(Map.of("depth", "10", "rate", "4"));
        Snapshot first = snapshot(document, "owner", answers);
        assertThat(first.answers()).containsOnly(Map.entry("depth", "10"), Map.entry("double", "20"));
        SignedDocument then = document.after(first);
        Snapshot second = snapshot(then, "driller", answers);
        assertThat(second.answers())
                .containsEntry("cost", "80")
                .containsEntry("theirs", "30")
                .containsEntry("rate", "4");
    }

    @Test
    void aTotalOverRowsIsGivenOnceTheirOwnersAreThrough() {
        SignedDocument document = document(
                section("holes", field("deep", "driller")).withRows(new Section.Rows(0, 5)),
                section("sum", workedOut("total", "owner", "sum(holes.deep)")));
        Answers answers = new Answers(Map.of("holes", "r1,r2", "deep@r1", "3", "deep@r2", "4"));
        assertThat(snapshot(document, "owner", answers).answers()).doesNotContainKey("total");
        SignedDocument then = document.after(snapshot(document, "owner", answers));
        assertThat(snapshot(then, "driller", answers).answers())
                .containsEntry("total", "7")
                .containsEntry("deep@r1", "3");
    }

    @Test
    void whatStoodAroundWhatWasGivenIsKeptWithIt() {
        Notice here = Notice.of("here", "Read this.");
        Notice folded = Notice.of("folded", "Not this.").withShown(new Clause.IsBlank("depth"));
        Notice screen =
                Notice.of("screen", "While it is filled in.").withShown(new Condition.StageIs(List.of(Stage.FILLING)));
        Notice elsewhere = Notice.of("elsewhere", "In another section.");
        SignedDocument document = document(
                section("well", field("depth", "owner"), here, folded, screen),
                section("other", elsewhere, field("cost", "driller")));
        assertThat(snapshot(document, "owner", new Answers(Map.of("depth", "12")))
                        .shown())
                .containsExactlyInAnyOrder("page", "well", "here");
    }

    @Test
    void whatStoodInTheRowIsKeptWithTheRow() {
        SignedDocument document = document(section("holes", field("deep", "owner"), Notice.of("hint", "In each row."))
                .withRows(new Section.Rows(0, 5)));
        Answers answers = new Answers(Map.of("holes", "r1,r2", "deep@r1", "3"));
        assertThat(snapshot(document, "owner", answers).shown())
                .contains("page", "holes", "holes@r1", "hint@r1")
                .doesNotContain("hint@r2");
    }

    @Test
    void theHashesOfFilesAreKeptBesideTheAnswers() {
        Snapshot bare = new Snapshot(Snapshot.FORMAT, "owner", TODAY, Map.of("depth", "1"), List.of("well"), Map.of());
        Snapshot with = bare.withFiles(Map.of("f1", "ab"));
        assertThat(with.files()).containsOnly(Map.entry("f1", "ab"));
        assertThat(with.withFiles(Map.of())).isEqualTo(bare);
    }

    @ParameterizedTest
    @CsvSource({"1,true", "1000,true", "1001,false", "0,false"})
    void aReasonHasSoManyCharacters(int length, boolean taken) {
        Dispatch dispatch = sent();
        if (taken) {
            assertThat(Signing.withdraw(dispatch, "x".repeat(length)).because()).hasSize(length);
        } else {
            assertThatThrownBy(() -> Signing.withdraw(dispatch, "x".repeat(length)))
                    .isInstanceOf(Refused.class);
        }
    }

    @Test
    void whoIsPutInAPlaceIsLookedAtLikeWhoWasNamedFirst() {
        Dispatch dispatch = sent();
        assertThatThrownBy(() -> Signing.correct(dispatch, "owner", new Person("", "runa@veldhollow.example")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("needs the name of a person");
        assertThatThrownBy(() -> Signing.correct(dispatch, "owner", new Person("Runa", "nowhere")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("is no e-mail address");
        String longest = "a".repeat(64) + "@" + "b".repeat(63) + "." + "c".repeat(63) + "." + "d".repeat(58) + ".ee";
        assertThat(longest).hasSize(254);
        assertThatCode(() -> Signing.correct(dispatch, "owner", new Person("Runa", longest)))
                .doesNotThrowAnyException();
        assertThatCode(() -> Signing.correct(
                        dispatch, "owner", new Person("R".repeat(PlainLine.LONGEST_NAME), "runa@veldhollow.example")))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> Signing.correct(
                        dispatch,
                        "owner",
                        new Person("R".repeat(PlainLine.LONGEST_NAME + 1), "runa@veldhollow.example")))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Signing.correct(dispatch, "nobody", new Person("Runa", "runa@veldhollow.example")))
                .isInstanceOf(NotNow.class)
                .hasMessage("There is no such role.");
    }

    private static Dispatch sent() {
        SignedDocument document = document(section("well", field("depth", "owner"), field("cost", "driller")));
        Event.Sent sent = new Event.Sent(
                "Well",
                1,
                List.of(
                        new Event.Named(
                                "owner", "Owner", 1, new Person("Ilse", "ilse@veldhollow.example"), IdentityCheck.LINK),
                        new Event.Named(
                                "driller",
                                "Driller",
                                2,
                                new Person("Bas", "bas@veldhollow.example"),
                                IdentityCheck.LINK)),
                null,
                true,
                0,
                "",
                false,
                Map.of());
        return Dispatch.of(Signing.send(document, sent, Answers.NONE, TODAY));
    }
}
