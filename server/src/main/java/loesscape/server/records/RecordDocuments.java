package loesscape.server.records;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import loesscape.core.evaluation.Content;
import loesscape.formats.docx.FinishedDocx;
import loesscape.formats.export.RecordRow;
import loesscape.formats.export.RecordsJson;
import loesscape.formats.paper.Evidence;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PrintedRecord;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.files.FileStore;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.SheetStore;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Records as finished documents: made when they are first asked for, and kept, as a record never changes. */
@Component
public class RecordDocuments {

    private static final Duration WHILE_SOMEBODY_WAITS = Duration.ofSeconds(30);
    private static final Duration IN_THE_BACKGROUND = Duration.ofMinutes(5);

    private final RecordStore records;
    private final OrganisationStore organisations;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final FileStore files;
    private final HeavyWork heavy;

    RecordDocuments(
            RecordStore records,
            OrganisationStore organisations,
            PictureStore pictures,
            SheetStore sheets,
            FileStore files,
            HeavyWork heavy) {
        this.records = records;
        this.organisations = organisations;
        this.pictures = pictures;
        this.sheets = sheets;
        this.files = files;
        this.heavy = heavy;
    }

    /** The file of a record. */
    public byte[] of(UUID template, RecordRow row) {
        int number = row.heading().number();
        return records.pdf(template, number, FinishedPdf.FORM).orElseGet(() -> {
            byte[] made = made(template, row, null, WHILE_SOMEBODY_WAITS);
            records.keepPdf(template, number, FinishedPdf.FORM, made);
            return made;
        });
    }

    /** The file of a record with how it came about, made anew, while nobody waits for it. */
    public byte[] made(UUID template, RecordRow row, Evidence evidence) {
        return made(template, row, evidence, IN_THE_BACKGROUND);
    }

    /** A record for a word processor; what lies on pages of a PDF file is told as questions there. */
    public byte[] forWordProcessors(UUID template, RecordRow row) {
        Content content = Records.content(row);
        PrintedRecord printed = printed(template, row, content.filled().isEmpty() ? content : Records.asked(row), null);
        return heavy.alone(() -> FinishedDocx.write(printed), WHILE_SOMEBODY_WAITS);
    }

    private byte[] made(UUID template, RecordRow row, @Nullable Evidence evidence, Duration most) {
        PrintedRecord printed = printed(template, row, Records.content(row), evidence);
        return heavy.alone(() -> FinishedPdf.write(printed), most);
    }

    private PrintedRecord printed(UUID template, RecordRow row, Content content, @Nullable Evidence evidence) {
        return new PrintedRecord(
                content,
                row.heading(),
                organisations.theme(),
                PrintedRecord.Pictures.of(
                        content,
                        name -> pictures.find(template, name),
                        file -> files.ofRecord(template, row.heading().number(), file)
                                .map(FileStore.Outgoing::taken),
                        name -> sheets.find(template, name)),
                RecordsJson.write(List.of(row)),
                evidence);
    }
}
