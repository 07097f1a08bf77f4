/** One release on its way through its signers: a state machine made of events, turns, and who may answer what. */
@NullMarked
package loesscape.core.signing;

import org.jspecify.annotations.NullMarked;
