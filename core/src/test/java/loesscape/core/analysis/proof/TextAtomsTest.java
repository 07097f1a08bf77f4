package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.FieldKind;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** The texts that clauses tell apart, and whether these are all the ways in which any text can meet them. */
class TextAtomsTest {

    private static List<Region> regions(FieldKind kind, boolean isWorkedOut, Clause... clauses) {
        return new TextAtoms(
                        Documents.field("f", kind),
                        List.of(clauses),
                        new ClauseMeaning(PreparedTemplate.of(Documents.of(Documents.field("f", kind)))
                                .symbols()))
                .regions(isWorkedOut);
    }

    /** How many ways are known, with one more where there may be others. */
    private static String told(FieldKind kind, Clause... clauses) {
        List<Region> regions = regions(kind, false, clauses);
        long known = regions.stream().filter(region -> region.value() != null).count();
        return known + (known < regions.size() ? " and others" : "");
    }

    private static Clause text(TextTest test, String text) {
        return new Clause.TextClause("f", test, text, false, null);
    }

    private static Clause length(OrderTest test, int length) {
        return new Clause.LengthClause("f", test, length, null);
    }

    private static final FieldKind TEXT = new FieldKind.Text("", 0);

    @Test
    void withoutClausesOneTextStandsForAll() {
        assertThat(told(TEXT)).isEqualTo("1");
        assertThat(told(TEXT, new Clause.Answered("f"))).isEqualTo("1");
        assertThat(told(new FieldKind.Email())).isEqualTo("1");
    }

    @Test
    void ofTextsThatAreAskedForAllWaysAreKnown() {
        assertThat(told(TEXT, text(TextTest.IS, "Ida"))).isEqualTo("2");
        assertThat(told(TEXT, text(TextTest.IS, "Ida"), text(TextTest.IS_NOT, "Oda")))
                .isEqualTo("3");
        assertThat(told(new FieldKind.LongText("", 0), text(TextTest.IS, "Ida")))
                .isEqualTo("2");
    }

    @Test
    void ofLengthsToo() {
        assertThat(told(TEXT, length(OrderTest.AT_LEAST, 3))).isEqualTo("2");
        assertThat(told(TEXT, length(OrderTest.EQUAL, 3), length(OrderTest.MORE, 3)))
                .isEqualTo("3");
        assertThat(told(new FieldKind.Text("", 2), length(OrderTest.AT_LEAST, 3)))
                .isEqualTo("1");
    }

    @Test
    void otherwiseThereMayBeOthers() {
        assertThat(told(TEXT, text(TextTest.CONTAINS, "Ida"))).isEqualTo("2 and others");
        assertThat(told(TEXT, text(TextTest.MATCHES, "[0-9]{4}"))).endsWith(" and others");
        assertThat(told(TEXT, text(TextTest.IS, "Ida"), length(OrderTest.AT_LEAST, 3)))
                .endsWith(" and others");
        assertThat(told(TEXT, new Clause.TextClause("f", TextTest.IS, "Ida", true, null)))
                .endsWith(" and others");
        assertThat(told(new FieldKind.Email(), text(TextTest.IS, "ida@example.com")))
                .endsWith(" and others");
        // No room for a text beside the one that is asked for.
        assertThat(told(new FieldKind.Text("", 4), text(TextTest.IS, "Ida"))).endsWith(" and others");
        assertThat(told(new FieldKind.Text("", 6), text(TextTest.IS, "Ida"))).isEqualTo("2");
    }

    @Test
    void whatIsWorkedOutNeedNotKeepTheLimitsOfItsField() {
        assertThat(regions(TEXT, true, text(TextTest.IS, "Ida"))).contains(Region.UNKNOWN);
        assertThat(regions(TEXT, false, text(TextTest.IS, "Ida"))).doesNotContain(Region.UNKNOWN);
    }

    @Test
    void ofMoreTextsThanAreTriedThereMayBeOthers() {
        Clause[] many = IntStream.range(0, 200)
                .mapToObj(i -> text(TextTest.IS, "name " + i))
                .toArray(Clause[]::new);
        assertThat(told(TEXT, many)).endsWith(" and others");
    }
}
