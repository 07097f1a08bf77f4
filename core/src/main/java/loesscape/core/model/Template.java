package loesscape.core.model;

import java.util.ArrayList;
import java.util.List;

/**
 * A responding document as its author writes it.
 *
 * @param title the name of the document
 * @param subtitle a line under the title; may be empty
 * @param pages in reading order; at least one
 */
public record Template(String title, @MayBeLeftOut String subtitle, List<Page> pages) {

    public Template {
        pages = List.copyOf(pages);
    }

    /** Every page, section and item in reading order, each before what it holds. */
    public List<Node> nodes() {
        List<Node> nodes = new ArrayList<>();
        for (Page page : pages) {
            nodes.add(page);
            for (Section section : page.sections()) {
                nodes.add(section);
                nodes.addAll(section.items());
            }
        }
        return nodes;
    }

    /** Every field in reading order. */
    public List<Field> fields() {
        return nodes().stream()
                .filter(Field.class::isInstance)
                .map(Field.class::cast)
                .toList();
    }
}
