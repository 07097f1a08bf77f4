/**
 * Formulas in FEEL, the expression language of the OMG's Decision Model and Notation (DMN 1.4, chapter 10.3): from text
 * to tokens ({@link loesscape.core.expression.Lexer}), to a tree ({@link loesscape.core.expression.Parser}), checked
 * for types ({@link loesscape.core.expression.TypeCheck}), to a program that is compiled once and run many times
 * ({@link loesscape.core.expression.Compiler}), and back to text ({@link loesscape.core.expression.Printer}).
 *
 * <p>Values are Java objects: {@link java.math.BigDecimal}, {@link java.lang.String}, {@link java.lang.Boolean},
 * {@link java.time.LocalDate}, {@link java.time.LocalTime}, {@link java.time.LocalDateTime},
 * {@link java.time.Duration}, {@link loesscape.core.expression.Months}, {@link loesscape.core.expression.Range}, lists,
 * maps from names to values, and null, which is also the result of whatever cannot be worked out.
 */
@NullMarked
package loesscape.core.expression;

import org.jspecify.annotations.NullMarked;
