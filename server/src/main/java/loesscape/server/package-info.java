/** The application: it puts core and formats behind HTTP and keeps what comes in. */
@NullMarked
package loesscape.server;

import org.jspecify.annotations.NullMarked;
