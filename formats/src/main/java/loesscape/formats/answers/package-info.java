/**
 * Answers that come from elsewhere: XFDF (ISO 19444-1), FDF (ISO 32000-2, 12.7.8), filled PDF forms, tables, JSON; and which
 * questions of a template they belong to.
 */
@NullMarked
package loesscape.formats.answers;

import org.jspecify.annotations.NullMarked;
