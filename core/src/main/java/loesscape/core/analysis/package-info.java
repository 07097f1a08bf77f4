/** What can be said of a template: who follows whom, how deep a node lies, why a node stands as it does. */
@NullMarked
package loesscape.core.analysis;

import org.jspecify.annotations.NullMarked;
