package loesscape.formats.paper;

import java.util.List;
import loesscape.formats.evidence.Trail;

/**
 * What a finished document says of how it came about.
 *
 * @param dispatch the identity of the dispatch
 * @param organisation who sent it; may be empty
 * @param trail all that happened, up to the finish
 * @param files what the trail names by hash: what was given in each turn, the template file and its pictures; and the
 *     files that were handed in, where they go inside
 * @param handedIn the files that were handed in and count
 */
public record Evidence(
        String dispatch, String organisation, Trail trail, List<EvidenceFile> files, List<FileListed> handedIn) {

    public Evidence {
        files = List.copyOf(files);
        handedIn = List.copyOf(handedIn);
    }
}
