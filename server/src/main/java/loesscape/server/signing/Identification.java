package loesscape.server.signing;

import java.security.SecureRandom;
import java.text.Normalizer;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import loesscape.core.editing.Refusal;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Party;
import loesscape.core.signing.Signing;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.accounts.OrganisationStore.Organisation;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.IdentityStore.Secret;
import loesscape.server.signing.TurnLinks.Caller;
import loesscape.server.signing.TurnLinks.Followed;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * People show that they are who was named, beside following their link: by a code that is sent to them, or a phrase.
 * Both are kept as slow hashes, which are worked out outside of transactions.
 */
@Service
public class Identification {

    private static final int MOST_TRIES = 5;
    private static final int MOST_CODES = 5;
    private static final Duration CODES_WITHIN = Duration.ofHours(1);
    private static final Duration CODE_LASTS = Duration.ofMinutes(10);
    private static final Duration PHRASE_RESTS = Duration.ofMinutes(10);
    private static final int SHORTEST_PHRASE = 8;
    private static final int LONGEST_PHRASE = 60;
    private static final int CODES = 1_000_000;

    /** How long a browser is known: a working day. */
    static final Duration KNOWN_FOR = Duration.ofHours(12);

    private final TurnLinks links;
    private final IdentityStore identities;
    private final OrganisationStore organisations;
    private final DispatchService dispatchService;
    private final SignerMessages signerMessages;
    private final PasswordEncoder encoder;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Identification(
            TurnLinks links,
            IdentityStore identities,
            OrganisationStore organisations,
            DispatchService dispatchService,
            SignerMessages signerMessages,
            PasswordEncoder encoder,
            TransactionTemplate transactions,
            Clock clock) {
        this.links = links;
        this.identities = identities;
        this.organisations = organisations;
        this.dispatchService = dispatchService;
        this.signerMessages = signerMessages;
        this.encoder = encoder;
        this.transactions = transactions;
        this.clock = clock;
    }

    /**
     * What is asked of whoever follows a link before the document opens; it tells nothing of the document, nor who the
     * person is.
     *
     * @param to where a code goes, all but its ends hidden; empty for a phrase
     * @param isSent whether a code was sent that can still be given
     */
    public record IdentityAsked(IdentityCheck check, String to, boolean isSent, Organisation organisation) {}

    /**
     * What came of a code or phrase that was given.
     *
     * @param problem what is wrong with it, and what can be done; empty where it was right
     * @param pass by which the browser is known from now on; empty where it was wrong
     */
    public record Outcome(String problem, String pass) {}

    /** What is asked before the document opens. */
    public IdentityAsked asked(Caller caller) {
        return transactions.execute(status -> asked(links.follow(caller)));
    }

    private IdentityAsked asked(Followed followed) {
        Party party = followed.party();
        return new IdentityAsked(
                party.check(),
                hidden(party.check().destination(party.person())),
                party.check().isCode()
                        && secret(followed).filter(it -> !isClosed(it)).isPresent(),
                organisations.find());
    }

    private Optional<Secret> secret(Followed followed) {
        return identities
                .find(followed.kept().id(), followed.role())
                .filter(it -> it.isPhrase() || it.made().plus(CODE_LASTS).isAfter(clock.instant()));
    }

    /** Sends a code, in place of any before it. */
    public IdentityAsked send(Caller caller) {
        String code = "%06d".formatted(random.nextInt(CODES));
        String hash = encoder.encode(code);
        return transactions.execute(status -> {
            Followed followed = links.locked(caller);
            Event.CodeSent sent = Signing.sendCode(followed.kept().dispatch(), followed.role());
            if (identities.codes(followed.kept().id(), followed.role(), CODES_WITHIN) >= MOST_CODES) {
                throw new Problems.TooOften(
                        "%d codes were sent within the hour; wait until it is over and have another sent then."
                                .formatted(MOST_CODES),
                        CODES_WITHIN);
            }
            identities.add(followed.kept().id(), followed.role(), hash, false);
            signerMessages.code(followed.party(), code);
            dispatchService.happened(followed.kept(), followed.anybody(), List.of(sent));
            return asked(followed);
        });
    }

    /** Takes a code or a phrase. */
    public Outcome give(Caller caller, String given) {
        Secret asked = transactions.execute(status -> {
            Followed followed = links.follow(caller);
            Signing.acting(followed.kept().dispatch(), followed.role());
            return open(secret(followed));
        });
        boolean isRight = encoder.matches(asked.isPhrase() ? plain(given) : given.strip(), asked.hash());
        return transactions.execute(status -> {
            Followed followed = links.locked(caller);
            Secret now = open(secret(followed).filter(it -> it.id() == asked.id()));
            return isRight ? right(followed, now) : wrong(followed, now);
        });
    }

    private Secret open(Optional<Secret> secret) {
        Secret it = secret.orElseThrow(() -> new Refusal("There is no code that could be given; have one sent."));
        if (isClosed(it)) {
            throw new Problems.TooOften(
                    it.isPhrase()
                            ? "A wrong phrase was given %d times; wait ten minutes and try again.".formatted(MOST_TRIES)
                            : "A wrong code was given %d times; have another sent.".formatted(MOST_TRIES),
                    it.isPhrase() ? PHRASE_RESTS : Duration.ZERO);
        }
        return it;
    }

    private boolean isClosed(Secret secret) {
        return secret.tries() >= MOST_TRIES && (!secret.isPhrase() || isResting(secret));
    }

    private boolean isResting(Secret secret) {
        Instant open = secret.tried().plus(PHRASE_RESTS);
        return open.isAfter(clock.instant());
    }

    private Outcome right(Followed followed, Secret secret) {
        identities.passed(secret);
        dispatchService.happened(
                followed.kept(),
                followed.actor(),
                List.of(Signing.identify(followed.kept().dispatch(), followed.role())));
        return new Outcome("", identities.admit(followed.kept().id(), followed.role(), KNOWN_FOR));
    }

    private Outcome wrong(Followed followed, Secret secret) {
        int tries = secret.tries() >= MOST_TRIES ? 1 : secret.tries() + 1;
        identities.tried(secret, tries);
        String what = secret.isPhrase() ? "phrase" : "code";
        int left = MOST_TRIES - tries;
        if (left > 0) {
            return new Outcome(
                    "This is not the %s; you can try %s more.".formatted(what, left == 1 ? "once" : left + " times"),
                    "");
        }
        dispatchService.happened(
                followed.kept(),
                followed.anybody(),
                List.of(new Event.NotIdentified(
                        followed.role(), followed.party().check())));
        return new Outcome(
                "This is not the %s either. %s"
                        .formatted(
                                what,
                                secret.isPhrase()
                                        ? "Wait ten minutes, or ask the sender for it."
                                        : "Have another code sent."),
                "");
    }

    /**
     * What is kept of a phrase.
     *
     * @throws Refusal where it is too short to be no guess, or too long
     */
    String hash(String phrase) {
        String plain = plain(phrase);
        if (plain.length() < SHORTEST_PHRASE || plain.length() > LONGEST_PHRASE) {
            throw new Refusal("A phrase has %d to %d characters.".formatted(SHORTEST_PHRASE, LONGEST_PHRASE));
        }
        return encoder.encode(plain);
    }

    /** Phrases are told by telephone, so that how they are written does not matter. */
    private static String plain(String phrase) {
        return Normalizer.normalize(phrase, Normalizer.Form.NFKC)
                .strip()
                .replaceAll("\\s+", " ")
                .toLowerCase(Locale.ROOT);
    }

    /** An address or a number that its owner recognises, and nobody else can use. */
    private static String hidden(String destination) {
        int at = destination.lastIndexOf('@');
        return at < 0
                ? destination.replaceAll("\\d(?=.*\\d\\D*\\d)", "•")
                : destination.charAt(0) + "•••" + destination.substring(at);
    }
}
