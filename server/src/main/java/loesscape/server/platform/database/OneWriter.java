package loesscape.server.platform.database;

import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/**
 * Lets one transaction write at a time, from its first change to the end of its commit, so that the database never writes
 * its file in the middle of another's changes (docs/decisions/0010-one-writer.md). Whoever only reads never waits. A
 * transaction inside another, of the same thread, goes on within the other's turn.
 */
public final class OneWriter extends DelegatingDataSource {

    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private final ReentrantLock turn = new ReentrantLock(true);
    private final Duration patience;
    private final DiskRoom disk;

    /**
     * Who waits longer than 20 seconds for a turn is refused with a {@link SQLTransientConnectionException}, and so is whoever
     * writes while the disk is full.
     */
    OneWriter(DataSource pool, DiskRoom disk) {
        this(pool, PATIENCE, disk);
    }

    OneWriter(DataSource pool, Duration patience, DiskRoom disk) {
        super(pool);
        this.patience = patience;
        this.disk = disk;
    }

    @Override
    public Connection getConnection() throws SQLException {
        return new Turn(super.getConnection()).proxied();
    }

    @Override
    public Connection getConnection(String name, String password) throws SQLException {
        return new Turn(super.getConnection(name, password)).proxied();
    }

    /** Does something while nobody writes. */
    void alone(Runnable work) throws SQLTransientConnectionException {
        take();
        try {
            work.run();
        } finally {
            turn.unlock();
        }
    }

    private void take() throws SQLTransientConnectionException {
        try {
            if (!turn.tryLock(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new SQLTransientConnectionException(
                        "Another transaction has been writing for %d seconds".formatted(patience.toSeconds()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new SQLTransientConnectionException("The server is being stopped", e);
        }
    }

    /** Whether a statement changes something, or keeps others from changing it. */
    static boolean isWriting(String sql) {
        String words = sql.strip().toUpperCase(Locale.ROOT);
        return !(words.startsWith("SELECT") || words.startsWith("WITH")) || words.contains("FOR UPDATE");
    }

    /** A connection that takes its turn with its first change. */
    private final class Turn implements InvocationHandler {

        private final Connection connection;
        private boolean isTaken;

        Turn(Connection connection) {
            this.connection = connection;
        }

        Connection proxied() {
            return proxy(Connection.class, this);
        }

        @Override
        public @Nullable Object invoke(Object proxy, Method method, Object @Nullable [] arguments) throws Throwable {
            boolean isEnd = switch (method.getName()) {
                case "commit", "close", "setAutoCommit" -> true;
                case "rollback" -> arguments == null;
                default -> false;
            };
            try {
                Object result = call(connection, method, arguments);
                return switch (result) {
                    case PreparedStatement statement ->
                        proxy(PreparedStatement.class, within(statement, isWriting(sql(arguments))));
                    case Statement statement -> proxy(Statement.class, within(statement, false));
                    case null, default -> result;
                };
            } finally {
                if (isEnd) {
                    end();
                }
            }
        }

        private InvocationHandler within(Statement statement, boolean isPreparedToWrite) {
            return (proxy, method, arguments) -> {
                boolean isWriting = method.getName().startsWith("execute")
                        && (isPreparedToWrite
                                || method.getName().endsWith("Batch")
                                || (arguments != null && isWriting(sql(arguments))));
                if (!isWriting) {
                    return call(statement, method, arguments);
                }
                begin();
                try {
                    return call(statement, method, arguments);
                } finally {
                    if (isWithoutTransaction()) {
                        end();
                    }
                }
            };
        }

        /** A connection that was closed meanwhile, by whomever, has no transaction any more. */
        private boolean isWithoutTransaction() {
            try {
                return connection.isClosed() || connection.getAutoCommit();
            } catch (SQLException e) {
                return true;
            }
        }

        private void begin() throws SQLException {
            if (!isTaken) {
                disk.check();
                take();
                isTaken = true;
            }
        }

        private void end() {
            if (isTaken) {
                isTaken = false;
                turn.unlock();
            }
        }
    }

    private static String sql(Object @Nullable [] arguments) {
        return arguments != null && arguments.length > 0 && arguments[0] instanceof String sql ? sql : "";
    }

    private static @Nullable Object call(Object target, Method method, Object @Nullable [] arguments) throws Throwable {
        try {
            return method.invoke(target, arguments);
        } catch (InvocationTargetException e) {
            throw e.getTargetException();
        }
    }

    private static <T> T proxy(Class<T> type, InvocationHandler handler) {
        return type.cast(Proxy.newProxyInstance(type.getClassLoader(), new Class<?>[] {type}, handler));
    }
}
