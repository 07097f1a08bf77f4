package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import org.jspecify.annotations.Nullable;

/** Adds what a printed page asks where it belongs: under its heading, in reading order. */
final class PrintedQuestions {

    /** What differs by less from top to bottom, in hundredths of a millimetre, stands on one line. */
    private static final int LINE = 300;

    private static final Comparator<Place> READING =
            Comparator.<Place>comparingInt(place -> place.top() / LINE).thenComparingInt(Place::left);

    private PrintedQuestions() {}

    static TemplateIndex add(TemplateIndex parts, Edit.AddPrinted edit) {
        Placing.sheet(parts, edit.page());
        TemplateIndex with = parts;
        for (Edit.PrintedQuestion question : edit.questions()) {
            with = add(with, edit.page(), question);
        }
        return with;
    }

    private static TemplateIndex add(TemplateIndex parts, String pageKey, Edit.PrintedQuestion question) {
        Placing.checkHasPlace(question.what());
        Page page = (Page) parts.node(pageKey);
        Place at = question.marks().isEmpty()
                ? question.place()
                : question.marks().getFirst().place();
        TemplateIndex with = underHeading(parts, page, question.heading().strip());
        String section =
                Objects.requireNonNull(section(with, pageKey, question.heading().strip()));
        String before = before(with, section, page.places(), at);
        List<String> all = List.copyOf(with.heldBy(section));
        with = Additions.add(with, new Edit.Add(question.what(), question.label(), section, before));
        String key = with.heldBy(section).stream()
                .filter(each -> !all.contains(each))
                .findFirst()
                .orElseThrow();
        List<Place> places = new ArrayList<>(page.places());
        if (question.marks().isEmpty()) {
            places.add(question.place().ofItem(key).ofChoice(""));
        } else {
            with = with.with(marked(with.node(key), question.marks()));
            List<String> choices = choices((Field) with.node(key));
            for (int i = 0; i < question.marks().size(); i++) {
                places.add(question.marks().get(i).place().ofItem(key).ofChoice(choices.get(i)));
            }
        }
        return with.with(((Page) with.node(pageKey)).withPlaces(places));
    }

    private static TemplateIndex underHeading(TemplateIndex parts, Page page, String heading) {
        if (heading.isEmpty() || section(parts, page.key(), heading) != null) {
            return heading.isEmpty() ? Placing.withSection(parts, page) : parts;
        }
        List<String> sections = parts.heldBy(page.key());
        String after = sections.isEmpty() ? null : sections.getLast();
        return Additions.add(parts, new Edit.Add(Edit.Novelty.SECTION, heading, page.key(), after));
    }

    /** The section of a heading; without one the last, and null where there is none. */
    private static @Nullable String section(TemplateIndex parts, String page, String heading) {
        List<String> sections = parts.heldBy(page);
        if (heading.isEmpty()) {
            return sections.getLast();
        }
        return sections.stream()
                .filter(key -> parts.node(key) instanceof Section section
                        && section.title().equals(heading))
                .findFirst()
                .orElse(null);
    }

    /** The last item of a section that stands before a place on the page; null where it is the first. */
    private static @Nullable String before(TemplateIndex parts, String section, List<Place> places, Place at) {
        String before = null;
        for (String key : parts.heldBy(section)) {
            Place first = places.stream()
                    .filter(place -> place.item().equals(key))
                    .min(READING)
                    .orElse(null);
            if (first == null || READING.compare(first, at) <= 0) {
                before = key;
            }
        }
        return before;
    }

    /** A question whose choices are what its marks say. */
    private static Field marked(Node node, List<Edit.PrintedMark> marks) {
        if (node instanceof Field field) {
            if (field.kind() instanceof FieldKind.Choosing choosing) {
                return field.withKind(choosing.withChoices(choices(marks)));
            }
            if (field.kind() instanceof FieldKind.YesNo && marks.size() <= 2) {
                return field;
            }
        }
        throw new Refusal("“%s” is not answered by %d marks.".formatted(node.name(), marks.size()));
    }

    private static List<Choice> choices(List<Edit.PrintedMark> marks) {
        Map<String, Choice> choices = new LinkedHashMap<>();
        for (Edit.PrintedMark mark : marks) {
            String label = mark.label().isBlank()
                    ? "Choice " + (choices.size() + 1)
                    : mark.label().strip();
            String id = Keys.from(label, "choice", it -> choices.containsKey(it) || it.equals(Choice.OTHER));
            choices.put(id, Choice.of(id, label));
        }
        return List.copyOf(choices.values());
    }

    private static List<String> choices(Field field) {
        return field.kind() instanceof FieldKind.Choosing choosing
                ? choosing.choices().stream().map(Choice::id).toList()
                : List.of(FieldKind.YesNo.YES, FieldKind.YesNo.NO);
    }
}
