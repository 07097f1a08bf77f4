package loesscape.formats.template;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import loesscape.core.model.Template;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.picture.UnsafePicture;

/**
 * A template with the pictures beside it, in a zip archive ({@code *.loess}; APPNOTE.TXT of PKWARE, ISO/IEC 21320-1):
 * the template file as {@code template.loess.json}, the pictures under {@code pictures/},
 * the PDF files whose pages it is written on under {@code sheets/}.
 *
 * @param template the template
 * @param pictures by the names that the template uses
 * @param sheets by the names that the template uses
 *  */
public record TemplateArchive(Template template, List<SafePicture> pictures, List<ArchivedSheet> sheets) {

    /** A PDF whose pages the document is written on. */
    public record ArchivedSheet(String name, byte[] content) {}

    /** The most bytes of an archive, packed and unpacked. */
    public static final int LARGEST = 40 * 1024 * 1024;

    private static final String TEMPLATE = "template.loess.json";
    private static final String PICTURES = "pictures/";
    private static final String SHEETS = "sheets/";
    private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,99}");
    private static final int MOST_ENTRIES = 500;
    private static final FileTime NO_TIME = FileTime.fromMillis(0);

    public TemplateArchive {
        pictures = List.copyOf(pictures);
        sheets = List.copyOf(sheets);
    }

    /** Whether some bytes are an archive, and not a template file alone. */
    public static boolean isArchive(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /**
     * Reads an archive, or a template file alone.
     *
     * @throws JsonProblem when it is no such archive
     * @throws UnsafePicture when a picture in it is not safe
     */
    public static TemplateArchive read(byte[] bytes) {
        if (!isArchive(bytes)) {
            return new TemplateArchive(TemplateFile.read(bytes), List.of(), List.of());
        }
        byte[] template = null;
        List<SafePicture> pictures = new ArrayList<>();
        List<ArchivedSheet> sheets = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            int left = LARGEST;
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                byte[] content = zip.readNBytes(left + 1);
                left -= content.length;
                if (left < 0 || ++entries > MOST_ENTRIES) {
                    throw new JsonProblem("", "The archive holds more than %d bytes or files.".formatted(LARGEST));
                }
                if (entry.getName().equals(TEMPLATE)) {
                    template = content;
                } else if (entry.getName().startsWith(PICTURES)) {
                    pictures.add(picture(entry.getName().substring(PICTURES.length()), content));
                } else if (entry.getName().startsWith(SHEETS)) {
                    sheets.add(sheet(entry.getName().substring(SHEETS.length()), content));
                }
            }
        } catch (IOException e) {
            throw new JsonProblem(
                    "",
                    "The archive is cut off or broken and cannot be unpacked. Save it anew where it came from, then try again.");
        }
        if (template == null) {
            throw new JsonProblem("", "The archive holds no %s.".formatted(TEMPLATE));
        }
        return new TemplateArchive(TemplateFile.read(template), pictures, sheets);
    }

    /** A PDF under the name it has in the archive, without whatever it would do by itself. */
    private static ArchivedSheet sheet(String name, byte[] content) {
        if (!NAME.matcher(name).matches()) {
            throw new JsonProblem("", "A PDF in the archive has a name that cannot be used; rename it.");
        }
        return new ArchivedSheet(name, ImportedPdf.sheet(content));
    }

    /** A picture under the name it has in the archive, because the template uses that. */
    private static SafePicture picture(String name, byte[] content) {
        if (!NAME.matcher(name).matches()) {
            throw new JsonProblem("", "A picture in the archive has a name that cannot be used; rename it.");
        }
        SafePicture safe = SafePicture.read(name, content);
        return new SafePicture(name, safe.media(), safe.content());
    }

    /** Writes an archive; the same template and pictures make the same bytes. */
    public byte[] write() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, TEMPLATE, TemplateFile.write(template).getBytes(StandardCharsets.UTF_8));
            for (SafePicture picture : pictures) {
                put(zip, PICTURES + picture.name(), picture.content());
            }
            for (ArchivedSheet sheet : sheets) {
                put(zip, SHEETS + sheet.name(), sheet.content());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setLastModifiedTime(NO_TIME);
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }
}
