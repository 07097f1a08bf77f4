package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.evaluation.FilledPage.Ink;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Fills the pages of PDF files that a document is written on. */
final class PageFilling {

    private final Template template;
    private final State state;
    private final ContentWriter writer;
    private final Map<String, Item> items = new HashMap<>();
    private final Map<String, Section> rowsAround = new HashMap<>();
    private final Map<String, Integer> order = new HashMap<>();

    /** @param writer writes single items */
    PageFilling(Template template, State state, ContentWriter writer) {
        this.template = template;
        this.state = state;
        this.writer = writer;
        for (Node node : template.nodes()) {
            if (node instanceof Item item && !(node instanceof Section)) {
                items.put(node.key(), item);
                order.put(node.key(), order.size());
            }
            if (node instanceof Section section && section.isRepeating()) {
                inRows(section, section);
            }
        }
    }

    private void inRows(Section section, Section repeating) {
        for (Item item : section.items()) {
            rowsAround.put(item.key(), repeating);
            if (item instanceof Section inner) {
                inRows(inner, repeating);
            }
        }
    }

    /** The pages that are shown, filled in. */
    List<FilledPage> pages() {
        List<FilledPage> pages = new ArrayList<>();
        for (Page page : template.pages()) {
            if (page.sheet() != null && state.of(page.key()).shown()) {
                pages.add(new FilledPage(page.key(), page.sheet(), inks(page)));
            }
        }
        return pages;
    }

    private List<Ink> inks(Page page) {
        List<Ink> inks = new ArrayList<>();
        List<Place> places = new ArrayList<>(page.places());
        // What covers lies under what is written, whatever comes first in the document.
        places.sort(Comparator.comparing((Place place) -> !isCover(place))
                .thenComparing(place -> order.getOrDefault(place.item(), 0)));
        for (Place place : places) {
            Item item = items.get(place.item());
            String row = row(place);
            Ink ink = item == null || row == null ? null : ink(place, item, row);
            if (ink != null) {
                inks.add(ink);
            }
        }
        return inks;
    }

    private boolean isCover(Place place) {
        return items.get(place.item()) instanceof Overlay it && it.shape() == Overlay.OverlayShape.COVER;
    }

    /** The name of the row a place is for; empty outside of rows, null where there is no such row. */
    private @Nullable String row(Place place) {
        Section repeating = rowsAround.get(place.item());
        if (repeating == null) {
            return "";
        }
        List<String> rows = rows(repeating);
        return place.row() < rows.size() ? rows.get(place.row()) : null;
    }

    private List<String> rows(Section repeating) {
        return state.of(repeating.key()) instanceof NodeState.SectionState it && it.shown() && it.rows() != null
                ? it.rows()
                : List.of();
    }

    private @Nullable Ink ink(Place place, Item item, String row) {
        if (item instanceof Overlay overlay) {
            return state.of(ContentWriter.address(item, row)).shown()
                    ? new Ink.Drawn(place, overlay.name(), overlay.shape(), overlay.words())
                    : null;
        }
        if (!place.choice().isEmpty()) {
            return item instanceof Field field
                    ? ticked(place, field, state.of(ContentWriter.address(item, row)))
                    : null;
        }
        return switch (writer.line(item, row)) {
            case null -> null;
            case Line.Answer it ->
                it.text().isEmpty()
                        ? null
                        : new Ink.Lettered(place, it.label(), inCells(place, it.text(), item, row), it.look());
            case Line.Signature it ->
                it.signed().isEmpty() ? null : new Ink.SignedHere(place, it.label(), it.signed(), it.role());
            case Line.HandedIn it ->
                it.file().isEmpty() ? null : new Ink.PicturedHere(place, it.label(), "", it.file());
            case Line.Told it -> new Ink.Lettered(place, "", Passage.words(it.text()), it.look());
            case Line.Indicated it -> new Ink.Lettered(place, it.label(), it.text(), it.look());
            case Line.Pictured it -> new Ink.PicturedHere(place, it.label(), it.picture(), it.file());
            case Line.Ruled ignored -> null;
            case Line.Noted ignored -> null;
        };
    }

    /** Of a day whose figures have a cell each, these; of all else the words. */
    private String inCells(Place place, String words, Item item, String row) {
        int cells = place.lettering().cells();
        return cells >= FEWEST_FIGURES
                        && state.of(ContentWriter.address(item, row)) instanceof NodeState.FieldState field
                        && field.value() instanceof Value.Date(var day)
                ? writer.words().figures(day, cells)
                : words;
    }

    /** Of a day: two for each of day, month and year. */
    private static final int FEWEST_FIGURES = 6;

    private @Nullable Ink ticked(Place place, Field field, NodeState node) {
        if (!(node instanceof NodeState.FieldState stands) || !stands.shown()) {
            return null;
        }
        return isChosen(stands.value(), place.choice())
                ? new Ink.Ticked(
                        place,
                        field.label(),
                        choice(field, place.choice()),
                        place.lettering().tick())
                : null;
    }

    private static boolean isChosen(Value value, String mark) {
        if (value instanceof Value.YesNo(var yes)) {
            return mark.equals(yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO);
        }
        return chosen(value).contains(mark);
    }

    private static List<String> chosen(Value value) {
        if (value instanceof Value.Chosen(var choice, var ignored)) {
            return List.of(choice);
        }
        return value instanceof Value.ChosenSet(var all, var ignored) ? all : List.of();
    }

    private static String ownWords(Value value) {
        if (value instanceof Value.Chosen(var ignored, var words)) {
            return words;
        }
        return value instanceof Value.ChosenSet(var ignored, var words) ? words : "";
    }

    private static String choice(Field field, String id) {
        if (field.kind() instanceof FieldKind.Choosing choosing) {
            return choosing.withOther().stream()
                    .filter(each -> each.id().equals(id))
                    .map(Choice::label)
                    .findFirst()
                    .orElse(id);
        }
        return id.equals(FieldKind.YesNo.YES) ? "Yes" : "No";
    }

    /**
     * The items of which all that is shown stands at places of pages that are shown, so that nothing is left to be told
     * of them elsewhere.
     */
    Set<String> placed() {
        Map<String, List<Place>> places = new HashMap<>();
        for (Page page : template.pages()) {
            if (page.sheet() != null && state.of(page.key()).shown()) {
                page.places()
                        .forEach(place -> places.computeIfAbsent(place.item(), ignored -> new ArrayList<>())
                                .add(place));
            }
        }
        Set<String> placed = new HashSet<>();
        places.forEach((key, all) -> {
            Item item = items.get(key);
            if (item != null && standsThere(item, all)) {
                placed.add(key);
            }
        });
        // Rows are read together: where one answer of a row has no place, all of it is told.
        Set<Section> told = rowsAround.entrySet().stream()
                .filter(each -> items.containsKey(each.getKey()) && !placed.contains(each.getKey()))
                .map(Map.Entry::getValue)
                .collect(Collectors.toSet());
        rowsAround.forEach((item, repeating) -> {
            if (told.contains(repeating)) {
                placed.remove(item);
            }
        });
        return placed;
    }

    private boolean standsThere(Item item, List<Place> places) {
        Section repeating = rowsAround.get(item.key());
        List<String> rows = repeating == null ? List.of("") : rows(repeating);
        for (int i = 0; i < rows.size(); i++) {
            int row = i;
            List<Place> here =
                    places.stream().filter(place -> place.row() == row).toList();
            if (here.isEmpty() || !saysAll(item, rows.get(i), here)) {
                return false;
            }
        }
        return true;
    }

    /** Marks alone tell no words of one's own, and no choice that has no mark. */
    private boolean saysAll(Item item, String row, List<Place> places) {
        if (places.stream().anyMatch(place -> place.choice().isEmpty())
                || !(state.of(ContentWriter.address(item, row)) instanceof NodeState.FieldState stands)) {
            return true;
        }
        Set<String> marks = places.stream().map(Place::choice).collect(Collectors.toSet());
        return marks.containsAll(chosen(stands.value()))
                && ownWords(stands.value()).isEmpty();
    }
}
