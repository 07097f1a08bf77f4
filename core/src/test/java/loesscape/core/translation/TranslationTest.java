package loesscape.core.translation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Condition;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** Conditions as formulas and formulas as conditions: the same meaning, and the same again on the way back. */
class TranslationTest {

    @Test
    void everyConditionMeansTheSameAsItsFormulaAndComesBackFromIt() {
        int[] conditions = {0};
        int[] same = {0};
        Cases.check("conditions as formulas, five sets of answers each", 2_000, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            AsFormula asFormula = new AsFormula(PreparedTemplate.of(template));
            AsCondition asCondition = new AsCondition(PreparedTemplate.of(template));
            StringBuilder all = new StringBuilder();
            Template written = mapped(template, condition -> new Condition.Written(asFormula.of(condition)));
            Template back = mapped(template, condition -> {
                String formula = asFormula.of(condition);
                Condition read = asCondition.of(formula);
                assertThat(asCondition.of(asFormula.of(read))).as(formula).isEqualTo(read);
                all.append("%n%s%n  %s%n  %s".formatted(condition, formula, read));
                conditions[0]++;
                same[0] += read.equals(condition) ? 1 : 0;
                return read;
            });
            CompiledTemplate one = CompiledTemplate.compile(template);
            CompiledTemplate other = CompiledTemplate.compile(written);
            CompiledTemplate third = CompiledTemplate.compile(back);
            for (int i = 0; i < 5; i++) {
                Answers answers = RandomTemplates.answers(random, template);
                Context context = RandomTemplates.context(random);
                var state = one.evaluate(answers, context);
                assertThat(other.evaluate(answers, context).changedSince(state))
                        .as("as formulas: %s %n%s%n%s%n%s", all, answers, context, template)
                        .isEmpty();
                assertThat(third.evaluate(answers, context).changedSince(state))
                        .as("and back: %s", all)
                        .isEmpty();
            }
        });
        System.out.printf("%,d of %,d conditions came back in the same words%n", same[0], conditions[0]);
        // The rest held groups of one, groups in groups of their own kind, rules that are the usual ones, or formulas.
        assertThat(same[0]).isGreaterThan(conditions[0] / 2);
    }

    /** A template with every condition of its nodes replaced. */
    private static Template mapped(Template template, UnaryOperator<Condition> change) {
        List<Page> pages = new ArrayList<>();
        for (Page page : template.pages()) {
            Page changed = (Page) node(page, change);
            pages.add(new Page(
                    changed.key(),
                    changed.title(),
                    changed.shown(),
                    page.sections().stream()
                            .map(section -> section(section, change))
                            .toList()));
        }
        return template.withPages(pages);
    }

    private static Section section(Section section, UnaryOperator<Condition> change) {
        List<Item> items = new ArrayList<>();
        for (Item item : section.items()) {
            items.add(item instanceof Section inner ? section(inner, change) : (Item) node(item, change));
        }
        return ((Section) node(section, change)).withItems(items);
    }

    private static Node node(Node node, UnaryOperator<Condition> change) {
        return Logic.mapped(node, change::apply);
    }
}
