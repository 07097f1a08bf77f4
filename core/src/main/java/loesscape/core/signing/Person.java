package loesscape.core.signing;

import loesscape.core.model.MayBeLeftOut;

/**
 * Somebody who plays a role in a dispatch.
 *
 * @param name as it stands in messages and on the certificate
 * @param address where messages go: an e-mail address
 * @param phone where text messages go: a telephone number with the code of its country; empty where none is known
 */
public record Person(
        String name, String address, @MayBeLeftOut String phone) {

    /** Somebody who is reached by mail alone. */
    public Person(String name, String address) {
        this(name, address, "");
    }
}
