package loesscape.server.draft;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import loesscape.core.evaluation.Content;
import loesscape.formats.evidence.Trail;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PageImages;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.files.FileStore;
import loesscape.server.platform.Recent;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.PictureStore;
import org.springframework.stereotype.Service;

/** The finished document as its author would get it from the answers tried out, page by page. */
@Service
class PaperPreview {

    /** Sharp enough on a screen of twice the usual number of dots, at half the width of the page. */
    private static final int DOTS_PER_INCH = 110;

    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final int MOST_DOCUMENTS = 8;
    private static final int MOST_PAGES = 64;

    private final DraftVersions versions;
    private final TryoutStore tryouts;
    private final OrganisationStore organisations;
    private final PictureStore pictures;
    private final FileStore files;
    private final HeavyWork heavy;
    private final Clock clock;
    private final Recent<String, Made> documents = new Recent<>(MOST_DOCUMENTS);
    private final Recent<String, byte[]> pages = new Recent<>(MOST_PAGES);

    PaperPreview(
            DraftVersions versions,
            TryoutStore tryouts,
            OrganisationStore organisations,
            PictureStore pictures,
            FileStore files,
            HeavyWork heavy,
            Clock clock) {
        this.versions = versions;
        this.tryouts = tryouts;
        this.organisations = organisations;
        this.pictures = pictures;
        this.files = files;
        this.heavy = heavy;
        this.clock = clock;
    }

    private record Made(String version, byte[] pdf, int pages) {}

    /**
     * A finished document of answers tried out.
     *
     * @param version another whenever the document would be
     * @param pages how many it has
     */
    public record PreviewPages(String version, int pages) {}

    /** The document as it would be now. */
    PreviewPages now(UUID template, long account) {
        Made made = made(template, account);
        return new PreviewPages(made.version(), made.pages());
    }

    /** The whole of it, as it is now. */
    byte[] pdf(UUID template, long account) {
        return made(template, account).pdf();
    }

    /** A page of it as PNG, as it is now. */
    byte[] page(UUID template, long account, int page) {
        Made made = made(template, account);
        if (page < 1 || page > made.pages()) {
            throw new Problems.Missing("The document has %d pages.".formatted(made.pages()));
        }
        String key = made.version() + " " + page;
        byte[] known = pages.get(key);
        if (known == null) {
            known = heavy.run(() -> PageImages.png(made.pdf(), page, DOTS_PER_INCH));
            pages.put(key, known);
        }
        return known;
    }

    private Made made(UUID template, long account) {
        DraftVersions.Current current = versions.current(template);
        Tryout tryout = tryouts.find(template, account);
        Theme theme = organisations.theme();
        LocalDate today = LocalDate.now(clock);
        String version = version(template, current, tryout, theme, today);
        Made known = documents.get(version);
        if (known != null) {
            return known;
        }
        Content content = current.model().finished(tryout.answers(), today);
        PrintedRecord printed = new PrintedRecord(
                content,
                null,
                theme,
                PrintedRecord.Pictures.of(
                        content,
                        name -> pictures.find(template, name),
                        file -> files.find(template, account, file).map(FileStore.Outgoing::taken)),
                "",
                null);
        Callable<Made> making = () -> {
            byte[] pdf = FinishedPdf.write(printed);
            return new Made(version, pdf, PageImages.count(pdf));
        };
        Made made = heavy.alone(making, LONGEST);
        documents.put(version, made);
        return made;
    }

    private static String version(
            UUID template, DraftVersions.Current current, Tryout tryout, Theme theme, LocalDate today) {
        String logo = theme.logo() == null ? "" : Trail.digest(theme.logo().content());
        String all = String.join(
                "\n",
                template.toString(),
                current.version().toString(),
                new TreeMap<>(tryout.answers().typed()).toString(),
                theme.organisation(),
                theme.letterhead().toString(),
                theme.footer(),
                theme.accent(),
                theme.typeface().name(),
                logo,
                today.toString());
        return Trail.digest(all.getBytes(StandardCharsets.UTF_8)).substring(0, 16);
    }
}
