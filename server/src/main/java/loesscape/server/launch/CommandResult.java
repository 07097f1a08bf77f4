package loesscape.server.launch;

/**
 * What a command prints, and how it ends.
 *
 * @param exitCode 0 where all is well; 1 where what was looked at is not
 */
public record CommandResult(String text, int exitCode) {}
