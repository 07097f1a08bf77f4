package loesscape.formats.fillable;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.form.FillableForm;
import loesscape.core.form.FormChoices;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Sign;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;
import loesscape.formats.json.Json;
import loesscape.formats.paper.PaperWords;
import org.jspecify.annotations.Nullable;

/** What the script of a form is told of its fields: how each is read and dressed, what each can say. */
final class FormControls {

    private final FillableForm form;
    private final FormChoices choices;
    private final AnswerWords answers;
    private final PaperWords words;
    private final Map<String, Object> controls = new LinkedHashMap<>();
    private final Map<String, Object> signs = new LinkedHashMap<>();
    private final Set<String> covers = new LinkedHashSet<>();

    FormControls(FillableForm form) {
        this.form = form;
        this.choices = form.choices();
        this.answers = AnswerWords.in(form.template().symbols().language());
        this.words = new PaperWords(form.template().template().pageSettings().language());
    }

    /** Whether it is filled in by whoever fills in the form. */
    static boolean isTyped(Field field) {
        return field.isTyped() && !(field.value() instanceof FieldValue.WorkedOut);
    }

    static boolean takesOwnWords(Field field) {
        return field.kind() instanceof FieldKind.Choosing it && it.other();
    }

    static int longest(Field field) {
        return switch (field.kind()) {
            case FieldKind.Text it -> it.longest();
            case FieldKind.LongText it -> it.longest();
            default -> 0;
        };
    }

    /** What can be chosen; none where the answer is written. */
    List<Choice> offered(Field field) {
        return choices.of(field);
    }

    /** An answer in words. */
    String said(Field field, Value value) {
        return answers.of(field.kind(), value);
    }

    void add(Field field, String address, String kind, List<String> ids) {
        Map<String, Object> control = new LinkedHashMap<>();
        control.put("kind", kind);
        control.put("label", field.label());
        control.put("computed", !isTyped(field));
        control.put("own", takesOwnWords(field));
        List<Choice> offered = offered(field);
        if (!offered.isEmpty() && (kind.equals("list") || !isTyped(field))) {
            control.put(
                    "items",
                    offered.stream()
                            .map(choice -> List.of(choice.label(), choice.id()))
                            .toList());
        }
        if (!ids.isEmpty()) {
            control.put("ids", ids);
        }
        controls.put(address, control);
    }

    void addCover(String address) {
        covers.add(address);
    }

    void addSign(SlotUse.Shown shown) {
        Map<String, Object> said = new LinkedHashMap<>();
        Indicator indicator = shown.indicator();
        List<String> ids = new ArrayList<>(List.of(Indicator.ANSWERED, Indicator.BLANK));
        indicator.bands().forEach(band -> ids.add(band.id()));
        indicator.choices().forEach(choice -> ids.add(choice.choice()));
        for (String id : ids) {
            indicator.sign(id).ifPresent(sign -> said.put(id, sign(sign)));
        }
        signs.put(shown.address(), said);
    }

    private static List<@Nullable Object> sign(Sign sign) {
        List<@Nullable Object> both = new ArrayList<>();
        both.add(sign.label());
        both.add(colours(sign.look()));
        return both;
    }

    /** Colours of letters and beneath them; null for the usual ones. */
    private static @Nullable List<List<Object>> colours(Look look) {
        Look.Colours colours =
                look.colours() != null ? look.colours() : look.shade().colours();
        return colours == null ? null : List.of(colour(colours.text()), colour(colours.fill()));
    }

    private static List<Object> colour(String colour) {
        List<Object> parts = new ArrayList<>(List.of("RGB"));
        for (int at = 1; at < 7; at += 2) {
            parts.add(Double.parseDouble(String.format(
                    Locale.ROOT, "%.3f", Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0)));
        }
        return parts;
    }

    /** Declares all that was told. */
    String text() {
        Map<String, Object> looks = new LinkedHashMap<>();
        Map<String, Object> bands = new LinkedHashMap<>();
        for (Node node : form.template().template().nodes()) {
            List<LookRule> rules = Logic.looks(node);
            if (!rules.isEmpty()) {
                List<@Nullable Object> all = new ArrayList<>();
                rules.forEach(rule -> all.add(colours(rule.look())));
                looks.put(node.key(), all);
            }
            if (node instanceof Field field && !field.bands().isEmpty()) {
                Map<String, Object> own = new LinkedHashMap<>();
                for (Band band : field.bands()) {
                    List<List<Object>> colours = colours(band.look());
                    if (colours != null) {
                        own.put(band.id(), colours);
                    }
                }
                bands.put(node.key(), own);
            }
        }
        Map<String, Object> say = new LinkedHashMap<>();
        for (String name : List.of("stillNeeded", "toMend", "complete", "unreadable", "limits")) {
            say.put(name, words.of(name));
        }
        return Map.of(
                        "controls",
                        controls,
                        "signs",
                        signs,
                        "covers",
                        covers,
                        "looks",
                        looks,
                        "bands",
                        bands,
                        "say",
                        say)
                .entrySet()
                .stream()
                .sorted(Map.Entry.comparingByKey())
                .map(each -> "loess." + each.getKey() + "=" + Json.ascii(each.getValue()) + ";\n")
                .collect(Collectors.joining());
    }
}
