/** H2 as it is used here: one writer, what is forced to the disk, room on it, migrations, files beside it. */
@NullMarked
package loesscape.server.platform.database;

import org.jspecify.annotations.NullMarked;
