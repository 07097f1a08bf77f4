/** What came in: lists, exports, printed records. */
@NullMarked
package loesscape.server.records;

import org.jspecify.annotations.NullMarked;
