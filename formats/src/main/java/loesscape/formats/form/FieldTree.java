package loesscape.formats.form;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.formats.form.FormField.Common;
import loesscape.formats.form.FormField.Option;
import loesscape.formats.form.FormField.PlacedMark;
import loesscape.formats.form.PdfForm.FormPlace;
import loesscape.formats.form.PdfForm.FormScript;
import loesscape.formats.form.UnreadableForm.Reason;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jspecify.annotations.Nullable;

/**
 * The tree of fields of a form (ISO 32000-2, 12.7.4): what a field does not say itself is said by what holds it. It may lead
 * back to itself, and be deeper or larger than any form is; it is read as far as forms go.
 */
final class FieldTree {

    /** The most fields that are read. */
    private static final int MOST_FIELDS = 5_000;

    private static final int DEEPEST = 30;
    private static final int MOST_OPTIONS = 2_000;
    private static final int LONGEST = 10_000;

    // Flags by the tables of ISO 32000-2: 227 (all fields), 229 (buttons), 231 (texts), 233 (choices); bits from 1.
    private static final int READ_ONLY = 1;
    private static final int REQUIRED = 1 << 1;
    private static final int MULTILINE = 1 << 12;
    private static final int COMB = 1 << 24;
    private static final int RADIO = 1 << 15;
    private static final int PUSH_BUTTON = 1 << 16;
    private static final int EDIT = 1 << 18;
    private static final int MULTI_SELECT = 1 << 21;

    /** Table 167: not shown at all. */
    private static final int HIDDEN = 1 << 1;

    private static final COSName OFF = COSName.getPDFName("Off");

    private final COSDictionary form;
    private final List<PlacedPage> pages;
    private final IdentityHashMap<COSDictionary, Integer> widgets;
    private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    private final List<FormField> fields = new ArrayList<>();
    private final List<FormScript> scripts = new ArrayList<>();

    FieldTree(COSDictionary form, List<PlacedPage> pages, IdentityHashMap<COSDictionary, Integer> widgets) {
        this.form = form;
        this.pages = pages;
        this.widgets = widgets;
    }

    List<FormField> fields() {
        return fields;
    }

    List<FormScript> scripts() {
        return scripts;
    }

    void read(COSArray roots) {
        for (int i = 0; i < roots.size(); i++) {
            if (roots.getObject(i) instanceof COSDictionary field) {
                field(field, "", List.of());
            }
        }
    }

    private void field(COSDictionary field, String holder, List<COSDictionary> holders) {
        if (!seen.add(field) || holders.size() > DEEPEST) {
            return;
        }
        if (seen.size() > MOST_FIELDS) {
            throw new UnreadableForm(
                    Reason.TOO_MUCH, "The PDF has more than the %d fields that are read.".formatted(MOST_FIELDS));
        }
        String part = string(field.getDictionaryObject(COSName.T));
        String name = part.isEmpty() ? holder : holder.isEmpty() ? part : holder + "." + part;
        List<COSDictionary> line = new ArrayList<>(holders);
        line.addFirst(field);
        FormScripts.of(name, field, scripts);
        List<COSDictionary> places = new ArrayList<>();
        COSArray kids = field.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) {
            if (kids.getObject(i) instanceof COSDictionary kid) {
                if (kid.containsKey(COSName.T)) {
                    field(kid, name, line);
                } else if (seen.add(kid)) {
                    places.add(kid);
                    FormScripts.of(name, kid, scripts);
                }
            }
        }
        if (kids == null || kids.size() == 0) {
            places.add(field);
        }
        terminal(name, line, places);
    }

    private void terminal(String name, List<COSDictionary> line, List<COSDictionary> widgetsOfField) {
        COSName type = inherited(line, COSName.FT) instanceof COSName it ? it : null;
        List<PlacedWidget> placed = new ArrayList<>();
        for (COSDictionary widget : widgetsOfField) {
            FormPlace place = place(widget);
            if (place != null) {
                placed.add(new PlacedWidget(widget, place));
            }
        }
        if (type == null || placed.isEmpty()) {
            return;
        }
        int flags = number(inherited(line, COSName.FF));
        Common common = new Common(
                name, string(inherited(line, COSName.TU)).strip(), (flags & REQUIRED) != 0, (flags & READ_ONLY) != 0);
        List<FormPlace> places = placed.stream().map(PlacedWidget::place).toList();
        switch (type.getName()) {
            case "Tx" -> {
                int longest = Math.max(0, number(inherited(line, COSName.MAX_LEN)));
                boolean isCombed = (flags & COMB) != 0 && longest > 0;
                fields.add(new FormField.WrittenText(
                        common,
                        places,
                        (flags & MULTILINE) != 0,
                        longest,
                        isCombed,
                        string(inherited(line, COSName.V))));
            }
            case "Btn" -> {
                if ((flags & PUSH_BUTTON) == 0) {
                    marks(common, line, placed, (flags & RADIO) != 0);
                }
            }
            case "Ch" ->
                fields.add(new FormField.ChoiceList(
                        common,
                        places,
                        options(line),
                        (flags & MULTI_SELECT) != 0,
                        (flags & EDIT) != 0,
                        strings(inherited(line, COSName.V))));
            case "Sig" -> fields.add(new FormField.SignaturePlace(common, places));
            default -> {}
        }
    }

    /** A widget with the place at which it is seen. */
    private record PlacedWidget(COSDictionary widget, FormPlace place) {}

    private void marks(Common common, List<COSDictionary> line, List<PlacedWidget> placed, boolean isRadio) {
        String value = inherited(line, COSName.V) instanceof COSName name ? name.getName() : "";
        List<Option> labels = options(line);
        Map<String, List<FormPlace>> byState = new LinkedHashMap<>();
        Map<String, Option> byOption = new LinkedHashMap<>();
        String chosen = "";
        for (int i = 0; i < placed.size(); i++) {
            PlacedWidget each = placed.get(i);
            String state = onState(each.widget());
            // Where all are called alike, or by their places, Opt says what each stands for (12.7.5.2.3).
            boolean isNamed = i < labels.size() && labels.size() == placed.size();
            Option option = isNamed ? labels.get(i) : new Option(state, label(each.widget(), state));
            byState.computeIfAbsent(option.stored(), ignored -> new ArrayList<>())
                    .add(each.place());
            byOption.putIfAbsent(option.stored(), option);
            if (!value.isEmpty() && value.equals(state)) {
                chosen = option.stored();
            }
        }
        if (byState.size() == 1 && !isRadio) {
            String stored = byState.keySet().iterator().next();
            fields.add(new FormField.SingleMark(
                    common, placed.stream().map(PlacedWidget::place).toList(), stored, !chosen.isEmpty()));
            return;
        }
        List<PlacedMark> marks = new ArrayList<>();
        byOption.forEach(
                (stored, option) -> marks.add(new PlacedMark(option, byState.getOrDefault(stored, List.of()))));
        fields.add(new FormField.MarksForOne(common, marks, chosen));
    }

    private static String label(COSDictionary widget, String state) {
        String own = string(widget.getDictionaryObject(COSName.TU)).strip();
        return own.isEmpty() ? state : own;
    }

    /** The name of the look that a button has when it is set. */
    private static String onState(COSDictionary widget) {
        COSDictionary looks = widget.getCOSDictionary(COSName.AP);
        COSDictionary normal = looks == null ? null : looks.getCOSDictionary(COSName.N);
        if (normal != null && !(normal instanceof COSStream)) {
            for (COSName state : normal.keySet()) {
                if (!state.equals(OFF)) {
                    return state.getName();
                }
            }
        }
        COSName now = widget.getCOSName(COSName.AS);
        return now == null || now.equals(OFF) ? "Yes" : now.getName();
    }

    private @Nullable FormPlace place(COSDictionary widget) {
        COSArray box = widget.getCOSArray(COSName.RECT);
        Integer page = widgets.get(widget);
        if (box == null
                || box.size() < 4
                || page == null
                || (number(widget.getDictionaryObject(COSName.F)) & HIDDEN) != 0) {
            return null;
        }
        PDRectangle rectangle = new PDRectangle(box);
        return rectangle.getWidth() <= 0 || rectangle.getHeight() <= 0
                ? null
                : pages.get(page).place(page, rectangle);
    }

    private List<Option> options(List<COSDictionary> line) {
        List<Option> options = new ArrayList<>();
        if (inherited(line, COSName.OPT) instanceof COSArray array) {
            for (int i = 0; i < Math.min(array.size(), MOST_OPTIONS); i++) {
                switch (array.getObject(i)) {
                    case COSString label -> options.add(new Option(string(label), string(label)));
                    case COSArray pair
                    when pair.size() > 1 ->
                        options.add(new Option(string(pair.getObject(0)), string(pair.getObject(1))));
                    case null, default -> {}
                }
            }
        }
        return options;
    }

    /** What a field says, or the nearest that holds it, or the form. */
    private @Nullable COSBase inherited(List<COSDictionary> line, COSName key) {
        for (COSDictionary each : line) {
            COSBase value = each.getDictionaryObject(key);
            if (value != null) {
                return value;
            }
        }
        return key.equals(COSName.FT) || key.equals(COSName.FF) ? null : form.getDictionaryObject(key);
    }

    private static int number(@Nullable COSBase value) {
        return value instanceof COSNumber number ? number.intValue() : 0;
    }

    private static List<String> strings(@Nullable COSBase value) {
        if (value instanceof COSArray array) {
            List<String> all = new ArrayList<>();
            for (int i = 0; i < Math.min(array.size(), MOST_OPTIONS); i++) {
                all.add(string(array.getObject(i)));
            }
            return all;
        }
        String one = string(value);
        return one.isEmpty() ? List.of() : List.of(one);
    }

    private static String string(@Nullable COSBase value) {
        String text = switch (value) {
            case COSString string -> string.getString();
            case COSName name -> name.getName();
            case null, default -> "";
        };
        return text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }
}
