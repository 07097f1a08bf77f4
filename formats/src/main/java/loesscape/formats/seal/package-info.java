/** Digital seals on PDF files: made with a local authority, and checked. */
@NullMarked
package loesscape.formats.seal;

import org.jspecify.annotations.NullMarked;
