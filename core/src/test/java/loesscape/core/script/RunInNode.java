package loesscape.core.script;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Runs scripts in Node.js, which the build needs anyway. */
final class RunInNode {

    private RunInNode() {}

    /** What a script prints, line by line. */
    static List<String> lines(String script) {
        try {
            Path file = Files.createTempFile("script", ".cjs");
            Path out = Files.createTempFile("script", ".txt");
            try {
                Files.writeString(file, script);
                Process node = new ProcessBuilder("node", "--stack-size=4000", file.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(out.toFile())
                        .start();
                if (!node.waitFor(120, TimeUnit.SECONDS) || node.exitValue() != 0) {
                    node.destroyForcibly();
                    throw new AssertionError("Node ended with trouble: " + shortened(Files.readString(out)));
                }
                return Files.readAllLines(out, StandardCharsets.UTF_8);
            } finally {
                Files.delete(file);
                Files.delete(out);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    private static String shortened(String text) {
        return text.length() > 3_000 ? text.substring(0, 3_000) : text;
    }
}
