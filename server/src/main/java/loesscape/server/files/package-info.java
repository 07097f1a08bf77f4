/** Files that are handed in: kept beside answers, bounded, and handed out as what they are. */
@NullMarked
package loesscape.server.files;

import org.jspecify.annotations.NullMarked;
