package loesscape.server.accounts.passkeys;

import com.webauthn4j.converter.exception.DataConversionException;
import com.webauthn4j.verifier.exception.VerificationException;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import loesscape.core.model.PlainLine;
import loesscape.core.model.Refused;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.passkeys.PasskeyStore.StoredPasskey;
import loesscape.server.platform.doors.Facing;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Makes passkeys and signs in with them. A device must have asked its owner (by finger, face or PIN), so that a passkey is
 * two factors in one; where that is not so, or anything else is not as it was asked for, it is refused.
 */
@Service
public class Passkeys {

    /** How many an account can have. */
    static final int MOST = 20;

    /** In characters; what devices answer is far below. */
    private static final int LONGEST_ANSWER = 50_000;

    private static final int LONGEST_LABEL = 100;
    private static final String SIGN_IN = "sign-in";

    private final Facing facing;
    private final PasskeyOwnerStore owners;
    private final PasskeyStore store;
    private final Challenges challenges;
    private final JsonMapper json =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();

    Passkeys(Facing facing, PasskeyOwnerStore owners, PasskeyStore store, Challenges challenges) {
        this.facing = facing;
        this.owners = owners;
        this.store = store;
        this.challenges = challenges;
    }

    /** An answer that does not fit what was asked. */
    private static final class NotAccepted extends RuntimeException {}

    List<StoredPasskey> list(Author author) {
        return store.list(author.id());
    }

    boolean remove(Author author, long passkey) {
        return store.remove(author.id(), passkey);
    }

    /**
     * What a browser is to ask of a device that makes a passkey, as JSON.
     *
     * @param host that the browser was asked to go to, with its port
     * @throws Refused where there are too many, or this address can have none
     */
    String askToMake(Author author, String host) {
        if (store.list(author.id()).size() >= MOST) {
            throw refused("An account has at most %d passkeys; remove one before that.".formatted(MOST));
        }
        Bytes challenge = challenges.make(making(author));
        return json.writeValueAsString(creation(author, operations(host, challenge)));
    }

    /**
     * Adds the passkey that a device has made.
     *
     * @param answer of the browser, as JSON
     * @throws Refused where it is not what was asked for
     */
    @Transactional
    public void make(Author author, String host, String label, String answer) {
        if (label.isBlank() || label.length() > LONGEST_LABEL || !PlainLine.isPlain(label)) {
            throw refused("Name the device in one line, at most %d characters.".formatted(LONGEST_LABEL));
        }
        if (store.list(author.id()).size() >= MOST) {
            throw refused("An account has at most %d passkeys; remove one before that.".formatted(MOST));
        }
        try {
            PublicKeyCredential<AuthenticatorAttestationResponse> credential = read(answer, new TypeReference<>() {});
            Bytes challenge = challenge(credential);
            if (!challenges.isOurs(making(author), challenge)) {
                throw new NotAccepted();
            }
            Webauthn4JRelyingPartyOperations operations = operations(host, challenge);
            operations.registerCredential(new ImmutableRelyingPartyRegistrationRequest(
                    creation(author, operations), new RelyingPartyPublicKey(credential, label.strip())));
            if (!challenges.take(challenge)) {
                throw new NotAccepted();
            }
        } catch (VerificationException
                | DataConversionException
                | IllegalArgumentException
                | JacksonException
                | NotAccepted e) {
            throw refused("This device has not answered as it was asked, or too late. Try again.");
        }
    }

    /** What a browser is to ask of a device that signs in, as JSON. Nobody is named: the device knows whose it is. */
    String askToSignIn(String host) {
        return json.writeValueAsString(request(operations(host, challenges.make(SIGN_IN))));
    }

    /** Whose passkey has answered; empty where the answer is not one that was asked for. */
    @Transactional
    public Optional<Author> signIn(String host, String answer) {
        try {
            PublicKeyCredential<AuthenticatorAssertionResponse> credential = read(answer, new TypeReference<>() {});
            Bytes challenge = challenge(credential);
            if (!challenges.isOurs(SIGN_IN, challenge)) {
                return Optional.empty();
            }
            Webauthn4JRelyingPartyOperations operations = operations(host, challenge);
            Bytes owner = operations
                    .authenticate(new RelyingPartyAuthenticationRequest(request(operations), credential))
                    .getId();
            boolean isTheirs = owner.equals(credential.getResponse().getUserHandle());
            return isTheirs && challenges.take(challenge) ? owners.account(owner) : Optional.empty();
        } catch (VerificationException
                | DataConversionException
                | IllegalArgumentException
                | JacksonException
                | PasskeyStore.Copied
                | NotAccepted e) {
            return Optional.empty();
        }
    }

    private static String making(Author author) {
        return "of account " + author.id();
    }

    private static PublicKeyCredentialCreationOptions creation(
            Author author, Webauthn4JRelyingPartyOperations operations) {
        return operations.createPublicKeyCredentialCreationOptions(
                new ImmutablePublicKeyCredentialCreationOptionsRequest(
                        UsernamePasswordAuthenticationToken.authenticated(author, null, author.getAuthorities())));
    }

    private static PublicKeyCredentialRequestOptions request(Webauthn4JRelyingPartyOperations operations) {
        return operations.createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
    }

    /** All that is asked and looked at, for one challenge. */
    private Webauthn4JRelyingPartyOperations operations(String host, Bytes challenge) {
        URI origin = origin(host);
        Webauthn4JRelyingPartyOperations operations = new Webauthn4JRelyingPartyOperations(
                owners,
                store,
                PublicKeyCredentialRpEntity.builder()
                        .id(origin.getHost())
                        .name("Loesscape")
                        .build(),
                Set.of(origin.toString()));
        operations.setCustomizeCreationOptions(options -> options.challenge(challenge)
                .timeout(Challenges.WITHIN)
                .authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .build()));
        operations.setCustomizeRequestOptions(options -> options.challenge(challenge)
                .timeout(Challenges.WITHIN)
                .userVerification(UserVerificationRequirement.REQUIRED));
        return operations;
    }

    /** Where passkeys are for: the public address, or this machine under its name; an address in numbers can have none. */
    private URI origin(String host) {
        URI url = facing.publicUrl();
        if (url != null) {
            return URI.create(url.getScheme() + "://" + url.getRawAuthority());
        }
        if (!host.replaceFirst(":\\d+$", "").equals("localhost")) {
            throw refused("Passkeys belong to a name: open this page under “localhost”.");
        }
        return URI.create("http://" + host);
    }

    private <T extends AuthenticatorResponse> PublicKeyCredential<T> read(
            String answer, TypeReference<PublicKeyCredential<T>> type) {
        if (answer.length() > LONGEST_ANSWER) {
            throw new NotAccepted();
        }
        @Nullable PublicKeyCredential<T> credential = json.readValue(answer, type);
        if (credential == null) {
            throw new NotAccepted();
        }
        return credential;
    }

    /** What the device says that it was asked; whether it has signed that is seen later. */
    private Bytes challenge(PublicKeyCredential<? extends AuthenticatorResponse> credential) {
        return Bytes.fromBase64(
                json.readTree(credential.getResponse().getClientDataJSON().getBytes())
                        .path("challenge")
                        .stringValue(""));
    }

    private static Refused refused(String message) {
        return new Refused(Refused.Cause.NOT_VALID, message);
    }
}
