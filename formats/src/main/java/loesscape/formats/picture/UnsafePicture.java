package loesscape.formats.picture;

/** A file is not taken as a picture; the message says why and what to do. */
public final class UnsafePicture extends RuntimeException {

    private static final long serialVersionUID = 1;

    public UnsafePicture(String message) {
        super(message);
    }
}
