package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;

/** The example that stands at {@link Editing}. */
class EntranceTest {

    @Test
    void theExampleIsAsItSays() {
        Template empty =
                Template.of("Permit", List.of(new Page("p", "", null, List.of(Section.of("s", "Well", List.of())))));
        Template asked = Editing.apply(empty, new Edit.Add(Edit.Novelty.NUMBER, "Planned depth, m", "s", null, null));
        Template named = Editing.apply(asked, new Edit.RenameKey("planned_depth", "depth"));
        assertThatThrownBy(() -> Editing.apply(named, new Edit.RenameKey("depth", "s")))
                .isInstanceOf(Refusal.class)
                .hasMessageEndingWith(".");
        Change change = Change.between(TemplateIndex.of(asked), TemplateIndex.of(named));
        assertThat(change.reversed().applyTo(named)).isEqualTo(asked);
    }
}
