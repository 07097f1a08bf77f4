package loesscape.server.templates;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import loesscape.formats.form.FormReader;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.template.TemplateArchive;
import loesscape.server.platform.web.HeavyWork;
import org.springframework.stereotype.Service;

/** Makes templates of files that somebody brings. */
@Service
class TemplateImports {

    private static final Duration LONGEST = Duration.ofSeconds(60);
    private static final int LONGEST_NAME = 200;

    private final TemplateStore templates;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final HeavyWork heavy;

    TemplateImports(TemplateStore templates, PictureStore pictures, SheetStore sheets, HeavyWork heavy) {
        this.templates = templates;
        this.pictures = pictures;
        this.sheets = sheets;
        this.heavy = heavy;
    }

    TemplatesApi.TemplateImported take(byte[] file, String name, String password, long author) {
        if (FormReader.isPdf(file)) {
            return pdf(file, name, password, author);
        }
        TemplateArchive archive = TemplateArchive.isArchive(file)
                ? heavy.alone(() -> TemplateArchive.read(file), LONGEST)
                : TemplateArchive.read(file);
        UUID id = templates.add(archive.template(), author);
        archive.pictures().forEach(picture -> pictures.keep(id, picture));
        archive.sheets().forEach(sheet -> sheets.keep(id, sheet.name(), sheet.content(), null));
        return new TemplatesApi.TemplateImported(id.toString(), List.of());
    }

    private TemplatesApi.TemplateImported pdf(byte[] file, String name, String password, long author) {
        String called = name.length() > LONGEST_NAME ? name.substring(name.length() - LONGEST_NAME) : name;
        String title = called.replaceFirst("(?i)\\.pdf$", "").replace('_', ' ').strip();
        ImportedPdf imported = heavy.alone(() -> ImportedPdf.read(file, password, title), LONGEST);
        UUID id = templates.add(imported.template(), author);
        sheets.keep(
                id,
                imported.name(),
                imported.sheet(),
                new SheetStore.Original(called.isBlank() ? "document.pdf" : called, file));
        return new TemplatesApi.TemplateImported(id.toString(), imported.remarks());
    }
}
