package loesscape.core.signing;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import loesscape.core.signing.Party.Turn;
import org.jspecify.annotations.Nullable;

/**
 * One release on its way through its signers, as it stands after some events.
 *
 * @param status whether it is still under way, and how it ended
 * @param parties its roles, in the order of their turns
 * @param due until when it should be finished; null for no such day
 * @param mayDelegate whether a person may hand the turn on to another
 * @param because why it ended, where that was before all had signed; otherwise empty
 */
public record Dispatch(
        Status status, List<Party> parties, @Nullable LocalDate due, boolean mayDelegate, String because) {

    /** Where nothing was sent yet. */
    public static final Dispatch NOTHING = new Dispatch(Status.UNDER_WAY, List.of(), null, false, "");

    public Dispatch {
        parties = List.copyOf(parties);
    }

    /** Whether a dispatch is under way, and how it ended. */
    public enum Status {
        UNDER_WAY,
        DECLINED,
        WITHDRAWN,
        FINISHED
    }

    /** A dispatch after all that happened to it. */
    public static Dispatch of(List<Event> events) {
        Dispatch dispatch = NOTHING;
        for (Event event : events) {
            dispatch = dispatch.after(event);
        }
        return dispatch;
    }

    /** How it stands after one more event. */
    public Dispatch after(Event event) {
        return switch (event) {
            case Event.Sent it ->
                new Dispatch(
                        Status.UNDER_WAY,
                        it.parties().stream().map(Party::of).toList(),
                        it.due(),
                        it.mayDelegate(),
                        "");
            case Event.Asked it -> with(it.role(), party -> party.at(Turn.ACTING));
            case Event.Skipped it -> with(it.role(), party -> party.at(Turn.SKIPPED));
            case Event.Opened it -> with(it.role(), Party::opened);
            case Event.Consented it -> with(it.role(), Party::consented);
            case Event.Signed it -> with(it.role(), party -> party.at(Turn.FINISHED));
            case Event.Delegated it -> with(it.role(), party -> party.by(it.to()));
            case Event.Corrected it -> with(it.role(), party -> party.by(it.to()));
            case Event.Declined it -> ended(Status.DECLINED, it.because());
            case Event.Withdrawn it -> ended(Status.WITHDRAWN, it.because());
            case Event.Finished ignored -> ended(Status.FINISHED, "");
            case Event.Identified it -> with(it.role(), Party::identified);
            case Event.CodeSent ignored -> this;
            case Event.NotIdentified ignored -> this;
            case Event.SignatureMade ignored -> this;
            case Event.SignatureTakenBack ignored -> this;
            case Event.Paid ignored -> this;
            case Event.NotPaid ignored -> this;
            case Event.Reminded ignored -> this;
            case Event.Sealed ignored -> this;
        };
    }

    private Dispatch with(String role, UnaryOperator<Party> change) {
        List<Party> changed = parties.stream()
                .map(party -> party.role().equals(role) ? change.apply(party) : party)
                .toList();
        return new Dispatch(status, changed, due, mayDelegate, because);
    }

    private Dispatch ended(Status status, String because) {
        return new Dispatch(status, parties, due, mayDelegate, because);
    }

    /** Whether nothing has ended it yet. */
    public boolean isUnderWay() {
        return status == Status.UNDER_WAY;
    }

    /** Whether it should have been finished before a day. */
    public boolean isOverdue(LocalDate today) {
        return isUnderWay() && due != null && due.isBefore(today);
    }

    /** A role of it. */
    public Optional<Party> party(String role) {
        return parties.stream().filter(party -> party.role().equals(role)).findFirst();
    }

    /** Whose turn it is; nobody's where it has ended. */
    public List<Party> acting() {
        return isUnderWay()
                ? parties.stream().filter(party -> party.turn() == Turn.ACTING).toList()
                : List.of();
    }
}
