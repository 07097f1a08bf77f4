/** The built-in functions of formulas (DMN 1.4, 10.3.4), those that make sense over the answers of a document. */
@NullMarked
package loesscape.core.expression.functions;

import org.jspecify.annotations.NullMarked;
