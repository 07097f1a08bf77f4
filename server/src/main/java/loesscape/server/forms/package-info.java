/** Forms that are filled in elsewhere: releases as files to be filled in, and what comes back. */
@NullMarked
package loesscape.server.forms;

import org.jspecify.annotations.NullMarked;
