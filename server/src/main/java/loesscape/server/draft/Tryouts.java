package loesscape.server.draft;

import java.util.UUID;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Stage;
import loesscape.core.model.Trial;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.files.FileLimits;
import loesscape.server.files.FileStore;
import loesscape.server.filling.AnswerRules;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.TemplateStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The document tried out where it is written: answers, stages, roles and files of one author, which nobody else sees. */
@Service
class Tryouts {

    /** As long as the address of an answer can be. */
    private static final int LONGEST_ADDRESS = 100;

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final FileStore files;
    private final FileLimits limits;
    private final DraftVersions versions;
    private final DraftDifferences differences;

    Tryouts(
            TemplateStore templates,
            TryoutStore tryouts,
            FileStore files,
            FileLimits limits,
            DraftVersions versions,
            DraftDifferences differences) {
        this.templates = templates;
        this.tryouts = tryouts;
        this.files = files;
        this.limits = limits;
        this.versions = versions;
        this.differences = differences;
    }

    @Transactional
    public DraftChange tryOut(UUID id, String key, String typed, long account) {
        DraftVersions.Current now = versions.current(id);
        if (key.length() > LONGEST_ADDRESS || !now.model().parts().nodes().containsKey(RowNames.key(key))) {
            throw new Problems.Missing("The document has no field “%s”."
                    .formatted(key.length() > LONGEST_ADDRESS ? key.substring(0, LONGEST_ADDRESS) + "…" : key));
        }
        if (typed.length() > AnswerRules.LONGEST_ANSWER) {
            throw new Refusal("At most %d characters are kept.".formatted(AnswerRules.LONGEST_ANSWER));
        }
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, before.with(before.answers().with(key, typed)), account);
    }

    private DraftChange retried(UUID id, DraftVersions.Current now, Tryout before, Tryout after, long account) {
        tryouts.keep(id, account, after);
        return differences.between(id, now.model(), before, now, after, account);
    }

    /** Shows the document at another stage, or as another role sees it. */
    @Transactional
    public DraftChange see(UUID id, Stage stage, String role, long account) {
        DraftVersions.Current now = versions.current(id);
        if (!role.isEmpty() && !now.model().parts().rest().roles().containsKey(role)) {
            throw new Refusal("There is no role “%s” any more.".formatted(role));
        }
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, new Tryout(before.answers(), stage, role), account);
    }

    /** Types the answers of a trial in place of what is typed, and looks at the document as it does. */
    @Transactional
    public DraftChange tryTrial(UUID id, String name, long account) {
        DraftVersions.Current now = versions.current(id);
        Trial trial = now.model().parts().rest().trials().get(name);
        if (trial == null) {
            throw new Refusal("There is no trial “%s” any more.".formatted(name));
        }
        Tryout before = tryouts.find(id, account);
        Tryout after = new Tryout(new Answers(trial.answers()), trial.stage(), trial.role());
        return retried(id, now, before, after, account);
    }

    /** Keeps a file an author tries the document with and tells its identity. */
    @Transactional
    public String handIn(UUID id, long account, FileStore.Incoming file) {
        if (templates.version(id).isEmpty()) {
            throw TemplateStore.missing();
        }
        if (files.size(id, account) + file.passing().bytes() > limits.filling()) {
            throw new Refusal("All files you try a document with have at most %d MB together."
                    .formatted(limits.filling() / 1_000_000));
        }
        limits.checkRoom(files, file.passing().bytes());
        return files.keep(id, account, file);
    }

    /** A file an author tries the document with. */
    @Transactional(readOnly = true)
    public FileStore.Outgoing file(UUID id, long account, String file) {
        return files.find(id, account, file).orElseThrow(() -> new Problems.Missing("There is no such file."));
    }

    @Transactional
    public DraftChange clear(UUID id, long account) {
        DraftVersions.Current now = versions.current(id);
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, before.with(Answers.NONE), account);
    }
}
