package loesscape.server.platform.web;

import loesscape.core.model.Refused;

/** Which page of a long list is asked for. */
public final class PageWanted {

    private static final int LARGEST = 1_000;

    private PageWanted() {}

    /** Refuses pages that there cannot be. */
    public static void check(int page, int size) {
        if (page < 0 || size < 1 || size > LARGEST) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "A page is numbered from 0, and has 1 to %d lines; page %d of %d lines is none."
                            .formatted(LARGEST, page, size));
        }
    }
}
