/**
 * What the answers to one field reach: a table with a line for every part of its answers, edges and blank apart, and a column
 * for everything that follows it. It is read with the other answers as they were tried out, or for all of them; and it is
 * written: what is to be so in which lines becomes the shortest condition that says it.
 */
@NullMarked
package loesscape.core.reach;

import org.jspecify.annotations.NullMarked;
