/** The invented data that demo mode starts with. */
@NullMarked
package loesscape.server.demo;

import org.jspecify.annotations.NullMarked;
