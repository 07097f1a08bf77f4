package loesscape.core.model;

/**
 * One of the choices of a field.
 *
 * @param id the identity, unique within the field; conditions and answers refer to it, and it never changes
 * @param label what the reader sees; free to change
 */
public record Choice(String id, String label) {}
