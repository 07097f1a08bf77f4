package loesscape.server.platform.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLTransientConnectionException;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where the disk is full nothing is written, and what was reserved is given up; where there is room again, all goes on. */
class DiskRoomTest {

    private static final long PAUSE = 600;

    @TempDir
    private Path folder = Path.of("");

    @Test
    void writesAreRefusedWhileTheDiskIsFullAndGoOnAfterwards() throws Exception {
        AtomicLong left = new AtomicLong(10 * DiskRoom.RESERVE);
        DiskRoom disk = new DiskRoom(folder, left::get);
        Path reserve = folder.resolve("reserve");
        assertThatCode(disk::check).doesNotThrowAnyException();
        assertThat(Files.size(reserve)).isEqualTo(DiskRoom.RESERVE);

        left.set(DiskRoom.RESERVE - 1);
        assertThatCode(disk::check).as("it looks twice a second, not each time").doesNotThrowAnyException();
        Thread.sleep(PAUSE);
        assertThatThrownBy(disk::check).isInstanceOf(DiskRoom.Full.class);
        assertThat(reserve).doesNotExist();

        left.set(2 * DiskRoom.RESERVE);
        Thread.sleep(PAUSE);
        assertThatThrownBy(disk::check).as("a little room is no room").isInstanceOf(DiskRoom.Full.class);
        left.set(3 * DiskRoom.RESERVE);
        Thread.sleep(PAUSE);
        assertThatCode(disk::check).doesNotThrowAnyException();
        assertThat(reserve).exists();
        // So that it is answered as what passes, like a turn that was not got in time.
        assertThat((Throwable) new DiskRoom.Full()).isInstanceOf(SQLTransientConnectionException.class);
        assertThat(DatabaseFull.isBehind(new IllegalStateException(new DiskRoom.Full())))
                .isTrue();
        assertThat(DatabaseFull.isBehind(new IllegalStateException("else"))).isFalse();
    }
}
