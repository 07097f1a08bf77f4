package loesscape.core.model;

/**
 * A condition that is used in many places and changed in one.
 *
 * @param key unique among pages, sections, items and shared conditions; formulas refer to it by this name
 * @param name what its author calls it; empty where it has no name and is written out where it is used
 * @param condition what it says; it may use other shared conditions, but not, through them, itself
 */
public record SharedCondition(String key, @MayBeLeftOut String name, Condition condition) {}
