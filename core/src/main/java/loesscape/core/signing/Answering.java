package loesscape.core.signing;

import java.util.function.UnaryOperator;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.State;

/** A document while a role answers in its turn: one answer looks again only at what waits for it. Not for several threads. */
public final class Answering {

    private final Session session;
    private final UnaryOperator<State> seen;

    /** @param seen how the role sees a state: what is open to it, and what is not */
    Answering(Session session, UnaryOperator<State> seen) {
        this.session = session;
        this.seen = seen;
    }

    /** How the document stands for the role now. */
    public State state() {
        return seen.apply(session.state());
    }

    /** Takes an answer of the role's own, and tells how the document stands after it. */
    public State answer(String address, String typed) {
        session.answer(address, typed);
        return state();
    }
}
