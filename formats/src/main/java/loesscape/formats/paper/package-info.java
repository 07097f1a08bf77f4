/**
 * Finished documents on paper: markup with a style sheet for pages, set as PDF that can be archived (ISO 19005-3) and read
 * aloud (ISO 14289-1).
 */
@NullMarked
package loesscape.formats.paper;

import org.jspecify.annotations.NullMarked;
