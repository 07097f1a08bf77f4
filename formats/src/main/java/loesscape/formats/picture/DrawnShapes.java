package loesscape.formats.picture;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * How many shapes are drawn for a picture in SVG: what is used again, by a {@code use} or as a pattern, a mask, a clipping
 * path or a marker, is drawn once more each time (SVG 2, 5.6), so a few elements that use each other can stand for billions.
 */
final class DrawnShapes {

    private static final Pattern REFERENCE = Pattern.compile("url\\(\\s*['\"]?#([^)'\"\\s]+)");
    private static final long COUNTLESS = Integer.MAX_VALUE;

    private final Element root;
    private final Map<String, Element> named = new HashMap<>();
    private final Map<Element, Long> counted = new HashMap<>();
    private final Set<Element> open = new HashSet<>();

    DrawnShapes(Element root) {
        this.root = root;
        name(root);
    }

    private void name(Element element) {
        if (!element.getAttribute("id").isEmpty()) {
            named.putIfAbsent(element.getAttribute("id"), element);
        }
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                name(inner);
            }
        }
    }

    /** How many there are, up to some two billions; as many where something uses itself. */
    long count() {
        return count(root);
    }

    private long count(@Nullable Element element) {
        if (element == null) {
            return 0;
        }
        Long known = counted.get(element);
        if (known != null) {
            return known;
        }
        if (!open.add(element)) {
            return COUNTLESS;
        }
        long sum = 1;
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                sum += count(inner);
            }
        }
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            if ("href".equals(attribute.getLocalName())) {
                sum += count(named.get(attribute.getNodeValue().substring(1)));
            }
            Matcher reference = REFERENCE.matcher(attribute.getNodeValue());
            while (reference.find()) {
                sum += count(named.get(reference.group(1)));
            }
        }
        open.remove(element);
        long bounded = Math.min(sum, COUNTLESS);
        counted.put(element, bounded);
        return bounded;
    }
}
