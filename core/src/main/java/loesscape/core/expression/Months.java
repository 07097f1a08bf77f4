package loesscape.core.expression;

/**
 * A duration of years and months (DMN 1.4, 10.3.2.3.8).
 *
 * @param total all of it in months; below 0 when it goes backwards
 */
public record Months(long total) implements Comparable<Months> {

    /** The whole years of it. */
    public long years() {
        return total / 12;
    }

    /** The months beyond the whole years. */
    public long months() {
        return total % 12;
    }

    @Override
    public int compareTo(Months other) {
        return Long.compare(total, other.total);
    }

    /** As in ISO 8601: P1Y2M, -P3M, P0M. */
    @Override
    public String toString() {
        long years = Math.abs(years());
        long months = Math.abs(months());
        String text = (years == 0 ? "" : years + "Y") + (months == 0 && years != 0 ? "" : months + "M");
        return (total < 0 ? "-P" : "P") + text;
    }
}
