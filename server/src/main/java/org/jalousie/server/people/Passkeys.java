package org.jalousie.server.people;

import com.webauthn4j.WebAuthnManager;
import com.webauthn4j.converter.AttestedCredentialDataConverter;
import com.webauthn4j.converter.util.ObjectConverter;
import com.webauthn4j.credential.CredentialRecordImpl;
import com.webauthn4j.data.AuthenticationData;
import com.webauthn4j.data.AuthenticationParameters;
import com.webauthn4j.data.PublicKeyCredentialParameters;
import com.webauthn4j.data.PublicKeyCredentialType;
import com.webauthn4j.data.RegistrationData;
import com.webauthn4j.data.RegistrationParameters;
import com.webauthn4j.data.attestation.authenticator.AttestedCredentialData;
import com.webauthn4j.data.attestation.authenticator.AuthenticatorData;
import com.webauthn4j.data.attestation.statement.COSEAlgorithmIdentifier;
import com.webauthn4j.data.attestation.statement.NoneAttestationStatement;
import com.webauthn4j.data.client.Origin;
import com.webauthn4j.data.client.challenge.DefaultChallenge;
import com.webauthn4j.server.ServerProperty;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.ByteBuffer;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.web.Attempts;
import org.springframework.stereotype.Component;

/** Passkeys: credentials that a person's device keeps and uses after it has looked who they are (W3C WebAuthn Level 2). */
@Component
class Passkeys {
    private static final int CHALLENGE = 32;
    private static final List<PublicKeyCredentialParameters> ALGORITHMS = List.of(
            algorithm(COSEAlgorithmIdentifier.ES256),
            algorithm(COSEAlgorithmIdentifier.EdDSA),
            algorithm(COSEAlgorithmIdentifier.RS256));

    private final KeptPasskeys kept;
    private final PasskeyPlaces places;
    private final SessionDesk desk;
    private final Attempts attempts;
    private final Settings settings;
    private final SecureRandom random = new SecureRandom();
    private final ObjectConverter converter = new ObjectConverter();
    private final WebAuthnManager manager = WebAuthnManager.createNonStrictWebAuthnManager(converter);
    private final AttestedCredentialDataConverter attested = new AttestedCredentialDataConverter(converter);

    Passkeys(KeptPasskeys kept, PasskeyPlaces places, SessionDesk desk, Attempts attempts, Settings settings) {
        this.kept = kept;
        this.places = places;
        this.desk = desk;
        this.attempts = attempts;
        this.settings = settings;
    }

    private static PublicKeyCredentialParameters algorithm(COSEAlgorithmIdentifier id) {
        return new PublicKeyCredentialParameters(PublicKeyCredentialType.PUBLIC_KEY, id);
    }

    /**
     * What a device is asked to sign in with.
     *
     * @param challenge as base64url
     * @param place the name that the passkey belongs to
     */
    record PasskeyWanted(String challenge, String place) {}

    /**
     * What a device is asked to make.
     *
     * @param person as base64url
     * @param algorithms by their numbers in IANA's COSE registry
     * @param have passkeys that the person has, as base64url
     */
    record PasskeyToMake(
            String challenge,
            String place,
            String office,
            String person,
            String mail,
            String name,
            List<Long> algorithms,
            List<String> have) {}

    /** @param credential as JSON, as WebAuthn Level 3 § 5.1.7 and § 5.1.8 write it */
    record ShownPasskey(String credential) {}

    Optional<PasskeyPlaces.Place> place(HttpServletRequest request) {
        return places.of(request);
    }

    /** @throws Refusal where a passkey can't belong to the address */
    PasskeyWanted wanted(HttpServletRequest request) {
        PasskeyPlaces.Place place = places.required(request);
        attempts.passkey(request.getRemoteAddr());
        return new PasskeyWanted(challenge(request), place.name());
    }

    /** @throws Refusal where a passkey can't belong to the address */
    PasskeyToMake wantedNew(Account account, HttpServletRequest request) {
        return new PasskeyToMake(
                challenge(request),
                places.required(request).name(),
                settings.office().name(),
                text(handle(account.id())),
                account.mail(),
                account.name(),
                ALGORITHMS.stream().map(one -> one.getAlg().getValue()).toList(),
                kept.of(account.id()).stream()
                        .map(one -> text(one.credential()))
                        .toList());
    }

    private String challenge(HttpServletRequest request) {
        byte[] bytes = new byte[CHALLENGE];
        random.nextBytes(bytes);
        desk.challenge(request, bytes);
        return text(bytes);
    }

    /** Takes a new passkey. @throws Refusal when it isn't one that was asked for */
    void take(Account account, ShownPasskey shown, String title, HttpServletRequest request) {
        ServerProperty asked = asked(request);
        AuthenticatorData<?> device = checked("passkey.not-taken", () -> {
            RegistrationData made = manager.parseRegistrationResponseJSON(shown.credential());
            manager.verify(made, new RegistrationParameters(asked, ALGORITHMS, true, true));
            return made.getAttestationObject().getAuthenticatorData();
        });
        AttestedCredentialData credential = device.getAttestedCredentialData();
        kept.keep(
                account.id(), title, credential.getCredentialId(), attested.convert(credential), device.getSignCount());
    }

    /** Whose passkey was shown: their mail address. @throws Refusal when it isn't known, or doesn't show who they are */
    String whose(ShownPasskey shown, HttpServletRequest request) {
        Attempts.Attempt attempt = attempts.passkey(request.getRemoteAddr());
        ServerProperty asked = asked(request);
        AuthenticationData signed =
                checked("passkey.wrong", () -> manager.parseAuthenticationResponseJSON(shown.credential()));
        KeptPasskeys.Kept passkey = Optional.ofNullable(signed.getCredentialId())
                .flatMap(kept::find)
                .filter(one ->
                        signed.getUserHandle() == null || Arrays.equals(signed.getUserHandle(), handle(one.account())))
                .orElseThrow(() -> Refusal.invalid(Message.of("passkey.unknown")));
        checked(
                "passkey.wrong",
                () -> manager.verify(signed, new AuthenticationParameters(asked, record(passkey), null, true, true)));
        kept.used(passkey, signed.getAuthenticatorData().getSignCount());
        attempt.succeeded();
        return passkey.mail();
    }

    /** What a device has sent can be anything; the library says so by many exceptions, also by those of a missing part. */
    private static <T> T checked(String otherwise, Supplier<T> read) {
        try {
            return read.get();
        } catch (RuntimeException e) {
            throw Refusal.invalid(Message.of(otherwise));
        }
    }

    private CredentialRecordImpl record(KeptPasskeys.Kept passkey) {
        return new CredentialRecordImpl(
                new NoneAttestationStatement(),
                null,
                null,
                null,
                passkey.signatures(),
                attested.convert(passkey.attested()),
                null,
                null,
                null,
                null);
    }

    private ServerProperty asked(HttpServletRequest request) {
        PasskeyPlaces.Place place = places.required(request);
        byte[] challenge = desk.takeChallenge(request).orElseThrow(() -> Refusal.invalid(Message.of("passkey.late")));
        return ServerProperty.builder()
                .origin(new Origin(place.origin()))
                .rpId(place.name())
                .challenge(new DefaultChallenge(challenge))
                .build();
    }

    private static byte[] handle(UUID account) {
        return ByteBuffer.allocate(16)
                .putLong(account.getMostSignificantBits())
                .putLong(account.getLeastSignificantBits())
                .array();
    }

    private static String text(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
