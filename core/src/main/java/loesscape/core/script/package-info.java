/**
 * The logic of a template as a script (ISO/IEC 16262, as ISO 21757-1 builds on it), for documents that are filled in where no
 * server is: written from the same conditions, with the same meaning. What a script cannot do is told, and stands open there.
 */
@NullMarked
package loesscape.core.script;

import org.jspecify.annotations.NullMarked;
