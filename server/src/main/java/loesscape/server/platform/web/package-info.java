/** How requests come in and are answered: problems, JSON, bounds of bodies and of heavy work. */
@NullMarked
package loesscape.server.platform.web;

import org.jspecify.annotations.NullMarked;
