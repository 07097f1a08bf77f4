package loesscape.formats.docx;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import loesscape.core.model.PageSettings;
import loesscape.formats.paper.PaintedPicture;
import loesscape.formats.paper.PaperWords;
import loesscape.formats.paper.Theme;

/** What stands around the text: styles, letterhead, the foot of the pages, paper and margins. */
final class DocxFrame {

    private static final String USUAL_ACCENT = "#16332f";

    private final DocxFile file;
    private final DocxPage page;
    private final PageSettings settings;
    private final Theme theme;
    private final PaperWords words;

    DocxFrame(DocxFile file, DocxPage page, PageSettings settings, Theme theme) {
        this.file = file;
        this.page = page;
        this.settings = settings;
        this.theme = theme;
        this.words = new PaperWords(settings.language());
    }

    /**
     * The file around a text.
     *
     * @param title of the document
     * @param which what tells it from others, for its foot; may be empty
     * @param isForm whether only what is to be filled in can be changed
     */
    byte[] around(DocxElement document, DocxElement body, String title, String which, boolean isForm) {
        String language = settings.language().isEmpty() ? "en-GB" : settings.language();
        file.beside("styles", resource("styles.xml", language), "styles");
        file.beside("numbering", resource("numbering.xml", language), "numbering");
        DocxElement switches = DocxElement.root("w:settings");
        if (isForm) {
            switches.in("w:documentProtection").with("w:edit", "forms").with("w:enforcement", 1);
        }
        switches.in("w:compat")
                .in("w:compatSetting")
                .with("w:name", "compatibilityMode")
                .with("w:uri", "http://schemas.microsoft.com/office/word")
                .with("w:val", "15");
        file.beside("settings", switches.bytes(), "settings");
        DocxElement section = body.in("w:sectPr");
        refer(section, "header", "first", letterhead(), "header1");
        refer(section, "header", "default", running(title), "header2");
        refer(section, "footer", "first", foot(which), "footer1");
        refer(section, "footer", "default", foot(which), "footer2");
        section.in("w:pgSz").with("w:w", page.paperWidth()).with("w:h", page.paperHeight());
        section.in("w:pgMar")
                .with("w:top", 1701)
                .with("w:right", DocxPage.MARGIN)
                .with("w:bottom", 1361)
                .with("w:left", DocxPage.MARGIN)
                .with("w:header", 850)
                .with("w:footer", 680)
                .with("w:gutter", 0);
        section.in("w:titlePg");
        if (page.isRightToLeft()) {
            section.in("w:bidi");
        }
        return file.bytes(document, title, language);
    }

    private void refer(DocxElement section, String what, String which, DocxElement part, String name) {
        section.in("w:" + what + "Reference").with("w:type", which).with("r:id", file.beside(what, part.bytes(), name));
    }

    private DocxElement letterhead() {
        DocxElement head = DocxElement.root("w:hdr");
        if (theme.logo() != null) {
            page.picture(
                    page.paragraph(head, "Running"),
                    PaintedPicture.of(theme.logo()),
                    40,
                    18,
                    theme.organisation(),
                    "header1");
        }
        page.run(page.paragraph(head, "Organisation", true), theme.organisation(), DocxPage.Ink.PLAIN);
        theme.letterhead().forEach(line -> page.run(page.paragraph(head, "Running", true), line, DocxPage.Ink.PLAIN));
        page.paragraph(head, "Rule");
        return head;
    }

    private DocxElement running(String title) {
        DocxElement head = DocxElement.root("w:hdr");
        String both = theme.organisation().isEmpty() ? title : title + " · " + theme.organisation();
        page.run(page.paragraph(head, "Running"), both, DocxPage.Ink.PLAIN);
        return head;
    }

    private DocxElement foot(String which) {
        DocxElement foot = DocxElement.root("w:ftr");
        if (!theme.footer().isEmpty()) {
            page.run(page.paragraph(foot, "Running"), theme.footer(), DocxPage.Ink.PLAIN);
        }
        DocxElement last = page.paragraph(foot, "Running");
        page.run(last, (which.isEmpty() ? "" : which + " · ") + words.of("page") + " ", DocxPage.Ink.PLAIN);
        page.workedOut(last, "PAGE");
        page.run(last, " " + words.of("of") + " ", DocxPage.Ink.PLAIN);
        page.workedOut(last, "NUMPAGES");
        return foot;
    }

    private byte[] resource(String name, String language) {
        String accent = theme.accent().isEmpty() ? USUAL_ACCENT : theme.accent();
        try (InputStream stream = DocxFrame.class.getResourceAsStream(name)) {
            return new String(Objects.requireNonNull(stream).readAllBytes(), StandardCharsets.UTF_8)
                    .replace("{{font}}", theme.typeface() == Theme.Typeface.SERIF ? "Times New Roman" : "Arial")
                    .replace("{{language}}", DocxFile.escaped(language))
                    .replace("{{accent}}", DocxPage.colour(accent))
                    .replace("{{size}}", settings.spacing() == PageSettings.Spacing.COMPACT ? "19" : "21")
                    .replace(
                            "{{gap}}",
                            switch (settings.spacing()) {
                                case COMPACT -> "240";
                                case NORMAL -> "340";
                                case ROOMY -> "480";
                            })
                    .replace(
                            "{{step}}",
                            switch (settings.spacing()) {
                                case COMPACT -> "40";
                                case NORMAL -> "80";
                                case ROOMY -> "160";
                            })
                    .getBytes(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
