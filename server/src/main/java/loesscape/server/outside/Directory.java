package loesscape.server.outside;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import loesscape.formats.table.SeparatedTable;
import org.springframework.stereotype.Component;

/** The directory of another house: registers that are asked for by their key. */
@Component
public class Directory {

    private final OutsideLog log;

    Directory(OutsideLog log) {
        this.log = log;
    }

    /**
     * A register.
     *
     * @param name what it is called
     * @param by the title of its first column, by which its entries are known
     */
    public record Register(String key, String name, String by) {}

    /** The registers it has. */
    public static final List<Register> REGISTERS = List.of(
            new Register("drillers", "Licensed drillers", "Licence"),
            new Register("wells", "Wells of the valley", "Log"));

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

    /**
     * One entry of a register, below the titles of its columns; empty where the register has none of this key.
     *
     * @param key what stands in its first column, in capitals or not
     * @throws OutsideFailed where the directory does not answer
     */
    public Optional<List<List<String>>> entry(Register register, String key) {
        String what = "Entry “%s” of register “%s”".formatted(key, register.key());
        log.ask(OutsideService.DIRECTORY, what);
        List<List<String>> table = SeparatedTable.read(read(register.key()));
        Optional<List<List<String>>> entry = table.stream()
                .skip(1)
                .filter(row -> row.getFirst().equalsIgnoreCase(key.strip()))
                .findFirst()
                .map(row -> List.of(table.getFirst(), row));
        log.passed(OutsideService.DIRECTORY, what, entry.isEmpty());
        return entry;
    }

    private static String read(String key) {
        try (InputStream file = Directory.class.getResourceAsStream("directory/" + key + ".csv")) {
            return new String(Objects.requireNonNull(file, key).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
