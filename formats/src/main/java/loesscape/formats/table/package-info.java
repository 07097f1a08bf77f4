/** Tables of text, as spreadsheets write them. */
@NullMarked
package loesscape.formats.table;

import org.jspecify.annotations.NullMarked;
