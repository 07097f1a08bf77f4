/** Many documents at once: one for each line of a table of answers, made while nobody waits, and saved together. */
@NullMarked
package loesscape.server.merging;

import org.jspecify.annotations.NullMarked;
