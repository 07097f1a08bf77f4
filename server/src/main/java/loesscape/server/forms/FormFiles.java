package loesscape.server.forms;

import java.time.Duration;
import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.core.form.FillableForm;
import loesscape.formats.docx.FillableDocx;
import loesscape.formats.fillable.FillablePdf;
import loesscape.formats.paper.Theme;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.SheetStore;
import org.springframework.stereotype.Service;

/** Makes files to be filled in, on the paper of the organisation. */
@Service
class FormFiles {

    private static final Duration LONGEST = Duration.ofSeconds(30);

    private final ReleasedTemplates releases;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final OrganisationStore organisations;
    private final HeavyWork heavy;

    FormFiles(
            ReleasedTemplates releases,
            PictureStore pictures,
            SheetStore sheets,
            OrganisationStore organisations,
            HeavyWork heavy) {
        this.releases = releases;
        this.pictures = pictures;
        this.sheets = sheets;
        this.organisations = organisations;
        this.heavy = heavy;
    }

    private FillableForm blank(UUID template, int release) {
        return FillableForm.of(releases.get(template, release).prepared(), Answers.NONE);
    }

    /** A release as a PDF that behaves, with what it does not do. */
    FillablePdf pdf(UUID template, int release) {
        FillableForm form = blank(template, release);
        Theme theme = organisations.theme();
        return heavy.alone(
                () -> FillablePdf.of(
                        form, theme, name -> pictures.find(template, name), name -> sheets.find(template, name)),
                LONGEST);
    }

    /** A release for a word processor. */
    byte[] docx(UUID template, int release) {
        FillableForm form = blank(template, release);
        Theme theme = organisations.theme();
        return heavy.alone(() -> FillableDocx.write(form, theme, name -> pictures.find(template, name)), LONGEST);
    }
}
