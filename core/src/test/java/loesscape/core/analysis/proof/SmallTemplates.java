package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/**
 * Random templates of a few fields, with constants that lie on edges, beside each other and on each other on purpose; and for
 * each of their fields all answers near these, so that all fillings can be gone through.
 */
public final class SmallTemplates {

    public static final LocalDate TODAY = LocalDate.of(2028, 2, 28);

    private static final List<String> CHOICES = List.of("a", "b", "c");
    private static final List<String> SOILS = List.of("Clay", "loam");

    private final RandomGenerator random;
    private final boolean isReachable;
    private final boolean hasRoles;
    private final List<SharedCondition> shared = new ArrayList<>();
    private final Map<String, List<String>> answers = new LinkedHashMap<>();

    /** A template, and by the key of each field all that can be typed into it and is accepted. */
    public record Small(Template template, Map<String, List<String>> answers) {

        /** All that can be typed. */
        public List<Map<String, String>> all() {
            List<Map<String, String>> all = new ArrayList<>(List.of(Map.of()));
            answers.forEach((key, typed) -> {
                List<Map<String, String>> more = new ArrayList<>();
                for (Map<String, String> answers : all) {
                    for (String text : typed) {
                        Map<String, String> with = new TreeMap<>(answers);
                        with.put(key, text);
                        more.add(with);
                    }
                }
                all.clear();
                all.addAll(more);
            });
            return all;
        }
    }

    private SmallTemplates(RandomGenerator random, boolean isReachable, boolean hasRoles) {
        this.random = random;
        this.isReachable = isReachable;
        this.hasRoles = hasRoles;
    }

    /**
     * @param isReachable whether all of it can be decided; otherwise there are formulas and parts of texts too
     */
    public static Small template(RandomGenerator random, boolean isReachable) {
        return new SmallTemplates(random, isReachable, false).small();
    }

    /** One with roles, looks, bands, checks and conditions for finishing besides, all of which can be decided. */
    public static Small withRoles(RandomGenerator random) {
        return new SmallTemplates(random, true, true).small();
    }

    /** The looks that a template is given. */
    public static final List<Look> LOOKS = List.of(
            Look.PLAIN,
            Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING),
            Look.of(Look.Shade.MOSS, false, Look.Mark.TICK));

    private static final List<String> ROLES = List.of("keeper", "witness");

    private Small small() {
        List<Field> before = new ArrayList<>();
        List<Section> sections = new ArrayList<>();
        int asked = 2 + random.nextInt(2);
        int key = 0;
        for (int s = 0; s < 2; s++) {
            Condition shown = s > 0 && random.nextInt(3) == 0 ? condition(before, 2) : null;
            List<Item> items = new ArrayList<>();
            for (int i = 0; i < (s == 0 ? asked : 2); i++) {
                // Nothing looks at the last one, so that it need not be typed into.
                boolean isLast = s > 0 && i > 0;
                Field field = field("f" + key++, before, s > 0, isLast)
                        .withShown(maybe(before))
                        .withRequired(maybe(before))
                        .withEditable(maybe(before));
                if (hasRoles) {
                    field = seen(field, before);
                }
                items.add(field);
                before.add(field);
                if (!isLast && random.nextInt(4) == 0) {
                    shared.add(new SharedCondition("shared_" + shared.size(), "S", condition(before, 2)));
                }
            }
            sections.add(
                    Section.of("s" + s, "Section", items).withShown(shown).withOpen(hasRoles ? maybe(before) : null));
        }
        Template template = Template.of("Small", List.of(new Page("p", "", null, sections)));
        return new Small(
                new Template(
                        "Small",
                        "",
                        template.pages(),
                        hasRoles
                                ? List.of(
                                        new Role("keeper", "Keeper", 1, null),
                                        new Role("witness", "Witness", 2, maybe(before.subList(0, 2))))
                                : List.of(),
                        shared,
                        List.of(),
                        hasRoles && random.nextBoolean()
                                ? List.of(new FinishRule(condition(before, 1), "Not yet."))
                                : List.of(),
                        template.pageSettings(),
                        List.of(),
                        List.of()),
                answers);
    }

    /** A field with looks, bands, checks and somebody who answers it. */
    private Field seen(Field field, List<Field> before) {
        List<Field> all = new ArrayList<>(before);
        all.add(field);
        List<LookRule> looks = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            looks.add(new LookRule(condition(all, 1), pick(LOOKS), LookRule.Extent.ITEM));
        }
        Field seen = field.withLooks(looks).withRole(random.nextBoolean() ? "" : pick(ROLES));
        if (random.nextInt(3) == 0) {
            seen = seen.withChecks(List.of(new Check(condition(all, 1), "Not so.")));
        }
        return seen.kind() instanceof FieldKind.Number && random.nextBoolean()
                ? seen.withBands(List.of(
                        Band.of("low", "Low", pick(LOOKS), new Bound(new BigDecimal("1"), random.nextBoolean())),
                        Band.of("high", "High", pick(LOOKS), null)))
                : seen;
    }

    private Field field(String key, List<Field> before, boolean follows, boolean isLast) {
        FieldKind kind = follows ? new FieldKind.YesNo() : kind(key, before);
        answers.putIfAbsent(key, isLast && !hasRoles ? List.of("") : List.of("", "yes", "no"));
        return Field.of(key, key, kind);
    }

    private FieldKind kind(String key, List<Field> before) {
        return switch (random.nextInt(8)) {
            case 0 -> {
                boolean isLimited = random.nextBoolean();
                answers.put(
                        key, isLimited ? List.of("", "1", "2", "3") : List.of("", "-1", "0", "1", "2", "3", "4", "5"));
                yield new FieldKind.Number(
                        0,
                        "",
                        isLimited ? new Bound(new BigDecimal("0.5"), true) : null,
                        isLimited ? new Bound(new BigDecimal("4"), false) : null);
            }
            case 1 -> {
                answers.put(key, List.of("", "0", "0.9", "1", "1.1", "1.2", "1.3", "2", "2.5", "9"));
                yield new FieldKind.Number(1, "", null, null);
            }
            case 2 -> {
                answers.put(key, List.of("", "a", "b", "c", "=Something"));
                yield new FieldKind.OneChoice(
                        CHOICES.stream().map(id -> Choice.of(id, id)).toList(),
                        FieldKind.ChoiceLayout.MARKS,
                        FieldKind.ChoiceStyle.PLAIN,
                        true,
                        offer(before));
            }
            case 3 -> {
                answers.put(key, List.of("", "a", "b", "c", "a,b", "a,c", "b,c", "a,b,c"));
                yield FieldKind.SeveralChoices.of(
                                CHOICES.stream().map(id -> Choice.of(id, id)).toList())
                        .withOffer(offer(before));
            }
            case 4 -> {
                answers.put(key, List.of("", "clay", "CLAY", "Loam", "peat", "Clay loam", "a loam", "loam clay"));
                yield new FieldKind.Text("", 0);
            }
            case 5 -> {
                List<String> days = new ArrayList<>(List.of(""));
                for (int day = -2; day <= 3; day++) {
                    days.add(TODAY.plusDays(day).toString());
                }
                answers.put(key, days);
                yield new FieldKind.Date(null, null);
            }
            default -> new FieldKind.YesNo();
        };
    }

    private @Nullable Offer offer(List<Field> before) {
        List<Field> parents = before.stream()
                .filter(field -> field.kind() instanceof FieldKind.YesNo || field.kind() instanceof FieldKind.OneChoice)
                .toList();
        if (parents.isEmpty() || random.nextBoolean()) {
            return null;
        }
        Field parent = pick(parents);
        Map<String, List<String>> perAnswer = new LinkedHashMap<>();
        parent.kind()
                .offered()
                .forEach(answer -> perAnswer.put(
                        answer.id(),
                        CHOICES.stream().filter(id -> random.nextBoolean()).toList()));
        return new Offer(parent.key(), perAnswer);
    }

    private @Nullable Condition maybe(List<Field> before) {
        return before.isEmpty() || random.nextInt(3) == 0 ? null : condition(before, 2);
    }

    Condition condition(List<Field> before, int depth) {
        if (depth == 0 || random.nextInt(3) == 0) {
            return random.nextInt(5) == 0 && !shared.isEmpty()
                    ? new Condition.Shared(pick(shared).key())
                    : clause(pick(before), before);
        }
        List<Condition> parts = new ArrayList<>();
        for (int i = 1 + random.nextInt(3); i > 0; i--) {
            parts.add(condition(before, depth - 1));
        }
        return switch (random.nextInt(4)) {
            case 0 -> new Condition.All(parts);
            case 1 -> new Condition.Any(parts);
            case 2 -> new Condition.None(parts);
            default -> new Condition.AtLeast(1 + random.nextInt(parts.size()), parts);
        };
    }

    private Condition clause(Field field, List<Field> before) {
        @Nullable Boolean rule = random.nextInt(4) == 0 ? Boolean.valueOf(random.nextBoolean()) : null;
        if (random.nextInt(6) == 0) {
            return random.nextBoolean() ? new Clause.Answered(field.key()) : new Clause.IsBlank(field.key());
        }
        if (hasRoles && random.nextInt(12) == 0) {
            return random.nextBoolean()
                    ? new Condition.StageIs(List.of(pick(Stage.values())))
                    : new Condition.RoleIs(List.of(pick(ROLES)));
        }
        if (!isReachable && random.nextInt(8) == 0) {
            return new Condition.Written(
                    switch (field.kind()) {
                        case FieldKind.Number ignored -> field.key() + " * 2 > 3";
                        case FieldKind.YesNo ignored -> field.key() + " = " + random.nextBoolean();
                        case FieldKind.OneChoice ignored -> field.key() + " = \"a\"";
                        default -> "1 = 1";
                    });
        }
        return switch (field.kind()) {
            case FieldKind.Number it -> {
                List<Field> others = before.stream()
                        .filter(other -> other.kind() instanceof FieldKind.Number && !other.equals(field))
                        .toList();
                if (!others.isEmpty() && !isReachable && random.nextInt(4) == 0) {
                    Operand other = new Operand.FieldOperand(pick(others).key());
                    Operand side = random.nextBoolean()
                            ? number("2")
                            : new Operand.FieldOperand(pick(others).key());
                    boolean isTurned = random.nextBoolean();
                    yield new Clause.Between(
                            field.key(),
                            random.nextInt(3) == 0,
                            isTurned ? side : other,
                            random.nextBoolean(),
                            isTurned ? other : side,
                            random.nextBoolean(),
                            rule);
                }
                if (!others.isEmpty() && !isReachable && random.nextInt(3) == 0) {
                    yield new Clause.Comparison(
                            field.key(),
                            pick(OrderTest.values()),
                            new Operand.FieldOperand(pick(others).key()),
                            rule);
                }
                yield ordered(
                        field,
                        rule,
                        it.decimals() == 0
                                ? List.of(number("1"), number("2"), number("2.5"), number("3"))
                                : List.of(number("1"), number("1.1"), number("1.2"), number("1.15"), number("2")));
            }
            case FieldKind.Date ignored ->
                ordered(
                        field,
                        rule,
                        random.nextBoolean() || isReachable
                                ? List.of(new Operand.TodayOperand(0), new Operand.TodayOperand(1))
                                : List.of(new Operand.DateOperand(TODAY), new Operand.DateOperand(TODAY.plusDays(2))));
            case FieldKind.SeveralChoices ignored ->
                random.nextInt(3) == 0
                        ? new Clause.CountClause(field.key(), pick(OrderTest.values()), random.nextInt(5), rule)
                        : new Clause.SetClause(
                                field.key(), pick(Clause.SetClause.SetTest.values()), some(CHOICES), rule);
            case FieldKind.Text ignored -> {
                List<Clause.TextClause.TextTest> tests = isReachable
                        ? List.of(Clause.TextClause.TextTest.IS, Clause.TextClause.TextTest.IS_NOT)
                        : List.of(
                                Clause.TextClause.TextTest.IS,
                                Clause.TextClause.TextTest.CONTAINS,
                                Clause.TextClause.TextTest.STARTS_WITH,
                                Clause.TextClause.TextTest.DOES_NOT_CONTAIN);
                yield new Clause.TextClause(field.key(), pick(tests), pick(SOILS), false, rule);
            }
            default ->
                new Clause.ChoiceClause(
                        field.key(),
                        pick(Clause.ChoiceClause.ChoiceTest.values()),
                        some(field.kind().offered().stream().map(Choice::id).toList()),
                        rule);
        };
    }

    private Clause ordered(Field field, @Nullable Boolean rule, List<Operand> edges) {
        Clause.Between range = new Clause.Between(
                field.key(),
                random.nextInt(4) == 0,
                pick(edges),
                random.nextBoolean(),
                pick(edges),
                random.nextBoolean(),
                rule);
        if (!range.isEmpty() && random.nextBoolean()) {
            return range;
        }
        return new Clause.Comparison(field.key(), pick(OrderTest.values()), pick(edges), rule);
    }

    private static Operand number(String text) {
        return new Operand.NumberOperand(new BigDecimal(text));
    }

    private List<String> some(List<String> of) {
        List<String> some = of.stream().filter(each -> random.nextBoolean()).toList();
        return some.isEmpty() ? of.subList(0, 1) : some;
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private <T> T pick(T[] from) {
        return from[random.nextInt(from.length)];
    }
}
