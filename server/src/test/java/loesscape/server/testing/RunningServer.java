package loesscape.server.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Objects;
import java.util.stream.Stream;
import loesscape.server.Loesscape;
import loesscape.server.launch.Options;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port with a database of its own, for the tests of a class. */
public final class RunningServer implements BeforeAllCallback, AfterAllCallback {

    private final boolean demo;
    private @Nullable Path data;
    private @Nullable ConfigurableApplicationContext application;

    private RunningServer(boolean demo) {
        this.demo = demo;
    }

    /** With the demo data. */
    public static RunningServer demo() {
        return new RunningServer(true);
    }

    /** With nothing in it, as at the first start. */
    public static RunningServer empty() {
        return new RunningServer(false);
    }

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        data = Files.createTempDirectory("loesscape");
        start();
    }

    private void start() {
        application = Loesscape.serve(new Options(demo, false, 0, "127.0.0.1", data()));
    }

    /** Stops it and starts it again on the same data; the port is another one then. */
    public void restart() {
        running().close();
        start();
    }

    /** Is called also where another extension failed before this one began; then there is nothing to clean up. */
    @Override
    public void afterAll(ExtensionContext context) throws IOException {
        if (application != null) {
            application.close();
        }
        if (data == null) {
            return;
        }
        try (Stream<Path> files = Files.walk(data)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }

    private ConfigurableApplicationContext running() {
        return Objects.requireNonNull(application, "the server was not started");
    }

    /** Where it answers, without a slash at the end. */
    public String address() {
        return "http://localhost:"
                + ((ServletWebServerApplicationContext) running())
                        .getWebServer()
                        .getPort();
    }

    /** A part of the running server. */
    public <T> T part(String name, Class<T> type) {
        return running().getBean(name, type);
    }

    /** The folder of its database. */
    public Path data() {
        return Objects.requireNonNull(data, "the server was not started");
    }

    /** A browser without a page, not signed in. */
    public Visitor visitor() {
        return new Visitor(address());
    }

    /** A browser without a page, signed in as the demo author. */
    public Visitor author() {
        Visitor author = visitor();
        author.post("/api/session/demo", null).ok();
        return author;
    }
}
