package loesscape.core.signing;

import loesscape.core.model.Refused;

/** Something cannot be done as a dispatch stands. The message says why, and what can be done. */
public final class NotNow extends Refused {

    public NotNow(String message) {
        super(Cause.NOT_NOW, message);
    }
}
