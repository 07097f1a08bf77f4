package loesscape.formats.flat;

/** A rectangle on a page, in points from its upper left corner. */
record Area(double left, double top, double right, double bottom) {

    double width() {
        return right - left;
    }

    double height() {
        return bottom - top;
    }

    double middle() {
        return (top + bottom) / 2;
    }

    double centre() {
        return (left + right) / 2;
    }

    boolean holds(double x, double y) {
        return x > left && x < right && y > top && y < bottom;
    }

    /** Whether another one lies within, but for so much. */
    boolean holds(Area other, double tolerance) {
        return other.left >= left - tolerance
                && other.right <= right + tolerance
                && other.top >= top - tolerance
                && other.bottom <= bottom + tolerance;
    }

    boolean meets(Area other) {
        return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
    }

    double size() {
        return width() * height();
    }
}
