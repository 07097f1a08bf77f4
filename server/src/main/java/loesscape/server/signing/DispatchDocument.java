package loesscape.server.signing;

import java.time.LocalDate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.State;
import loesscape.core.signing.SignedDocument;
import loesscape.core.signing.Snapshot;

/**
 * The document of a dispatch with its answers, read once.
 *
 * @param answers as they count: of those whose turn has ended, what they gave then
 */
record DispatchDocument(SignedDocument document, Answers answers, LocalDate today) {

    /** How it stands for a role in its turn. */
    State state(String role) {
        return document.state(role, answers, today);
    }

    /** The same with one more answer. */
    DispatchDocument with(String address, String typed) {
        return new DispatchDocument(document, answers.with(address, typed), today);
    }

    /** The same after one more turn has ended. */
    DispatchDocument after(Snapshot snapshot) {
        SignedDocument later = document.after(snapshot);
        return new DispatchDocument(later, later.counting(answers), today);
    }
}
