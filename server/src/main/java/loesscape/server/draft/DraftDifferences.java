package loesscape.server.draft;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Template;
import loesscape.server.draft.DraftModel.NodeView;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplateStore.EditStanding;
import loesscape.server.templates.TemplateStore.WorkingCopy;
import org.springframework.stereotype.Service;

/** What an author's page has to change to show a draft as it is now. */
@Service
class DraftDifferences {

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final DraftVersions versions;
    private final Clock clock;

    DraftDifferences(TemplateStore templates, TryoutStore tryouts, DraftVersions versions, Clock clock) {
        this.templates = templates;
        this.tryouts = tryouts;
        this.versions = versions;
        this.clock = clock;
    }

    /** Between two versions, with the answers tried out. */
    DraftChange between(WorkingCopy before, WorkingCopy after, long account) {
        DraftModel model = versions.of(before).model();
        return between(after.id(), model, versions.of(after), account);
    }

    /** The same, where the version before was prepared already. */
    DraftChange between(UUID id, DraftModel before, DraftVersions.Current now, long account) {
        Tryout tryout = tryouts.find(id, account);
        return between(id, before, tryout, now, tryout, account);
    }

    /** Between two versions, each with what was typed into it. */
    DraftChange between(
            UUID id,
            DraftModel modelBefore,
            Tryout tryoutBefore,
            DraftVersions.Current now,
            Tryout tryout,
            long account) {
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

    /** The day on which a draft is looked at. */
    LocalDate today() {
        return LocalDate.now(clock);
    }

    /** As what an author sees the draft. */
    Context context(Tryout tryout) {
        return new Context(today(), tryout.stage(), tryout.role());
    }
}
