package org.jalousie.standins.identity;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.Signature;
import java.security.interfaces.RSAPublicKey;
import java.util.Arrays;
import java.util.Base64;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Signs tokens (RFC 7515, RS256) with a key that is made at the start, and publishes it (RFC 7517). */
final class TokenSigner {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String ID = "standin";

    private final KeyPair keys;

    TokenSigner() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
            generator.initialize(2048);
            keys = generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has RSA", e);
        }
    }

    ObjectNode keys() {
        RSAPublicKey key = (RSAPublicKey) keys.getPublic();
        ObjectNode all = JSON.createObjectNode();
        all.putArray("keys")
                .addObject()
                .put("kty", "RSA")
                .put("use", "sig")
                .put("alg", "RS256")
                .put("kid", ID)
                .put("n", text(unsigned(key.getModulus())))
                .put("e", text(unsigned(key.getPublicExponent())));
        return all;
    }

    String signed(ObjectNode claims) {
        String head = JSON.writeValueAsString(
                JSON.createObjectNode().put("alg", "RS256").put("kid", ID));
        String content = text(head.getBytes(StandardCharsets.UTF_8)) + "."
                + text(JSON.writeValueAsString(claims).getBytes(StandardCharsets.UTF_8));
        try {
            Signature signature = Signature.getInstance("SHA256withRSA");
            signature.initSign(keys.getPrivate());
            signature.update(content.getBytes(StandardCharsets.US_ASCII));
            return content + "." + text(signature.sign());
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] unsigned(BigInteger number) {
        byte[] bytes = number.toByteArray();
        return bytes[0] == 0 ? Arrays.copyOfRange(bytes, 1, bytes.length) : bytes;
    }

    private static String text(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
