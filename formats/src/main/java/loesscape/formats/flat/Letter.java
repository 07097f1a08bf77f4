package loesscape.formats.flat;

/**
 * A letter that is printed on a page, in points as it is seen.
 *
 * @param text what it says; mostly one character
 * @param left where it begins
 * @param base the line it stands on, from the top of the page
 * @param width how wide it is
 * @param size of its font
 */
public record Letter(String text, double left, double base, double width, double size) {

    double right() {
        return left + width;
    }

    double centre() {
        return left + width / 2;
    }

    boolean isBlank() {
        return text.isBlank();
    }
}
