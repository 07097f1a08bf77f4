package loesscape.core.reach;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.SmallTemplates;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.References;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.reach.ReachCell.Becomes;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is read in the table and what is written from it, against all fillings gone through one by one. */
class ReachTest {

    private static final LocalDate TODAY = SmallTemplates.TODAY;

    private static final List<Context> CONTEXTS = Stream.of(Stage.values())
            .flatMap(stage -> Stream.of("", "keeper", "witness").map(role -> new Context(TODAY, stage, role)))
            .toList();

    private static Reach reach(CompiledTemplate compiled, String field) {
        return Reach.of(compiled, field, List.of(), Set.of(), TODAY);
    }

    /** What the cells say of all answers is what every filling shows, each at each stage and as each role. */
    @Test
    void forAllOtherAnswersIsSaidWhatEveryFillingShows() {
        Map<Becomes, Integer> told = new EnumMap<>(Becomes.class);
        Cases.check("reach, all fillings gone through", 60, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.withRoles(random);
            CompiledTemplate compiled = CompiledTemplate.compile(small.template());
            List<Field> fields = compiled.template().fields();
            Field field = fields.get(random.nextInt(3));
            Reach reach = reach(compiled, field.key());
            if (reach.columns().isEmpty()) {
                return;
            }
            ReachTable table = reach.forAll();
            boolean[][][] seen = seen(compiled, small.all(), reach);
            for (int row = 0; row < reach.rows().size(); row++) {
                if (reach.rows().get(row).shape() == PieceShape.REFUSED) {
                    continue;
                }
                for (int column = 0; column < reach.columns().size(); column++) {
                    if (!reach.columns().get(column).aspect().isYesOrNo()) {
                        continue;
                    }
                    boolean[] is = seen[row][column];
                    boolean isAnswered = seen[row][reach.columns().size()][0];
                    Becomes expected = !isAnswered
                            ? Becomes.NEVER
                            : is[0] ? is[1] ? Becomes.DEPENDS : Becomes.YES : is[1] ? Becomes.NO : Becomes.FOLDED;
                    Becomes actual = table.cells().get(row).get(column).becomes();
                    assertThat(actual)
                            .as(
                                    "%s, %s, of %s",
                                    reach.rows().get(row), reach.columns().get(column), small.template())
                            .isEqualTo(expected);
                    told.merge(actual, 1, Integer::sum);
                    if (actual == Becomes.DEPENDS) {
                        ReachExamples examples =
                                reach.examples(row, reach.columns().get(column));
                        assertThat(examples.yes()).isNotNull();
                        assertThat(examples.no()).isNotNull();
                    }
                }
            }
        });
        if (Cases.areAll()) {
            for (Becomes each : List.of(Becomes.YES, Becomes.NO, Becomes.DEPENDS, Becomes.FOLDED)) {
                assertThat(told).containsKey(each);
            }
        }
    }

    /** What was found of one field, of other cuts or of another document altogether changes nothing of what is read. */
    @Test
    void withWhatWasFoundBeforeTheSameIsRead() {
        Cases.check("reach after reach", 40, (random, size) -> {
            EveryFilling before = null;
            SmallTemplates.Small small = SmallTemplates.withRoles(random);
            CompiledTemplate compiled = CompiledTemplate.compile(small.template());
            for (int i = 0; i < 5; i++) {
                if (random.nextInt(3) == 0) {
                    compiled = CompiledTemplate.compile(
                            SmallTemplates.withRoles(random).template());
                }
                Field field = compiled.template().fields().get(random.nextInt(3));
                List<Value> edges = field.kind().isNumeric() && random.nextBoolean()
                        ? List.of(new Value.Number(BigDecimal.valueOf(random.nextInt(40))))
                        : List.of();
                Reach reach = Reach.after(before, compiled, field.key(), edges, Set.of(), TODAY);
                Reach anew = Reach.of(compiled, field.key(), edges, Set.of(), TODAY);
                assertThat(reach.rows()).isEqualTo(anew.rows());
                assertThat(reach.forAll()).as("%s", compiled.template()).isEqualTo(anew.forAll());
                assertThat(reach.held(Answers.NONE, Context.filling(TODAY)))
                        .isEqualTo(anew.held(Answers.NONE, Context.filling(TODAY)));
                before = reach.every();
            }
        });
    }

    /** By row and column, whether some filling shows that it is so, and that it is not; behind the columns, whether it can be. */
    private static boolean[][][] seen(CompiledTemplate compiled, List<Map<String, String>> all, Reach reach) {
        int columns = reach.columns().size();
        boolean[][][] seen = new boolean[reach.rows().size()][columns + 1][2];
        for (Map<String, String> answers : all) {
            for (Context context : CONTEXTS) {
                Standing standing = compiled.standing(new Answers(answers), context);
                for (int row = 0; row < reach.rows().size(); row++) {
                    if (!standing.holds(reach.rows().get(row).condition(), null, "")) {
                        continue;
                    }
                    seen[row][columns][0] = true;
                    for (int column = 0; column < columns; column++) {
                        Boolean is = is(compiled, standing, reach.columns().get(column));
                        if (is != null) {
                            seen[row][column][is ? 0 : 1] = true;
                        }
                    }
                }
            }
        }
        return seen;
    }

    /** Whether it is so, in one evaluated document; null where it does not matter there. */
    private static @Nullable Boolean is(CompiledTemplate compiled, Standing standing, ReachColumn column) {
        if (column.aspect() instanceof ReachAspect.OfRole(var role)) {
            return standing.state().takesPart().get(role);
        }
        if (column.aspect() instanceof ReachAspect.OfFinish(var rule)) {
            return standing.holds(compiled.template().finish().get(rule).when(), null, "");
        }
        NodeState state = Objects.requireNonNull(standing.state().nodes().get(column.key()));
        if (column.aspect() instanceof ReachAspect.OfNode(var aspect) && aspect == Aspect.SHOWN) {
            return state.shown();
        }
        if (!state.shown()) {
            return null;
        }
        Node node = compiled.node(column.key());
        return switch (column.aspect()) {
            case ReachAspect.OfNode(var aspect) -> {
                Context context = standing.context();
                boolean isInTurn = !(node instanceof Field field)
                        || ((context.stage() == Stage.FILLING || context.stage() == Stage.REVIEWING)
                                && (context.role().isEmpty() || context.role().equals(field.role())));
                yield isInTurn ? state.is(aspect) : null;
            }
            case ReachAspect.OfLook(var rule, var ignored) ->
                standing.holds(((Field) node).looks().get(rule).when(), null, "");
            case ReachAspect.OfCheck(var check) ->
                standing.holds(((Field) node).checks().get(check).refusedWhen(), null, "");
            case ReachAspect.OfChoice(var choice) -> {
                List<String> offered = ((NodeState.FieldState) state).offered();
                yield offered == null || offered.contains(choice);
            }
            default -> throw new AssertionError(column.toString());
        };
    }

    /**
     * What is set in some lines is so there and as before elsewhere, for all other answers: where the condition said “and” of
     * other fields, as far as these allow, and where it said “or”, unless these do.
     */
    @Test
    void whatIsSetIsSoThereAndAsBeforeElsewhere() {
        int[] ways = new int[3];
        Cases.check("conditions set in the table", 400, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.template(random, true);
            Template template = small.template();
            List<Field> fields = template.fields();
            Field field = fields.get(random.nextInt(2));
            Field follower = fields.get(fields.size() - 1);
            CompiledTemplate before = CompiledTemplate.compile(template);
            Reach reach = Reach.of(before, field.key(), List.of(), Set.of(follower.key()), TODAY);
            Set<Integer> rows = rows(random, reach.rows());
            boolean is = random.nextBoolean();
            Aspect aspect = random.nextBoolean() ? Aspect.SHOWN : Aspect.REQUIRED;
            Edit edit = reach.set(
                    List.of(new ReachStroke(follower.key(), new ReachAspect.OfNode(aspect), List.copyOf(rows), is)));
            CompiledTemplate after = CompiledTemplate.compile(Editing.apply(template, edit));
            Condition old = Objects.requireNonNullElse(
                    aspect.of(follower), aspect.plainDefault() ? new Condition.Always() : new Condition.Never());
            Condition fresh = Objects.requireNonNullElse(
                    aspect.of((Field) after.node(follower.key())),
                    aspect.plainDefault() ? new Condition.Always() : new Condition.Never());
            for (Map<String, String> answers : small.all()) {
                if (answers.getOrDefault(field.key(), "").contains(",")) {
                    // Lines of several choices are read and set with one chosen alone.
                    continue;
                }
                Standing was = before.standing(new Answers(answers), Context.filling(TODAY));
                Standing now = after.standing(new Answers(answers), Context.filling(TODAY));
                int row = row(reach.rows(), was);
                boolean expected = rows.contains(row)
                        ? set(old, is, field.key(), before, was, ways)
                        : elsewhere(old, is, field.key(), before, was);
                assertThat(now.holds(fresh, null, ""))
                        .as(
                                "%s set to %s in %s of %s for %s: %s, %s",
                                old, is, rows, reach.rows(), answers, fresh, edit)
                        .isEqualTo(expected);
            }
        });
        if (Cases.areAll()) {
            assertThat(ways).doesNotContain(0);
        }
    }

    private static int row(List<AnswerPiece> rows, Standing standing) {
        for (int i = 0; i < rows.size(); i++) {
            if (standing.holds(rows.get(i).condition(), null, "")) {
                return i;
            }
        }
        throw new AssertionError("In no line.");
    }

    private static boolean isOther(Condition part, String field, CompiledTemplate compiled) {
        return !compiled.symbols().sources(part).contains(field);
    }

    /** Whether a group says of the field and of others in parts of their own. */
    private static boolean isApart(List<Condition> parts, String field, CompiledTemplate compiled) {
        return parts.stream()
                .allMatch(part -> isOther(part, field, compiled)
                        || (compiled.symbols().sources(part).equals(Set.of(field)) && isPlain(part, compiled)));
    }

    private static boolean isPlain(Condition condition, CompiledTemplate compiled) {
        return References.leaves(condition).stream()
                .allMatch(leaf -> leaf instanceof Condition.Shared(var key)
                        ? isPlain(
                                Objects.requireNonNull(compiled.symbols().shared(key))
                                        .condition(),
                                compiled)
                        : leaf instanceof Clause clause
                                && References.operands(clause).stream()
                                        .allMatch(operand -> operand instanceof Operand.NumberOperand
                                                || operand instanceof Operand.DateOperand
                                                || operand instanceof Operand.TimeOperand));
    }

    private static boolean set(
            Condition old, boolean is, String field, CompiledTemplate compiled, Standing was, int[] ways) {
        if (old instanceof Condition.All(var parts)
                && parts.stream().anyMatch(part -> isOther(part, field, compiled))
                && isApart(parts, field, compiled)) {
            ways[0]++;
            return is && holdOthers(parts, field, compiled, was);
        }
        if (!(old instanceof Condition.Always || old instanceof Condition.Never) && isOther(old, field, compiled)) {
            ways[0]++;
            return is && was.holds(old, null, "");
        }
        if (old instanceof Condition.Any(var parts)
                && parts.stream().anyMatch(part -> isOther(part, field, compiled))
                && isApart(parts, field, compiled)) {
            ways[1]++;
            return is
                    || parts.stream()
                            .filter(part -> isOther(part, field, compiled))
                            .anyMatch(part -> was.holds(part, null, ""));
        }
        ways[2]++;
        return is;
    }

    private static boolean holdOthers(List<Condition> parts, String field, CompiledTemplate compiled, Standing was) {
        return parts.stream()
                .filter(part -> isOther(part, field, compiled))
                .allMatch(part -> was.holds(part, null, ""));
    }

    /** What did not follow the field at all follows it in these lines alone. */
    private static boolean elsewhere(Condition old, boolean is, String field, CompiledTemplate compiled, Standing was) {
        return !(isOther(old, field, compiled) && is) && was.holds(old, null, "");
    }

    private static Set<Integer> rows(RandomGenerator random, List<AnswerPiece> pieces) {
        Set<Integer> rows = new HashSet<>();
        while (rows.isEmpty()) {
            for (int i = 0; i < pieces.size(); i++) {
                if (pieces.get(i).shape() != PieceShape.REFUSED && random.nextInt(3) == 0) {
                    rows.add(i);
                }
            }
        }
        return rows;
    }

    // A permit: what is asked for from a depth on.

    private static Condition from(int depth) {
        return new Clause.Comparison(
                "depth", OrderTest.AT_LEAST, new Operand.NumberOperand(BigDecimal.valueOf(depth)), null);
    }

    private static Template permit() {
        List<Item> items = List.of(
                Field.of(
                        "depth",
                        "Planned depth",
                        new FieldKind.Number(
                                0, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(400), true))),
                Field.of("deep", "Deep", new FieldKind.YesNo())
                        .withValue(new FieldValue.WorkedOut("depth > 100", false)),
                Field.of(
                                "casing",
                                "Casing grade",
                                FieldKind.OneChoice.of(List.of(Choice.of("pvc", "PVC"), Choice.of("steel", "Steel")))
                                        .withOffer(new Offer("deep", Map.of("yes", List.of("steel")))))
                        .withRequired(from(30)),
                Field.of("fee", "Fee", new FieldKind.Money("EUR", null, null))
                        .withValue(new FieldValue.WorkedOut("100 + depth * 2", false)),
                Field.of("purpose", "Purpose", new FieldKind.YesNo()),
                Field.of("log", "Nearest log", new FieldKind.Text("", 0))
                        .withShown(new Condition.All(List.of(
                                new Clause.ChoiceClause(
                                        "purpose", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null),
                                from(100)))));
        return Template.of("Permit", List.of(new Page("p", "", null, List.of(Section.of("s", "S", items)))));
    }

    @Test
    void withTheOtherAnswersHeldIsReadWhatBecomesOfEachFollower() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        ReachTable table = reach(compiled, "depth").held(new Answers(Map.of("purpose", "yes")), Context.filling(TODAY));
        assertThat(table.note()).isEmpty();
        assertThat(table.columns())
                .extracting(ReachColumn::name, ReachColumn::heading)
                .containsExactly(
                        tuple("Deep", "worked out"),
                        tuple("Casing grade", "required"),
                        tuple("Fee", "worked out"),
                        tuple("Nearest log", "shown"));
        assertThat(table.rows())
                .extracting(AnswerPiece::words)
                .containsExactly(
                        "blank",
                        "under 0 m",
                        "from 0 m to under 30 m",
                        "exactly 30 m",
                        "between 30 m and 100 m",
                        "exactly 100 m",
                        "over 100 m up to 400 m",
                        "over 400 m");
        assertThat(words(table, 0)).containsExactly("blank", "NO", "blank", "NO");
        assertThat(table.cells().get(1)).isEmpty();
        assertThat(words(table, 2)).containsExactly("No", "NO", "€ 100.00 to € 158.00", "NO");
        // From 30 m on a grade is asked for, and none is offered before 100 m.
        assertThat(words(table, 3)).containsExactly("No", "required, nothing offered", "€ 160.00", "NO");
        assertThat(table.cells().get(3).get(1).isTrouble()).isTrue();
        assertThat(words(table, 5)).containsExactly("No", "required, nothing offered", "€ 300.00", "YES");
        assertThat(words(table, 6)).containsExactly("Yes", "YES", "€ 302.00 to € 900.00", "YES");
    }

    private static List<String> words(ReachTable table, int row) {
        return table.cells().get(row).stream()
                .map(cell -> cell.words().isEmpty() ? cell.becomes().name() : cell.words())
                .toList();
    }

    /** One follower by two answers: what stands in a line is what stands there with the other answer typed. */
    @Test
    void anotherFieldIsLaidAcross() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        Reach reach = reach(compiled, "depth");
        ReachColumn log = reach.columns().getLast();
        for (ReachAcross across : List.of(
                reach.heldAcross("purpose", log, Answers.NONE, Context.filling(TODAY)),
                reach.forAllAcross("purpose", log))) {
            assertThat(across.across()).extracting(AnswerPiece::words).containsExactly("blank", "Yes", "No");
            assertThat(across.rows()).hasSize(6);
            for (int row = 0; row < across.rows().size(); row++) {
                Becomes deep = row >= 4 ? Becomes.YES : Becomes.NO;
                assertThat(across.cells().get(row))
                        .extracting(ReachCell::becomes)
                        .containsExactly(Becomes.NO, deep, Becomes.NO);
            }
        }
        assertThatThrownBy(() -> reach.forAllAcross("depth", log)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsSetKeepsWhatWasSaidOfOtherFieldsAndIsOneEdit() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        Reach reach = reach(compiled, "depth");
        Edit edit = reach.set(List.of(
                new ReachStroke("log", new ReachAspect.OfNode(Aspect.SHOWN), List.of(3, 4), true),
                new ReachStroke("casing", new ReachAspect.OfNode(Aspect.REQUIRED), List.of(3, 4, 5), false)));
        Template after = Editing.apply(permit(), edit);
        Field log = (Field) CompiledTemplate.compile(after).node("log");
        assertThat(log.shown())
                .isEqualTo(new Condition.All(List.of(
                        new Clause.ChoiceClause("purpose", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null),
                        from(30))));
        Field casing = (Field) CompiledTemplate.compile(after).node("casing");
        assertThat(casing.required())
                .isEqualTo(new Clause.Comparison(
                        "depth", OrderTest.MORE, new Operand.NumberOperand(BigDecimal.valueOf(100)), null));
    }

    @Test
    void edgesAreAskedForAndWhatFollowsForTheFirstTimeFollowsThereAlone() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        Reach reach = Reach.of(
                compiled, "depth", List.of(new Value.Number(BigDecimal.valueOf(50))), Set.of("purpose"), TODAY);
        assertThat(reach.rows()).extracting(AnswerPiece::words).contains("between 30 m and 50 m", "exactly 50 m");
        int fifty = reach.rows().stream().map(AnswerPiece::words).toList().indexOf("exactly 50 m");
        Template after = Editing.apply(
                permit(),
                reach.set(List.of(new ReachStroke(
                        "purpose", new ReachAspect.OfNode(Aspect.SHOWN), List.of(fifty - 1, fifty), true))));
        assertThat(((Field) CompiledTemplate.compile(after).node("purpose")).shown())
                .isEqualTo(new Clause.Between(
                        "depth",
                        false,
                        new Operand.NumberOperand(BigDecimal.valueOf(30)),
                        false,
                        new Operand.NumberOperand(BigDecimal.valueOf(50)),
                        true,
                        null));
    }

    /** Something can be made required and locked from the table too, where nothing of it followed before. */
    @Test
    void anyAspectCanBeAdded() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        Reach reach = Reach.of(
                compiled, "depth", List.of(), Set.of("purpose required", "purpose editable", "depth required"), TODAY);
        assertThat(reach.columns())
                .filteredOn(column -> column.key().equals("purpose"))
                .extracting(ReachColumn::heading)
                .containsExactly("required", "editable");
        assertThat(reach.columns()).noneMatch(column -> column.key().equals("depth"));
        Field purpose = (Field) CompiledTemplate.compile(Editing.apply(
                        permit(),
                        reach.set(List.of(
                                new ReachStroke(
                                        "purpose", new ReachAspect.OfNode(Aspect.REQUIRED), List.of(5, 6), true),
                                new ReachStroke(
                                        "purpose", new ReachAspect.OfNode(Aspect.EDITABLE), List.of(0), false)))))
                .node("purpose");
        assertThat(purpose.required()).isEqualTo(from(100));
        assertThat(purpose.editable()).isEqualTo(new Clause.Answered("depth"));
    }

    @Test
    void whatIsOfferedIsSetAnswerByAnswer() {
        CompiledTemplate compiled = CompiledTemplate.compile(parented());
        Reach reach = reach(compiled, "deep");
        assertThat(reach.columns()).extracting(ReachColumn::heading).contains("offers PVC", "offers Steel");
        // Blank, yes, no.
        assertThat(words(reach.held(Answers.NONE, Context.filling(TODAY)), 1)).containsExactly("NO", "YES");
        Template after = Editing.apply(
                parented(),
                reach.set(List.of(new ReachStroke("casing", new ReachAspect.OfChoice("pvc"), List.of(2), true))));
        assertThat(((FieldKind.OneChoice)
                                ((Field) CompiledTemplate.compile(after).node("casing")).kind())
                        .offer())
                .isEqualTo(new Offer("deep", Map.of("yes", List.of("steel"), "no", List.of("pvc"))));
        assertThatThrownBy(() -> reach.set(
                        List.of(new ReachStroke("casing", new ReachAspect.OfChoice("pvc"), List.of(0), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("blank");
    }

    private static Template parented() {
        return Template.of(
                "Offered",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("deep", "Deep", new FieldKind.YesNo()),
                                        Field.of(
                                                "casing",
                                                "Casing grade",
                                                FieldKind.OneChoice.of(List.of(
                                                                Choice.of("pvc", "PVC"), Choice.of("steel", "Steel")))
                                                        .withOffer(new Offer(
                                                                "deep", Map.of("yes", List.of("steel")))))))))));
    }

    @Test
    void whatCannotBeSetIsRefusedInWords() {
        CompiledTemplate compiled = CompiledTemplate.compile(permit());
        Reach reach = reach(compiled, "depth");
        ReachAspect shown = new ReachAspect.OfNode(Aspect.SHOWN);
        assertThatThrownBy(() -> reach.set(List.of(new ReachStroke("log", shown, List.of(1), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no such line");
        assertThatThrownBy(() -> reach.set(List.of(new ReachStroke("log", shown, List.of(99), true))))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> reach.set(List.of(new ReachStroke("gone", shown, List.of(2), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no longer");
        assertThatThrownBy(() -> reach.set(List.of(new ReachStroke("depth", shown, List.of(2), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("itself");
        assertThatThrownBy(
                        () -> reach.set(List.of(new ReachStroke("fee", new ReachAspect.OfValue(), List.of(2), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("only read");
        assertThatThrownBy(() -> reach.set(
                        List.of(new ReachStroke("s", new ReachAspect.OfNode(Aspect.REQUIRED), List.of(2), true))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("never required");
    }

    @Test
    void anIndicatorIsReadByWhatItTells() {
        Template template = Template.of(
                "Told",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                        Indicator.of(
                                                "class",
                                                "Class",
                                                "depth",
                                                List.of(
                                                        Band.of(
                                                                "low",
                                                                "Shallow",
                                                                Look.PLAIN,
                                                                new Bound(BigDecimal.valueOf(30), true)),
                                                        Band.of("high", "Deep", Look.PLAIN, null)))))))));
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        for (ReachTable table : List.of(
                reach(compiled, "depth").held(Answers.NONE, Context.filling(TODAY)),
                reach(compiled, "depth").forAll())) {
            assertThat(table.cells().stream().map(cells -> cells.getFirst().words()))
                    .containsExactly("nothing", "Shallow", "Shallow", "Deep");
        }
    }

    // A letter: everything in it that says what is answered elsewhere.

    private static final LookupList PLACES = new LookupList(
            "places",
            "Places",
            List.of(new LookupList.Column("shire", "Shire", false), new LookupList.Column("town", "Town", false)),
            List.of(
                    List.of("North", "Alden"),
                    List.of("North", "Brunn"),
                    List.of("South", "Corve"),
                    List.of("South", "Dorn"),
                    List.of("South", "Elster"),
                    List.of("South", "Fenn")));

    private static Template letter() {
        List<Item> items = List.of(
                Field.of("name", "Name", new FieldKind.Text("", 0)),
                Field.of("shire", "Shire", new FieldKind.Lookup("places", "shire", Map.of())),
                Field.of("town", "Town", new FieldKind.Lookup("places", "town", Map.of("shire", "shire"))),
                Field.of("area", "Area", new FieldKind.Number(0, "ha", new Bound(BigDecimal.ZERO, true), null)),
                Field.of("plan", "Plan", new FieldKind.Picture(2)),
                Field.of("fee", "Fee", new FieldKind.Payment("EUR", "area * 10")),
                Notice.of("dear", "Dear {name}, thank you for what you sent us about the land. [large: It is large.]")
                        .withPhrases(List.of(new Phrase("large", from("area", 100)))),
                Notice.of("size", "You have {area}."),
                new Picture("shown", "Plan", "", "plan", null, Folding.PLAIN));
        Template listed = Editing.apply(
                Template.of("Letter", List.of(new Page("p", "", null, List.of()))), new Edit.PutList(PLACES));
        return Editing.apply(
                listed.withPages(List.of(new Page("p", "", null, List.of(Section.of("s", "S", items))))),
                new Edit.SetFinish(List.of(new FinishRule(new Clause.Answered("area"), "Say how large it is."))));
    }

    private static Condition from(String field, int least) {
        return new Clause.Comparison(
                field, OrderTest.AT_LEAST, new Operand.NumberOperand(BigDecimal.valueOf(least)), null);
    }

    private static List<List<String>> told(ReachTable table) {
        return table.lines().stream()
                .skip(1)
                .map(line -> line.subList(1, line.size()))
                .toList();
    }

    /** Whatever in a document hangs on an answer has a column, whether it can be set there or not. */
    @Test
    void everyFollowerHasAColumn() {
        CompiledTemplate compiled = CompiledTemplate.compile(letter());
        for (Node node : compiled.template().nodes()) {
            for (Logic.Use use : Logic.uses(node, compiled.symbols())) {
                for (String source : use.sources()) {
                    assertThat(reach(compiled, source).columns())
                            .as("%s of %s by %s", use.what(), node.key(), source)
                            .anyMatch(column -> column.key().equals(node.key()));
                }
            }
        }
    }

    @Test
    void aTextSaysWhatIsAnsweredWhereItHasThat() {
        CompiledTemplate compiled = CompiledTemplate.compile(letter());
        Reach area = reach(compiled, "area");
        assertThat(area.columns())
                .extracting(ReachColumn::name, ReachColumn::heading, ReachColumn::isSettable)
                .containsExactly(
                        tuple("Fee", "to be paid", false),
                        tuple("Dear {name}, thank you for what …", "says “large”", true),
                        tuple("You have {area}.", "says", false),
                        tuple("Say how large it is.", "can be finished", true));
        for (ReachTable table : List.of(area.held(Answers.NONE, Context.filling(TODAY)), area.forAll())) {
            assertThat(table.rows())
                    .extracting(AnswerPiece::words)
                    .containsExactly(
                            "blank", "under 0 ha", "from 0 ha to under 100 ha", "exactly 100 ha", "over 100 ha");
            assertThat(told(table))
                    .containsExactly(
                            List.of("nothing", "left out", "You have .", "held up"),
                            Collections.nCopies(4, "not accepted"),
                            List.of("nothing to € 990.00", "left out", "such as: You have 0 ha.", "can be finished"),
                            List.of("€ 1000.00", "said", "You have 100 ha.", "can be finished"),
                            List.of("such as: € 1010.00", "said", "such as: You have 101 ha.", "can be finished"));
        }
    }

    /** Of a long text is told where it differs; what hangs on more depends, where that is looked at. */
    @Test
    void aLongTextIsToldWhereItDiffers() {
        Reach name =
                Reach.of(CompiledTemplate.compile(letter()), "name", List.of(new Value.Text("Ida")), Set.of(), TODAY);
        assertThat(told(name.held(Answers.NONE, Context.filling(TODAY))).getLast())
                .containsExactly("such as: Dear x, thank you for what you sent us about th…");
        assertThat(name.rows()).extracting(AnswerPiece::words).containsExactly("blank", "“Ida”", "anything else");
        assertThat(name.forAll().cells()).allMatch(row -> row.getFirst().becomes() == Becomes.DEPENDS);
    }

    @Test
    void whatAListLeavesAndAPictureThatIsGivenAreTold() {
        CompiledTemplate compiled = CompiledTemplate.compile(letter());
        Reach shire = reach(compiled, "shire");
        for (ReachTable table : List.of(shire.held(Answers.NONE, Context.filling(TODAY)), shire.forAll())) {
            assertThat(table.rows()).extracting(AnswerPiece::words).containsExactly("blank", "North", "South");
            assertThat(told(table))
                    .containsExactly(
                            List.of("nothing"), List.of("Alden, Brunn"), List.of("Corve, Dorn, Elster and 1 more"));
        }
        Reach plan = reach(compiled, "plan");
        assertThat(told(plan.held(Answers.NONE, Context.filling(TODAY))))
                .containsExactly(List.of("nothing"), List.of("the one given"));
    }

    /** From the least to the greatest is said where nothing else can come of an answer between; otherwise what comes of one. */
    @Test
    void whatTurnsBackIsToldByOneAnswer() {
        CompiledTemplate compiled = CompiledTemplate.compile(Template.of(
                "Worked out",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of(
                                                "depth",
                                                "Depth",
                                                new FieldKind.Number(
                                                        0,
                                                        "",
                                                        new Bound(BigDecimal.ZERO, true),
                                                        new Bound(BigDecimal.valueOf(40), true))),
                                        Field.of("rate", "Rate", new FieldKind.Number(2, "", null, null)),
                                        worked("back", "(depth - 5) * (depth - 5)"),
                                        worked("down", "20 - depth * rate"),
                                        Field.of("day", "Day", new FieldKind.Date(null, null))
                                                .withValue(new FieldValue.WorkedOut(
                                                        "date(\"2028-01-01\") + depth * duration(\"P1D\")",
                                                        false)))))))));
        ReachTable table = reach(compiled, "depth").held(new Answers(Map.of("rate", "1.5")), Context.filling(TODAY));
        assertThat(table.columns()).extracting(ReachColumn::key).containsExactly("back", "down", "day");
        assertThat(told(table).get(2))
                .containsExactly("such as: 25", "-40 to 20", "1 January 2028 to 10 February 2028");
    }

    /** Where another answer that is laid across stands for many, one of what comes of these is told. */
    @Test
    void whatAnotherAnswerStandsForIsToldByOneOfThem() {
        Field rate = Field.of("rate", "Rate", new FieldKind.Number(2, "", null, null));
        Field few = Field.of("few", "Few", new FieldKind.YesNo());
        CompiledTemplate compiled = CompiledTemplate.compile(Template.of(
                "Worked out",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        few,
                                        rate,
                                        worked("fee", "if few = true then rate else 2 * rate"),
                                        Notice.of("said", "At {rate}, {few}."))))))));
        Reach reach = reach(compiled, "few");
        for (ReachColumn column : reach.columns()) {
            ReachAcross across = reach.heldAcross("rate", column, Answers.NONE, Context.filling(TODAY));
            assertThat(across.across()).extracting(AnswerPiece::words).containsExactly("blank", "answered");
            List<ReachCell> yes = across.cells().get(1);
            assertThat(yes.getFirst().words()).doesNotStartWith("such as");
            assertThat(yes.getLast().words()).startsWith("such as");
        }
        assertThat(reach.columns()).hasSize(2);
    }

    private static Field worked(String key, String formula) {
        return Field.of(key, key, new FieldKind.Number(2, "", null, null))
                .withValue(new FieldValue.WorkedOut(formula, false));
    }

    /** Phrases and conditions for finishing are set like any other condition. */
    @Test
    void phrasesAndFinishingAreSet() {
        Reach area = reach(CompiledTemplate.compile(letter()), "area");
        Template after = Editing.apply(
                letter(),
                area.set(List.of(
                        new ReachStroke("dear", new ReachAspect.OfPhrase(0), List.of(3), false),
                        new ReachStroke("", new ReachAspect.OfFinish(0), List.of(4), false))));
        Notice dear = (Notice) CompiledTemplate.compile(after).node("dear");
        assertThat(dear.phrases())
                .containsExactly(new Phrase(
                        "large",
                        new Clause.Comparison(
                                "area", OrderTest.MORE, new Operand.NumberOperand(BigDecimal.valueOf(100)), null)));
        assertThat(after.finish())
                .containsExactly(new FinishRule(
                        new Clause.Comparison(
                                "area", OrderTest.AT_MOST, new Operand.NumberOperand(BigDecimal.valueOf(100)), null),
                        "Say how large it is."));
    }
}
