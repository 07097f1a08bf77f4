/** Filling in a released document by its link, and what whoever fills it in is told. */
@NullMarked
package loesscape.server.filling;

import org.jspecify.annotations.NullMarked;
