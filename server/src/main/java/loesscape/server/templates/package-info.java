/** Templates, whose they are, their pictures, and their releases, which never change. */
@NullMarked
package loesscape.server.templates;

import org.jspecify.annotations.NullMarked;
