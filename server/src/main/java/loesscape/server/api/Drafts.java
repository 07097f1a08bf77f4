package loesscape.server.api;

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
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Parts;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Node;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.translation.AsCondition;
import loesscape.core.translation.AsFormula;
import loesscape.server.api.DraftModel.NodeView;
import loesscape.server.store.FileStore;
import loesscape.server.store.ReleaseStore;
import loesscape.server.store.TemplateStore;
import loesscape.server.store.TemplateStore.Kind;
import loesscape.server.store.TemplateStore.Made;
import loesscape.server.store.TemplateStore.Standing;
import loesscape.server.store.TemplateStore.Version;
import loesscape.server.store.TemplateStore.WorkingCopy;
import loesscape.server.store.TryoutStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The Draft view's side of the server: edits, undo and redo, answers tried out. */
@Service
class Drafts {

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final ReleaseStore releases;
    private final FileStore files;
    private final Clock clock;
    private final Recent<UUID, Entry> models = new Recent<>(32);

    Drafts(TemplateStore templates, TryoutStore tryouts, ReleaseStore releases, FileStore files, Clock clock) {
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
     * @param answers what is typed into the document
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
            Map<String, String> answers,
            Vocabulary vocabulary) {}

    /**
     * What became different in a draft.
     *
     * @param held the lists of held keys that changed
     * @param nodes the nodes that are new or stand otherwise
     * @param inRows what stands otherwise in rows, by address
     * @param shared the shared conditions, all of them
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
            List<String> gone) {}

    @Transactional(readOnly = true)
    public Draft open(UUID id, long account) {
        WorkingCopy copy = find(templates.find(id));
        DraftModel model = entry(copy).model();
        Answers answers = tryouts.find(id, account);
        DraftModel.Stand stand = model.stand(answers, context());
        return new Draft(
                copy.revision(),
                releases.list(id).stream()
                        .findFirst()
                        .map(ReleaseStore.Listed::number)
                        .orElse(0),
                copy.changed(),
                templates.has(id, account, Standing.DONE),
                templates.has(id, account, Standing.UNDONE),
                copy.template().title(),
                copy.template().subtitle(),
                model.parts().held(),
                stand.nodes(),
                stand.inRows(),
                copy.template().conditions(),
                answers.typed(),
                Vocabulary.all());
    }

    /** The number of edits kept. */
    @Transactional(readOnly = true)
    public int revision(UUID id) {
        return templates.version(id).orElseThrow(Drafts::missing).revision();
    }

    @Transactional
    public DraftChange edit(UUID id, int revision, Edit edit, long account) {
        WorkingCopy before = find(templates.lock(id));
        if (before.revision() != revision) {
            throw new Problems.Conflict(
                    "Changed elsewhere in the meantime: %s. The document is shown as it is now; make your edit again if it still fits."
                            .formatted(changedSince(id, revision)));
        }
        Template after = Editing.apply(before.template(), edit);
        Change change = Change.between(Parts.of(before.template()), Parts.of(after));
        if (change.isEmpty()) {
            return difference(before, before, account);
        }
        templates.dropUndone(id, account);
        Answers answers = tryouts.find(id, account);
        if (edit instanceof Edit.RenameKey rename) {
            tryouts.keep(id, account, answers.renamed(rename.key(), rename.to()));
        }
        return difference(before, templates.keep(before, after, change, Kind.EDIT, account), account);
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
        WorkingCopy before = find(templates.lock(id));
        Made edit = templates.lastDone(id, account).orElseThrow(() -> new Refusal("There is nothing to undo."));
        return step(before, edit, edit.change().reversed(), Kind.UNDO, account);
    }

    @Transactional
    public DraftChange redo(UUID id, long account) {
        WorkingCopy before = find(templates.lock(id));
        Made edit = templates.lastUndone(id, account).orElseThrow(() -> new Refusal("There is nothing to redo."));
        return step(before, edit, edit.change(), Kind.REDO, account);
    }

    private DraftChange step(WorkingCopy before, Made edit, Change change, Kind kind, long account) {
        Template after = change.applyTo(before.template());
        templates.mark(before.id(), edit.revision(), kind == Kind.UNDO ? Standing.UNDONE : Standing.DONE);
        return difference(before, templates.keep(before, after, change, kind, account), account);
    }

    @Transactional
    public DraftChange tryOut(UUID id, String key, String typed, long account) {
        Entry now = current(id);
        Answers before = tryouts.find(id, account);
        Answers after = before.with(key, typed);
        tryouts.keep(id, account, after);
        return difference(id, now.model(), before, now, after, account);
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
        return new AsFormula(model.template()).of(condition);
    }

    /** A formula as a condition; refused with the place where it is not understood. */
    @Transactional(readOnly = true)
    public Condition condition(UUID id, String formula) {
        try {
            return new AsCondition(current(id).model().template()).of(formula);
        } catch (FormulaProblem problem) {
            throw new Refusal("At character %d: %s".formatted(problem.at() + 1, problem.getMessage()));
        }
    }

    /** Why an item stands as it does with the answers tried out. */
    @Transactional(readOnly = true)
    public Why why(UUID id, String address, long account) {
        return current(id)
                .model()
                .why(address, tryouts.find(id, account), context())
                .orElseThrow(() -> new Problems.Missing("There is no “%s” as things stand.".formatted(address)));
    }

    /** Keeps a file an author tries the document with and tells its identity. */
    @Transactional
    public String handIn(UUID id, long account, FileStore.Kept file) {
        find(templates.find(id));
        return files.keep(id, account, file);
    }

    /** A file an author tries the document with. */
    @Transactional(readOnly = true)
    public FileStore.Kept file(UUID id, long account, String file) {
        return files.find(id, account, file).orElseThrow(() -> new Problems.Missing("There is no such file."));
    }

    @Transactional
    public DraftChange clear(UUID id, long account) {
        Entry now = current(id);
        Answers before = tryouts.find(id, account);
        tryouts.keep(id, account, Answers.NONE);
        return difference(id, now.model(), before, now, Answers.NONE, account);
    }

    private DraftChange difference(WorkingCopy before, WorkingCopy after, long account) {
        Answers answers = tryouts.find(after.id(), account);
        return difference(after.id(), entry(before).model(), answers, entry(after), answers, account);
    }

    private DraftChange difference(
            UUID id, DraftModel modelBefore, Answers answersBefore, Entry now, Answers answers, long account) {
        DraftModel.Stand standBefore = modelBefore.stand(answersBefore, context());
        DraftModel.Stand stand = now.model().stand(answers, context());
        Map<String, NodeView> viewsBefore = standBefore.nodes();
        Map<String, NodeView> views = stand.nodes();
        List<String> gone = new ArrayList<>(viewsBefore.keySet());
        gone.removeAll(views.keySet());
        Template template = now.model().template();
        return new DraftChange(
                now.version().revision(),
                now.version().changed(),
                templates.has(id, account, Standing.DONE),
                templates.has(id, account, Standing.UNDONE),
                template.title(),
                template.subtitle(),
                changed(modelBefore.parts().held(), now.model().parts().held()),
                changed(viewsBefore, views),
                changed(standBefore.inRows(), stand.inRows()),
                template.conditions(),
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
        Version version = templates.version(id).orElseThrow(Drafts::missing);
        Entry known = models.get(id);
        return known != null && known.version().equals(version) ? known : entry(find(templates.find(id)));
    }

    private Entry entry(WorkingCopy copy) {
        Entry known = models.get(copy.id());
        if (known != null && known.version().equals(copy.version())) {
            return known;
        }
        Entry entry = new Entry(copy.version(), new DraftModel(copy.template()));
        models.put(copy.id(), entry);
        return entry;
    }

    private Context context() {
        return Context.filling(LocalDate.now(clock));
    }

    private static WorkingCopy find(Optional<WorkingCopy> copy) {
        return copy.orElseThrow(Drafts::missing);
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such template.");
    }
}
