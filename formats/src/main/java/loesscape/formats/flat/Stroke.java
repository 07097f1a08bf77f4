package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * A straight line across or down a page.
 *
 * @param at how far from the top it lies, of one across; from the left of one down
 * @param from where it begins
 * @param to where it ends
 */
record Stroke(double at, double from, double to) {

    /** Strokes that differ by less lie in one line. */
    private static final double SAME_LINE = 1.2;

    private static final double TOUCHING = 1.5;

    /** The pieces of a dotted or dashed line, and how far they are apart. */
    private static final double SHORT = 6;

    private static final double APART = 4.5;

    double length() {
        return to - from;
    }

    boolean covers(double begin, double end, double tolerance) {
        return from <= begin + tolerance && to >= end - tolerance;
    }

    /** Strokes that touch in one line become one; so do the dots and dashes of a line. */
    static List<Stroke> joined(Collection<Stroke> strokes) {
        List<Stroke> sorted = new ArrayList<>(strokes);
        sorted.sort(Comparator.comparingDouble(Stroke::from).thenComparingDouble(Stroke::at));
        TreeMap<Double, List<Stroke>> lines = new TreeMap<>();
        for (Stroke stroke : sorted) {
            if (!lengthens(lines, stroke)) {
                lines.computeIfAbsent(stroke.at, ignored -> new ArrayList<>()).add(stroke);
            }
        }
        return lines.values().stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparingDouble(Stroke::at).thenComparingDouble(Stroke::from))
                .toList();
    }

    private static boolean lengthens(TreeMap<Double, List<Stroke>> lines, Stroke stroke) {
        for (List<Stroke> line : lines.subMap(stroke.at - SAME_LINE, true, stroke.at + SAME_LINE, true)
                .values()) {
            for (int i = line.size() - 1; i >= 0; i--) {
                Stroke before = line.get(i);
                boolean isBroken = stroke.length() < SHORT;
                if (stroke.from <= before.to + (isBroken ? APART : TOUCHING)) {
                    line.set(i, new Stroke(before.at, before.from, Math.max(before.to, stroke.to)));
                    return true;
                }
            }
        }
        return false;
    }

    /** Numbers that differ by less than the width of a line, once each, from the smallest. */
    static double[] distinct(Collection<Double> numbers) {
        List<Double> sorted = new ArrayList<>(numbers);
        sorted.sort(Comparator.naturalOrder());
        List<Double> distinct = new ArrayList<>();
        for (double each : sorted) {
            if (distinct.isEmpty() || each - distinct.getLast() > 1.6) {
                distinct.add(each);
            }
        }
        return distinct.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
