package loesscape.core.form;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.LookupList;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What a form offers to choose from in fields of each kind. */
class FormChoicesTest {

    private static List<String> offered(FieldKind kind, LookupList... lists) {
        Field field = Documents.field("f", kind);
        return FillableForm.of(PreparedTemplate.of(Documents.listing(Documents.of(field), lists)), Answers.NONE)
                .choices()
                .of(field)
                .stream()
                .map(choice -> choice.id() + "=" + choice.label())
                .toList();
    }

    @Test
    void yesAndNoInWords() {
        assertThat(offered(new FieldKind.YesNo())).containsExactly("yes=Yes", "no=No");
    }

    @Test
    void theChoicesOfAField() {
        assertThat(offered(FieldKind.OneChoice.of(List.of(Choice.of("clay", "Clay"), Choice.of("loess", "Loess")))))
                .containsExactly("clay=Clay", "loess=Loess");
    }

    @Test
    void ratingsFromOneUp() {
        assertThat(offered(new FieldKind.Rating(5))).containsExactly("1=1", "2=2", "3=3", "4=4", "5=5");
    }

    @Test
    void nothingWhereTheAnswerIsWritten() {
        assertThat(offered(new FieldKind.Text("", 0))).isEmpty();
        assertThat(offered(new FieldKind.Payment("EUR", "5"))).isEmpty();
    }

    private static LookupList soils(List<List<String>> rows) {
        return new LookupList(
                "soils",
                "Soils",
                List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("code", "Code", false)),
                rows);
    }

    private static final FieldKind CODE = new FieldKind.Lookup("soils", "code", Map.of());

    @Test
    void eachEntryOfTheColumnOnceAndNoneThatIsBlank() {
        assertThat(offered(
                        CODE,
                        soils(List.of(
                                List.of("Loess", "L"),
                                List.of("Clay", "C"),
                                List.of("Sandy loess", "L"),
                                List.of("Nameless", " ")))))
                .containsExactly("L=L", "C=C");
    }

    @Test
    void theFirstColumnToo() {
        assertThat(offered(
                        new FieldKind.Lookup("soils", "name", Map.of()),
                        soils(List.of(List.of("Loess", "L"), List.of("Clay", "C")))))
                .containsExactly("Loess=Loess", "Clay=Clay");
    }

    @Test
    void noMoreThanAnybodyLooksThrough() {
        assertThat(FormChoices.MOST).isEqualTo(500);
        assertThat(offered(CODE, soils(codes(500)))).hasSize(500);
        assertThat(offered(CODE, soils(codes(501)))).isEmpty();
        assertThat(offered(CODE, soils(Collections.nCopies(501, List.of("Loess", "L")))))
                .containsExactly("L=L");
    }

    private static List<List<String>> codes(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> List.of("Soil " + i, "c" + i))
                .toList();
    }
}
