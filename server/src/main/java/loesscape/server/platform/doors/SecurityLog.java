package loesscape.server.platform.doors;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import loesscape.formats.json.Json;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Who came in, what was refused, and what was done that matters to safety: one line of JSON each, in files of their own
 * beside the database. Never an answer, a link or a secret. A full file is put aside, and the oldest goes.
 */
@Component
public class SecurityLog {

    private static final Logger LOG = LoggerFactory.getLogger(SecurityLog.class);
    private static final String NAME = "security.log";
    private static final long LARGEST = 10_000_000;
    private static final int OLD_FILES = 9;
    private static final int LONGEST_NAME = 100;

    private final Path folder;
    private final Clock clock;

    SecurityLog(@Value("${loesscape.data}") Path folder, Clock clock) {
        this.folder = folder;
        this.clock = clock;
    }

    /** Tells of something that somebody did, or tried. */
    public void tell(SecurityEvent event, String who, String from) {
        tell(event, who, from, Map.of());
    }

    /** Tells of something, and what it was about. */
    public synchronized void tell(SecurityEvent event, String who, String from, Map<String, String> about) {
        ObjectNode line = JsonNodeFactory.instance.objectNode();
        line.put("at", clock.instant().toString());
        line.put("event", event.name().toLowerCase(Locale.ROOT).replace('_', ' '));
        line.put("who", who.length() > LONGEST_NAME ? who.substring(0, LONGEST_NAME) : who);
        line.put("from", from);
        new TreeMap<>(about).forEach(line::put);
        Path file = folder.resolve(NAME);
        try {
            if (Files.exists(file) && Files.size(file) > LARGEST) {
                putAside(file);
            }
            Files.writeString(
                    file,
                    Json.compact(line) + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException e) {
            LOG.error("The security log cannot be written: {}", Json.compact(line), e);
        }
    }

    private void putAside(Path file) throws IOException {
        for (int i = OLD_FILES; i > 1; i--) {
            Path newer = folder.resolve(NAME + "." + (i - 1));
            if (Files.exists(newer)) {
                Files.move(newer, folder.resolve(NAME + "." + i), StandardCopyOption.REPLACE_EXISTING);
            }
        }
        Files.move(file, folder.resolve(NAME + ".1"), StandardCopyOption.REPLACE_EXISTING);
    }
}
