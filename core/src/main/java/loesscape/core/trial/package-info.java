/**
 * Trials of a template: sets of answers with what is to come of them. A trial is recorded from how a document stands, and
 * run against what was made of the template since.
 */
@NullMarked
package loesscape.core.trial;

import org.jspecify.annotations.NullMarked;
