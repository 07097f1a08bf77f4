package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import loesscape.core.evaluation.Content;
import loesscape.core.model.PageSettings;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.graphics.color.PDOutputIntent;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;

/** What a document says of itself where nothing of it is set: the same as if something were. */
final class ArchiveCatalog {

    private static @Nullable Document packet;

    private ArchiveCatalog() {}

    static void begin(PDDocument document, Content content, Instant at) throws IOException {
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        String language = content.settings().language();
        catalog.setLanguage(
                language.isEmpty() ? "en" : Locale.forLanguageTag(language).toLanguageTag());
        PDOutputIntent colours = new PDOutputIntent(document, new ByteArrayInputStream(Typesetter.COLOURS));
        colours.setInfo("sRGB IEC61966-2.1");
        colours.setOutputCondition("sRGB IEC61966-2.1");
        colours.setOutputConditionIdentifier("sRGB IEC61966-2.1");
        colours.setRegistryName("http://www.color.org");
        catalog.addOutputIntent(colours);
        ArchiveMetadata.say(document, packet(), content.title(), content.subtitle(), at);
        document.getDocumentInformation().setTitle(content.title());
        document.getDocumentInformation().setSubject(content.subtitle());
        document.getDocumentInformation().setProducer("Loesscape");
    }

    /** The metadata of a document of one blank page, to be changed: a copy of what is kept. */
    private static synchronized Document packet() throws IOException {
        if (packet == null) {
            Content blank = new Content(" ", " ", List.of(), PageSettings.PLAIN);
            PrintedRecord record = new PrintedRecord(blank, null, Theme.PLAIN, PrintedRecord.Pictures.NONE, "", null);
            try (LentFonts fonts = new LentFonts();
                    PDDocument document = new PDDocument()) {
                Typesetter.set(DocumentMarkup.of(record), document, fonts);
                packet = ArchiveMetadata.read(
                        document.getDocumentCatalog().getMetadata().toByteArray());
            }
        }
        return (Document) packet.cloneNode(true);
    }
}
