package loesscape.server.launch;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import org.jspecify.annotations.Nullable;

/** What went wrong with a file, in words; what Java says of it is often its path and nothing else. */
final class FileTrouble {

    private FileTrouble() {}

    static String words(IOException trouble) {
        if (trouble instanceof FileSystemException file) {
            String what = why(file);
            return what == null ? String.valueOf(file.getMessage()) : file.getFile() + " " + what;
        }
        return String.valueOf(trouble.getMessage());
    }

    private static @Nullable String why(FileSystemException trouble) {
        return switch (trouble) {
            case NoSuchFileException missing -> "is not there";
            case AccessDeniedException denied ->
                "may not be opened or made by “%s”".formatted(System.getProperty("user.name"));
            case FileAlreadyExistsException existing -> "is there already, and is no folder";
            default -> null;
        };
    }
}
