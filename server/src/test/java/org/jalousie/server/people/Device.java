package org.jalousie.server.people;

import com.webauthn4j.data.AuthenticatorAssertionResponse;
import com.webauthn4j.data.AuthenticatorAttestationResponse;
import com.webauthn4j.data.AuthenticatorSelectionCriteria;
import com.webauthn4j.data.PublicKeyCredentialCreationOptions;
import com.webauthn4j.data.PublicKeyCredentialParameters;
import com.webauthn4j.data.PublicKeyCredentialRequestOptions;
import com.webauthn4j.data.PublicKeyCredentialRpEntity;
import com.webauthn4j.data.PublicKeyCredentialType;
import com.webauthn4j.data.PublicKeyCredentialUserEntity;
import com.webauthn4j.data.ResidentKeyRequirement;
import com.webauthn4j.data.UserVerificationRequirement;
import com.webauthn4j.data.attestation.statement.COSEAlgorithmIdentifier;
import com.webauthn4j.data.client.Origin;
import com.webauthn4j.data.client.challenge.DefaultChallenge;
import com.webauthn4j.test.authenticator.webauthn.NoneAttestationAuthenticator;
import com.webauthn4j.test.authenticator.webauthn.WebAuthnAuthenticatorAdaptor;
import com.webauthn4j.test.client.ClientPlatform;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.jalousie.core.json.Json;
import tools.jackson.databind.JsonNode;

/** A browser with a device that keeps passkeys, as WebAuthn4J's emulator plays them. */
final class Device {
    private final ClientPlatform browser;

    /** @param origin where the browser says that it is */
    Device(String origin) {
        browser = new ClientPlatform(
                new Origin(origin), new WebAuthnAuthenticatorAdaptor(new NoneAttestationAuthenticator()));
    }

    private static String text(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    private static byte[] bytes(JsonNode text) {
        return Base64.getUrlDecoder().decode(text.asString());
    }

    /** Makes a passkey. @return it as a browser sends it */
    String make(JsonNode wanted) {
        var made = browser.create(new PublicKeyCredentialCreationOptions(
                new PublicKeyCredentialRpEntity(
                        wanted.get("place").asString(), wanted.get("office").asString()),
                new PublicKeyCredentialUserEntity(
                        bytes(wanted.get("person")),
                        wanted.get("mail").asString(),
                        wanted.get("name").asString()),
                new DefaultChallenge(bytes(wanted.get("challenge"))),
                List.of(new PublicKeyCredentialParameters(
                        PublicKeyCredentialType.PUBLIC_KEY, COSEAlgorithmIdentifier.ES256)),
                null,
                List.of(),
                new AuthenticatorSelectionCriteria(
                        null, true, ResidentKeyRequirement.REQUIRED, UserVerificationRequirement.REQUIRED),
                null,
                null));
        AuthenticatorAttestationResponse response = made.getResponse();
        return credential(
                made.getRawId(),
                Map.of(
                        "clientDataJSON", text(response.getClientDataJSON()),
                        "attestationObject", text(response.getAttestationObject())));
    }

    /** Signs in with a passkey. @return what a browser sends */
    String sign(JsonNode wanted) {
        var signed = browser.get(new PublicKeyCredentialRequestOptions(
                new DefaultChallenge(bytes(wanted.get("challenge"))),
                null,
                wanted.get("place").asString(),
                null,
                UserVerificationRequirement.REQUIRED,
                null));
        AuthenticatorAssertionResponse response = signed.getResponse();
        return credential(
                signed.getRawId(),
                Map.of(
                        "clientDataJSON", text(response.getClientDataJSON()),
                        "authenticatorData", text(response.getAuthenticatorData()),
                        "signature", text(response.getSignature()),
                        "userHandle", text(response.getUserHandle())));
    }

    private static String credential(byte[] id, Map<String, String> response) {
        return Json.MAPPER.writeValueAsString(Map.of(
                "id", text(id),
                "rawId", text(id),
                "type", "public-key",
                "clientExtensionResults", Map.of(),
                "response", response));
    }
}
