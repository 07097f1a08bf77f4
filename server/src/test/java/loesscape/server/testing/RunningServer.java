package loesscape.server.testing;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import javax.sql.DataSource;
import loesscape.server.Loesscape;
import loesscape.server.accounts.SetupLink;
import loesscape.server.launch.Options;
import loesscape.server.platform.clock.ServerClock;
import loesscape.server.platform.doors.Facing;
import loesscape.server.retention.DeletionService;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** The real application on a free port with a database of its own, for the tests of a class. */
public final class RunningServer implements BeforeAllCallback, AfterAllCallback {

    /** Tests wait for what the server does of itself, so it does it more often. */
    private static final String JOBS = "loesscape.jobs.pause=100ms";

    private final boolean demo;
    private Facing facing;
    private String[] settings = {};
    private final SettableClock clock = new SettableClock();
    private final Set<HttpRequest> succeeded = ConcurrentHashMap.newKeySet();
    private @Nullable String old;
    private @Nullable Path data;
    private @Nullable ConfigurableApplicationContext application;

    private RunningServer(boolean demo) {
        this.demo = demo;
        this.facing = demo ? Facing.DEMO : Facing.START;
    }

    /** With the demo data. */
    public static RunningServer demo() {
        return new RunningServer(true);
    }

    /** With data that an earlier version left: a database, packed with gzip, among the resources of the tests. */
    public static RunningServer withOldData(String resource) {
        RunningServer server = new RunningServer(true);
        server.old = resource;
        return server;
    }

    /** With demo data, facing others in some way. */
    public static RunningServer facing(Facing facing) {
        RunningServer server = new RunningServer(true);
        server.facing = facing;
        return server;
    }

    /** With other settings than usual. */
    public RunningServer with(String... others) {
        settings = others;
        return this;
    }

    /** With nothing in it, as at the first start. */
    public static RunningServer empty() {
        return new RunningServer(false);
    }

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        data = Files.createTempDirectory("loesscape");
        if (old != null) {
            try (InputStream packed = Objects.requireNonNull(RunningServer.class.getResourceAsStream(old), old);
                    InputStream database = new GZIPInputStream(packed)) {
                Files.copy(database, data.resolve("loesscape.mv.db"));
            }
        } else if (demo) {
            DemoData.into(data);
        }
        start();
    }

    private void start() {
        String[] all = Stream.concat(Stream.of(JOBS), Stream.of(settings)).toArray(String[]::new);
        application =
                Loesscape.serve(new Options(demo, false, 0, "127.0.0.1", data(), facing), new ServerClock(clock), all);
    }

    /** The secret of the link that makes the first author, as the console tells it. */
    public String setupLink() {
        return running().getBean(SetupLink.class).path().substring("/setup/".length());
    }

    /** Stops it and starts it again on the same data; the port is another one then. */
    public void restart() {
        running().close();
        start();
    }

    /** Is called also where another extension failed before this one began; then there is nothing to clean up. */
    @Override
    public void afterAll(ExtensionContext context) {
        if (application != null) {
            application.close();
        }
        if (data != null) {
            DemoData.delete(data);
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

    /** The requests of all visitors that were answered with success. */
    public Set<HttpRequest> succeeded() {
        return succeeded;
    }

    /** What the server does every minute: it throws away what is over. */
    public Runnable tidying() {
        return () -> running().getBean(DeletionService.class).deleteWhatIsOver();
    }

    /** The clock of the server. */
    public Clock clock() {
        return clock;
    }

    /** Sets the clock of the server forward. */
    public void forward(Duration time) {
        clock.forward(time);
    }

    /** Retires every connection of the pool: idle ones at once, others when they are given back. */
    public void retireConnections() {
        try {
            part("dataSource", DataSource.class)
                    .unwrap(HikariDataSource.class)
                    .getHikariPoolMXBean()
                    .softEvictConnections();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Does something while a table is not there, so that what needs it fails as nobody foresaw. */
    public <T> T without(String table, Supplier<T> work) {
        JdbcTemplate database = new JdbcTemplate(part("dataSource", DataSource.class));
        database.execute("ALTER TABLE " + table + " RENAME TO away");
        try {
            return work.get();
        } finally {
            database.execute("ALTER TABLE away RENAME TO " + table);
        }
    }

    /** A browser without a page, not signed in. */
    public Visitor visitor() {
        return new Visitor(address(), succeeded);
    }

    /** A browser without a page, signed in as the demo author. */
    public Visitor author() {
        Visitor author = visitor();
        author.post("/api/session/demo", null).ok();
        return author;
    }
}
