package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;

/** Sets what stands where on the pages of a PDF. */
final class Placing {

    /** The side of a new mark and how far the next one is below it: 5 and 6 millimetres, as one writes by hand. */
    private static final int MARK = 500;

    private static final int NEXT_MARK = 600;

    private static final Set<Edit.Novelty> WITHOUT_PLACE =
            Set.of(Edit.Novelty.PAGE, Edit.Novelty.SECTION, Edit.Novelty.REPEATING_SECTION, Edit.Novelty.DIVIDER);

    private Placing() {}

    static TemplateIndex set(TemplateIndex parts, Edit.SetPlaces edit) {
        return parts.with(page(parts, edit.page()).withPlaces(edit.places()));
    }

    private static Page page(TemplateIndex parts, String key) {
        sheet(parts, key);
        return (Page) parts.node(key);
    }

    static SheetPage sheet(TemplateIndex parts, String key) {
        SheetPage sheet = parts.node(key) instanceof Page page ? page.sheet() : null;
        if (sheet != null) {
            return sheet;
        }
        throw new Refusal(
                "“%s” is not a page of a PDF.".formatted(parts.node(key).name()));
    }

    static TemplateIndex add(TemplateIndex parts, Edit.AddAt edit) {
        Page page = page(parts, edit.page());
        checkHasPlace(edit.what());
        TemplateIndex with = withSection(parts, page);
        String section = with.heldBy(edit.page()).getLast();
        List<String> items = with.heldBy(section);
        String after = items.isEmpty() ? null : items.getLast();
        with = Additions.add(with, new Edit.Add(edit.what(), edit.label(), section, after));
        Node added = with.node(with.heldBy(section).getLast());
        List<Place> places = new ArrayList<>(page.places());
        places.addAll(places(added, edit.place(), sheet(parts, edit.page())));
        return with.with(page.withPlaces(places));
    }

    static void checkHasPlace(Edit.Novelty what) {
        if (WITHOUT_PLACE.contains(what)) {
            throw new Refusal("Pages, sections and dividers have no place of their own.");
        }
    }

    /** With a section on a page that has none. */
    static TemplateIndex withSection(TemplateIndex parts, Page page) {
        return parts.heldBy(page.key()).isEmpty()
                ? Additions.add(parts, new Edit.Add(Edit.Novelty.SECTION, page.title(), page.key(), null))
                : parts;
    }

    /** The place of an item; of a choice one for each mark, one below the other. */
    private static List<Place> places(Node added, Place drawn, SheetPage sheet) {
        Place place = drawn.ofItem(added.key()).ofChoice("");
        if (!(added instanceof Field field) || !(field.kind() instanceof FieldKind.Choosing choosing)) {
            return List.of(place);
        }
        List<Place> places = new ArrayList<>();
        int side = Math.min(MARK, Math.min(place.width(), place.height()));
        int top = place.top();
        for (Choice choice : choosing.withOther()) {
            int within = Math.min(top, sheet.height() - side);
            places.add(new Place(
                    place.item(),
                    choice.id(),
                    place.row(),
                    place.left(),
                    within,
                    side,
                    side,
                    place.lettering(),
                    "",
                    ""));
            top += NEXT_MARK;
        }
        return places;
    }

    /** Places go with what stands there: with an item that is deleted, and with a choice that is taken away. */
    static TemplateIndex tidied(TemplateIndex parts) {
        TemplateIndex tidied = parts;
        for (String key : parts.heldBy(TemplateIndex.ROOT)) {
            if (parts.node(key) instanceof Page page) {
                List<Place> kept = page.places().stream()
                        .filter(place -> isThere(parts, place))
                        .toList();
                if (kept.size() < page.places().size()) {
                    tidied = tidied.with(page.withPlaces(kept));
                }
            }
        }
        return tidied;
    }

    private static boolean isThere(TemplateIndex parts, Place place) {
        Node node = parts.nodes().get(place.item());
        return node instanceof Item
                && !(node instanceof Section)
                && (place.choice().isEmpty() || (node instanceof Field field && field.hasChoice(place.choice())));
    }
}
