package loesscape.server.templates;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.Stream;
import loesscape.core.analysis.VersionComparison;
import loesscape.core.analysis.VersionDifference;
import loesscape.core.editing.Change;
import loesscape.core.editing.Renames;
import loesscape.core.model.Template;
import loesscape.server.platform.Recent;
import loesscape.server.platform.web.Problems;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What one version of a template does otherwise than another, for those who fill it in. */
@RestController
@RequestMapping("/api/templates/{id}/differences")
class VersionsApi {

    private static final int AT_ONCE = 4;

    private final TemplateStore templates;
    private final ReleaseStore releases;
    private final Clock clock;
    private final Recent<Asked, VersionDifference> known = new Recent<>(64);

    /** Comparing takes long: what several ask of one template at once is worked out once, and few at a time. */
    private final List<ReentrantLock> comparing =
            Stream.generate(ReentrantLock::new).limit(AT_ONCE).toList();

    VersionsApi(TemplateStore templates, ReleaseStore releases, Clock clock) {
        this.templates = templates;
        this.releases = releases;
        this.clock = clock;
    }

    /**
     * A comparison.
     *
     * @param from the number of the earlier release
     * @param to the number of the later one; null for the draft
     * @param revision of the later one
     */
    public record VersionsCompared(int from, @Nullable Integer to, int revision, VersionDifference difference) {}

    private record Asked(UUID template, int from, int revision, LocalDate day) {}

    private record Version(Template template, int revision) {}

    /** What a later release does otherwise than an earlier one; without a later one, the draft. */
    @GetMapping
    VersionsCompared compare(
            @PathVariable UUID id, @RequestParam int from, @RequestParam(required = false) @Nullable Integer to) {
        Version earlier = release(id, from);
        Version later = to == null ? draft(id) : release(id, to);
        return new VersionsCompared(from, to, later.revision(), difference(id, from, earlier, later));
    }

    private VersionDifference difference(UUID id, int from, Version earlier, Version later) {
        Asked asked = new Asked(id, from, later.revision(), LocalDate.now(clock));
        ReentrantLock turn = comparing.get(Math.floorMod(id.hashCode(), AT_ONCE));
        turn.lock();
        try {
            VersionDifference before = known.get(asked);
            if (before != null) {
                return before;
            }
            VersionDifference fresh = VersionComparison.of(
                    earlier.template(), later.template(), renamed(id, earlier, later), asked.day());
            known.put(asked, fresh);
            return fresh;
        } finally {
            turn.unlock();
        }
    }

    /** The keys that were changed from one to the other; a release that is compared with an earlier one follows them backwards. */
    private Map<String, String> renamed(UUID id, Version earlier, Version later) {
        boolean isForwards = earlier.revision() <= later.revision();
        int first = isForwards ? earlier.revision() : later.revision();
        int last = isForwards ? later.revision() : earlier.revision();
        List<Change> changes = templates.changesSince(id, first);
        List<Change> between = changes.subList(0, Math.min(changes.size(), last - first));
        return Renames.of(
                isForwards
                        ? between
                        : between.reversed().stream().map(Change::reversed).toList());
    }

    private Version release(UUID id, int number) {
        Template template = releases.find(id, number).orElseThrow(VersionsApi::missing);
        return new Version(template, releases.revision(id, number).orElseThrow(VersionsApi::missing));
    }

    private Version draft(UUID id) {
        TemplateStore.WorkingCopy copy = templates.find(id).orElseThrow(TemplateStore::missing);
        return new Version(copy.template(), copy.revision());
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such release.");
    }
}
