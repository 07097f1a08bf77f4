package loesscape.core.testing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/** Random templates that are valid, conditions over their fields, and answers near what the conditions compare with. */
public final class RandomTemplates {

    private static final List<BigDecimal> NUMBERS =
            List.of("-1", "0", "0.5", "9.9", "10", "10.0", "10.1", "30").stream()
                    .map(BigDecimal::new)
                    .toList();
    private static final List<String> TEXTS = List.of("Clay", "clay", "CLAY soil", "Lehm", "straße", "STRASSE");
    private static final LocalDate DAY = LocalDate.of(2028, 2, 28);
    private static final int CHOICES = 3;

    private final RandomGenerator random;
    private final int size;

    private RandomTemplates(RandomGenerator random, int size) {
        this.random = random;
        this.size = size;
    }

    /** A valid template; conditions for shown look only at fields of earlier sections or earlier in the same one. */
    public static Template template(RandomGenerator random, int size) {
        return new RandomTemplates(random, size).template();
    }

    /** A condition over the fields given; null, for the plain default, now and then. */
    public static @Nullable Condition condition(RandomGenerator random, List<Field> fields) {
        return new RandomTemplates(random, 1).maybe(fields);
    }

    /** Answers to some of the fields, some of them not readable. */
    public static Answers answers(RandomGenerator random, Template template) {
        RandomTemplates source = new RandomTemplates(random, 1);
        Map<String, String> typed = new HashMap<>();
        for (Field field : template.fields()) {
            if (random.nextInt(4) > 0) {
                typed.put(field.key(), source.typed(field.kind()));
            }
        }
        return new Answers(typed);
    }

    /** A context: some day near those that are answered, or none, at some stage. */
    public static Context context(RandomGenerator random) {
        LocalDate today = random.nextInt(5) == 0 ? null : DAY.plusDays(random.nextInt(4));
        return new Context(today, new RandomTemplates(random, 1).pick(Stage.values()));
    }

    /** Something typed into a field of a kind. */
    public static String typed(RandomGenerator random, FieldKind kind) {
        return new RandomTemplates(random, 1).typed(kind);
    }

    private Template template() {
        List<Page> pages = new ArrayList<>();
        List<Field> before = new ArrayList<>();
        int pageCount = 1 + random.nextInt(2);
        for (int p = 0; p < pageCount; p++) {
            Condition pageShown = random.nextInt(4) == 0 ? maybe(before) : null;
            List<Section> sections = new ArrayList<>();
            int sectionCount = 1 + random.nextInt(Math.max(1, size / 6));
            for (int s = 0; s < sectionCount; s++) {
                Condition shown = random.nextBoolean() ? maybe(before) : null;
                sections.add(new Section("s%d_%d".formatted(p, s), "Section", "", shown, items(p, s, before)));
            }
            pages.add(new Page("p" + p, "Page", pageShown, sections));
        }
        return new Template("Random", "", pages);
    }

    private List<Item> items(int page, int section, List<Field> before) {
        List<Item> items = new ArrayList<>();
        int count = random.nextInt(1 + Math.min(size, 8));
        for (int i = 0; i < count; i++) {
            String key = "f%d_%d_%d".formatted(page, section, i);
            List<Field> numbers =
                    before.stream().filter(it -> it.kind().isNumeric()).toList();
            int what = random.nextInt(8);
            if (what == 0) {
                items.add(new Notice(key, "Notice", maybe(before)));
            } else if (what == 1 && !numbers.isEmpty()) {
                items.add(new Indicator(key, "Indicator", pick(numbers).key(), bands(), maybe(before)));
            } else {
                Field field = field(key, before);
                items.add(field);
                before.add(field);
            }
        }
        return items;
    }

    private Field field(String key, List<Field> before) {
        FieldKind kind = kind();
        List<Band> bands = kind.isNumeric() && random.nextBoolean() ? bands() : List.of();
        return new Field(
                key, "Field " + key, "", Field.Width.FULL, kind, maybe(before), maybe(before), maybe(before), bands);
    }

    private FieldKind kind() {
        Bound lower = random.nextBoolean() ? new Bound(BigDecimal.ZERO, random.nextBoolean()) : null;
        Bound upper = random.nextBoolean() ? new Bound(BigDecimal.valueOf(10), random.nextBoolean()) : null;
        return switch (random.nextInt(10)) {
            case 7 -> new FieldKind.Email();
            case 8 -> new FieldKind.Phone(random.nextBoolean() ? "NL" : "");
            case 9 -> new FieldKind.WebAddress();
            case 0 -> new FieldKind.Text("", random.nextInt(8));
            case 1 -> new FieldKind.LongText("", 0);
            case 2 -> new FieldKind.Number(random.nextInt(3), "m", lower, upper);
            case 3 -> new FieldKind.Money("EUR", lower, upper);
            case 4 -> new FieldKind.YesNo();
            case 5 -> new FieldKind.OneChoice(choices(), FieldKind.ChoiceLayout.MARKS);
            default -> new FieldKind.Date(random.nextBoolean() ? DAY : null, null);
        };
    }

    private static List<Choice> choices() {
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < CHOICES; i++) {
            choices.add(new Choice("c" + i, "Choice " + i));
        }
        return choices;
    }

    private List<Band> bands() {
        return List.of(
                new Band("low", "Low", Look.PLAIN, new Bound(BigDecimal.ZERO, random.nextBoolean())),
                new Band("middle", "Middle", Look.PLAIN, new Bound(BigDecimal.TEN, random.nextBoolean())),
                new Band("high", "High", new Look(Look.Shade.OCHRE, true, Look.Mark.WARNING), null));
    }

    private @Nullable Condition maybe(List<Field> fields) {
        return switch (random.nextInt(4)) {
            case 0 -> null;
            case 1 -> random.nextInt(4) == 0 ? new Condition.Never() : new Condition.Always();
            default -> fields.isEmpty() ? null : condition(fields, 3);
        };
    }

    /** Formulas are only made where there is a field for them; they ask the same as a clause would. */
    private Condition written(List<Field> fields) {
        Field field = pick(fields);
        return new Condition.Written(
                switch (field.kind()) {
                    case FieldKind.Number ignored ->
                        field.key() + " > " + pick(NUMBERS).toPlainString();
                    case FieldKind.Money ignored ->
                        field.key() + " <= " + pick(NUMBERS).toPlainString();
                    case FieldKind.YesNo() -> field.key();
                    case FieldKind.Date ignored -> field.key() + " = @\"" + day() + "\"";
                    default -> field.key() + " != null";
                });
    }

    private Condition condition(List<Field> fields, int depth) {
        int special = random.nextInt(12);
        if (special == 0) {
            return written(fields);
        }
        if (special == 1) {
            return new Condition.StageIs(List.of(pick(Stage.values())));
        }
        if (depth > 0 && random.nextInt(3) == 0) {
            List<Condition> parts = new ArrayList<>();
            int count = 1 + random.nextInt(3);
            for (int i = 0; i < count; i++) {
                parts.add(condition(fields, depth - 1));
            }
            return switch (random.nextInt(4)) {
                case 0 -> new Condition.All(parts);
                case 1 -> new Condition.Any(parts);
                case 2 -> new Condition.None(parts);
                default -> new Condition.AtLeast(1 + random.nextInt(parts.size()), parts);
            };
        }
        return clause(pick(fields), fields);
    }

    private Clause clause(Field field, List<Field> fields) {
        String key = field.key();
        Boolean whenBlank = random.nextInt(3) == 0 ? Boolean.valueOf(random.nextBoolean()) : null;
        if (random.nextInt(5) == 0) {
            return random.nextBoolean() ? new Clause.Answered(key) : new Clause.IsBlank(key);
        }
        if (!field.bands().isEmpty() && random.nextInt(3) == 0) {
            return new Clause.BandClause(key, List.of(pick(field.bands()).id()), whenBlank);
        }
        return switch (field.kind()) {
            case FieldKind.Text ignored -> text(key, whenBlank);
            case FieldKind.LongText ignored -> text(key, whenBlank);
            case FieldKind.Email() -> text(key, whenBlank);
            case FieldKind.Phone ignored -> text(key, whenBlank);
            case FieldKind.WebAddress() -> text(key, whenBlank);
            case FieldKind.YesNo ignored -> choice(key, List.of(random.nextBoolean() ? "yes" : "no"), whenBlank);
            case FieldKind.OneChoice ignored -> choice(key, someChoices(), whenBlank);
            case FieldKind.Number ignored -> order(key, whenBlank, other(fields, true));
            case FieldKind.Money ignored -> order(key, whenBlank, other(fields, true));
            case FieldKind.Date ignored -> order(key, whenBlank, other(fields, false));
        };
    }

    /** The other side of a comparison: a fixed value, another field of the kind, or a day near today. */
    private Operand other(List<Field> fields, boolean numeric) {
        List<Field> alike = fields.stream()
                .filter(field -> numeric ? field.kind().isNumeric() : field.kind() instanceof FieldKind.Date)
                .toList();
        if (random.nextInt(3) == 0) {
            return new Operand.FieldOperand(pick(alike).key());
        }
        if (numeric) {
            return new Operand.NumberOperand(pick(NUMBERS));
        }
        return random.nextBoolean() ? new Operand.DateOperand(day()) : new Operand.TodayOperand(random.nextInt(3) - 1);
    }

    private Clause text(String key, @Nullable Boolean whenBlank) {
        if (random.nextInt(4) == 0) {
            return new Clause.LengthClause(
                    key, pick(Clause.Comparison.OrderTest.values()), random.nextInt(8), whenBlank);
        }
        return new Clause.TextClause(
                key, pick(Clause.TextClause.TextTest.values()), pick(TEXTS), random.nextInt(3) == 0, whenBlank);
    }

    private Clause choice(String key, List<String> choices, @Nullable Boolean whenBlank) {
        return new Clause.ChoiceClause(key, pick(Clause.ChoiceClause.ChoiceTest.values()), choices, whenBlank);
    }

    private List<String> someChoices() {
        int first = random.nextInt(CHOICES);
        return random.nextBoolean() ? List.of("c" + first) : List.of("c" + first, "c" + (first + 1) % CHOICES);
    }

    private Clause order(String key, @Nullable Boolean whenBlank, Operand to) {
        if (random.nextInt(3) == 0) {
            Operand above = switch (to) {
                case Operand.NumberOperand(var number) -> new Operand.NumberOperand(number.add(BigDecimal.ONE));
                case Operand.DateOperand(var date) -> new Operand.DateOperand(date.plusDays(2));
                case Operand.FieldOperand it -> it;
                case Operand.TodayOperand(var days) -> new Operand.TodayOperand(days + 2);
            };
            return new Clause.Between(
                    key, random.nextBoolean(), to, random.nextBoolean(), above, random.nextBoolean(), whenBlank);
        }
        return new Clause.Comparison(key, pick(Clause.Comparison.OrderTest.values()), to, whenBlank);
    }

    private LocalDate day() {
        return DAY.plusDays(random.nextInt(4));
    }

    private String typed(FieldKind kind) {
        if (random.nextInt(8) == 0) {
            return pick(List.of("", "   ", "no such thing", "1,234"));
        }
        return switch (kind) {
            case FieldKind.Text ignored -> pick(TEXTS);
            case FieldKind.LongText ignored -> " " + pick(TEXTS) + "\n";
            case FieldKind.Email() -> pick(List.of("clay@soil.example", "clay", "a@b"));
            case FieldKind.Phone ignored -> pick(List.of("+31 20 123 4567", "020 123 4567", "clay"));
            case FieldKind.WebAddress() -> pick(List.of("https://soil.example", "soil.example"));
            case FieldKind.YesNo ignored -> random.nextBoolean() ? "yes" : "no";
            case FieldKind.OneChoice ignored -> "c" + random.nextInt(CHOICES);
            case FieldKind.Number ignored -> pick(NUMBERS).toPlainString();
            case FieldKind.Money ignored -> pick(NUMBERS).toPlainString();
            case FieldKind.Date ignored -> day().toString();
        };
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private <T> T pick(T[] from) {
        return from[random.nextInt(from.length)];
    }
}
