package loesscape.server.platform.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.h2.jdbc.JdbcConnection;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Writers come one after the other; readers and what a writer does inside its own turn do not wait. */
class OneWriterTest {

    private final HikariDataSource pool = pool();
    private static final DiskRoom ROOMY = new DiskRoom(Path.of("/nowhere"), () -> DiskRoom.RESERVE);

    private final OneWriter source = new OneWriter(pool, ROOMY);

    private static HikariDataSource pool() {
        HikariDataSource pool = new HikariDataSource();
        pool.setJdbcUrl("jdbc:h2:mem:one-writer;DB_CLOSE_DELAY=-1");
        return pool;
    }

    @BeforeEach
    void table() throws SQLException {
        write("CREATE TABLE t (id INT PRIMARY KEY, n INT)");
        write("INSERT INTO t VALUES (1, 0), (2, 0)");
    }

    @AfterEach
    void end() throws SQLException {
        write("DROP TABLE t");
        pool.close();
    }

    private void write(String sql) throws SQLException {
        try (Connection connection = source.getConnection()) {
            connection.createStatement().execute(sql);
        }
    }

    private int read(int id) throws SQLException {
        try (Connection connection = source.getConnection()) {
            var rows = connection.createStatement().executeQuery("SELECT n FROM t WHERE id = " + id);
            rows.next();
            return rows.getInt(1);
        }
    }

    private static CompletableFuture<Integer> elsewhere(Callable<Integer> work) {
        CompletableFuture<Integer> done = new CompletableFuture<>();
        Thread.ofVirtual().start(() -> {
            try {
                done.complete(work.call());
            } catch (Exception e) {
                done.completeExceptionally(e);
            }
        });
        return done;
    }

    private CompletableFuture<Integer> elsewhere(String sql) {
        return elsewhere(() -> {
            write(sql);
            return 0;
        });
    }

    @Test
    void anotherWriterWaitsForTheCommitAndAReaderDoesNot() throws Exception {
        try (Connection first = source.getConnection()) {
            first.setAutoCommit(false);
            var change = first.prepareStatement("UPDATE t SET n = n + 1 WHERE id = ?");
            change.setInt(1, 1);
            change.executeUpdate();
            CompletableFuture<Integer> second = elsewhere("UPDATE t SET n = 7 WHERE id = 2");
            assertThatThrownBy(() -> second.get(300, TimeUnit.MILLISECONDS)).isInstanceOf(TimeoutException.class);
            assertThat(elsewhere(() -> read(1)).get(10, TimeUnit.SECONDS)).isZero();
            write("UPDATE t SET n = 5 WHERE id = 2");
            assertThat(read(2)).as("inside its own turn").isEqualTo(5);
            first.commit();
            second.get(10, TimeUnit.SECONDS);
            assertThat(read(2)).isEqualTo(7);
        }
    }

    @Test
    void aTurnEndsHoweverItsTransactionEnds() throws Exception {
        Connection rolledBack = source.getConnection();
        rolledBack.setAutoCommit(false);
        rolledBack.createStatement().executeQuery("SELECT n FROM t WHERE id = 1 FOR UPDATE");
        CompletableFuture<Integer> waiting = elsewhere("UPDATE t SET n = 3 WHERE id = 2");
        CountDownLatch never = new CountDownLatch(1);
        assertThat(never.await(200, TimeUnit.MILLISECONDS)).isFalse();
        assertThat(waiting).as("a lock is a change").isNotDone();
        rolledBack.rollback();
        waiting.get(10, TimeUnit.SECONDS);
        rolledBack.createStatement().executeUpdate("UPDATE t SET n = 9 WHERE id = 1");
        rolledBack.close();
        assertThatThrownBy(() -> write("INSERT INTO t VALUES (1, 1)")).isInstanceOf(SQLException.class);
        elsewhere("UPDATE t SET n = 4 WHERE id = 2").get(10, TimeUnit.SECONDS);
    }

    @Test
    void aConnectionThatIsClosedInTheMiddleGivesUpItsTurn() throws Exception {
        Connection retired = source.getConnection();
        var late = retired.prepareStatement("UPDATE t SET n = 1 WHERE id = 1");
        retired.close();
        assertThatThrownBy(late::executeUpdate).isInstanceOf(SQLException.class);
        elsewhere("UPDATE t SET n = 2 WHERE id = 2").get(10, TimeUnit.SECONDS);

        Connection broken = source.getConnection();
        broken.setAutoCommit(false);
        broken.createStatement().executeUpdate("UPDATE t SET n = 8 WHERE id = 1");
        broken.unwrap(JdbcConnection.class).close();
        assertThatThrownBy(broken::commit).isInstanceOf(SQLException.class);
        elsewhere("UPDATE t SET n = 4 WHERE id = 1").get(10, TimeUnit.SECONDS);
        assertThat(read(1)).as("what was not committed is not kept").isEqualTo(4);
    }

    @Test
    void whoWaitsTooLongForATurnIsRefusedAndMayComeAgain() throws Exception {
        OneWriter impatient = new OneWriter(pool, Duration.ofMillis(100), ROOMY);
        try (Connection first = impatient.getConnection()) {
            first.setAutoCommit(false);
            first.createStatement().executeUpdate("UPDATE t SET n = 1 WHERE id = 1");
            CompletableFuture<Integer> second = elsewhere(() -> {
                try (Connection connection = impatient.getConnection()) {
                    return connection.createStatement().executeUpdate("UPDATE t SET n = 2 WHERE id = 2");
                }
            });
            assertThatThrownBy(() -> second.get(10, TimeUnit.SECONDS))
                    .hasCauseInstanceOf(SQLTransientConnectionException.class);
            first.commit();
        }
        assertThat(read(2)).isZero();
        write("UPDATE t SET n = 2 WHERE id = 2");
    }

    @Test
    void readingIsToldFromWriting() {
        assertThat(OneWriter.isWriting("SELECT * FROM t")).isFalse();
        assertThat(OneWriter.isWriting("\n  with x as (SELECT 1) SELECT * FROM x"))
                .isFalse();
        assertThat(OneWriter.isWriting("SELECT * FROM t WHERE id = ? for update"))
                .isTrue();
        assertThat(OneWriter.isWriting("MERGE INTO t KEY (id) VALUES (?, ?)")).isTrue();
        assertThat(OneWriter.isWriting("CREATE TABLE x (id INT)")).isTrue();
    }
}
