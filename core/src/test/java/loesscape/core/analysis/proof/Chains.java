package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/** Questions each of which is asked when the one before was answered with yes. */
final class Chains {

    private Chains() {}

    static Template of(int length) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < length; i++) {
            Field field = Field.of("f" + i, "Question " + i, new FieldKind.YesNo());
            items.add(
                    i == 0
                            ? field
                            : field.withShown(new Clause.ChoiceClause(
                                    "f" + (i - 1), Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null)));
        }
        return Template.of("Chain", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }
}
