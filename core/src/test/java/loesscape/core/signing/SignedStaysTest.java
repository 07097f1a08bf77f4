package loesscape.core.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Passage;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** What somebody signed is in the finished document as it was signed, whatever others answer later. */
class SignedStaysTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final List<Stage> STAGES = List.of(Stage.values());
    private static final String PEN = "M10 80L40 20";

    private static Template template(List<Section> sections, String... roles) {
        List<Role> all = new ArrayList<>();
        for (String role : roles) {
            all.add(new Role(role, "Role " + role, all.size() + 1, null));
        }
        return new Template(
                "Signed",
                "",
                List.of(new Page("page", "", null, sections)),
                all,
                List.of(),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Field field(String key, String role) {
        return Field.of(key, "Label of " + key, new FieldKind.Text("", 0)).withRole(role);
    }

    private static SignedDocument document(Template template) {
        return SignedDocument.of(
                CompiledTemplate.compile(template), template.roles().getFirst().key());
    }

    private static State finished(SignedDocument document, FinishedDocument finished) {
        return document.compiled()
                .evaluate(finished.answers(), new Context(TODAY, Stage.FINISHED, ""), finished.settled());
    }

    private static final Condition DRILLER_ACTS = new Condition.RoleIs(List.of("driller"));

    @Test
    void aSectionForTheActingRoleStaysWithItsWordsWhenNobodyActs() {
        Section drilling = Section.of(
                        "drilling",
                        "Drilling",
                        List.of(
                                Notice.of("clause", "I drill as agreed."),
                                field("licence", "driller"),
                                Field.of("signature", "Signature", new FieldKind.Signature())
                                        .withRole("driller")))
                .withShown(DRILLER_ACTS);
        SignedDocument document = document(template(
                List.of(Section.of("main", "Main", List.of(field("name", "owner"))), drilling), "owner", "driller"));
        Answers answers = Answers.NONE.with("name", "Femke");
        document = document.after(document.snapshot("owner", answers, document.state("owner", answers, TODAY), TODAY));
        answers = answers.with("licence", "DR-1").with("signature", PEN);
        document =
                document.after(document.snapshot("driller", answers, document.state("driller", answers, TODAY), TODAY));
        FinishedDocument finished = document.finish(answers, TODAY);
        Content content = Content.of(document.template(), finished(document, finished));
        assertThat(content.sections()).extracting(Content.Block::title).containsExactly("Main", "Drilling");
        assertThat(content.sections().get(1).lines())
                .hasSize(3)
                .first()
                .isEqualTo(new Content.Line.Told("", 0, Passage.plain("I drill as agreed."), Look.PLAIN));
        assertThat(finished.answers().typed()).containsOnlyKeys("name", "licence", "signature");
        assertThat(finished.settled().notes()).isEmpty();
    }

    @Test
    void whatALaterAnswerWouldFoldStaysAndSaysSo() {
        Condition unlessRefused = new Clause.ChoiceClause(
                "agreed", Clause.ChoiceClause.ChoiceTest.IS_NOT, List.of(FieldKind.YesNo.NO), null);
        SignedDocument document = document(template(
                List.of(Section.of(
                        "main",
                        "Main",
                        List.of(
                                Field.of("signature", "Signature", new FieldKind.Signature())
                                        .withRole("a")
                                        .withShown(unlessRefused),
                                Field.of("agreed", "Agreed?", new FieldKind.YesNo())
                                        .withRole("b")))),
                "a",
                "b"));
        Answers answers = Answers.NONE.with("signature", PEN);
        document = document.after(document.snapshot("a", answers, document.state("a", answers, TODAY), TODAY));
        answers = answers.with("agreed", FieldKind.YesNo.NO);
        State seenByB = document.state("b", answers, TODAY);
        assertThat(seenByB.of("signature").shown()).isTrue();
        document = document.after(document.snapshot("b", answers, document.state("b", answers, TODAY), TODAY));
        FinishedDocument finished = document.finish(answers, TODAY);
        assertThat(finished(document, finished).counting("signature")).isEqualTo(new Value.Signed(PEN));
        assertThat(finished.settled().notes()).containsEntry("signature", "Answered before “Agreed?” was answered.");
    }

    @Test
    void whatWasFoldedWhenATurnEndedDoesNotComeBack() {
        SignedDocument document = document(template(
                List.of(Section.of(
                        "main",
                        "Main",
                        List.of(field("secret", "a").withShown(new Clause.Answered("opens")), field("opens", "b")))),
                "a",
                "b"));
        Answers answers = Answers.NONE.with("secret", "typed once, then folded");
        document = document.after(document.snapshot("a", answers, document.state("a", answers, TODAY), TODAY));
        answers = answers.with("opens", "yes");
        assertThat(document.visible("b", answers, document.state("b", answers, TODAY))
                        .typed())
                .containsOnlyKeys("opens");
        document = document.after(document.snapshot("b", answers, document.state("b", answers, TODAY), TODAY));
        assertThat(document.finish(answers, TODAY).answers().typed()).containsOnlyKeys("opens");
    }

    @Test
    void aWorkedOutValueStandsAsSoonAsNobodyCanChangeIt() {
        FieldKind number = new FieldKind.Number(0, "", null, null);
        Field depth = Field.of("depth", "Depth", number).withRole("a");
        Field more = Field.of("more", "More", number).withRole("b");
        Field priced =
                Field.of("due", "Due", number).withRole("a").withValue(new FieldValue.WorkedOut("10 * depth", false));
        Field total = Field.of("total", "Total", number).withValue(new FieldValue.WorkedOut("due + more", false));
        SignedDocument document =
                document(template(List.of(Section.of("main", "Main", List.of(depth, priced, more, total))), "a", "b"));
        Answers answers = Answers.NONE.with("depth", "3");
        Snapshot first = document.snapshot("a", answers, document.state("a", answers, TODAY), TODAY);
        assertThat(first.answers()).containsEntry("due", "30").doesNotContainKey("total");
        document = document.after(first);
        answers = answers.with("more", "4");
        Snapshot second = document.snapshot("b", answers, document.state("b", answers, TODAY), TODAY);
        assertThat(second.answers()).containsEntry("total", "34");
    }

    @Test
    void whatStandsInTheStoreAfterwardsDoesNotCount() {
        FieldKind.OneChoice kind =
                FieldKind.OneChoice.of(List.of(Choice.of("pump", "Pump"), Choice.of("auger", "Auger")));
        SignedDocument document = document(template(
                List.of(Section.of(
                        "main",
                        "Main",
                        List.of(Field.of("machine", "Machine", kind).withRole("a"), field("other", "b")))),
                "a",
                "b"));
        Answers answers = Answers.NONE.with("machine", "pump");
        document = document.after(document.snapshot("a", answers, document.state("a", answers, TODAY), TODAY));
        assertThat(document.state("b", answers.with("machine", "auger"), TODAY).counting("machine"))
                .isEqualTo(new Value.Chosen("pump"));
    }

    @Test
    void rowsThatSomebodyElseAnsweredInKeepTheirPlaces() {
        Section crew = Section.of("crew", "Crew", List.of(field("name", "a"), field("checked", "b")))
                .withRows(new Section.Rows(0, 5));
        SignedDocument before = document(template(List.of(crew), "a", "b"));
        Answers answers = Answers.NONE
                .withRows("crew", List.of("r1", "r2", "r3"))
                .with("name@r1", "Jorn")
                .with("name@r2", "Mira");
        SignedDocument document = before.after(before.snapshot("a", answers, before.state("a", answers, TODAY), TODAY));
        document.checkRows("b", "crew", "r1,r2", answers, document.state("b", answers, TODAY));
        document.checkRows("b", "crew", "r1, r2,r4,r3", answers, document.state("b", answers, TODAY));
        for (String rows : List.of("", "r2", "r2,r1,r3", "r4,r1,r2", "r1")) {
            assertThatThrownBy(
                            () -> document.checkRows("b", "crew", rows, answers, document.state("b", answers, TODAY)))
                    .as("%s", rows)
                    .isInstanceOf(NotNow.class);
        }
        before.checkRows("a", "crew", "r2", answers, document.state("a", answers, TODAY));
    }

    @Test
    void everythingSignedIsInTheFinishedDocumentAsItWasSigned() {
        Cases.check("signed stays", 600, (random, size) -> new Case(random, 2 + size / 6).play());
    }

    /** Random roles, stages and conditions: fields follow each other, the acting role and the stage, some in rows. */
    private static final class Case {

        private final RandomGenerator random;
        private final List<String> fields = new ArrayList<>();
        private final List<String> inRows = new ArrayList<>();
        private final List<String> roles = new ArrayList<>();
        private SignedDocument document;

        Case(RandomGenerator random, int size) {
            this.random = random;
            for (int i = 0; i < 1 + random.nextInt(3); i++) {
                roles.add("r" + i);
            }
            List<Section> sections = new ArrayList<>();
            for (int i = 0; i < 1 + size / 4; i++) {
                Condition shown = condition();
                boolean isRepeating = random.nextInt(4) == 0;
                List<Item> items = new ArrayList<>();
                for (int j = 0; j < 1 + random.nextInt(4); j++) {
                    String key = "f" + fields.size() + "x" + inRows.size();
                    FieldKind kind = random.nextInt(3) == 0 ? new FieldKind.Signature() : new FieldKind.Text("", 0);
                    items.add(Field.of(key, "Field " + key, kind)
                            .withRole(random.nextInt(4) == 0 ? "" : role())
                            .withShown(condition()));
                    (isRepeating ? inRows : fields).add(key);
                }
                Section section = Section.of("s" + i, "Section " + i, items).withShown(shown);
                sections.add(isRepeating ? section.withRows(new Section.Rows(1, 3)) : section);
            }
            document = document(template(sections, roles.toArray(String[]::new)));
        }

        private String role() {
            return roles.get(random.nextInt(roles.size()));
        }

        /** Looks at earlier fields only, so that there is no cycle. */
        private @org.jspecify.annotations.Nullable Condition condition() {
            Condition one = switch (random.nextInt(5)) {
                case 0 -> new Condition.RoleIs(List.of(role()));
                case 1 -> new Condition.StageIs(List.of(STAGES.get(random.nextInt(STAGES.size()))));
                case 2 -> fields.isEmpty() ? null : new Clause.Answered(fields.get(random.nextInt(fields.size())));
                default -> null;
            };
            return one != null && random.nextInt(3) == 0 ? new Condition.None(List.of(one)) : one;
        }

        void play() {
            Map<String, Value> signed = new HashMap<>();
            Answers answers = Answers.NONE;
            for (String role : roles) {
                for (int i = 0; i < 6; i++) {
                    String key = !inRows.isEmpty() && random.nextInt(3) == 0
                            ? RowNames.address(inRows.get(random.nextInt(inRows.size())), "r1")
                            : fields.isEmpty() ? "" : fields.get(random.nextInt(fields.size()));
                    if (!key.isEmpty() && document.mayAnswer(role, key)) {
                        String typed = random.nextInt(5) == 0 ? "" : PEN + "L" + random.nextInt(9) + " 1";
                        Answering answering = document.answering(role, answers, TODAY);
                        assertThat(answering.state()).isEqualTo(document.state(role, answers, TODAY));
                        answers = answers.with(key, typed);
                        assertThat(answering.answer(key, typed))
                                .as("one answer is as all anew")
                                .isEqualTo(document.state(role, answers, TODAY));
                    }
                }
                State seen = document.state(role, answers, TODAY);
                for (String address : document.given(role, seen)) {
                    signed.put(address, seen.counting(address));
                }
                document =
                        document.after(document.snapshot(role, answers, document.state(role, answers, TODAY), TODAY));
            }
            FinishedDocument finished = document.finish(answers, TODAY);
            State state = finished(document, finished);
            signed.forEach((address, value) -> {
                assertThat(state.of(address).shown()).as(address).isTrue();
                assertThat(state.counting(address)).as(address).isEqualTo(value);
                assertThat(finished.answers().typed()).containsKey(address);
            });
            String written = Content.of(document.template(), state).sections().stream()
                    .flatMap(block -> block.lines().stream())
                    .map(Object::toString)
                    .collect(Collectors.joining("\n"));
            signed.keySet().forEach(address -> assertThat(written).contains("key=" + address + ","));
            state.nodes().forEach((address, node) -> {
                if (node instanceof NodeState.FieldState it && !it.value().isBlank()) {
                    assertThat(signed).as("nothing that nobody gave").containsKey(address);
                }
            });
        }
    }
}
