/**
 * What a document is made of: pages, sections, items, the kinds of answers, and the conditions that drive them.
 *
 * <p>Everything here is an immutable value. A template that passed {@link loesscape.core.model.Validation} can be
 * evaluated, edited and stored without further checks.
 */
@NullMarked
package loesscape.core.model;

import org.jspecify.annotations.NullMarked;
