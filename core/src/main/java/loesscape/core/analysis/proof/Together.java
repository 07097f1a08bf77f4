package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.function.ToIntBiFunction;
import java.util.function.ToIntFunction;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Field;
import org.jspecify.annotations.Nullable;

/**
 * Two fields of many answers that rules look at together, cut into bands: of the answers of a band, each rule says the same,
 * and the bands follow each other as what is looked at grows. Which bands there are hangs on the regions in which the two
 * answers lie; that each of them is there was found with answers for it.
 */
final class Together {

    private final Edge one;
    private final Edge other;
    private final boolean isTurned;
    private final Object identity;
    private final int bands;
    private final Map<Cell, NavigableMap<Integer, Point>> cells;
    private final ToIntBiFunction<BigDecimal, BigDecimal> bandOf;

    /** A field, how its answers lie, and which of them its regions have. */
    record Edge(Field field, SizeLine line, List<Extent> extents) {

        private Map<Integer, BigDecimal> some() {
            Map<Integer, BigDecimal> some = new LinkedHashMap<>();
            extents.forEach(each -> some.put(each.region(), each.plain()));
            return some;
        }
    }

    /**
     * The answers of a region.
     *
     * @param region its place among those of the field
     * @param plain the one that stands for all elsewhere
     */
    record Extent(int region, BigDecimal first, BigDecimal last, BigDecimal plain) {}

    /** A region of the first field and one of the second, by their places. */
    record Cell(int one, int other) {}

    /** An answer to each. */
    record Point(BigDecimal one, BigDecimal other) {}

    /**
     * @param isTurned whether what is looked at falls while the second answer grows
     * @param identity all that says what the bands are
     * @param bands how many there are
     * @param cells the bands of each cell, with answers that lie in them
     * @param bandOf the band of two answers
     */
    Together(
            Edge one,
            Edge other,
            boolean isTurned,
            Object identity,
            int bands,
            Map<Cell, NavigableMap<Integer, Point>> cells,
            ToIntBiFunction<BigDecimal, BigDecimal> bandOf) {
        this.one = one;
        this.other = other;
        this.isTurned = isTurned;
        this.identity = identity;
        this.bands = bands;
        this.cells = Collections.unmodifiableMap(new LinkedHashMap<>(cells));
        this.bandOf = bandOf;
    }

    Field one() {
        return one.field();
    }

    Field other() {
        return other.field();
    }

    Object identity() {
        return identity;
    }

    int bands() {
        return bands;
    }

    Map<Cell, NavigableMap<Integer, Point>> cells() {
        return cells;
    }

    /** An answer to the first field in each of its regions. */
    Map<Integer, BigDecimal> someOfOne() {
        return one.some();
    }

    /** An answer to the second field in each of its regions. */
    Map<Integer, BigDecimal> someOfOther() {
        return other.some();
    }

    /** The band of a cell that stands for one of all: the same, or the nearest below it, or else the lowest. */
    static int nearest(NavigableMap<Integer, Point> bands, int band) {
        return Objects.requireNonNullElse(bands.floorKey(band), bands.firstKey());
    }

    /** Answers in a band of two regions, as plain as there are. */
    Point plain(Cell cell, int band) {
        BigDecimal first = Objects.requireNonNull(one.some().get(cell.one()));
        BigDecimal beside = otherBeside(first, cell.other(), band);
        if (beside != null) {
            return new Point(first, beside);
        }
        BigDecimal second = Objects.requireNonNull(other.some().get(cell.other()));
        BigDecimal before = oneBeside(second, cell.one(), band);
        return before != null
                ? new Point(before, second)
                : Objects.requireNonNull(Objects.requireNonNull(cells.get(cell)).get(band));
    }

    /** What is typed for an answer to the first field. */
    String typedOne(BigDecimal point) {
        return TypedText.of(one.line().value(point));
    }

    /** What is typed for an answer to the second field. */
    String typedOther(BigDecimal point) {
        return TypedText.of(other.line().value(point));
    }

    /** An answer to the second field in a region that lies in a band beside one to the first; null where none is found. */
    @Nullable
    BigDecimal otherBeside(BigDecimal given, int region, int band) {
        return found(other, region, !isTurned, point -> bandOf.applyAsInt(given, point), band);
    }

    /** An answer to the first field in a region that lies in a band beside one to the second; null where none is found. */
    @Nullable
    BigDecimal oneBeside(BigDecimal given, int region, int band) {
        return found(one, region, true, point -> bandOf.applyAsInt(point, given), band);
    }

    /** The answer in a region nearest to a plain one at which something has a value that never falls, or never grows. */
    private static @Nullable BigDecimal found(
            Edge edge, int region, boolean grows, ToIntFunction<BigDecimal> value, int wanted) {
        for (Extent extent : edge.extents()) {
            if (extent.region() == region) {
                return found(
                        edge.line(),
                        extent,
                        grows ? value : point -> -value.applyAsInt(point),
                        grows ? wanted : -wanted);
            }
        }
        return null;
    }

    private static @Nullable BigDecimal found(
            SizeLine line, Extent extent, ToIntFunction<BigDecimal> value, int wanted) {
        Halving halving = new Halving(line);
        BigDecimal plain = extent.plain();
        boolean isAbove = value.applyAsInt(plain) < wanted;
        // What lies on the side of the plain one stays there, and what is looked for comes nearer from the other.
        BigDecimal near = plain;
        BigDecimal far = isAbove ? extent.last() : extent.first();
        if (value.applyAsInt(plain) == wanted) {
            return plain;
        }
        while (true) {
            BigDecimal from = near.min(far);
            BigDecimal middle = from.compareTo(near.max(far)) < 0 ? halving.middle(from, near.max(far)) : from;
            if (middle.compareTo(from) <= 0) {
                return value.applyAsInt(far) == wanted ? far : null;
            }
            boolean isFarEnough = isAbove ? value.applyAsInt(middle) >= wanted : value.applyAsInt(middle) <= wanted;
            if (isFarEnough) {
                far = middle;
            } else {
                near = middle;
            }
        }
    }
}
