/** Conditions built of clauses as formulas, and formulas as conditions built of clauses, without loss either way. */
@NullMarked
package loesscape.core.translation;

import org.jspecify.annotations.NullMarked;
