package loesscape.formats.form;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Keys;
import loesscape.core.model.Lettering;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.Template;
import loesscape.formats.form.FormField.Common;
import loesscape.formats.form.FormField.Option;
import loesscape.formats.form.PdfForm.FormPage;
import loesscape.formats.form.PdfForm.FormPlace;
import loesscape.formats.form.PdfForm.FormScript;

/** Makes a template of a PDF: a page for each of its pages, a question for each field, in the order they are read in. */
final class PlacedTemplate {

    private static final int LONGEST_LABEL = 200;
    private static final int LONGEST_SCRIPT = 4_000;
    private static final int MOST_CHOICES = 200;

    /** Fields whose tops differ by less, in millimetres, stand on one line. */
    private static final double LINE = 3;

    private final PdfForm form;
    private final NearestText beside;
    private final String sheet;
    private final Set<String> keys = new HashSet<>();
    private final List<PrintedPage> printed;
    private final Map<Integer, Headings> headings = new HashMap<>();

    /** Of each page, by heading. */
    private final Map<Integer, Map<String, List<Item>>> items = new HashMap<>();

    private final Map<Integer, List<Place>> places = new HashMap<>();

    PlacedTemplate(PdfForm form, List<PrintedPage> printed, String sheet) {
        this.form = form;
        this.printed = printed;
        this.beside = new NearestText(printed);
        this.sheet = sheet;
    }

    Template make(String title) {
        for (int i = 0; i < form.pages().size(); i++) {
            keys.add("page_" + (i + 1));
        }
        form.fields().stream()
                .sorted(Comparator.comparingInt(
                                (FormField field) -> first(field).page())
                        .thenComparingLong(field -> Math.round(first(field).top() / LINE))
                        .thenComparingDouble(field -> first(field).left()))
                .forEach(this::add);
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < form.pages().size(); i++) {
            pages.add(page(i));
        }
        PageSettings settings =
                new PageSettings(PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, PageSettings.Numbering.NONE, "");
        return new Template(
                line(title, LONGEST_LABEL).isEmpty() ? "Document" : line(title, LONGEST_LABEL),
                "",
                pages,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                settings,
                List.of(),
                List.of());
    }

    private Page page(int number) {
        FormPage seen = form.pages().get(number);
        List<Section> sections = new ArrayList<>();
        items.getOrDefault(number, Map.of()).forEach((heading, questions) -> {
            String title = heading.isEmpty() ? "Page " + (number + 1) : line(heading, LONGEST_LABEL);
            String key = Keys.from(title, "section", keys::contains);
            keys.add(key);
            sections.add(Section.of(key, title, questions));
        });
        return new Page(
                "page_" + (number + 1),
                "Page " + (number + 1),
                null,
                new SheetPage(
                        sheet,
                        number,
                        hundredths(seen.width()),
                        hundredths(seen.height()),
                        number == 0 ? otherScripts() : ""),
                places.getOrDefault(number, List.of()),
                sections);
    }

    private Headings headings(int page) {
        List<FormPlace> onPage = form.fields().stream()
                .flatMap(field -> placesOf(field).stream())
                .filter(place -> place.page() == page)
                .toList();
        return Headings.of(printed.get(page), onPage);
    }

    private static int hundredths(double millimetres) {
        return (int) Math.round(millimetres * 100);
    }

    private static FormPlace first(FormField field) {
        return placesOf(field).stream()
                .min(Comparator.comparingInt(FormPlace::page)
                        .thenComparingDouble(FormPlace::top)
                        .thenComparingDouble(FormPlace::left))
                .orElseThrow();
    }

    private static List<FormPlace> placesOf(FormField field) {
        return switch (field) {
            case FormField.WrittenText it -> it.places();
            case FormField.SingleMark it -> it.places();
            case FormField.MarksForOne it ->
                it.marks().stream().flatMap(mark -> mark.places().stream()).toList();
            case FormField.ChoiceList it -> it.places();
            case FormField.SignaturePlace it -> it.places();
        };
    }

    private void add(FormField field) {
        Common common = field.common();
        String label = label(field);
        String key = Keys.from(label, Keys.from(common.name(), "question", each -> false), keys::contains);
        keys.add(key);
        Field question = Field.of(key, label, kind(field));
        if (common.required()) {
            question = question.withRequired(new Condition.Always());
        }
        if (common.locked()) {
            question = question.withEditable(new Condition.Never());
        }
        FormPlace at = first(field);
        String heading = headings.computeIfAbsent(at.page(), this::headings).above(at);
        items.computeIfAbsent(at.page(), ignored -> new LinkedHashMap<>())
                .computeIfAbsent(heading, ignored -> new ArrayList<>())
                .add(question);
        String script = script(common.name());
        switch (field) {
            case FormField.WrittenText it -> place(it.places(), key, "", lettering(it), common, script);
            case FormField.SingleMark it ->
                place(it.places(), key, FieldKind.YesNo.YES, Lettering.PLAIN, common, script);
            case FormField.MarksForOne it -> {
                List<Choice> choices = choices(options(it));
                for (int i = 0; i < Math.min(choices.size(), it.marks().size()); i++) {
                    place(
                            it.marks().get(i).places(),
                            key,
                            choices.get(i).id(),
                            Lettering.PLAIN,
                            common,
                            i == 0 ? script : "");
                }
            }
            case FormField.ChoiceList it -> place(it.places(), key, "", Lettering.PLAIN, common, script);
            case FormField.SignaturePlace it -> place(it.places(), key, "", Lettering.PLAIN, common, script);
        }
    }

    private static Lettering lettering(FormField.WrittenText field) {
        if (field.combed()) {
            return Lettering.ofCells(Math.min(field.longest(), Lettering.MOST_CELLS));
        }
        return field.multiline() ? Lettering.ofLines() : Lettering.PLAIN;
    }

    private void place(
            List<FormPlace> at, String key, String choice, Lettering lettering, Common common, String script) {
        for (int i = 0; i < at.size(); i++) {
            FormPlace each = at.get(i);
            FormPage page = form.pages().get(each.page());
            int wide = hundredths(page.width());
            int high = hundredths(page.height());
            int left = Math.clamp(hundredths(each.left()), 0, Math.max(0, wide - Place.SHORTEST_SIDE));
            int top = Math.clamp(hundredths(each.top()), 0, Math.max(0, high - Place.SHORTEST_SIDE));
            int width = Math.clamp(hundredths(each.width()), Place.SHORTEST_SIDE, wide - left);
            int height = Math.clamp(hundredths(each.height()), Place.SHORTEST_SIDE, high - top);
            List<Place> onPage = places.computeIfAbsent(each.page(), ignored -> new ArrayList<>());
            if (onPage.size() < Place.MOST) {
                onPage.add(new Place(key, choice, 0, left, top, width, height, lettering, line(common.name(), 500), "")
                        .withSource(line(common.name(), 500), i == 0 ? script : ""));
            }
        }
    }

    /** What the file says of itself to people, else what is printed beside it, else its name. */
    private String label(FormField field) {
        String label = field.common().tooltip();
        if (label.isBlank()) {
            label = beside.of(first(field));
        }
        if (label.isBlank()) {
            label = Keys.words(Keys.from(field.common().name(), "question", each -> false));
        }
        return shortened(label.replaceAll("[\\s\\p{Cntrl}]+", " ").strip(), LONGEST_LABEL);
    }

    /** The beginning of a text. */
    private static String shortened(String text, int longest) {
        if (text.length() <= longest) {
            return text;
        }
        return text.substring(0, Character.isHighSurrogate(text.charAt(longest - 1)) ? longest - 1 : longest);
    }

    /** A text of the file on one line, whatever stands in it there. */
    private static String line(String text, int longest) {
        return shortened(text.replaceAll("\\p{Cntrl}+", " ").strip(), longest);
    }

    private FieldKind kind(FormField field) {
        return switch (field) {
            case FormField.WrittenText it when it.multiline() -> new FieldKind.LongText("", it.longest());
            case FormField.WrittenText it -> new FieldKind.Text("", it.longest());
            case FormField.SingleMark ignored -> new FieldKind.YesNo();
            case FormField.MarksForOne it -> FieldKind.OneChoice.of(choices(options(it)));
            case FormField.ChoiceList it when it.options().isEmpty() -> new FieldKind.Text("", 0);
            case FormField.ChoiceList it -> list(it);
            case FormField.SignaturePlace ignored -> new FieldKind.Signature();
        };
    }

    private static FieldKind list(FormField.ChoiceList field) {
        List<Choice> choices = choices(field.options());
        return field.several()
                ? new FieldKind.SeveralChoices(
                        choices, FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, field.open(), null, 0, 0)
                : new FieldKind.OneChoice(
                        choices, FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, field.open(), null);
    }

    /** The options of marks; where the file calls one by its number or not at all, by what is printed beside it. */
    private List<Option> options(FormField.MarksForOne field) {
        List<Option> options = new ArrayList<>();
        for (FormField.PlacedMark mark : field.marks()) {
            Option option = mark.option();
            String printed =
                    mark.places().isEmpty() ? "" : beside.of(mark.places().getFirst());
            boolean saysNothing = option.label().isBlank() || option.label().equals(option.stored());
            options.add(saysNothing && !printed.isBlank() ? new Option(option.stored(), printed) : option);
        }
        return options;
    }

    private static List<Choice> choices(List<Option> options) {
        Map<String, Choice> choices = new LinkedHashMap<>();
        for (Option option : options) {
            if (choices.size() == MOST_CHOICES) {
                break;
            }
            String stored = option.stored().isBlank() ? option.label() : option.stored();
            String label = shortened(
                    (option.label().isBlank() ? stored : option.label())
                            .replaceAll("\\p{Cntrl}+", " ")
                            .strip(),
                    LONGEST_LABEL);
            String words = label.isBlank() ? "Choice " + (choices.size() + 1) : label;
            String id = Keys.from(stored, "choice", each -> choices.containsKey(each) || each.equals(Choice.OTHER));
            String kept = shortened(stored.replaceAll("\\p{Cntrl}+", " ").strip(), LONGEST_LABEL);
            choices.put(id, new Choice(id, words, kept.equals(words) ? "" : kept));
        }
        return List.copyOf(choices.values());
    }

    private String script(String field) {
        return scripts(script -> script.field().equals(field));
    }

    /** Those of the file as a whole, and of buttons, which ask nothing and are no question. */
    private String otherScripts() {
        Set<String> questions =
                form.fields().stream().map(each -> each.common().name()).collect(Collectors.toSet());
        return scripts(script -> !questions.contains(script.field()));
    }

    private String scripts(Predicate<FormScript> wanted) {
        StringBuilder text = new StringBuilder();
        for (FormScript script : form.scripts()) {
            if (wanted.test(script) && text.length() < LONGEST_SCRIPT) {
                text.append(text.isEmpty() ? "" : "\n\n")
                        .append(script.event())
                        .append(": ")
                        .append(script.text().replaceAll("[\\p{Cntrl}&&[^\n\t]]", ""));
            }
        }
        return shortened(text.toString(), LONGEST_SCRIPT);
    }
}
