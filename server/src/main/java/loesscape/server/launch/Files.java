package loesscape.server.launch;

import java.io.IOException;
import java.nio.file.Path;

/** Files named on the command line. */
final class Files {

    private Files() {}

    static byte[] read(String file) {
        try {
            return java.nio.file.Files.readAllBytes(Path.of(file));
        } catch (IOException e) {
            throw new LaunchProblem(1, "The file %s cannot be read.".formatted(file));
        }
    }
}
