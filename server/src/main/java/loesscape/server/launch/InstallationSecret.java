package loesscape.server.launch;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import loesscape.formats.evidence.Trail;
import loesscape.server.platform.doors.Secrets;

/**
 * The secret of an installation, under which its keys lie and its database opens: from the environment, or from a file
 * beside the database that only its owner reads, made at the first start.
 */
public final class InstallationSecret {

    /** The variable of the environment that stands for the file. */
    static final String VARIABLE = "LOESSCAPE_SECRET";

    private static final String FILE = "secret";

    private final String secret;

    private InstallationSecret(String secret) {
        this.secret = secret;
    }

    /**
     * The secret of the data in a folder.
     *
     * @throws LaunchProblem when it cannot be read or made
     */
    static InstallationSecret of(Path data) {
        String given = System.getenv(VARIABLE);
        return new InstallationSecret(given == null || given.isBlank() ? inFile(data.resolve(FILE)) : given.strip());
    }

    private static String inFile(Path file) {
        try {
            if (!Files.exists(file)) {
                Path made = isPosix()
                        ? Files.createTempFile(
                                file.getParent(),
                                FILE,
                                ".tmp",
                                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")))
                        : Files.createTempFile(file.getParent(), FILE, ".tmp");
                Files.writeString(made, Secrets.make());
                Files.move(made, file);
            }
            return Files.readString(file, StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new LaunchProblem(
                    1,
                    "The file %s with the secret of this installation cannot be read or made; see to its rights, or set %s."
                            .formatted(file, VARIABLE));
        }
    }

    static boolean isPosix() {
        return FileSystems.getDefault().supportedFileAttributeViews().contains("posix");
    }

    /** What is used of it for one purpose, so that whoever learns one does not know the others. */
    public String of(String purpose) {
        return Trail.digest((purpose + " " + secret).getBytes(StandardCharsets.UTF_8));
    }

    @Override
    public String toString() {
        return "the secret of this installation";
    }
}
