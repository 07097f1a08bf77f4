package loesscape.formats.paper;

/**
 * A file inside a finished document that bears out what its certificate tells.
 *
 * @param name by which it is found in the document
 * @param description what it is, in words
 * @param media its media type
 */
public record EvidenceFile(String name, String description, String media, byte[] content) {}
