package loesscape.server.records;

import java.util.UUID;
import loesscape.core.evaluation.Content;
import loesscape.formats.export.RecordPdf;
import loesscape.formats.export.RecordRow;
import loesscape.server.platform.web.HeavyWork;
import org.springframework.stereotype.Component;

/** Records as PDF files: made when they are first asked for, and kept, as a record never changes. */
@Component
public class RecordPdfs {

    private final RecordStore records;
    private final HeavyWork heavy;

    RecordPdfs(RecordStore records, HeavyWork heavy) {
        this.records = records;
        this.heavy = heavy;
    }

    /** The file of a record. */
    public byte[] of(UUID template, RecordRow row) {
        int number = row.heading().number();
        return records.pdf(template, number, RecordPdf.FORM).orElseGet(() -> {
            Content content = Records.content(row);
            byte[] made = heavy.run(() -> RecordPdf.write(content, row.heading()));
            records.keepPdf(template, number, RecordPdf.FORM, made);
            return made;
        });
    }
}
