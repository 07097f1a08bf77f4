package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;

/** Ways through elements, by their names without prefixes. */
final class Elements {

    private Elements() {}

    /** Those right inside one; of alternatives the first, which is the newest. */
    static List<Element> in(@Nullable Node holder) {
        List<Element> inner = new ArrayList<>();
        Node next = holder == null ? null : holder.getFirstChild();
        for (; next != null; next = next.getNextSibling()) {
            if (next instanceof Element element) {
                if ("AlternateContent".equals(element.getLocalName())) {
                    inner.addAll(in(first(element, "Choice")));
                } else {
                    inner.add(element);
                }
            }
        }
        return inner;
    }

    /** The first of a name right inside one; null where there is none. */
    static @Nullable Element first(@Nullable Node holder, String name) {
        Node next = holder == null ? null : holder.getFirstChild();
        for (; next != null; next = next.getNextSibling()) {
            if (next instanceof Element element && name.equals(element.getLocalName())) {
                return element;
            }
        }
        return null;
    }

    /** Follows names inwards; null where one is missing. */
    static @Nullable Element at(@Nullable Node holder, String... names) {
        Node found = holder;
        for (String name : names) {
            found = first(found, name);
        }
        return (Element) found;
    }

    static boolean has(@Nullable Node holder, String name) {
        return first(holder, name) != null;
    }

    /** All of a name anywhere inside one. */
    static List<Element> all(Node holder, String name) {
        NodeList found = holder instanceof org.w3c.dom.Document document
                ? document.getElementsByTagNameNS("*", name)
                : ((Element) holder).getElementsByTagNameNS("*", name);
        List<Element> all = new ArrayList<>();
        for (int i = 0; i < found.getLength(); i++) {
            all.add((Element) found.item(i));
        }
        return all;
    }

    /** An attribute by its name without a prefix; empty where it is missing. */
    static String attribute(@Nullable Element element, String name) {
        if (element == null) {
            return "";
        }
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            if (name.equals(attribute.getLocalName())) {
                return attribute.getNodeValue();
            }
        }
        return "";
    }

    /** The attribute {@code val} of the first element of a name right inside one; empty where it is missing. */
    static String value(@Nullable Node holder, String name) {
        return attribute(first(holder, name), "val");
    }

    /** A whole number that is written somewhere; another where none is. */
    static int number(String text, int otherwise) {
        return text.matches("-?\\d{1,6}") ? Integer.parseInt(text) : otherwise;
    }
}
