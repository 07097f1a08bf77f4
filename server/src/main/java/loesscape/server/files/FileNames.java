package loesscape.server.files;

/** What files are called that somebody brings. */
public final class FileNames {

    /** The longest name that is kept. */
    public static final int LONGEST = 200;

    private FileNames() {}

    /** A name without what is no letter of a name; of a long one its end, which says what the file is. May be empty. */
    public static String plain(String name) {
        String plain = name.replaceAll("[\\p{Cntrl}/\\\\]+", " ").strip();
        return plain.length() > LONGEST ? plain.substring(plain.length() - LONGEST) : plain;
    }

    /** The same, or another where nothing is left of it. */
    public static String plain(String name, String otherwise) {
        String plain = plain(name);
        return plain.isEmpty() ? otherwise : plain;
    }
}
