/** Dispatches: sending a release, the turns of its signers, what follows from them, and the evidence. */
@NullMarked
package loesscape.server.dispatch;

import org.jspecify.annotations.NullMarked;
