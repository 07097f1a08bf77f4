package loesscape.core.expression;

/**
 * A place in a formula where it names something of the document.
 *
 * @param name of a field, a repeating section or a shared condition; for a lookup list, its {@link Names#list}
 * @param at where it begins in the text, counted in characters from 0
 * @param end where it ends in the text
 * @param isOfRow whether it is taken of a row, which the formula has from elsewhere, and not of the row it stands in itself
 */
public record NameUse(String name, int at, int end, boolean isOfRow) {}
