package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Refused;

/** An edit that cannot be made, with the reasons for its author. */
public final class Refusal extends Refused {

    private final transient List<Follower> followers;

    public Refusal(String message) {
        this(message, List.of());
    }

    /**
     * @param message what stands in the way and what can be done
     * @param followers what would lose its condition
     */
    public Refusal(String message, List<Follower> followers) {
        super(Cause.NOT_VALID, message);
        this.followers = List.copyOf(followers);
    }

    /** The nodes that follow what was to be taken away; empty where that is not the reason. */
    public List<Follower> followers() {
        return followers;
    }

    /**
     * A node that follows a field.
     *
     * @param key of the node
     * @param name what its author calls it
     * @param what which of its aspects follow, in words
     */
    public record Follower(String key, String name, String what) {}
}
