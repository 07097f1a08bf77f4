/** The working copy of a template: edits, trying it out, formulas, the library of blocks. */
@NullMarked
package loesscape.server.draft;

import org.jspecify.annotations.NullMarked;
