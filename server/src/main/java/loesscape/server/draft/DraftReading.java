package loesscape.server.draft;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import loesscape.core.analysis.Why;
import loesscape.core.editing.ChangeWords;
import loesscape.core.editing.Refusal;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.SymbolTable;
import loesscape.core.translation.AsCondition;
import loesscape.core.translation.AsFormula;
import loesscape.server.accounts.Author;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplateStore.EditStanding;
import loesscape.server.templates.TemplateStore.Kind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is asked about a draft without changing it: its history, its lists, its conditions as formulas, why something is so. */
@Service
public class DraftReading {

    private static final int MOST_STEPS = 200;

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final DraftVersions versions;
    private final DraftDifferences differences;

    DraftReading(TemplateStore templates, TryoutStore tryouts, DraftVersions versions, DraftDifferences differences) {
        this.templates = templates;
        this.tryouts = tryouts;
        this.versions = versions;
        this.differences = differences;
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
        LookupList list = versions.current(id).model().parts().rest().lists().get(key);
        if (list == null) {
            throw new Problems.Missing("There is no such lookup list.");
        }
        return list;
    }

    /** The condition of an aspect as a formula; of a shared one, what it says. */
    @Transactional(readOnly = true)
    public String formula(UUID id, String key, Aspect aspect) {
        DraftModel model = versions.current(id).model();
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
        return versions.current(id).model().prepared().symbols();
    }

    /** A formula as a condition; refused with the place where it is not understood. */
    @Transactional(readOnly = true)
    public Condition condition(UUID id, String formula) {
        try {
            return new AsCondition(versions.current(id).model().prepared()).of(formula);
        } catch (FormulaProblem problem) {
            throw new Refusal("At character %d: %s".formatted(problem.at() + 1, problem.getMessage()));
        }
    }

    /** Why an item stands as it does with the answers tried out. */
    @Transactional(readOnly = true)
    public Why why(UUID id, String address, long account) {
        Tryout tryout = tryouts.find(id, account);
        return versions.current(id)
                .model()
                .why(address, tryout.answers(), differences.context(tryout))
                .orElseThrow(() -> new Problems.Missing("There is no “%s” as things stand.".formatted(address)));
    }
}
