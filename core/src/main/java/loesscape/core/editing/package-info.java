/**
 * Edits as values: each is applied to a template or refused with reasons, and every applied edit can be taken back.
 */
@NullMarked
package loesscape.core.editing;

import org.jspecify.annotations.NullMarked;
