package loesscape.core.model;

import static loesscape.core.testing.Documents.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** “With another” of something changes that and nothing else, of every part of a template that has such methods. */
class WithTest {

    private static final Condition ALWAYS = new Condition.Always();
    private static final Condition NEVER = new Condition.Never();
    private static final Folding FADING = new Folding(true, Folding.Motion.FADE, 100);
    private static final List<LookRule> LOOKS = List.of(new LookRule(ALWAYS, Look.PLAIN, LookRule.Extent.ITEM));
    private static final List<Band> BANDS = List.of(Band.of("b", "B", Look.PLAIN, null));
    private static final List<Choice> CHOICES = List.of(Choice.of("a", "A"));
    private static final Sign SIGN = Sign.saying("Here");

    /** Two of each, that are alike in nothing that can be changed. */
    static Stream<Arguments> pairs() {
        Page page = new Page("p", "P", null, List.of());
        return Stream.of(
                Arguments.of(
                        text("x"),
                        new Field(
                                "y",
                                "Y",
                                "Help",
                                Field.Width.HALF,
                                new FieldKind.YesNo(),
                                "owner",
                                ALWAYS,
                                NEVER,
                                ALWAYS,
                                new FieldValue.Starting("yes"),
                                BANDS,
                                LOOKS,
                                List.of(new Check(ALWAYS, "No.")),
                                FADING,
                                Medium.FILLING)),
                Arguments.of(
                        Section.of("s", "S", List.of()),
                        new Section(
                                "t",
                                "T",
                                "Help",
                                ALWAYS,
                                NEVER,
                                new Section.Rows(1, 2),
                                LOOKS,
                                FADING,
                                Medium.DOCUMENT,
                                new Origin("b", 1, Map.of()),
                                List.of(text("x")))),
                Arguments.of(
                        Notice.of("n", "N"),
                        new Notice(
                                "m", "M", List.of(new Phrase("p", ALWAYS)), 2, Medium.DOCUMENT, ALWAYS, LOOKS, FADING)),
                Arguments.of(
                        Indicator.of("i", "I", "x", List.of()),
                        new Indicator(
                                "j",
                                "J",
                                "y",
                                BANDS,
                                List.of(new Indicator.ChoiceSign("a", SIGN)),
                                new Indicator.Presence(SIGN, SIGN),
                                ALWAYS,
                                FADING)),
                Arguments.of(
                        new Picture("i", "I", "a.png", "x", null, Folding.PLAIN),
                        new Picture("j", "J", "b.png", "y", ALWAYS, FADING)),
                Arguments.of(new Divider("d", null), new Divider("e", ALWAYS)),
                Arguments.of(
                        new Overlay("o", "O", Overlay.OverlayShape.RING, "", null),
                        new Overlay("q", "Q", Overlay.OverlayShape.COVER, "W", ALWAYS)),
                Arguments.of(
                        page,
                        new Page(
                                "q",
                                "Q",
                                ALWAYS,
                                new SheetPage("f.pdf", 0, 1, 1, ""),
                                List.of(Place.of("x", 1, 2, 3, 4)),
                                List.of(Section.of("s", "S", List.of())))),
                Arguments.of(
                        Place.of("x", 1, 2, 3, 4),
                        new Place("y", "c", 1, 5, 6, 7, 8, Lettering.ofCells(3), "Source", "script")),
                Arguments.of(
                        Lettering.ofLines(), new Lettering(90, 5, false, Lettering.Alignment.END, Lettering.Tick.RING)),
                Arguments.of(
                        FieldKind.OneChoice.of(List.of()),
                        new FieldKind.OneChoice(
                                CHOICES,
                                FieldKind.OneChoice.of(CHOICES).layout(),
                                FieldKind.OneChoice.of(CHOICES).style(),
                                true,
                                new Offer("x", Map.of()))),
                Arguments.of(
                        FieldKind.SeveralChoices.of(List.of()),
                        new FieldKind.SeveralChoices(
                                CHOICES,
                                FieldKind.SeveralChoices.of(CHOICES).layout(),
                                FieldKind.SeveralChoices.of(CHOICES).style(),
                                true,
                                new Offer("x", Map.of()),
                                1,
                                2)),
                Arguments.of(Template.of("T", List.of()), Template.of("T", List.of(page))));
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void withAnotherOfSomethingChangesThatAlone(Object one, Object other) throws ReflectiveOperationException {
        int changed = 0;
        for (Method method : one.getClass().getMethods()) {
            RecordComponent component = component(one, method);
            if (component != null) {
                Object value = component.getAccessor().invoke(other);
                Object made = method.invoke(one, value);
                for (RecordComponent each : one.getClass().getRecordComponents()) {
                    Object expected =
                            each.getAccessor().invoke(each.getName().equals(component.getName()) ? other : one);
                    assertThat(each.getAccessor().invoke(made))
                            .as("%s of %s", each.getName(), method.getName())
                            .isEqualTo(expected);
                }
                changed++;
            }
        }
        assertThat(changed).isPositive();
    }

    /** What a method with a name like withTitle changes; null for other methods. */
    private static @Nullable RecordComponent component(Object of, Method method) {
        if (!method.getName().startsWith("with") || method.getParameterCount() != 1 || method.isBridge()) {
            return null;
        }
        String rest = method.getName().substring("with".length());
        String name = rest.substring(0, 1).toLowerCase(Locale.ROOT) + rest.substring(1);
        return Stream.of(of.getClass().getRecordComponents())
                .filter(it -> it.getName().equals(name) && it.getType().equals(method.getParameterTypes()[0]))
                .findFirst()
                .orElse(null);
    }
}
