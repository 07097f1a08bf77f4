package loesscape.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand.NumberOperand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/** The documents that are measured, and their answers. */
final class Permit {

    static final int FIELDS = 200;
    static final int CONDITIONS = 300;
    static final int FOLLOWERS = 20;

    private Permit() {}

    /** The numbers a condition compares with: the field, at least so much, or the next one below thirty; both or either. */
    record Rule(int field, BigDecimal atLeast, boolean either) {

        static Rule of(int number) {
            return new Rule(number, BigDecimal.valueOf(number % 60), number % 2 == 0);
        }

        Condition condition() {
            Condition first = new Clause.Comparison("f" + field, OrderTest.AT_LEAST, new NumberOperand(atLeast), null);
            Condition second = new Clause.Comparison(
                    "f" + (field + 1), OrderTest.LESS, new NumberOperand(BigDecimal.valueOf(30)), null);
            return either ? new Condition.Any(List.of(first, second)) : new Condition.All(List.of(first, second));
        }
    }

    /** When a field is shown; null for always. Conditions look at fields further up, so that chains form. */
    static Rule shown(int field) {
        return field < 3 ? null : Rule.of(field / 2);
    }

    /** When a field is required; null for never. The first hundred carry two conditions. */
    static Rule required(int field) {
        return required(field, FIELDS, CONDITIONS);
    }

    private static Rule required(int field, int fields, int conditions) {
        return field < 3 || field >= conditions - fields + 6 ? null : Rule.of(field / 3);
    }

    /** 200 fields with 300 conditions. */
    static Template template() {
        return template(FIELDS, CONDITIONS);
    }

    /** So many fields, all but the first three with one condition, and the first of them with a second one. */
    static Template template(int fields, int conditions) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < fields; i++) {
            Rule shown = shown(i);
            Rule required = required(i, fields, conditions);
            items.add(field("f" + i)
                    .withShown(shown == null ? null : shown.condition())
                    .withRequired(required == null ? null : required.condition()));
        }
        return template(items);
    }

    /** So many fields, twenty of which follow the first. */
    static Template followers(int fields) {
        List<Item> items = new ArrayList<>();
        Clause follows = new Clause.Comparison("f0", OrderTest.MORE, new NumberOperand(BigDecimal.TEN), null);
        for (int i = 0; i < fields; i++) {
            items.add(i > 0 && i <= FOLLOWERS ? field("f" + i).withShown(follows) : field("f" + i));
        }
        return template(items);
    }

    private static Template template(List<Item> items) {
        return Template.of("T", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }

    private static Field field(String key) {
        return Field.of(key, key, new FieldKind.Number(2, "", null, null));
    }

    /** What field number so many is answered with. */
    static BigDecimal value(int field) {
        return BigDecimal.valueOf(field * 7 % 60);
    }

    static Answers answers(int fields) {
        Map<String, String> typed = new HashMap<>();
        for (int i = 0; i < fields; i++) {
            typed.put("f" + i, value(i).toString());
        }
        return new Answers(typed);
    }
}
