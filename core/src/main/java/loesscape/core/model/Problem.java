package loesscape.core.model;

/**
 * Something that is wrong with a template.
 *
 * @param path where: a JSON Pointer (RFC 6901) into the template file
 * @param message what is wrong and how to mend it, for the author
 */
public record Problem(String path, String message) {}
