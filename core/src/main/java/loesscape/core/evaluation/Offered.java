package loesscape.core.evaluation;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Choice;

/** What can be chosen in a field as things stand: identities of choices, or texts of cells. */
final class Offered {

    /** For fields without choices. */
    static final Offered NOTHING = new Offered(List.of(), false, false);

    private final List<String> ids;
    private final Set<String> known;
    private final boolean restricted;
    private final boolean takesOther;

    /**
     * @param ids in the order in which they are offered
     * @param restricted whether it depends on other answers
     * @param takesOther whether {@link Choice#OTHER} among them stands for own words
     */
    Offered(List<String> ids, boolean restricted, boolean takesOther) {
        this.ids = List.copyOf(ids);
        this.known = new HashSet<>(ids);
        this.restricted = restricted;
        this.takesOther = takesOther;
    }

    List<String> ids() {
        return ids;
    }

    boolean contains(String id) {
        return known.contains(id);
    }

    boolean isRestricted() {
        return restricted;
    }

    boolean takesOther() {
        return takesOther;
    }

    boolean isEmpty() {
        return ids.isEmpty();
    }
}
