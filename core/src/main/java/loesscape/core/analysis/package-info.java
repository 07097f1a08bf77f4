/** What can be said of a template without answers: who follows whom, how deep a node lies. */
@NullMarked
package loesscape.core.analysis;

import org.jspecify.annotations.NullMarked;
