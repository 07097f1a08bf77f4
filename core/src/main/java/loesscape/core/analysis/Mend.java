package loesscape.core.analysis;

import loesscape.core.editing.Edit;

/**
 * An edit after which something is no longer found.
 *
 * @param words what it does, for a button
 * @param edit that does it
 */
public record Mend(String words, Edit edit) {}
