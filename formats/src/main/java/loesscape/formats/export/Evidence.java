package loesscape.formats.export;

import loesscape.formats.evidence.Trail;

/**
 * What a finished document says of how it came about.
 *
 * @param dispatch the identity of the dispatch
 * @param organisation who sent it; may be empty
 * @param trail all that happened, up to the finish
 */
public record Evidence(String dispatch, String organisation, Trail trail) {}
