package loesscape.core.signing;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.model.MayBeLeftOut;
import org.jspecify.annotations.Nullable;

/** Something that happened to a dispatch. What a dispatch is follows from its events alone, in their order. */
public sealed interface Event {

    /**
     * It was sent.
     *
     * @param document the title of the document
     * @param release the number of the release
     * @param parties its roles, in the order of their turns
     * @param due until when it should be finished; null for no such day
     * @param mayDelegate whether a person may hand the turn on to another
     * @param prefilled how many answers were given beforehand
     * @param releaseDigest SHA-256, in hexadecimal, of the template file of the release as it is kept; empty in trails of
     *     before November 2026
     * @param filesInside whether files that are handed in go into the sealed document; otherwise it lists them by their
     *     hashes
     * @param pictures SHA-256, in hexadecimal, of the pictures beside the template, by their names
     */
    record Sent(
            String document,
            int release,
            List<Named> parties,
            @Nullable LocalDate due,
            boolean mayDelegate,
            int prefilled,
            @MayBeLeftOut String releaseDigest,
            @MayBeLeftOut boolean filesInside,
            @MayBeLeftOut Map<String, String> pictures)
            implements Event {

        public Sent {
            parties = List.copyOf(parties);
            pictures = new TreeMap<>(pictures);
        }
    }

    /**
     * A role with the person who is to play it.
     *
     * @param role its key
     * @param title what it is called
     * @param order when its turn comes
     * @param check what is asked of the person beside following the link
     */
    record Named(
            String role,
            String title,
            int order,
            Person person,
            @MayBeLeftOut IdentityCheck check) {}

    /** The turn of a role has come; its person is told. */
    record Asked(String role) implements Event {}

    /**
     * A role does not take part.
     *
     * @param because why not, in words
     */
    record Skipped(String role, String because) implements Event {}

    /**
     * A code was sent, by which the person is to show who they are.
     *
     * @param check how it was sent
     * @param to where it was sent: an e-mail address or a telephone number
     */
    record CodeSent(String role, IdentityCheck check, String to) implements Event {}

    /**
     * The person showed to be the one who was named.
     *
     * @param check by what
     * @param to where the code was sent that they gave; empty for a phrase
     */
    record Identified(String role, IdentityCheck check, String to) implements Event {}

    /** Somebody who followed the link failed to show that, as often as one may. */
    record NotIdentified(String role, IdentityCheck check) implements Event {}

    /** The person opened the document. */
    record Opened(String role) implements Event {}

    /**
     * The person agreed to sign electronically.
     *
     * @param wording what was agreed to, word for word; empty in trails of before November 2026
     */
    record Consented(String role, @MayBeLeftOut String wording) implements Event {

        /** What is agreed to now. */
        public static final String WORDING =
                "I agree to fill in and sign this document electronically. What I answer and when I sign is kept with the document.";
    }

    /**
     * A payment was made at the payment desk.
     *
     * @param field the address of the payment field
     * @param amount with its currency, in words
     * @param reference by which the desk knows it
     */
    record Paid(String role, String field, String amount, String reference) implements Event {}

    /** A payment was not made: refused at the desk, or not in time. */
    record NotPaid(String role, String field, String because) implements Event {}

    /**
     * The person signed at a place; it counts when the turn is over.
     *
     * @param field the address of the field
     * @param label of the field
     * @param digest SHA-256, in hexadecimal, of the signature as it was given
     */
    record SignatureMade(String role, String field, String label, String digest) implements Event {}

    /**
     * A signature was taken back before the turn was over.
     *
     * @param field the address of the field
     * @param label of the field
     * @param because why, where it was not the person who did it; otherwise empty
     */
    record SignatureTakenBack(String role, String field, String label, String because) implements Event {}

    /**
     * The person gave the answers and signatures that were asked for; the turn is over.
     *
     * @param answers how many answers are the role's and count
     * @param signatures the labels of what was signed
     * @param digest SHA-256, in hexadecimal, of the stored text of the {@link Snapshot}; in trails of the first form, of all
     *     answers that counted then
     */
    record Signed(String role, int answers, List<String> signatures, String digest) implements Event {

        public Signed {
            signatures = List.copyOf(signatures);
        }
    }

    /** The person will not sign; this ends the dispatch. */
    record Declined(String role, String because) implements Event {}

    /** The person handed the turn on to another. */
    record Delegated(String role, Person from, Person to, String because) implements Event {}

    /** The sender put another name or address in a person's place. */
    record Corrected(String role, Person from, Person to) implements Event {}

    /** A person was told again; with a new link, and the old one ended. */
    record Reminded(String role) implements Event {}

    /** The sender took the dispatch back; this ends it. */
    record Withdrawn(String because) implements Event {}

    /**
     * All have signed who take part.
     *
     * @param record the number of the record that the answers became
     * @param digest SHA-256, in hexadecimal, of the answers of the record
     */
    record Finished(int record, String digest) implements Event {}

    /**
     * The finished document was sealed.
     *
     * @param digest SHA-256, in hexadecimal, of the bytes of the sealed PDF
     */
    record Sealed(String digest) implements Event {}
}
