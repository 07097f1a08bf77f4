/** The template file, the answers file and the state file. */
@NullMarked
package loesscape.formats.template;

import org.jspecify.annotations.NullMarked;
