package org.jalousie.core.intake;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;

/** Answers that stand in a form's address and can't be changed there, since they are sealed with the form's own secret. */
public final class Prefilled {
    private static final int LONGEST = 6000;

    private Prefilled() {}

    /** @param answers in the form in which they are stored */
    public static String sealed(Map<FieldName, String> answers, byte[] secret) {
        String body = Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(Json.canonical(answers).getBytes(StandardCharsets.UTF_8));
        return body + "." + Errand.seal("answers " + body, secret);
    }

    /** The answers of an address; empty where somebody has changed it. */
    public static Optional<Map<FieldName, String>> read(String sealed, byte[] secret) {
        int dot = sealed.lastIndexOf('.');
        if (dot < 0 || sealed.length() > LONGEST) return Optional.empty();
        String body = sealed.substring(0, dot);
        byte[] seal = Errand.seal("answers " + body, secret).getBytes(StandardCharsets.US_ASCII);
        if (!MessageDigest.isEqual(seal, sealed.substring(dot + 1).getBytes(StandardCharsets.UTF_8)))
            return Optional.empty();
        try {
            byte[] json = Base64.getUrlDecoder().decode(body);
            return Optional.of(
                    Json.MAPPER.readValue(new String(json, StandardCharsets.UTF_8), new TypeReference<>() {}));
        } catch (IllegalArgumentException | JacksonException e) {
            return Optional.empty();
        }
    }
}
