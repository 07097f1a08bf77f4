package loesscape.server.records;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import loesscape.core.evaluation.Content;
import loesscape.formats.evidence.Trail;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PageImages;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.platform.Recent;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.platform.web.Problems;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;

/** Documents that are not finished, as they would be on paper now: to be read page by page before somebody signs. */
@Service
public class ReadingCopies {

    /** Sharp enough on a screen of twice the usual number of dots, at half the width of the page. */
    private static final int DOTS_PER_INCH = 110;

    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final int MOST_COPIES = 8;
    private static final int MOST_PAGES = 64;

    private final OrganisationStore organisations;
    private final HeavyWork heavy;
    private final Recent<String, ReadingCopy> copies = new Recent<>(MOST_COPIES);
    private final Recent<String, byte[]> pages = new Recent<>(MOST_PAGES);

    ReadingCopies(OrganisationStore organisations, HeavyWork heavy) {
        this.organisations = organisations;
        this.heavy = heavy;
    }

    /**
     * How many pages a copy has.
     *
     * @param version another whenever the document would be
     */
    public record CopyPages(String version, int pages) {}

    /** A copy, made. */
    public record ReadingCopy(CopyPages about, byte[] pdf) {

        /** An answer that is the whole copy. */
        public ResponseEntity<byte[]> answer() {
            return ResponseEntity.ok()
                    .contentType(MediaType.APPLICATION_PDF)
                    .header(HttpHeaders.CACHE_CONTROL, "no-store")
                    .header("X-Content-Type-Options", "nosniff")
                    .body(pdf);
        }
    }

    /** A copy of what a document shows. */
    public ReadingCopy of(Content content, Supplier<PrintedRecord.Pictures> pictures) {
        Theme theme = organisations.theme();
        String version = version(content, theme);
        ReadingCopy known = copies.get(version);
        if (known != null) {
            return known;
        }
        PrintedRecord printed = new PrintedRecord(content, null, theme, pictures.get(), "", null);
        Callable<ReadingCopy> making = () -> {
            byte[] pdf = FinishedPdf.write(printed);
            return new ReadingCopy(new CopyPages(version, PageImages.count(pdf)), pdf);
        };
        ReadingCopy made = heavy.alone(making, LONGEST);
        copies.put(version, made);
        return made;
    }

    /** An answer that is a page of a copy, as a picture; pages ask for it under another address whenever it is another. */
    public ResponseEntity<byte[]> page(ReadingCopy copy, int page) {
        if (page < 1 || page > copy.about().pages()) {
            throw new Problems.Missing(
                    "The document has %d pages.".formatted(copy.about().pages()));
        }
        String key = copy.about().version() + " " + page;
        byte[] known = pages.get(key);
        if (known == null) {
            known = heavy.run(() -> PageImages.png(copy.pdf(), page, DOTS_PER_INCH));
            pages.put(key, known);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=600")
                .header("X-Content-Type-Options", "nosniff")
                .body(known);
    }

    private static String version(Content content, Theme theme) {
        String logo = theme.logo() == null ? "" : Trail.digest(theme.logo().content());
        String all = String.join(
                "\n",
                content.toString(),
                theme.organisation(),
                theme.letterhead().toString(),
                theme.footer(),
                theme.accent(),
                theme.typeface().name(),
                logo);
        return Trail.digest(all.getBytes(StandardCharsets.UTF_8)).substring(0, 16);
    }
}
