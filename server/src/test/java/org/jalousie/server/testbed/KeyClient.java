package org.jalousie.server.testbed;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpHeaders;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.json.Json;
import org.jalousie.core.programs.ContentDigest;
import org.jalousie.core.programs.MessageSignature;
import org.jalousie.core.programs.SignedMessage;
import tools.jackson.databind.JsonNode;

/** Another program: comes with a key, or signs what it sends. */
public final class KeyClient {
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final String address;
    private final Map<String, String> fields;
    private final Optional<Signing> signing;

    /** @param key its id, {@code secret} what belongs to it */
    public record Signing(String key, String secret, Instant now, List<String> covered, String nonce) {}

    public record Answer(int status, String body, HttpHeaders fields) {
        public JsonNode json() {
            return Json.MAPPER.readTree(body);
        }

        public String field(String name) {
            return fields.firstValue(name).orElse("");
        }
    }

    private KeyClient(String address, Map<String, String> fields, Optional<Signing> signing) {
        this.address = address;
        this.fields = fields;
        this.signing = signing;
    }

    public static KeyClient key(String address, String secret) {
        return new KeyClient(address, Map.of("Authorization", "Bearer " + secret), Optional.empty());
    }

    public static KeyClient signing(String address, Signing signing) {
        return new KeyClient(address, Map.of(), Optional.of(signing));
    }

    /** One that sends a further header field along. */
    public KeyClient with(String name, String value) {
        Map<String, String> more = new LinkedHashMap<>(fields);
        more.put(name, value);
        return new KeyClient(address, more, signing);
    }

    public Answer get(String path) {
        return send("GET", path, "");
    }

    public Answer post(String path, Object body) {
        return send("POST", path, Json.MAPPER.writeValueAsString(body));
    }

    public Answer put(String path, Object body) {
        return send("PUT", path, Json.MAPPER.writeValueAsString(body));
    }

    public Answer delete(String path) {
        return send("DELETE", path, "");
    }

    public Answer send(String method, String path, String body) {
        URI at = URI.create(address + path);
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        HttpRequest.Builder request = HttpRequest.newBuilder(at)
                .timeout(Duration.ofSeconds(60))
                .method(
                        method,
                        body.isEmpty()
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofByteArray(bytes));
        if (!body.isEmpty()) request.header("Content-Type", "application/json");
        signing.ifPresent(one -> sign(one, request, method, at, bytes));
        fields.forEach(request::setHeader);
        try {
            HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            return new Answer(answer.statusCode(), answer.body(), answer.headers());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static void sign(Signing by, HttpRequest.Builder request, String method, URI at, byte[] body) {
        Map<String, String> covered = new LinkedHashMap<>();
        List<String> components = new ArrayList<>(by.covered());
        if (body.length > 0) {
            request.header("Content-Digest", ContentDigest.of(body));
            covered.put("content-digest", ContentDigest.of(body));
        } else {
            components.remove("content-digest");
        }
        MessageSignature.Fields signed = MessageSignature.sign(
                new SignedMessage(
                        method,
                        at.toString(),
                        at.getAuthority(),
                        at.getRawPath(),
                        Optional.ofNullable(at.getRawQuery()).orElse(""),
                        covered),
                components,
                by.now(),
                Optional.of(by.nonce().isEmpty() ? UUID.randomUUID().toString() : by.nonce()),
                Map.of(by.key(), by.secret().getBytes(StandardCharsets.US_ASCII)));
        request.header("Signature-Input", signed.input()).header("Signature", signed.signature());
    }
}
