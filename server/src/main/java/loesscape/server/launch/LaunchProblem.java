package loesscape.server.launch;

/** Something that keeps a command from being done, in one sentence. */
public final class LaunchProblem extends RuntimeException {

    private final int exitCode;

    public LaunchProblem(int exitCode, String sentence) {
        super(sentence);
        this.exitCode = exitCode;
    }

    /** 1 when the command could not be done, 2 when it was not understood. */
    public int exitCode() {
        return exitCode;
    }
}
