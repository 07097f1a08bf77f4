package loesscape.formats.export;

import java.time.Instant;

/**
 * What tells a record from others.
 *
 * @param number counts the records of a template from 1
 * @param release the number of the release it was filled in on
 * @param finished when it was finished
 */
public record RecordHeading(int number, int release, Instant finished) {}
