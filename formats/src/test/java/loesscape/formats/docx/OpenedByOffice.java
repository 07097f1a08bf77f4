package loesscape.formats.docx;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** Files as a word processor of others opens them: LibreOffice, which makes PDF files of them, all at once. */
final class OpenedByOffice {

    private static final Path PROGRAM = Path.of("/usr/bin/soffice");

    private OpenedByOffice() {}

    /** Whether it is there; the test command installs it where it can. */
    static boolean isThere() {
        return Files.isExecutable(PROGRAM);
    }

    /** The words of each file, by its name, as they stand on the pages it comes to. */
    static Map<String, String> words(Map<String, byte[]> files) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("office");
        try {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                Files.write(folder.resolve(file.getKey() + ".docx"), file.getValue());
            }
            List<String> command = Stream.concat(
                            Stream.of(
                                    PROGRAM.toString(),
                                    "-env:UserInstallation="
                                            + folder.resolve("profile").toUri(),
                                    "--headless",
                                    "--convert-to",
                                    "pdf",
                                    "--outdir",
                                    folder.toString()),
                            files.keySet().stream()
                                    .map(name -> folder.resolve(name + ".docx").toString()))
                    .toList();
            Path log = folder.resolve("log");
            Process office = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(log.toFile())
                    .start();
            if (!office.waitFor(120, TimeUnit.SECONDS)) {
                office.destroyForcibly();
                throw new AssertionError("It did not end: " + Files.readString(log, StandardCharsets.UTF_8));
            }
            Map<String, String> words = new LinkedHashMap<>();
            for (String name : files.keySet()) {
                try (PDDocument pdf =
                        Loader.loadPDF(folder.resolve(name + ".pdf").toFile())) {
                    words.put(name, new PDFTextStripper().getText(pdf));
                }
            }
            return words;
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(each);
                }
            }
        }
    }
}
