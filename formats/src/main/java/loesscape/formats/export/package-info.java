/** Records as CSV, JSON and PDF. */
@NullMarked
package loesscape.formats.export;

import org.jspecify.annotations.NullMarked;
