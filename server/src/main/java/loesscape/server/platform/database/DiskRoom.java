package loesscape.server.platform.database;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLTransientConnectionException;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps room on the disk for the database to end what it has begun. Where little is left, a file that takes up room is given
 * up, and nothing more is written until there is enough again; what was kept can be read meanwhile.
 */
final class DiskRoom {

    private static final Logger LOG = LoggerFactory.getLogger(DiskRoom.class);

    /** What the file takes up, and what has to be left beside it, in bytes. */
    static final long RESERVE = 32L * 1024 * 1024;

    private static final long LOOK_EVERY = 500_000_000;
    private static final long SAY_EVERY = 60_000_000_000L;
    private static final int BLOCK = 1 << 20;

    private final Path reserve;
    private final LongSupplier left;
    private long looked;
    private long said;
    private boolean hasSaid;
    private boolean isFull;

    /** The room of the disk on which a folder lies. */
    DiskRoom(Path folder) {
        this(folder, () -> usable(folder));
    }

    DiskRoom(Path folder, LongSupplier left) {
        this.reserve = folder.resolve("reserve");
        this.left = left;
        this.looked = System.nanoTime() - LOOK_EVERY;
    }

    private static long usable(Path folder) {
        try {
            return Files.getFileStore(folder).getUsableSpace();
        } catch (IOException e) {
            return Long.MAX_VALUE; // It cannot be told; the database says so when it comes to it.
        }
    }

    /** Nothing is written, as the disk is full. It may not be for long. */
    static final class Full extends SQLTransientConnectionException {

        private static final long serialVersionUID = 1;

        Full() {
            super("The disk is full");
        }
    }

    /**
     * Makes sure that there is room.
     *
     * @throws Full where there is too little
     */
    synchronized void check() throws Full {
        long now = System.nanoTime();
        if (now - looked >= LOOK_EVERY) {
            looked = now;
            look(now);
        }
        if (isFull) {
            throw new Full();
        }
    }

    private void look(long now) {
        long free = left.getAsLong();
        if (isFull ? free >= 3 * RESERVE : free >= RESERVE) {
            if (isFull) {
                LOG.warn("There is room on the disk again; what comes in is kept again");
            }
            isFull = false;
            hasSaid = false;
            takeUp(free);
            return;
        }
        isFull = true;
        giveUp();
        if (!hasSaid || now - said >= SAY_EVERY) {
            hasSaid = true;
            said = now;
            LOG.error("The disk is full: {} bytes are left. Nothing is kept until there is room again", free);
        }
    }

    private void takeUp(long free) {
        if (free < 3 * RESERVE || Files.exists(reserve)) {
            return;
        }
        try (OutputStream out = Files.newOutputStream(reserve)) {
            byte[] block = new byte[BLOCK];
            for (long at = 0; at < RESERVE; at += BLOCK) {
                out.write(block);
            }
        } catch (IOException e) {
            LOG.warn("No room can be reserved in {}", reserve, e);
        }
    }

    private void giveUp() {
        try {
            Files.deleteIfExists(reserve);
        } catch (IOException e) {
            LOG.warn("The file {} cannot be given up", reserve, e);
        }
    }
}
