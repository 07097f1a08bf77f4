package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

class PreparedTemplateTest {

    /** Who looks at whom, once worked out the other way round: from the reader to what it reads. */
    @Test
    void followersAreThoseWhoLook() {
        int[] found = {0};
        Cases.check("followers", 200, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            PreparedTemplate prepared = PreparedTemplate.of(template);
            Set<String> sources = new LinkedHashSet<>();
            for (Node node : template.nodes()) {
                assertThat(prepared.uses(node.key())).isEqualTo(Logic.uses(node, SymbolTable.of(template)));
                prepared.uses(node.key()).forEach(use -> sources.addAll(use.sources()));
            }
            for (String source : sources) {
                List<String> readers = new ArrayList<>();
                for (Node node : template.nodes()) {
                    if (prepared.uses(node.key()).stream()
                            .anyMatch(use -> use.sources().contains(source))) {
                        readers.add(node.key());
                    }
                }
                assertThat(prepared.followers(source)).as(source).isEqualTo(readers);
                found[0] += readers.size();
            }
        });
        assertThat(found[0]).isGreaterThan(Cases.areAll() ? 200 : 0);
    }

    @Test
    void everyNodeIsDecidedAfterWhatItsBeingShownAndItsValueRestOn() {
        Cases.check("order", 200, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            PreparedTemplate prepared = PreparedTemplate.of(template);
            List<String> order = prepared.dependencies().order();
            assertThat(order)
                    .containsExactlyInAnyOrderElementsOf(
                            template.nodes().stream().map(Node::key).toList());
            for (Node node : template.nodes()) {
                for (Logic.Use use : prepared.uses(node.key())) {
                    for (String source : use.sources()) {
                        if (use.decides() && order.contains(source)) {
                            assertThat(order.indexOf(source))
                                    .as("%s before %s", source, node.key())
                                    .isLessThan(order.indexOf(node.key()));
                        }
                    }
                }
            }
        });
    }

    @Test
    void anEditHandsOnWhatItHasPrepared() {
        Template template = Template.of(
                "T",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of("s", "S", List.of(Field.of("name", "Name", new FieldKind.Text("", 0))))))));
        Editing.Edited edited = Editing.apply(TemplateIndex.of(template), new Edit.Relabel("name", "Full name"));
        assertThat(edited.prepared().template()).isEqualTo(edited.parts().template());
        assertThat(edited.prepared().symbols().field("name")).isNotNull();
        assertThat(edited.prepared().dependencies()).isSameAs(edited.prepared().dependencies());
    }

    @Test
    void aFormulaIsReadOnceAndItsProblemIsToldEachTime() {
        SymbolTable symbols = SymbolTable.of(Template.of("T", List.of()));
        assertThat(symbols.formula("1 + 2", null)).isSameAs(symbols.formula("1 + 2", null));
        for (int i = 0; i < 2; i++) {
            assertThatThrownBy(() -> symbols.formula("1 +", null)).isInstanceOf(FormulaProblem.class);
        }
    }
}
