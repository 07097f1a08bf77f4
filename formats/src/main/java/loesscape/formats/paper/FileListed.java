package loesscape.formats.paper;

/**
 * A file that was handed in with a document, as its certificate lists it.
 *
 * @param name it came with
 * @param bytes how many it has
 * @param digest SHA-256 of its bytes, in hexadecimal
 * @param inside the name under which it is inside the document; empty where it is not
 */
public record FileListed(String name, long bytes, String digest, String inside) {}
