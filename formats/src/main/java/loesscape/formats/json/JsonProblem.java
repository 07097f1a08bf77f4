package loesscape.formats.json;

/** JSON that is not what is asked for. */
public final class JsonProblem extends RuntimeException {

    private final String path;

    /**
     * @param path where: a JSON Pointer (RFC 6901); empty for the whole
     * @param message what is wrong and what would be right
     */
    public JsonProblem(String path, String message) {
        super(message);
        this.path = path;
    }

    /** Where: a JSON Pointer (RFC 6901); empty for the whole. */
    public String path() {
        return path;
    }
}
