/**
 * How answers become the state of a document: a template is compiled once, then any set of answers is turned into the
 * state of every item in one pass in dependency order.
 */
@NullMarked
package loesscape.core.evaluation;

import org.jspecify.annotations.NullMarked;
