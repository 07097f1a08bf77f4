package loesscape.core.expression;

import org.jspecify.annotations.Nullable;

/**
 * A range of comparable values (DMN 1.4, 10.3.2.7).
 *
 * @param low the lower end; null for none
 * @param lowIncluded whether the lower end belongs to it
 * @param high the upper end; null for none
 * @param highIncluded whether the upper end belongs to it
 */
public record Range(
        @Nullable Object low, boolean lowIncluded, @Nullable Object high, boolean highIncluded) {}
