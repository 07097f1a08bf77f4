package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import loesscape.core.model.Bound;
import loesscape.core.model.Numbers;

/** The answers on a line as they are halved in search of the one at which something changes. */
final class Halving {

    /** The greatest number that can be typed; and one near nought, where most formulas turn. */
    private static final BigDecimal FARTHEST =
            BigDecimal.TEN.pow(Numbers.MOST_DIGITS).subtract(BigDecimal.ONE);

    private static final BigDecimal SOON = BigDecimal.valueOf(100);

    private final SizeLine line;

    Halving(SizeLine line) {
        this.line = line;
    }

    /** An answer between two, near nought before it is far away; the first of them where there is none between. */
    BigDecimal middle(BigDecimal from, BigDecimal to) {
        if (from.signum() <= 0 && to.signum() > 0 && to.compareTo(SOON) > 0) {
            return from.signum() < 0 ? floor(BigDecimal.ZERO) : SOON;
        }
        BigDecimal middle = isFar(from, to)
                ? BigDecimal.TEN.pow((digits(from) + digits(to)) / 2).multiply(BigDecimal.valueOf(to.signum()))
                : from.add(to).divide(BigDecimal.TWO);
        BigDecimal at = floor(middle);
        return at.compareTo(from) > 0 && at.compareTo(to) < 0 ? at : next(from).compareTo(to) < 0 ? next(from) : from;
    }

    private boolean isFar(BigDecimal from, BigDecimal to) {
        return from.signum() == to.signum() && from.signum() != 0 && Math.abs(digits(from) - digits(to)) > 2;
    }

    BigDecimal floor(BigDecimal point) {
        return line.isOfDays()
                ? point.setScale(0, RoundingMode.FLOOR)
                : point.setScale(decimals(point), RoundingMode.FLOOR);
    }

    private BigDecimal next(BigDecimal point) {
        return floor(point).add(BigDecimal.ONE.movePointLeft(decimals(point)));
    }

    BigDecimal before(BigDecimal point) {
        BigDecimal floor = floor(point);
        return floor.compareTo(point) < 0 ? floor : floor.subtract(BigDecimal.ONE.movePointLeft(decimals(point)));
    }

    /** How many decimals can be typed for a number of this size. */
    private int decimals(BigDecimal point) {
        return Math.max(0, Math.min(line.step().scale(), Numbers.MOST_DIGITS - 1 - digits(point)));
    }

    BigDecimal lowest() {
        BigDecimal least = line.isOfDays() ? Bound.number(LocalDate.of(1, 1, 1)) : FARTHEST.negate();
        return line.lowest() == null ? least : line.lowest().max(least);
    }

    BigDecimal highest() {
        BigDecimal most = line.isOfDays() ? Bound.number(LocalDate.of(9999, 12, 31)) : FARTHEST;
        return line.highest() == null ? most : line.highest().min(most);
    }

    /** How many digits stand before the point. */
    private static int digits(BigDecimal number) {
        return Math.max(0, number.precision() - number.scale());
    }
}
