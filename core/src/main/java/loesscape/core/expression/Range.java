package loesscape.core.expression;

/**
 * A range of comparable values (DMN 1.4, 10.3.2.7).
 *
 * @param low the lower end
 * @param lowIncluded whether the lower end belongs to it
 * @param high the upper end
 * @param highIncluded whether the upper end belongs to it
 */
public record Range(Object low, boolean lowIncluded, Object high, boolean highIncluded) {}
