package loesscape.server.platform.web;

/** A service outside did not do what it was asked. It may do so later. */
public final class OutsideFailed extends RuntimeException {

    public OutsideFailed(String message) {
        super(message);
    }
}
