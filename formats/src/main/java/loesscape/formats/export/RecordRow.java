package loesscape.formats.export;

import loesscape.core.evaluation.Settled;
import loesscape.core.evaluation.State;
import loesscape.core.model.Template;

/**
 * A record with the release it was filled in on.
 *
 * @param heading what tells it from others
 * @param template the release
 * @param state how the release stands with the record's answers
 * @param settled what of it stands as it stood when somebody's turn ended
 */
public record RecordRow(RecordHeading heading, Template template, State state, Settled settled) {}
