package loesscape.core.editing;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldKind.ChoiceLayout;
import loesscape.core.model.Indicator;
import loesscape.core.model.Keys;
import loesscape.core.model.Look;
import loesscape.core.model.Look.Mark;
import loesscape.core.model.Look.Shade;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;

/** Adds new sections and items, each complete from the start so that it can be filled in at once. */
final class Additions {

    private static final BigDecimal FIRST_EDGE = BigDecimal.TEN;

    private static final int LONGEST_UNIT = 8;

    private Additions() {}

    static Parts add(Parts parts, Edit.Add edit) {
        Node holder = parts.node(edit.holder());
        boolean section = edit.what() == Edit.Novelty.SECTION;
        if (section ? !(holder instanceof Page) : !(holder instanceof Section)) {
            throw new Refusal("A %s cannot stand in “%s”.".formatted(section ? "section" : "field", holder.name()));
        }
        Node added = make(parts, edit);
        Parts with = parts.with(added).inserted(added.key(), edit.holder(), edit.after());
        return section ? with.holding(added.key(), List.of()) : with;
    }

    private static Node make(Parts parts, Edit.Add edit) {
        String label = edit.label().strip();
        String title = label.isEmpty() ? standIn(edit.what()) : label;
        if (edit.what() == Edit.Novelty.NUMBER) {
            return number(parts, title);
        }
        String key = key(parts, title, edit.what());
        return switch (edit.what()) {
            case SECTION -> new Section(key, title, "", null, List.of());
            case TEXT -> field(key, title, new FieldKind.Text("", 0));
            case LONG_TEXT -> field(key, title, new FieldKind.LongText("", 0));
            case EMAIL -> field(key, title, new FieldKind.Email());
            case PHONE -> field(key, title, new FieldKind.Phone(""));
            case WEB_ADDRESS -> field(key, title, new FieldKind.WebAddress());
            case NUMBER -> number(parts, title);
            case MONEY -> field(key, title, new FieldKind.Money("EUR", null, null));
            case YES_NO -> field(key, title, new FieldKind.YesNo());
            case ONE_CHOICE -> field(key, title, startingChoices());
            case DATE -> field(key, title, new FieldKind.Date(null, null));
            case NOTICE -> new Notice(key, title, null);
            case INDICATOR -> new Indicator(key, title, nearestNumber(parts, edit), startingBands(), null);
        };
    }

    private static String key(Parts parts, String title, Edit.Novelty what) {
        return Keys.from(title, what.name().toLowerCase(Locale.ROOT), parts.nodes()::containsKey);
    }

    /** A number whose label ends in a short unit, such as "Planned depth, m", takes it as its unit. */
    private static Field number(Parts parts, String title) {
        int comma = title.lastIndexOf(", ");
        String end = comma > 0 ? title.substring(comma + 2).strip() : "";
        boolean isUnit = !end.isEmpty() && end.length() <= LONGEST_UNIT && end.indexOf(' ') < 0;
        String label = isUnit ? title.substring(0, comma) : title;
        return field(
                key(parts, label, Edit.Novelty.NUMBER), label, new FieldKind.Number(2, isUnit ? end : "", null, null));
    }

    private static Field field(String key, String label, FieldKind kind) {
        return new Field(key, label, "", Field.Width.FULL, kind, null, null, null, List.of());
    }

    static FieldKind.OneChoice startingChoices() {
        return new FieldKind.OneChoice(
                List.of(new Choice("first", "First choice"), new Choice("second", "Second choice")),
                ChoiceLayout.MARKS);
    }

    private static List<Band> startingBands() {
        return List.of(
                new Band("low", "Low", new Look(Shade.MOSS, false, Mark.NONE), new Bound(FIRST_EDGE, false)),
                new Band("high", "High", new Look(Shade.OCHRE, true, Mark.WARNING), null));
    }

    /** The number closest before the place of the new indicator; failing that, the first one of the document. */
    private static String nearestNumber(Parts parts, Edit.Add edit) {
        String nearest = null;
        boolean passed = false;
        for (String page : parts.heldBy(Parts.ROOT)) {
            for (String key : parts.withContent(page)) {
                boolean number =
                        parts.node(key) instanceof Field field && field.kind().isNumeric();
                if (number && (nearest == null || !passed)) {
                    nearest = key;
                }
                passed |= key.equals(edit.after() == null ? edit.holder() : edit.after());
            }
        }
        if (nearest == null) {
            throw new Refusal("An indicator follows a number, and there is none yet. Add a number first.");
        }
        return nearest;
    }

    private static String standIn(Edit.Novelty what) {
        return switch (what) {
            case SECTION -> "New section";
            case NOTICE -> "New notice";
            case INDICATOR -> "New indicator";
            case YES_NO -> "New yes or no question";
            case ONE_CHOICE -> "New choice";
            case DATE -> "New date";
            case MONEY -> "New amount";
            case NUMBER -> "New number";
            case TEXT -> "New text";
            case LONG_TEXT -> "New long text";
            case EMAIL -> "New e-mail address";
            case PHONE -> "New telephone number";
            case WEB_ADDRESS -> "New web address";
        };
    }
}
