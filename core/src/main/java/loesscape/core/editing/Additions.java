package loesscape.core.editing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Keys;
import loesscape.core.model.KindFacts;
import loesscape.core.model.Look;
import loesscape.core.model.Look.Mark;
import loesscape.core.model.Look.Shade;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Section;

/** Adds new sections and items, each complete from the start so that it can be filled in at once. */
final class Additions {

    private static final BigDecimal FIRST_EDGE = BigDecimal.TEN;
    private static final LocalDate FIRST_DAY = LocalDate.of(2030, 1, 1);

    private static final Pattern CHOICES = Pattern.compile("(?<question>.+?(\\?|:)) +(?<choices>[^?:]+ / .+)");

    private static final int LONGEST_UNIT = 8;
    private static final int STARTING_ROWS = 20;

    private Additions() {}

    static TemplateIndex add(TemplateIndex parts, Edit.Add edit) {
        Node added = make(parts, edit);
        if (!(added instanceof Page)) {
            checkFits(parts, added, edit.holder());
        }
        String holder = added instanceof Page ? TemplateIndex.ROOT : edit.holder();
        TemplateIndex with = parts.with(added).inserted(added.key(), holder, edit.after());
        TemplateIndex held =
                added instanceof Page || added instanceof Section ? with.holding(added.key(), List.of()) : with;
        return edit.shown() == null
                ? held
                : Conditions.set(
                        held, new Edit.SetCondition(List.of(added.key()), List.of(Aspect.SHOWN), edit.shown()));
    }

    private static void checkFits(TemplateIndex parts, Node added, String holder) {
        Node at = parts.node(holder);
        boolean fits = added instanceof Section ? at instanceof Page || at instanceof Section : at instanceof Section;
        if (!fits) {
            throw new Refusal(
                    "A %s cannot stand in “%s”.".formatted(added instanceof Section ? "section" : "field", at.name()));
        }
    }

    private static Node make(TemplateIndex parts, Edit.Add edit) {
        String label = edit.label().strip();
        String title = label.isEmpty() ? standIn(edit.what()) : label;
        String key = key(parts, title, edit.what());
        return switch (edit.what()) {
            case PAGE -> new Page(key, title, null, List.of());
            case SECTION -> Section.of(key, title, List.of());
            case REPEATING_SECTION -> Section.of(key, title, List.of()).withRows(new Section.Rows(1, STARTING_ROWS));
            case NUMBER -> number(parts, title);
            case ONE_CHOICE, SEVERAL_CHOICES -> choice(parts, title, edit.what());
            case LOOKUP -> Field.of(key, title, lookup(parts));
            case TEXT, LONG_TEXT, EMAIL, PHONE, WEB_ADDRESS, MONEY, RATING, YES_NO, DATE, TIME ->
                Field.of(key, title, starting(edit.what()));
            case SIGNATURE, INITIALS, DATE_SIGNED, ATTACHMENT, PICTURE_FIELD, PAYMENT ->
                Field.of(key, title, starting(edit.what()));
            case WORKED_OUT ->
                Field.of(key, title, KindFacts.NUMBER.starting()).withValue(new FieldValue.WorkedOut("0", false));
            case NOTICE -> Notice.of(key, title);
            case INDICATOR -> Indicator.of(key, title, nearestNumber(parts, edit), startingBands(false));
            case PICTURE -> new Picture(key, label, "", "", null, Folding.PLAIN);
            case DIVIDER -> new Divider(key, null);
            case STROKE -> new Overlay(key, label, Overlay.OverlayShape.STROKE, "", null);
            case RING -> new Overlay(key, label, Overlay.OverlayShape.RING, "", null);
            case COVER -> new Overlay(key, label, Overlay.OverlayShape.COVER, "", null);
        };
    }

    private static FieldKind starting(Edit.Novelty what) {
        return Objects.requireNonNull(what.kind(), what.name()).starting();
    }

    static TemplateIndex lookups(TemplateIndex parts, Edit.AddLookups edit) {
        LookupList list = parts.rest().lists().get(edit.list());
        if (list == null) {
            throw new Refusal("There is no lookup list “%s” any more.".formatted(edit.list()));
        }
        TemplateIndex with = parts;
        String after = edit.after();
        Map<String, String> filters = new LinkedHashMap<>();
        for (LookupList.Column column : list.columns()) {
            String key = Keys.from(column.title(), "lookup", with::uses);
            Field field =
                    Field.of(key, column.title(), new FieldKind.Lookup(list.key(), column.key(), Map.copyOf(filters)));
            Moves.checkFits(with, field, edit.holder());
            with = with.with(field).inserted(key, edit.holder(), after);
            filters.put(column.key(), key);
            after = key;
        }
        return with;
    }

    private static FieldKind lookup(TemplateIndex parts) {
        LookupList list = parts.rest().lists().values().stream()
                .findFirst()
                .orElseThrow(() -> new Refusal("There is no lookup list yet to choose from. Add a list first."));
        return new FieldKind.Lookup(list.key(), list.columns().getFirst().key(), Map.of());
    }

    private static String key(TemplateIndex parts, String title, Edit.Novelty what) {
        return Keys.from(title, what.name().toLowerCase(Locale.ROOT), parts::uses);
    }

    /** A number whose label ends in a short unit, such as "Planned depth, m", takes it as its unit. */
    private static Field number(TemplateIndex parts, String title) {
        int comma = title.lastIndexOf(", ");
        String end = comma > 0 ? title.substring(comma + 2).strip() : "";
        boolean isUnit = !end.isEmpty() && end.length() <= LONGEST_UNIT && end.indexOf(' ') < 0;
        String label = isUnit ? title.substring(0, comma) : title;
        return Field.of(
                key(parts, label, Edit.Novelty.NUMBER), label, new FieldKind.Number(2, isUnit ? end : "", null, null));
    }

    /** A question, with its choices where they are written behind it: “Which machine? Pump / Auger / Neither”. */
    private static Field choice(TemplateIndex parts, String title, Edit.Novelty what) {
        Matcher written = CHOICES.matcher(title);
        boolean isWritten = written.matches();
        String label = isWritten ? written.group("question").replaceFirst("\\s*:$", "") : title;
        List<Choice> choices = startingChoices().choices();
        if (isWritten) {
            Map<String, Choice> named = new LinkedHashMap<>();
            for (String each : written.group("choices").split(" / ", -1)) {
                String words = each.strip();
                if (!words.isEmpty()) {
                    String id = Keys.from(words, "choice", it -> named.containsKey(it) || it.equals(Choice.OTHER));
                    named.put(id, Choice.of(id, words));
                }
            }
            choices = List.copyOf(named.values());
        }
        return Field.of(
                key(parts, label, what),
                label,
                what == Edit.Novelty.ONE_CHOICE
                        ? FieldKind.OneChoice.of(choices)
                        : FieldKind.SeveralChoices.of(choices));
    }

    static FieldKind.OneChoice startingChoices() {
        return FieldKind.OneChoice.of(
                List.of(Choice.of("first", "First choice"), Choice.of("second", "Second choice")));
    }

    static List<Band> startingBands(boolean ofDays) {
        Bound edge = ofDays ? Bound.of(FIRST_DAY, false) : new Bound(FIRST_EDGE, false);
        return List.of(
                Band.of("low", ofDays ? "Early" : "Low", Look.of(Shade.MOSS, false, Mark.NONE), edge),
                Band.of("high", ofDays ? "Late" : "High", Look.of(Shade.OCHRE, true, Mark.WARNING), null));
    }

    /** The number closest before the place of the new indicator; failing that, the first one of the document. */
    private static String nearestNumber(TemplateIndex parts, Edit.Add edit) {
        String nearest = null;
        boolean passed = false;
        for (String page : parts.heldBy(TemplateIndex.ROOT)) {
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
            case PAGE -> "New page";
            case SECTION -> "New section";
            case REPEATING_SECTION -> "New rows";
            case NOTICE -> "New notice";
            case INDICATOR -> "New indicator";
            case PICTURE -> "Picture";
            case DIVIDER -> "Divider";
            case STROKE -> "Stroke";
            case RING -> "Ring";
            case COVER -> "Cover";
            case YES_NO -> "New yes or no question";
            case ONE_CHOICE -> "New choice";
            case SEVERAL_CHOICES -> "New choices";
            case LOOKUP -> "New lookup";
            case DATE -> "New date";
            case TIME -> "New time";
            case SIGNATURE -> "Signature";
            case INITIALS -> "Initials";
            case DATE_SIGNED -> "Date signed";
            case ATTACHMENT -> "New attachment";
            case PICTURE_FIELD -> "New picture";
            case PAYMENT -> "New payment";
            case WORKED_OUT -> "New worked-out value";
            case MONEY -> "New amount";
            case RATING -> "New rating";
            case NUMBER -> "New number";
            case TEXT -> "New text";
            case LONG_TEXT -> "New long text";
            case EMAIL -> "New e-mail address";
            case PHONE -> "New telephone number";
            case WEB_ADDRESS -> "New web address";
        };
    }
}
