package loesscape.server.outside;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The directory of another house: registers that are asked for by their key. */
@Component
public class Directory {

    private final OutsideLog log;

    Directory(OutsideLog log) {
        this.log = log;
    }

    /** A register: its key and what it is called. */
    public record Register(String key, String name) {}

    /** The registers it has. */
    public static final List<Register> REGISTERS =
            List.of(new Register("drillers", "Licensed drillers"), new Register("wells", "Wells of the valley"));

    /**
     * A register as a table with commas between its cells (RFC 4180), its titles in the first line; empty where there is
     * none of this key.
     *
     * @throws OutsideFailed where the directory does not answer
     */
    public Optional<String> answer(String key) {
        log.ask(OutsideService.DIRECTORY, "Register “%s”".formatted(key));
        Optional<String> table = REGISTERS.stream()
                .filter(register -> register.key().equals(key))
                .findFirst()
                .map(register -> read(register.key()));
        log.passed(OutsideService.DIRECTORY, "Register “%s”".formatted(key), table.isEmpty());
        return table;
    }

    private static String read(String key) {
        try (InputStream file = Directory.class.getResourceAsStream("directory/" + key + ".csv")) {
            return new String(Objects.requireNonNull(file, key).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
