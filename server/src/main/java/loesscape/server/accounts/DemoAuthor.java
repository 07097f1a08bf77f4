package loesscape.server.accounts;

/** The author of the demo, as whom anybody goes in there. */
public final class DemoAuthor {

    /** Their name. */
    public static final String NAME = "Ilse Maarwick";

    private DemoAuthor() {}
}
