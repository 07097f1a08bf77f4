package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** What is read from a text is written as a text that is read as the same. */
class TypedTextTest {

    private static final List<Choice> CHOICES = List.of(Choice.of("a", "A"), Choice.of("b", "B"), Choice.of("c", "C"));

    private static final List<FieldKind> KINDS = List.of(
            new FieldKind.Text("", 0),
            new FieldKind.Number(2, "m", null, null),
            new FieldKind.YesNo(),
            new FieldKind.Signature(),
            FieldKind.OneChoice.of(CHOICES),
            FieldKind.SeveralChoices.of(CHOICES));

    @Test
    void everyValueIsReadAgain() {
        Cases.check("typed text", 2_000, (random, size) -> {
            FieldKind kind = KINDS.get(random.nextInt(KINDS.size()));
            comesBack(kind, RandomTemplates.typed(random, kind));
        });
    }

    @Test
    void thisIsHowKindsThatAreRarelyWorkedOutComeBack() {
        comesBack(new FieldKind.DateSigned(), "2026-02-28");
        comesBack(new FieldKind.Attachment(3, 5, List.of()), "abc 12 a map.pdf\ndef 3 b.png");
        comesBack(new FieldKind.Payment("EUR", "10"), "10.5 ref-1");
        FieldKind several = new FieldKind.SeveralChoices(
                CHOICES, FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, true, null, 0, 0);
        comesBack(several, "b,a,=something, with commas");
        FieldKind one =
                new FieldKind.OneChoice(CHOICES, FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, true, null);
        comesBack(one, "=own words");
        assertThat(TypedText.of(Reading.of(several, "b,=x", all(several)).value()))
                .isEqualTo("b,=x");
    }

    private static Offered all(FieldKind kind) {
        return new Offered(
                kind.offered().stream().map(Choice::id).toList(),
                false,
                kind instanceof FieldKind.Choosing it && it.other());
    }

    private static void comesBack(FieldKind kind, String typed) {
        Reading read = Reading.settled(kind, typed);
        if (read instanceof Reading.Read) {
            assertThat(Reading.settled(kind, TypedText.of(read.value())).value())
                    .as("%s: “%s”", kind, typed)
                    .isEqualTo(read.value());
        }
    }
}
