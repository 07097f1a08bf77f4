package loesscape.core.signing;

/**
 * Somebody who plays a role in a dispatch.
 *
 * @param name as it stands in messages and on the certificate
 * @param address where messages go: an e-mail address
 */
public record Person(String name, String address) {}
