package loesscape.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import loesscape.core.editing.Blocks;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Origin;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Template;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.template.TemplateFile;
import loesscape.server.accounts.AccountStore;
import loesscape.server.accounts.DemoAuthor;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.accounts.Right;
import loesscape.server.draft.BlockStore;
import loesscape.server.draft.TryoutStore;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.filling.Fillings;
import loesscape.server.platform.doors.Secrets;
import loesscape.server.templates.AccessStore;
import loesscape.server.templates.PictureStore;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.SheetStore;
import loesscape.server.templates.TemplateStore;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Fills an empty database with the Veldhollow Soil and Water Board, which is invented, as is all that it says. */
@Component
@ConditionalOnProperty("loesscape.demo")
public class DemoWorld implements ApplicationRunner {

    /** The templates of the demo; the one made last is the first in the list. */
    private static final List<String> TEMPLATES = List.of(
            "soil-sample-sheet",
            "equipment-loan-agreement",
            "soil-sample-series",
            "drainage-consent",
            "drilling-agreement",
            "borehole-and-well-permit");

    /** The pictures that the templates of the demo show. */
    private static final List<String> PICTURES = List.of("well", "chalk", "rig");

    /** The section that the author of the demo has kept as a block. */
    private static final String BLOCK = "owner_section";

    private final AccountStore accounts;
    private final TemplateStore templates;
    private final AccessStore access;
    private final ReleaseStore releases;
    private final TryoutStore tryouts;
    private final Fillings fillings;
    private final PictureStore pictures;
    private final SheetStore sheets;
    private final BlockStore blocks;
    private final OrganisationStore organisations;
    private final PasswordEncoder encoder;
    private final DemoDispatches demoDispatches;
    private final DemoLookups lookups;

    DemoWorld(
            AccountStore accounts,
            TemplateStore templates,
            AccessStore access,
            ReleaseStore releases,
            TryoutStore tryouts,
            Fillings fillings,
            PictureStore pictures,
            SheetStore sheets,
            BlockStore blocks,
            OrganisationStore organisations,
            PasswordEncoder encoder,
            DemoDispatches demoDispatches,
            DemoLookups lookups) {
        this.accounts = accounts;
        this.templates = templates;
        this.access = access;
        this.releases = releases;
        this.tryouts = tryouts;
        this.fillings = fillings;
        this.pictures = pictures;
        this.sheets = sheets;
        this.blocks = blocks;
        this.organisations = organisations;
        this.encoder = encoder;
        this.demoDispatches = demoDispatches;
        this.lookups = lookups;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        if (!accounts.isEmpty()) {
            return;
        }
        accounts.add(DemoAuthor.NAME, Objects.requireNonNull(encoder.encode(Secrets.make())));
        long author = accounts.find(DemoAuthor.NAME).orElseThrow().id();
        organisations.keep("Veldhollow Soil and Water Board", "#23483f");
        organisations.keepLogo(picture("logo"));
        organisations.keep(new OrganisationStore.Stationery(
                "Sluice Lane 4\n1170 Veldhollow\nwater@veldhollow.example",
                "Veldhollow is an invented place.",
                Theme.Typeface.SANS,
                PageSettings.Paper.A4));
        lookups.askDirectory(author);
        for (String name : TEMPLATES) {
            Template document = load(name);
            UUID template = templates.add(lookups.withList(withBlock(document, author), author), author);
            access.share(template, List.of(new AccessStore.Access(null, "", Right.WRITE)));
            for (String picture : PICTURES) {
                SafePicture drawn = picture(picture);
                if (TemplateFile.compact(document).contains(drawn.name())) {
                    pictures.keep(template, drawn);
                }
            }
            for (String sheet : document.sheets()) {
                byte[] form = resource(name + ".pdf");
                sheets.keep(template, sheet, ImportedPdf.sheet(form), new SheetStore.Original(name + ".pdf", form));
            }
            release(template, author, "First release", records(name));
            if (name.equals("drilling-agreement")) {
                demoDispatches.lay(template, accounts.find(DemoAuthor.NAME).orElseThrow());
            }
            tryouts.keep(template, author, Tryout.NONE.with(new Answers(tryout(name))));
        }
    }

    private Template withBlock(Template document, long author) {
        TemplateIndex parts = TemplateIndex.of(document);
        if (!parts.nodes().containsKey(BLOCK)) {
            return document;
        }
        UUID block = blocks.add(author, "Contact person", Blocks.cut(document, BLOCK));
        Map<String, String> keys = new HashMap<>();
        parts.withContent(BLOCK).forEach(key -> keys.put(key, key));
        return Editing.apply(document, new Edit.SetOrigin(BLOCK, new Origin(block.toString(), 1, keys)));
    }

    private static SafePicture picture(String name) {
        return SafePicture.read(name + ".svg", resource("pictures/" + name + ".svg"));
    }

    private void release(UUID template, long author, String notes, List<Map<String, String>> records) {
        int number = releases.add(templates.lock(template).orElseThrow(), notes, "", author);
        String link = releases.addLink(template, number, ReleaseStore.LinkTimes.ALWAYS);
        for (Map<String, String> answers : records) {
            String secret = fillings.begin(link, null);
            answers.forEach((key, typed) -> fillings.answer(link, secret, key, typed));
            Fillings.Finished finished = fillings.finish(link, secret).outcome();
            if (finished.record() == null) {
                throw new IllegalStateException("A demo record cannot be finished: " + finished.obstacles());
            }
        }
    }

    private static List<Map<String, String>> records(String name) {
        return lines(name).stream().skip(1).toList();
    }

    private static Map<String, String> tryout(String name) {
        return lines(name).getFirst();
    }

    /** The answers of the demo: first those tried out in the Draft view, then those of each record. */
    private static List<Map<String, String>> lines(String name) {
        return JsonReader.read(Json.parse(resource(name + ".answers.json")), DemoAnswers.class)
                .sets();
    }

    /** A file of answers: some sets of field keys with what was typed. */
    record DemoAnswers(List<AnswerSet> answers) {

        /** One set. */
        record AnswerSet(Map<String, String> typed) {}

        List<Map<String, String>> sets() {
            return answers.stream().map(AnswerSet::typed).toList();
        }
    }

    /** A template of the demo. */
    public static Template load(String name) {
        return TemplateFile.read(resource(name + ".loess.json"));
    }

    static byte[] resource(String name) {
        try (InputStream file = DemoWorld.class.getResourceAsStream(name)) {
            if (file == null) {
                throw new IllegalStateException("The demo has no " + name);
            }
            return file.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
