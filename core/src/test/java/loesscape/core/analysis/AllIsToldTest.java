package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import loesscape.core.analysis.VersionDifference.Rewritten;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.KindFacts;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.Place;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Whatever is written otherwise in a later version is told, but for what only authors see: every part of every sort of node, of
 * every kind of field, of roles and of the document, changed by itself. A new part fails here until it is compared.
 */
class AllIsToldTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 29);

    private static final Look MOSS = Look.of(Look.Shade.MOSS, false, Look.Mark.NONE);

    /** What only authors see, or what identifies a thing. */
    private static final Set<String> NOT_TOLD = Set.of(
            "Page.key",
            "Section.key",
            "Section.origin",
            "Field.key",
            "Notice.key",
            "Indicator.key",
            "Picture.key",
            "Overlay.key",
            "Divider.key",
            "Role.key",
            "SheetPage.script",
            "Place.source",
            "Place.script",
            "LookupList.key",
            "LookupList.name",
            "LookupList.source",
            "Template.trials",
            "Template.promises",
            "Template.accepted",
            // By what they do, or by what is asked with them.
            "Template.conditions",
            "Template.lists",
            // Part by part.
            "Template.pages",
            "Template.pageSettings",
            // An indicator has one of these; see below.
            "Indicator.choices",
            "Indicator.presence");

    private static final Condition DRY =
            new Clause.ChoiceClause("dry", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null);

    private static Bound bound(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    private static List<Band> bands(int at) {
        return List.of(Band.of("low", "Low", Look.PLAIN, bound(at)), Band.of("high", "High", Look.PLAIN, null));
    }

    /** Other values by the name of the component, or by its type. */
    private static Object other(RecordComponent component, @Nullable Object was) {
        return switch (component.getName()) {
            case "bands" -> bands(4);
            case "looks" -> List.of(new LookRule(DRY, MOSS, LookRule.Extent.ITEM));
            case "checks" -> List.of(new Check(DRY, "Not when it is dry."));
            case "phrases" -> List.of(new Phrase("more", new Condition.None(List.of(DRY))));
            case "endings" -> List.of("pdf");
            case "choices" -> List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Gravel"));
            case "filters" -> Map.of("name", "dry");
            case "region" -> "DE";
            case "currency" -> "CHF";
            case "amount" -> "12";
            case "list" -> "rocks";
            case "column" -> "name";
            case "language" -> "de";
            case "role" -> "owner";
            case "follows" -> component.getDeclaringRecord() == Picture.class ? "photo" : "h";
            case "least" -> 2;
            case "columns" ->
                was instanceof Integer
                        ? 2
                        : List.of(
                                new LookupList.Column("name", "Names", false),
                                new LookupList.Column("kind", "Kind", false));
            case "finish" -> List.of(new FinishRule(DRY, "Let it dry."));
            case "sheet" -> new SheetPage("0".repeat(64), 0, 21_000, 29_700, "");
            case "places" -> List.of(Place.of("m", 1_000, 1_000, 5_000, 700));
            case "value" -> new FieldValue.Starting("7");
            case "offer" -> new Offer("dry", Map.of("yes", List.of("clay")));
            case "lower", "earliest" -> lower(component.getType());
            case "upper", "latest" -> upper(component.getType());
            case "most" -> 6;
            case "kind" -> new FieldKind.Number(2, "m", null, null);
            case "numbering" -> PageSettings.Numbering.NONE;
            case "rows" ->
                was instanceof List ? List.of(List.of("a", "yes"), List.of("c", "no")) : new Section.Rows(1, 3);
            case "items" -> List.of(Documents.text("f"), Documents.text("k"));
            case "sections" -> List.of(Section.of("w", "", List.of(Documents.text("m"))));
            case "roles" -> List.of();
            default -> byType(component.getType(), was);
        };
    }

    private static Object lower(Class<?> type) {
        return type == LocalDate.class ? TODAY : type == LocalTime.class ? LocalTime.NOON : bound(2);
    }

    private static Object upper(Class<?> type) {
        return type == LocalDate.class ? TODAY : type == LocalTime.class ? LocalTime.NOON : bound(6);
    }

    private static Object byType(Class<?> type, @Nullable Object was) {
        if (type == String.class) {
            return was + "Other";
        }
        if (type == int.class) {
            return (int) Objects.requireNonNull(was) + 1;
        }
        if (type == boolean.class) {
            return !(boolean) Objects.requireNonNull(was);
        }
        if (type == Condition.class) {
            return DRY;
        }
        if (type.isEnum()) {
            return Arrays.stream(type.getEnumConstants())
                    .filter(it -> !it.equals(was))
                    .findFirst()
                    .orElseThrow();
        }
        if (type == Folding.class) {
            return new Folding(true, Folding.Motion.FADE, 100);
        }
        if (type == FieldKind.ChoiceStyle.class) {
            return new FieldKind.ChoiceStyle(2, FieldKind.ChoiceStyle.MarkShape.TICK, FieldKind.ChoiceStyle.Size.LARGE);
        }
        throw new IllegalArgumentException("Say here what else it can be: " + type);
    }

    /** The record with one of its parts otherwise, for each of them. */
    private static <R extends Record> Stream<Map.Entry<String, R>> others(R record) {
        RecordComponent[] components = record.getClass().getRecordComponents();
        return Arrays.stream(components)
                .filter(it -> !NOT_TOLD.contains(record.getClass().getSimpleName() + "." + it.getName()))
                .map(changed ->
                        Map.entry(record.getClass().getSimpleName() + "." + changed.getName(), with(record, changed)));
    }

    @SuppressWarnings("unchecked") // A record makes records of its own class.
    private static <R extends Record> R with(R record, RecordComponent changed) {
        RecordComponent[] components = record.getClass().getRecordComponents();
        Class<?>[] types =
                Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
        List<@Nullable Object> values = new ArrayList<>();
        try {
            for (RecordComponent component : components) {
                Object value = component.getAccessor().invoke(record);
                values.add(component.getName().equals(changed.getName()) ? other(component, value) : value);
            }
            return (R) record.getClass().getConstructor(types).newInstance(values.toArray());
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(changed.toString(), e);
        }
    }

    private static Template with(Item item) {
        Section asked = Section.of(
                "q",
                "",
                List.of(
                        Documents.yesNo("dry"),
                        Documents.number("g"),
                        Documents.number("h"),
                        Documents.field("photo", new FieldKind.Picture(2))));
        Section section = item instanceof Section it ? it : Section.of("r", "", List.of(item));
        return Documents.forRoles(Documents.listing(Documents.onePage(asked, section), LISTS), OWNER);
    }

    private static final Role OWNER = new Role("owner", "Owner", 1, null);

    private static final LookupList[] LISTS = Stream.of("soils", "rocks")
            .map(key -> new LookupList(
                    key,
                    "Soils",
                    List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("kind", "Kind", false)),
                    List.of(List.of("a", "yes"), List.of("b", "no")),
                    null))
            .toArray(LookupList[]::new);

    private static Arguments change(String part, Template before, Template after) {
        return Arguments.of(part, before, after);
    }

    static Stream<Arguments> items() {
        Stream<Item> items = Stream.of(
                Documents.number("f").withBands(bands(3)),
                Section.of("r", "More", List.of(Documents.text("f"))),
                Notice.of("n", "Dig. [more: Deep.]").withPhrases(List.of(new Phrase("more", DRY))),
                Indicator.of("i", "Class", "g", bands(3)),
                new Picture("c", "Map", "0".repeat(64), "", null, Folding.PLAIN),
                new Overlay("o", "Line", Overlay.OverlayShape.STROKE, "", null),
                new Divider("d", null));
        return items.flatMap(item ->
                others((Record & Item) item).map(each -> change(each.getKey(), with(item), with(each.getValue()))));
    }

    private static Sign sign(String label) {
        return new Sign(label, Look.PLAIN, "");
    }

    private static Template indicating(List<Indicator.ChoiceSign> choices, Indicator.@Nullable Presence presence) {
        return with(new Indicator("i", "State", "dry", List.of(), choices, presence, null, Folding.PLAIN));
    }

    static Stream<Arguments> indicators() {
        Indicator.ChoiceSign dusty = new Indicator.ChoiceSign("yes", sign("Dusty"));
        Indicator.ChoiceSign hard = new Indicator.ChoiceSign("yes", sign("Hard"));
        Indicator.Presence known = new Indicator.Presence(sign("Known"), sign(""));
        return Stream.of(
                change("choices", indicating(List.of(dusty), null), indicating(List.of(hard), null)),
                change(
                        "presence",
                        indicating(List.of(), known),
                        indicating(List.of(), new Indicator.Presence(sign("Known"), sign("Not known")))),
                change("what it tells by", indicating(List.of(dusty), null), indicating(List.of(), known)));
    }

    static Stream<Arguments> kinds() {
        return Arrays.stream(KindFacts.values())
                .map(facts -> started(facts.starting()))
                .flatMap(kind -> others((Record & FieldKind) kind)
                        .map(each -> change(
                                each.getKey(),
                                with(Documents.field("f", kind)),
                                with(Documents.field("f", each.getValue())))));
    }

    static Stream<Arguments> documents() {
        SheetPage sheet = new SheetPage("1".repeat(64), 0, 21_000, 29_700, "");
        Page page =
                new Page("t", "", null, sheet, List.of(), List.of(Section.of("v", "", List.of(Documents.text("m")))));
        Template plain = with(Documents.text("f"));
        Template before = plain.withPages(List.of(plain.pages().getFirst(), page));
        LookupList list = LISTS[0];
        return Stream.of(
                        others(before),
                        others(page)
                                .map(each -> Map.entry(
                                        each.getKey(),
                                        before.withPages(List.of(plain.pages().getFirst(), each.getValue())))),
                        others(before.pageSettings())
                                .map(each -> Map.entry(each.getKey(), laid(before, each.getValue()))),
                        others(OWNER)
                                .map(each -> Map.entry(each.getKey(), Documents.forRoles(before, each.getValue()))),
                        others(list)
                                .map(each ->
                                        Map.entry(each.getKey(), Documents.listing(before, each.getValue(), LISTS[1]))))
                .flatMap(changes -> changes)
                .map(each -> change(each.getKey(), before, each.getValue()));
    }

    private static Template laid(Template it, PageSettings settings) {
        return new Template(
                it.title(),
                it.subtitle(),
                it.pages(),
                it.roles(),
                it.conditions(),
                it.lists(),
                it.finish(),
                settings,
                it.trials(),
                it.promises(),
                it.accepted());
    }

    private static VersionDifference difference(Template before, Template after) {
        return VersionComparison.of(before, after, Map.of(), TODAY);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource({"items", "indicators", "kinds", "documents"})
    void whateverIsChangedIsTold(String part, Template before, Template after) {
        assertThat(before).as("a change").isNotEqualTo(after);
        assertThat(difference(before, after).isNothing()).isFalse();
        assertThat(difference(after, before).isNothing()).isFalse();
        assertThat(difference(after, after).isNothing()).isTrue();
    }

    @Test
    void whatMovesIsToldWithWhereItWas() {
        Section one = Section.of("one", "One", List.of(Documents.text("a"), Documents.text("b")));
        Section two = Section.of("two", "Two", List.of(Documents.text("c")));
        Template before = Documents.onePage(one, two);
        assertThat(difference(before, Documents.onePage(two, one)).rewritten())
                .containsExactly(new Rewritten("p", before.pages().getFirst().name(), "order", "", ""));
        Section oneWithout = one.withItems(List.of(Documents.text("a")));
        Section twoWith = two.withItems(List.of(Documents.text("b"), Documents.text("c")));
        assertThat(difference(before, Documents.onePage(oneWithout, twoWith)).rewritten())
                .containsExactly(new Rewritten("b", "b", "part of", "One", "Two"));
        assertThat(difference(
                                before,
                                Documents.onePage(one.withItems(one.items().reversed()), two))
                        .rewritten())
                .containsExactly(new Rewritten("one", "One", "order", "", ""));
        // What stands between others is no other order of these.
        assertThat(difference(
                                before,
                                Documents.onePage(
                                        one.withItems(
                                                List.of(Documents.text("a"), Documents.text("d"), Documents.text("b"))),
                                        two))
                        .rewritten())
                .isEmpty();
    }

    private static FieldKind started(FieldKind kind) {
        return switch (kind) {
            case FieldKind.Choosing it -> it.withChoices(List.of(Choice.of("clay", "Clay"), Choice.of("sand", "Sand")));
            case FieldKind.Lookup ignored -> new FieldKind.Lookup("soils", "kind", Map.of());
            case FieldKind.Payment ignored -> new FieldKind.Payment("EUR", "10");
            case FieldKind other -> other;
        };
    }
}
