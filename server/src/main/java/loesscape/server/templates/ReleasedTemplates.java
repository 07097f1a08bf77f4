package loesscape.server.templates;

import java.util.UUID;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.server.platform.Recent;
import loesscape.server.platform.web.Problems;
import org.springframework.stereotype.Component;

/** Releases ready to be evaluated. They never change, so the ones used last are remembered. */
@Component
public class ReleasedTemplates {

    private record Key(UUID template, int release) {}

    private final ReleaseStore releases;
    private final Recent<Key, CompiledTemplate> compiled = new Recent<>(64);

    ReleasedTemplates(ReleaseStore releases) {
        this.releases = releases;
    }

    /** The template file of a release, as it is kept. */
    public String text(UUID template, int release) {
        return releases.text(template, release).orElseThrow(() -> new Problems.Missing("There is no such release."));
    }

    /** A release. */
    public CompiledTemplate get(UUID template, int release) {
        Key key = new Key(template, release);
        CompiledTemplate known = compiled.get(key);
        if (known != null) {
            return known;
        }
        // It was valid by the rules of its time; those that were added since do not close it.
        CompiledTemplate fresh = CompiledTemplate.ofValid(
                releases.find(template, release).orElseThrow(() -> new Problems.Missing("There is no such release.")));
        compiled.put(key, fresh);
        return fresh;
    }
}
