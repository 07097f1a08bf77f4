package loesscape.server.templates;

import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Consumer;
import loesscape.core.model.Template;
import loesscape.formats.form.FormReader;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.template.TemplateArchive;
import loesscape.formats.word.ImportedDocument;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.files.FileNames;
import loesscape.server.platform.web.HeavyWork;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes templates of files that somebody brings. */
@Service
class TemplateImports {

    private static final Duration LONGEST = Duration.ofSeconds(60);

    private final TemplateStore templates;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final FoundPlaces found;
    private final OriginalStore originals;
    private final HeavyWork heavy;
    private final OrganisationStore organisations;
    private final TransactionTemplate transactions;

    TemplateImports(
            TemplateStore templates,
            PictureStore pictures,
            SheetStore sheets,
            FoundPlaces found,
            OriginalStore originals,
            HeavyWork heavy,
            OrganisationStore organisations,
            TransactionTemplate transactions) {
        this.templates = templates;
        this.pictures = pictures;
        this.sheets = sheets;
        this.found = found;
        this.originals = originals;
        this.heavy = heavy;
        this.organisations = organisations;
        this.transactions = transactions;
    }

    TemplatesApi.TemplateImported take(byte[] file, String name, String password, long author) {
        if (FormReader.isPdf(file)) {
            return pdf(file, name, password, author);
        }
        // A plain template file is no work, so it waits for nobody's.
        boolean isPacked = TemplateArchive.isArchive(file);
        if (isPacked && heavy.alone(() -> ImportedDocument.isDocument(file), LONGEST)) {
            return document(file, name, author);
        }
        TemplateArchive archive =
                isPacked ? heavy.alone(() -> TemplateArchive.read(file), LONGEST) : TemplateArchive.read(file);
        return kept(archive.template(), author, List.of(), id -> {
            archive.pictures().forEach(picture -> pictures.keep(id, picture));
            archive.sheets().forEach(sheet -> sheets.keep(id, sheet.name(), sheet.content(), null));
        });
    }

    /** All of it or nothing is kept; it was read before, so that nobody waits for that with a connection in hand. */
    private TemplatesApi.TemplateImported kept(
            Template template, long author, List<String> remarks, Consumer<UUID> beside) {
        UUID made = Objects.requireNonNull(transactions.execute(ignored -> {
            UUID id = templates.add(template, author);
            beside.accept(id);
            return id;
        }));
        return new TemplatesApi.TemplateImported(made.toString(), remarks);
    }

    /** What is set behind pages that were brought, and in the place of them, is on the paper of the organisation. */
    private Template onOurPaper(Template template) {
        return template.withPaper(organisations.stationery().paper());
    }

    private static SheetStore.Original original(String name, String otherwise, byte[] file) {
        return new SheetStore.Original(FileNames.plain(name, otherwise), file);
    }

    private static String title(SheetStore.Original original) {
        return original.name()
                .replaceFirst("(?i)\\.(pdf|docx|docm|dotx|odt|ott)$", "")
                .replace('_', ' ')
                .strip();
    }

    private TemplatesApi.TemplateImported document(byte[] file, String name, long author) {
        SheetStore.Original original = original(name, "document.docx", file);
        ImportedDocument imported = heavy.alone(() -> ImportedDocument.read(file, title(original)), LONGEST);
        return kept(onOurPaper(imported.template()), author, imported.remarks(), id -> originals.keep(id, original));
    }

    private TemplatesApi.TemplateImported pdf(byte[] file, String name, String password, long author) {
        SheetStore.Original original = original(name, "document.pdf", file);
        ImportedPdf imported = heavy.alone(() -> ImportedPdf.read(file, password, title(original)), LONGEST);
        return kept(onOurPaper(imported.template()), author, imported.remarks(), id -> {
            sheets.keep(id, imported.name(), imported.sheet(), original);
            found.keep(id, imported.name(), imported.found());
        });
    }
}
