package loesscape.core.analysis;

import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;

/** Who follows whom, and how deep it lies. */
class BondsTest {

    private static Condition answered(String field) {
        return new Clause.Answered(field);
    }

    private static Map<String, Bonds.Bond> bonds() {
        Page plain = new Page(
                "first",
                "",
                null,
                List.of(
                        Section.of(
                                "asked",
                                "",
                                List.of(
                                        number("depth"),
                                        number("fee")
                                                .withValue(new FieldValue.WorkedOut(
                                                        "depth * 2 + sum(cores.length)", false)))),
                        rows("cores", 0, 3, number("length"))));
        Section inner = Section.of("inner", "", List.of(text("deepest").withShown(answered("fee")), text("beside")))
                .withShown(answered("depth"));
        Page folded = new Page(
                "second",
                "",
                answered("depth"),
                List.of(Section.of("outer", "", List.of(inner, text("other"))).withShown(answered("fee"))));
        return Bonds.of(PreparedTemplate.of(Template.of("Wells", List.of(plain, folded))))
                .nodes();
    }

    private static Bonds.Bond of(String key) {
        return bonds().getOrDefault(key, new Bonds.Bond(List.of("nothing"), List.of(), -1));
    }

    @Test
    void everyNodeHasItsBonds() {
        assertThat(bonds().keySet())
                .containsExactly(
                        "first", "asked", "depth", "fee", "cores", "length", "second", "outer", "inner", "deepest",
                        "beside", "other");
    }

    @Test
    void aNodeFollowsWhatItLooksAtInAnyWay() {
        assertThat(of("fee").follows()).containsExactlyInAnyOrder("depth", "cores", "length");
        assertThat(of("deepest").follows()).containsExactly("fee");
        assertThat(of("depth").follows()).isEmpty();
    }

    @Test
    void itsFollowersAreThoseThatLookAtIt() {
        assertThat(of("depth").followers()).containsExactlyInAnyOrder("fee", "second", "inner");
        assertThat(of("fee").followers()).containsExactlyInAnyOrder("outer", "deepest");
        assertThat(of("other").followers()).isEmpty();
    }

    @Test
    void itLiesAsDeepAsItAndWhatHoldsItHaveConditions() {
        Map<String, Integer> depths = new LinkedHashMap<>();
        bonds().forEach((key, bond) -> depths.put(key, bond.depth()));
        assertThat(depths)
                .isEqualTo(Map.ofEntries(
                        Map.entry("first", 0),
                        Map.entry("asked", 0),
                        Map.entry("depth", 0),
                        Map.entry("fee", 0),
                        Map.entry("cores", 0),
                        Map.entry("length", 0),
                        Map.entry("second", 1),
                        Map.entry("outer", 2),
                        Map.entry("inner", 3),
                        Map.entry("deepest", 4),
                        Map.entry("beside", 3),
                        Map.entry("other", 2)));
    }
}
