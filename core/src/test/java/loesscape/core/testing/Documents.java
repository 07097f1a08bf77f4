package loesscape.core.testing;

import java.util.List;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;

/** Small documents to ask something of: one page (“p”) with one section (“s”), and what matters in it. */
public final class Documents {

    private Documents() {}

    /** Items in the section. */
    public static Template of(Item... items) {
        return onePage(Section.of("s", "", List.of(items)));
    }

    /** Other sections in its place. */
    public static Template onePage(Section... sections) {
        return Template.of("T", List.of(new Page("p", "", null, List.of(sections))));
    }

    /** The same with shared conditions. */
    public static Template sharing(Template template, SharedCondition... conditions) {
        return with(template, template.roles(), List.of(conditions), template.lists(), template.finish());
    }

    /** The same with lookup lists. */
    public static Template listing(Template template, LookupList... lists) {
        return with(template, template.roles(), template.conditions(), List.of(lists), template.finish());
    }

    /** The same with roles. */
    public static Template forRoles(Template template, Role... roles) {
        return with(template, List.of(roles), template.conditions(), template.lists(), template.finish());
    }

    /** The same with what has to hold at the end. */
    public static Template finishing(Template template, FinishRule... rules) {
        return with(template, template.roles(), template.conditions(), template.lists(), List.of(rules));
    }

    private static Template with(
            Template template,
            List<Role> roles,
            List<SharedCondition> conditions,
            List<LookupList> lists,
            List<FinishRule> finish) {
        return new Template(
                template.title(),
                template.subtitle(),
                template.pages(),
                roles,
                conditions,
                lists,
                finish,
                template.pageSettings(),
                template.trials(),
                template.promises(),
                template.accepted());
    }

    /** A field labelled with its key. */
    public static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }

    /** A field for numbers with two decimals, without limits. */
    public static Field number(String key) {
        return field(key, new FieldKind.Number(2, "", null, null));
    }

    /** A field for a line of text. */
    public static Field text(String key) {
        return field(key, new FieldKind.Text("", 0));
    }

    /** A field for yes or no. */
    public static Field yesNo(String key) {
        return field(key, new FieldKind.YesNo());
    }

    /** A section in rows. */
    public static Section rows(String key, int least, int most, Item... items) {
        return Section.of(key, "", List.of(items)).withRows(new Section.Rows(least, most));
    }
}
