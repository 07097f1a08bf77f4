package loesscape.core.testing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.StartingAnswers;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.Place;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Sign;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
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

    /** Answers to some of the fields, some of them not readable, in rows that were added, taken away or left as they were. */
    public static Answers answers(RandomGenerator random, Template template) {
        RandomTemplates source = new RandomTemplates(random, 1);
        Map<String, String> typed = new HashMap<>();
        template.nodes().forEach(node -> {
            if (node instanceof Section section && section.isRepeating() && random.nextInt(4) > 0) {
                typed.put(section.key(), source.rows());
            }
        });
        for (String address : addresses(template)) {
            if (random.nextInt(4) > 0) {
                typed.put(address, source.typed(field(template, address).kind()));
            }
        }
        return new Answers(typed);
    }

    /** One changed answer: an address and what is typed there. */
    public static Map.Entry<String, String> change(RandomGenerator random, Template template) {
        RandomTemplates source = new RandomTemplates(random, 1);
        List<String> addresses = new ArrayList<>(addresses(template));
        template.nodes().forEach(node -> {
            if (node instanceof Section section && section.isRepeating()) {
                addresses.add(section.key());
            }
        });
        if (addresses.isEmpty()) {
            return Map.entry("nothing", "");
        }
        String address = source.pick(addresses);
        boolean rows = template.nodes().stream()
                .anyMatch(node -> node instanceof Section && node.key().equals(address));
        return Map.entry(
                address,
                rows ? source.rows() : source.typed(field(template, address).kind()));
    }

    private String rows() {
        return pick(List.of("", "r1", "r2", "r1,r2", "r2,r1", "r1,r2,r3", "r3,r1,r3,R9"));
    }

    /** The addresses of the fields; in rows, of those of the first three rows. */
    private static List<String> addresses(Template template) {
        SymbolTable symbols = SymbolTable.of(template);
        List<String> addresses = new ArrayList<>();
        for (Field field : template.fields()) {
            if (symbols.rowsAround(field.key()) == null) {
                addresses.add(field.key());
            } else {
                for (int row = 1; row <= 3; row++) {
                    addresses.add(RowNames.address(field.key(), "r" + row));
                }
            }
        }
        return addresses;
    }

    private static Field field(Template template, String address) {
        return template.fields().stream()
                .filter(field -> field.key().equals(RowNames.key(address)))
                .findFirst()
                .orElseThrow();
    }

    /** A context: some day near those that are answered, or none, at some stage. */
    public static Context context(RandomGenerator random) {
        LocalDate today = random.nextInt(5) == 0 ? null : DAY.plusDays(random.nextInt(4));
        String role = random.nextInt(3) == 0 ? "role" + (1 + random.nextInt(2)) : "";
        return new Context(today, new RandomTemplates(random, 1).pick(Stage.values()), role);
    }

    /** Something typed into a field of a kind. */
    public static String typed(RandomGenerator random, FieldKind kind) {
        return new RandomTemplates(random, 1).typed(kind);
    }

    private final List<Section> finishedRows = new ArrayList<>();
    private final List<SharedCondition> shared = new ArrayList<>();
    private final List<Role> roles = new ArrayList<>();
    private int keys;

    private Template template() {
        for (int r = random.nextInt(3); r > 0; r--) {
            roles.add(new Role("role" + r, "Role " + r, random.nextInt(2), null));
        }
        List<Page> pages = new ArrayList<>();
        List<Field> before = new ArrayList<>();
        int pageCount = 1 + random.nextInt(2);
        for (int p = 0; p < pageCount; p++) {
            Condition pageShown = random.nextInt(4) == 0 ? maybe(before) : null;
            List<Section> sections = new ArrayList<>();
            int sectionCount = 1 + random.nextInt(Math.max(1, size / 6));
            for (int s = 0; s < sectionCount; s++) {
                sections.add(section(before));
                share(before);
            }
            pages.add(
                    p == 0
                            ? new Page("p" + p, "Page", pageShown, sections)
                            : placed(new Page("p" + p, "Page", pageShown, sections)));
        }
        List<FinishRule> finish = before.isEmpty() || random.nextBoolean()
                ? List.of()
                : List.of(new FinishRule(condition(before, 2), "Not yet."));
        roles.replaceAll(role -> new Role(role.key(), role.name(), role.order(), maybe(before)));
        return new Template(
                "Random", "", pages, roles, shared, List.of(PLACES), finish, PageSettings.PLAIN, List.of(), List.of());
    }

    /** A page written on that of a PDF, with places for its fields and the marks of their choices. */
    private static Page placed(Page page) {
        List<Place> places = new ArrayList<>();
        for (Field field : Template.of("One page", List.of(page)).fields()) {
            places.add(Place.of(field.key(), 1_000, 100 * places.size(), 5_000, 700));
            if (field.kind() instanceof FieldKind.Choosing it) {
                it.choices()
                        .forEach(choice -> places.add(Place.of(field.key(), 8_000, 100 * places.size(), 500, 500)
                                .ofChoice(choice.id())));
            }
        }
        SheetPage sheet = new SheetPage("sheet.pdf", 0, 21_000, 29_700, "");
        List<Place> some = places.subList(0, Math.min(200, places.size()));
        return new Page(page.key(), page.title(), page.shown(), sheet, some, page.sections());
    }

    /** A shared condition now and then; later conditions use it. */
    private void share(List<Field> before) {
        if (!before.isEmpty() && random.nextInt(3) == 0) {
            String key = "shared_" + shared.size();
            shared.add(new SharedCondition(key, random.nextBoolean() ? "Named" : "", condition(before, 2)));
        }
    }

    private Section section(List<Field> before) {
        String key = "s" + keys++;
        Condition shown = random.nextBoolean() ? maybe(before) : null;
        Section section = Section.of(key, "Section", List.of())
                .withShown(shown)
                .withOpen(random.nextInt(4) == 0 ? maybe(before) : null)
                .withLooks(looks(before, false));
        if (random.nextInt(4) > 0) {
            return section.withItems(items(before, false, true));
        }
        List<Field> inRows = new ArrayList<>(before);
        Section rows = section.withRows(new Section.Rows(random.nextInt(3), 3)).withItems(items(inRows, true, true));
        finishedRows.add(rows);
        return rows;
    }

    private Notice notice(String key, List<Field> before) {
        List<String> pieces = new ArrayList<>();
        List<Phrase> phrases = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            Condition when = maybe(before);
            StringBuilder text = new StringBuilder();
            if (random.nextInt(3) == 0 && !finishedRows.isEmpty()) {
                Section rows = pick(finishedRows);
                List<Field> columns = fieldsOf(rows);
                text.append(" [").append(rows.key()).append(": row");
                if (!columns.isEmpty()) {
                    text.append(" {").append(pick(columns).key()).append("}");
                }
                text.append(random.nextBoolean() ? " | none]" : "]");
            } else if (random.nextBoolean() && when != null) {
                phrases.add(new Phrase("phrase" + i, when));
                text.append(" [phrase").append(i).append(": some");
                text.append(before.isEmpty() ? "" : " {" + pick(before).key() + "}");
                text.append(random.nextBoolean() ? " | else]" : "]");
            } else if (!before.isEmpty()) {
                text.append(" {").append(pick(before).key()).append("}!");
            }
            pieces.add(text.toString());
        }
        return Notice.of(key, random.nextInt(4) == 0 ? table(pieces) : "Notice" + String.join("", pieces))
                .withPhrases(phrases)
                .withShown(maybe(before))
                .withLooks(looks(before, false));
    }

    private String table(List<String> pieces) {
        StringBuilder table = new StringBuilder("| Notice | Beside |\n|---|---:|");
        pieces.forEach(piece -> table.append("\n|")
                .append(piece)
                .append(" | ")
                .append(random.nextBoolean() ? "x" : "")
                .append(" |"));
        return table.toString();
    }

    private List<Item> items(List<Field> before, boolean inRows, boolean mayNest) {
        List<Item> items = new ArrayList<>();
        int count = random.nextInt(1 + Math.min(size, 8));
        for (int i = 0; i < count; i++) {
            String key = "f" + keys++;
            int what = random.nextInt(14);
            if (what == 0) {
                items.add(notice(key, before));
            } else if (what == 1 && !before.isEmpty()) {
                items.add(indicator(key, pick(before)).withShown(maybe(before)));
            } else if (what == 2 && mayNest) {
                items.add(Section.of(key, "Inner", List.of())
                        .withShown(maybe(before))
                        .withItems(items(before, inRows, false)));
            } else if (what == 3) {
                items.add(new Divider(key, maybe(before)));
            } else {
                Field field = field(key, before, inRows);
                items.add(field);
                before.add(field);
            }
        }
        return items;
    }

    private Indicator indicator(String key, Field followed) {
        Sign yes = new Sign("Yes", Look.PLAIN, "");
        Indicator indicator = Indicator.of(key, "Indicator", followed.key(), List.of());
        if (followed.kind().hasBands() && random.nextBoolean()) {
            return indicator.withBands(bands(followed.kind()));
        }
        List<Choice> offered = followed.kind().offered();
        if (!offered.isEmpty() && random.nextBoolean()) {
            return indicator.withChoices(
                    List.of(new Indicator.ChoiceSign(pick(offered).id(), yes)));
        }
        return indicator.withPresence(new Indicator.Presence(yes, yes));
    }

    private List<LookRule> looks(List<Field> before, boolean inRows) {
        List<LookRule> looks = new ArrayList<>();
        while (!before.isEmpty() && looks.size() < 3 && random.nextInt(4) == 0) {
            looks.add(new LookRule(
                    condition(before, 1),
                    Look.of(pick(Look.Shade.values()), true, Look.Mark.NONE),
                    inRows && random.nextBoolean() ? LookRule.Extent.ROW : LookRule.Extent.ITEM));
        }
        return looks;
    }

    private Field field(String key, List<Field> before, boolean inRows) {
        FieldKind kind = kind(before);
        List<Band> bands = kind.hasBands() && random.nextBoolean() ? bands(kind) : List.of();
        List<Check> checks = before.isEmpty() || random.nextInt(4) > 0
                ? List.of()
                : List.of(new Check(condition(before, 1), "Refused."));
        return Field.of(key, "Field " + key, kind)
                .withRole(
                        roles.isEmpty() || random.nextBoolean()
                                ? ""
                                : pick(roles).key())
                .withShown(maybe(before))
                .withRequired(maybe(before))
                .withEditable(maybe(before))
                .withValue(value(kind, before))
                .withLooks(looks(before, inRows))
                .withChecks(checks)
                .withBands(bands);
    }

    /** Formulas for values are of the few forms that the naive evaluation knows. */
    private @Nullable FieldValue value(FieldKind kind, List<Field> before) {
        if (random.nextInt(4) > 0) {
            return null;
        }
        boolean overtypable = random.nextBoolean();
        List<Field> alike = before.stream()
                .filter(field -> kind.isNumeric()
                        ? field.kind().isNumeric()
                        : kind.isText() ? field.kind().isText() : field.kind().getClass() == kind.getClass())
                .filter(field -> kind.isNumeric()
                        || kind.isText()
                        || kind instanceof FieldKind.YesNo
                        || kind instanceof FieldKind.Date)
                .toList();
        if (alike.isEmpty() || random.nextBoolean()) {
            boolean isHandedIn = kind instanceof FieldKind.Attachment || kind instanceof FieldKind.Picture;
            String typed = typed(kind, false);
            boolean starts = !kind.isGiven()
                    && !kind.isSigned()
                    && !isHandedIn
                    && !typed.isBlank()
                    && StartingAnswers.problem(kind, typed) == null;
            return starts ? new FieldValue.Starting(typed) : null;
        }
        if (kind.isNumeric() && random.nextInt(3) == 0 && !finishedRows.isEmpty()) {
            Section rows = pick(finishedRows);
            List<Field> numbers = fieldsOf(rows).stream()
                    .filter(field -> field.kind().isNumeric())
                    .toList();
            if (!numbers.isEmpty()) {
                return new FieldValue.WorkedOut(
                        "sum(" + rows.key() + "." + pick(numbers).key() + "[item != null])", overtypable);
            }
        }
        String formula = pick(alike).key();
        return new FieldValue.WorkedOut(
                kind.isNumeric() && random.nextBoolean() ? formula + " / 3" : formula, overtypable);
    }

    /** The fields that stand in a section. */
    public static List<Field> fieldsOf(Section section) {
        List<Field> fields = new ArrayList<>();
        for (Item item : section.items()) {
            if (item instanceof Field field) {
                fields.add(field);
            } else if (item instanceof Section inner) {
                fields.addAll(fieldsOf(inner));
            }
        }
        return fields;
    }

    private static final LookupList PLACES = new LookupList(
            "places",
            "Places",
            List.of(
                    new LookupList.Column("valley", "Valley", false),
                    new LookupList.Column("village", "Village", false),
                    new LookupList.Column("people", "People", true)),
            List.of(
                    List.of("Upper", "Loam", "12"),
                    List.of("Upper", "Marl", "7.5"),
                    List.of("Lower", "Marl", ""),
                    List.of("Lower", "Silt", "3")));

    private FieldKind kind(List<Field> before) {
        Bound lower = random.nextBoolean() ? new Bound(BigDecimal.ZERO, random.nextBoolean()) : null;
        Bound upper = random.nextBoolean() ? new Bound(BigDecimal.valueOf(10), random.nextBoolean()) : null;
        return switch (random.nextInt(20)) {
            case 0 -> new FieldKind.Text("", random.nextInt(8));
            case 1 -> new FieldKind.LongText("", 0);
            case 2, 14 -> new FieldKind.Number(random.nextInt(3), "m", lower, upper);
            case 3 -> new FieldKind.Money("EUR", lower, upper);
            case 4 -> new FieldKind.YesNo();
            case 5, 15 -> FieldKind.OneChoice.of(choices()).withOffer(offer(before));
            case 6, 16 ->
                new FieldKind.SeveralChoices(
                        choices(),
                        FieldKind.ChoiceLayout.MARKS,
                        FieldKind.ChoiceStyle.PLAIN,
                        random.nextBoolean(),
                        offer(before),
                        random.nextInt(3),
                        random.nextBoolean() ? 0 : 2);
            case 7 -> new FieldKind.Email();
            case 8 -> new FieldKind.Phone(random.nextBoolean() ? "NL" : "");
            case 9 -> new FieldKind.WebAddress();
            case 10 -> new FieldKind.Rating(5);
            case 11 -> new FieldKind.Time(random.nextBoolean() ? NOON : null, null);
            case 12 -> random.nextBoolean() ? new FieldKind.Signature() : new FieldKind.Initials();
            case 13 -> new FieldKind.Attachment(2, 1, List.of("pdf"));
            case 17 -> lookup(before);
            case 18 -> random.nextBoolean() ? new FieldKind.DateSigned() : new FieldKind.Payment("EUR", "2.5");
            default -> new FieldKind.Date(random.nextBoolean() ? DAY : null, null);
        };
    }

    private static final LocalTime NOON = LocalTime.NOON;

    private FieldKind lookup(List<Field> before) {
        List<Field> valleys = before.stream()
                .filter(field -> field.kind() instanceof FieldKind.Lookup lookup
                        && lookup.column().equals("valley"))
                .toList();
        return valleys.isEmpty()
                ? new FieldKind.Lookup("places", "valley", Map.of())
                : new FieldKind.Lookup(
                        "places", "village", Map.of("valley", pick(valleys).key()));
    }

    private @Nullable Offer offer(List<Field> before) {
        List<Field> parents = before.stream()
                .filter(field -> field.kind() instanceof FieldKind.OneChoice)
                .toList();
        if (parents.isEmpty() || random.nextInt(3) > 0) {
            return null;
        }
        return new Offer(pick(parents).key(), Map.of("c0", List.of("c0", "c1"), "c1", List.of("c2")));
    }

    private static List<Choice> choices() {
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < CHOICES; i++) {
            choices.add(Choice.of("c" + i, "Choice " + i));
        }
        return choices;
    }

    private List<Band> bands(FieldKind kind) {
        return List.of(
                Band.of("low", "Low", Look.PLAIN, edge(kind, day(), BigDecimal.ZERO)),
                Band.of("middle", "Middle", Look.PLAIN, edge(kind, day().plusDays(30), BigDecimal.TEN)),
                Band.of("high", "High", Look.of(Look.Shade.OCHRE, true, Look.Mark.WARNING), null));
    }

    private Bound edge(FieldKind kind, LocalDate day, BigDecimal number) {
        return kind.isDay() ? Bound.of(day, random.nextBoolean()) : new Bound(number, random.nextBoolean());
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
        if (!shared.isEmpty() && random.nextInt(4) == 0) {
            return new Condition.Written(pick(shared).key());
        }
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
        if (special == 2 && !roles.isEmpty()) {
            return new Condition.RoleIs(List.of(pick(roles).key()));
        }
        if (special == 3 && !shared.isEmpty()) {
            return new Condition.Shared(pick(shared).key());
        }
        if (special < 6 && special > 3 && !finishedRows.isEmpty()) {
            return aboutRows(pick(finishedRows));
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

    private Condition aboutRows(Section rows) {
        List<Field> inside = fieldsOf(rows);
        Boolean whenBlank = random.nextInt(3) == 0 ? Boolean.valueOf(random.nextBoolean()) : null;
        List<Field> numbers =
                inside.stream().filter(field -> field.kind().isNumeric()).toList();
        if (inside.isEmpty() || random.nextInt(3) == 0) {
            return new Condition.RowCount(rows.key(), pick(Clause.Comparison.OrderTest.values()), random.nextInt(4));
        }
        if (!numbers.isEmpty() && random.nextBoolean()) {
            return new Condition.Total(
                    pick(numbers).key(),
                    pick(Clause.Comparison.OrderTest.values()),
                    new Operand.NumberOperand(pick(NUMBERS)),
                    whenBlank);
        }
        return new Condition.OfRows(
                rows.key(), pick(Condition.OfRows.Quantity.values()), clause(pick(inside), inside), whenBlank);
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
            case FieldKind.YesNo ignored -> choice(key, List.of(random.nextBoolean() ? "yes" : "no"), whenBlank);
            case FieldKind.OneChoice ignored -> choice(key, someChoices(), whenBlank);
            case FieldKind.Lookup it ->
                choice(key, List.of(it.column().equals("valley") ? "Upper" : "Marl"), whenBlank);
            case FieldKind.SeveralChoices ignored ->
                random.nextInt(3) == 0
                        ? new Clause.CountClause(
                                key, pick(Clause.Comparison.OrderTest.values()), random.nextInt(3), whenBlank)
                        : new Clause.SetClause(key, pick(Clause.SetClause.SetTest.values()), someChoices(), whenBlank);
            case FieldKind kind when kind.isText() -> text(key, whenBlank);
            case FieldKind kind when kind.isOrdered() -> order(key, whenBlank, other(field.kind(), fields));
            default -> new Clause.Answered(key);
        };
    }

    /** The other side of a comparison: a fixed value, another field of the kind, or a day near today. */
    private Operand other(FieldKind kind, List<Field> fields) {
        List<Field> alike = fields.stream()
                .filter(field -> kind.isNumeric()
                        ? field.kind().isNumeric()
                        : kind.isDay() ? field.kind().isDay() : field.kind() instanceof FieldKind.Time)
                .toList();
        if (random.nextInt(3) == 0) {
            String key = pick(alike).key();
            return random.nextBoolean() ? new Operand.FieldOperand(key) : new Operand.FormulaOperand(key);
        }
        if (kind.isNumeric()) {
            return new Operand.NumberOperand(pick(NUMBERS));
        }
        if (kind instanceof FieldKind.Time) {
            return new Operand.TimeOperand(NOON.plusHours(random.nextInt(2)));
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
                case Operand.TimeOperand(var time) -> new Operand.TimeOperand(time.plusHours(1));
                case Operand.FieldOperand it -> it;
                case Operand.FormulaOperand it -> it;
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
        return typed(kind, true);
    }

    private String typed(FieldKind kind, boolean perhapsWrong) {
        if (perhapsWrong && random.nextInt(8) == 0) {
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
            case FieldKind.SeveralChoices it ->
                String.join(",", someChoices()) + (it.other() && random.nextInt(3) == 0 ? ",=peat, wet" : "");
            case FieldKind.Lookup it ->
                it.column().equals("valley") ? pick(List.of("Upper", "Lower")) : pick(List.of("Loam", "Marl", "Silt"));
            case FieldKind.Number ignored -> pick(NUMBERS).toPlainString();
            case FieldKind.Money ignored -> pick(NUMBERS).toPlainString();
            case FieldKind.Rating ignored -> Integer.toString(random.nextInt(7));
            case FieldKind.Date ignored -> day().toString();
            case FieldKind.DateSigned ignored -> day().toString();
            case FieldKind.Time ignored -> pick(List.of("12:00", "13:00", "9.30", "25:00"));
            case FieldKind.Signature ignored -> "Ilvo Brand";
            case FieldKind.Initials ignored -> "IB";
            case FieldKind.Attachment ignored ->
                pick(List.of("a1 200 map.pdf", "a1 2000000 map.pdf", "a1 10 map.png", "a1 1 a.pdf\na2 2 b.pdf"));
            case FieldKind.Picture ignored -> "a1 200 well.png";
            case FieldKind.Payment ignored -> "2.50 desk-17";
        };
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private <T> T pick(T[] from) {
        return from[random.nextInt(from.length)];
    }
}
