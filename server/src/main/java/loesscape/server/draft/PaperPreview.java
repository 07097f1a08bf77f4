package loesscape.server.draft;

import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import loesscape.core.evaluation.Content;
import loesscape.formats.paper.PrintedRecord;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.files.FileStore;
import loesscape.server.records.ReadingCopies;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.SheetStore;
import org.springframework.stereotype.Service;

/** The finished document as its author would get it from the answers tried out. */
@Service
class PaperPreview {

    private final DraftVersions versions;
    private final TryoutStore tryouts;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final FileStore files;
    private final ReadingCopies copies;
    private final Clock clock;

    PaperPreview(
            DraftVersions versions,
            TryoutStore tryouts,
            PictureStore pictures,
            SheetStore sheets,
            FileStore files,
            ReadingCopies copies,
            Clock clock) {
        this.versions = versions;
        this.tryouts = tryouts;
        this.pictures = pictures;
        this.sheets = sheets;
        this.files = files;
        this.copies = copies;
        this.clock = clock;
    }

    /** What the document would say now. */
    Content content(UUID template, long account) {
        Tryout tryout = tryouts.find(template, account);
        return versions.current(template).model().finished(tryout.answers(), LocalDate.now(clock));
    }

    /** The document as it would be now. */
    ReadingCopies.ReadingCopy now(UUID template, long account) {
        Content content = content(template, account);
        return copies.of(
                content,
                () -> PrintedRecord.Pictures.of(
                        content,
                        name -> pictures.find(template, name),
                        file -> files.find(template, account, file).map(FileStore.Outgoing::taken),
                        name -> sheets.find(template, name)));
    }
}
