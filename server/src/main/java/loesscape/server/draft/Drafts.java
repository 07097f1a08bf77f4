package loesscape.server.draft;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import loesscape.core.analysis.Why;
import loesscape.core.editing.Change;
import loesscape.core.editing.ChangeWords;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Refused;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.translation.AsCondition;
import loesscape.core.translation.AsFormula;
import loesscape.server.accounts.Author;
import loesscape.server.draft.DraftModel.NodeView;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.files.FileLimits;
import loesscape.server.files.FileStore;
import loesscape.server.filling.AnswerRules;
import loesscape.server.platform.Recent;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplateStore.EditStanding;
import loesscape.server.templates.TemplateStore.Kind;
import loesscape.server.templates.TemplateStore.StoredEdit;
import loesscape.server.templates.TemplateStore.Version;
import loesscape.server.templates.TemplateStore.WorkingCopy;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The Draft view's side of the server: edits, undo and redo, answers tried out. */
@Service
public class Drafts {

    /** As long as the address of an answer can be. */
    private static final int LONGEST_ADDRESS = 100;

    private static final int MOST_STEPS = 200;

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final ReleaseStore releases;
    private final FileStore files;
    private final FileLimits limits;
    private final Clock clock;
    private final Recent<UUID, Entry> models = new Recent<>(32);

    public Drafts(
            TemplateStore templates,
            TryoutStore tryouts,
            ReleaseStore releases,
            FileStore files,
            FileLimits limits,
            Clock clock) {
        this.limits = limits;
        this.templates = templates;
        this.tryouts = tryouts;
        this.releases = releases;
        this.files = files;
        this.clock = clock;
    }

    private record Entry(Version version, DraftModel model) {}

    /**
     * A whole draft.
     *
     * @param revision counts the edits kept
     * @param release the number of the last release; 0 for none
     * @param changed when the last edit was kept
     * @param held what each page and section holds, in order; under the empty key, the pages
     * @param nodes by key
     * @param inRows how what stands in rows stands, by address
     * @param shared the shared conditions
     * @param unmet the messages of the conditions for finishing that do not hold
     * @param settings what belongs to the document as a whole
     * @param answers what is typed into the document
     * @param stage where the document stands on its way, for this author
     * @param role as whom this author sees it; empty for nobody in particular
     */
    public record Draft(
            int revision,
            int release,
            Instant changed,
            boolean canUndo,
            boolean canRedo,
            String title,
            String subtitle,
            Map<String, List<String>> held,
            Map<String, NodeView> nodes,
            Map<String, NodeState> inRows,
            List<SharedCondition> shared,
            List<String> unmet,
            DraftSettings settings,
            Map<String, String> answers,
            Stage stage,
            String role,
            Vocabulary vocabulary) {}

    /**
     * What became different in a draft.
     *
     * @param held the lists of held keys that changed
     * @param nodes the nodes that are new or stand otherwise
     * @param inRows what stands otherwise in rows, by address
     * @param shared the shared conditions, all of them
     * @param unmet the messages of the conditions for finishing that do not hold
     * @param settings what belongs to the document as a whole; null where that stayed
     * @param gone the keys of nodes that are no more
     */
    public record DraftChange(
            int revision,
            Instant changed,
            boolean canUndo,
            boolean canRedo,
            String title,
            String subtitle,
            Map<String, List<String>> held,
            Map<String, NodeView> nodes,
            Map<String, NodeState> inRows,
            List<SharedCondition> shared,
            List<String> unmet,
            @Nullable DraftSettings settings,
            List<String> gone) {}

    @Transactional(readOnly = true)
    public Draft open(UUID id, long account) {
        WorkingCopy copy = find(templates.find(id));
        DraftModel model = entry(copy).model();
        Tryout tryout = tryouts.find(id, account);
        DraftModel.Stand stand = model.stand(tryout.answers(), context(tryout));
        return new Draft(
                copy.revision(),
                releases.list(id).stream()
                        .findFirst()
                        .map(ReleaseStore.ListedRelease::number)
                        .orElse(0),
                copy.changed(),
                templates.has(id, account, EditStanding.DONE),
                templates.has(id, account, EditStanding.UNDONE),
                copy.template().title(),
                copy.template().subtitle(),
                model.parts().held(),
                stand.nodes(),
                stand.inRows(),
                copy.template().conditions(),
                stand.unmet(),
                model.settings(),
                tryout.answers().typed(),
                tryout.stage(),
                tryout.role(),
                Vocabulary.all());
    }

    /** The number of edits kept. */
    @Transactional(readOnly = true)
    public int revision(UUID id) {
        return templates.version(id).orElseThrow(TemplateStore::missing).revision();
    }

    @Transactional
    public DraftChange edit(UUID id, int revision, Edit edit, long account) {
        WorkingCopy before = locked(id);
        if (before.revision() != revision) {
            throw new Refused(
                    Refused.Cause.CHANGED,
                    "Changed elsewhere in the meantime: %s. The document is shown as it is now; make your edit again if it still fits."
                            .formatted(changedSince(id, revision)));
        }
        DraftModel model = entry(before).model();
        Editing.Edited edited = Editing.apply(model.parts(), edit);
        Change change = Change.between(model.parts(), edited.parts());
        if (change.isEmpty()) {
            return difference(before, before, account);
        }
        templates.dropUndone(id, account);
        if (edit instanceof Edit.RenameKey rename) {
            Tryout tryout = tryouts.find(id, account);
            tryouts.keep(id, account, tryout.with(tryout.answers().renamed(rename.key(), rename.to())));
        }
        WorkingCopy after = templates.keep(before, edited.prepared().template(), change, Kind.EDIT, account);
        return difference(id, model, remembered(after, new DraftModel(edited.prepared(), edited.parts())), account);
    }

    private String changedSince(UUID id, int revision) {
        TreeSet<String> names = new TreeSet<>();
        for (Change change : templates.changesSince(id, revision)) {
            change.nodes().values().forEach(swap -> {
                var node = swap.is() == null ? swap.was() : swap.is();
                if (node != null) {
                    names.add("“%s”".formatted(node.name()));
                }
            });
        }
        return names.isEmpty() ? "the document" : String.join(", ", names);
    }

    @Transactional
    public DraftChange undo(UUID id, long account) {
        WorkingCopy before = locked(id);
        StoredEdit edit = templates.lastDone(id, account).orElseThrow(() -> new Refusal("There is nothing to undo."));
        return step(before, edit, edit.change().reversed(), Kind.UNDO, account);
    }

    @Transactional
    public DraftChange redo(UUID id, long account) {
        WorkingCopy before = locked(id);
        StoredEdit edit = templates.lastUndone(id, account).orElseThrow(() -> new Refusal("There is nothing to redo."));
        return step(before, edit, edit.change(), Kind.REDO, account);
    }

    private DraftChange step(WorkingCopy before, StoredEdit edit, Change change, Kind kind, long account) {
        Template after = change.applyTo(before.template());
        templates.mark(before.id(), edit.revision(), kind == Kind.UNDO ? EditStanding.UNDONE : EditStanding.DONE);
        return difference(before, templates.keep(before, after, change, kind, account), account);
    }

    @Transactional
    public DraftChange tryOut(UUID id, String key, String typed, long account) {
        Entry now = current(id);
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

    private DraftChange retried(UUID id, Entry now, Tryout before, Tryout after, long account) {
        tryouts.keep(id, account, after);
        return difference(id, now.model(), before, now, after, account);
    }

    /** Shows the document at another stage, or as another role sees it. */
    @Transactional
    public DraftChange see(UUID id, Stage stage, String role, long account) {
        Entry now = current(id);
        if (!role.isEmpty() && !now.model().parts().rest().roles().containsKey(role)) {
            throw new Refusal("There is no role “%s” any more.".formatted(role));
        }
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, new Tryout(before.answers(), stage, role), account);
    }

    /** Types the answers of a trial in place of what is typed. */
    @Transactional
    public DraftChange tryTrial(UUID id, String name, long account) {
        Entry now = current(id);
        Trial trial = now.model().parts().rest().trials().get(name);
        if (trial == null) {
            throw new Refusal("There is no trial “%s” any more.".formatted(name));
        }
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, before.with(new Answers(trial.answers())), account);
    }

    /**
     * A step in the history of a template.
     *
     * @param words what it did
     * @param by who took it
     * @param undone whether it was taken back
     * @param back how many edits of one's own are to be undone to come before it; 0 where it is not one's own, or undone
     */
    public record Step(int revision, String words, String by, Instant made, boolean undone, int back) {}

    /** The last steps of a template, the newest first; undoing and redoing are no steps of their own. */
    public record History(List<Step> steps) {}

    @Transactional(readOnly = true)
    public History history(UUID id, Author author) {
        List<Step> steps = new ArrayList<>();
        int back = 0;
        for (TemplateStore.Past past : templates.history(id, MOST_STEPS)) {
            if (past.kind() != Kind.EDIT) {
                continue;
            }
            boolean undone = past.standing() != EditStanding.DONE;
            boolean own = past.by().equals(author.name()) && !undone;
            back += own ? 1 : 0;
            steps.add(new Step(
                    past.revision(), ChangeWords.of(past.change()), past.by(), past.made(), undone, own ? back : 0));
        }
        return new History(steps);
    }

    /** A lookup list with all its rows. */
    @Transactional(readOnly = true)
    public LookupList list(UUID id, String key) {
        LookupList list = current(id).model().parts().rest().lists().get(key);
        if (list == null) {
            throw new Problems.Missing("There is no such lookup list.");
        }
        return list;
    }

    /** The condition of an aspect as a formula; of a shared one, what it says. */
    @Transactional(readOnly = true)
    public String formula(UUID id, String key, Aspect aspect) {
        DraftModel model = current(id).model();
        Node node = model.parts().node(key);
        Condition condition = aspect.of(node);
        if (condition instanceof Condition.Shared(var shared)) {
            condition = Objects.requireNonNull(model.parts().rest().conditions().get(shared), shared)
                    .condition();
        }
        if (condition == null) {
            throw new Problems.Missing("“%s” has no such condition any more.".formatted(node.name()));
        }
        return new AsFormula(model.prepared()).of(condition);
    }

    /** What names mean in the draft. */
    @Transactional(readOnly = true)
    public SymbolTable symbols(UUID id) {
        return current(id).model().prepared().symbols();
    }

    /** A formula as a condition; refused with the place where it is not understood. */
    @Transactional(readOnly = true)
    public Condition condition(UUID id, String formula) {
        try {
            return new AsCondition(current(id).model().prepared()).of(formula);
        } catch (FormulaProblem problem) {
            throw new Refusal("At character %d: %s".formatted(problem.at() + 1, problem.getMessage()));
        }
    }

    /** Why an item stands as it does with the answers tried out. */
    @Transactional(readOnly = true)
    public Why why(UUID id, String address, long account) {
        Tryout tryout = tryouts.find(id, account);
        return current(id)
                .model()
                .why(address, tryout.answers(), context(tryout))
                .orElseThrow(() -> new Problems.Missing("There is no “%s” as things stand.".formatted(address)));
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
        Entry now = current(id);
        Tryout before = tryouts.find(id, account);
        return retried(id, now, before, before.with(Answers.NONE), account);
    }

    private DraftChange difference(WorkingCopy before, WorkingCopy after, long account) {
        DraftModel model = entry(before).model();
        return difference(after.id(), model, entry(after), account);
    }

    private DraftChange difference(UUID id, DraftModel before, Entry now, long account) {
        Tryout tryout = tryouts.find(id, account);
        return difference(id, before, tryout, now, tryout, account);
    }

    private DraftChange difference(
            UUID id, DraftModel modelBefore, Tryout tryoutBefore, Entry now, Tryout tryout, long account) {
        DraftModel.Stand standBefore = modelBefore.stand(tryoutBefore.answers(), context(tryoutBefore));
        DraftModel.Stand stand = now.model().stand(tryout.answers(), context(tryout));
        Map<String, NodeView> viewsBefore = standBefore.nodes();
        Map<String, NodeView> views = stand.nodes();
        List<String> gone = new ArrayList<>(viewsBefore.keySet());
        gone.removeAll(views.keySet());
        Template template = now.model().template();
        return new DraftChange(
                now.version().revision(),
                now.version().changed(),
                templates.has(id, account, EditStanding.DONE),
                templates.has(id, account, EditStanding.UNDONE),
                template.title(),
                template.subtitle(),
                changed(modelBefore.parts().held(), now.model().parts().held()),
                changed(viewsBefore, views),
                changed(standBefore.inRows(), stand.inRows()),
                template.conditions(),
                stand.unmet(),
                modelBefore.settings().equals(now.model().settings())
                        ? null
                        : now.model().settings(),
                gone);
    }

    private static <T> Map<String, T> changed(Map<String, T> before, Map<String, T> after) {
        Map<String, T> changed = new LinkedHashMap<>();
        after.forEach((key, is) -> {
            if (!is.equals(before.get(key))) {
                changed.put(key, is);
            }
        });
        return changed;
    }

    /** The last version; the document is read only where it is not the one remembered. */
    private Entry current(UUID id) {
        Version version = templates.version(id).orElseThrow(TemplateStore::missing);
        Entry known = models.get(id);
        return known != null && known.version().equals(version) ? known : entry(find(templates.find(id)));
    }

    /** The last version, kept from change by others; the document is read only where it is not the one remembered. */
    private WorkingCopy locked(UUID id) {
        Version version = templates.lockVersion(id).orElseThrow(TemplateStore::missing);
        Entry known = models.get(id);
        return known != null && known.version().equals(version)
                ? new WorkingCopy(id, known.model().template(), version.revision(), version.changed())
                : find(templates.find(id));
    }

    private Entry entry(WorkingCopy copy) {
        Entry known = models.get(copy.id());
        if (known != null && known.version().equals(copy.version())) {
            return known;
        }
        return remembered(copy, new DraftModel(copy.template()));
    }

    private Entry remembered(WorkingCopy copy, DraftModel model) {
        Entry entry = new Entry(copy.version(), model);
        models.put(copy.id(), entry);
        return entry;
    }

    private Context context(Tryout tryout) {
        return new Context(LocalDate.now(clock), tryout.stage(), tryout.role());
    }

    private static WorkingCopy find(Optional<WorkingCopy> copy) {
        return copy.orElseThrow(TemplateStore::missing);
    }
}
