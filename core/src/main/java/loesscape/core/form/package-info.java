/**
 * Templates as forms that are filled in elsewhere, such as in a word processor: everything there may be, in reading order,
 * whatever is folded now.
 */
@NullMarked
package loesscape.core.form;

import org.jspecify.annotations.NullMarked;
