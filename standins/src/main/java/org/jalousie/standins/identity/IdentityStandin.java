package org.jalousie.standins.identity;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Clock;
import java.util.Base64;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The identity provider that ships with the product: OpenID Connect Core 1.0, the code flow (§ 3.1) with PKCE (RFC 7636) and a
 * secret (§ 9, client_secret_basic), found by its discovery document. It believes whatever address somebody types.
 */
public final class IdentityStandin implements AutoCloseable {
    /** What an application has to call itself. */
    public static final String CLIENT = "jalousie";

    private static final int SECONDS = 300;
    private static final JsonMapper JSON = new JsonMapper();

    private final HttpServer http;
    private final String secret;
    private final Clock clock;
    private final TokenSigner signer = new TokenSigner();
    private final Map<String, Grant> grants = new ConcurrentHashMap<>();
    private volatile boolean unsure;

    /** Who somebody said to be, until the code is taken. */
    private record Grant(String back, String nonce, String challenge, String mail, String name) {}

    /** @param secret that an application has to bring */
    public IdentityStandin(int port, String secret, Clock clock) {
        this.secret = secret;
        this.clock = clock;
        try {
            http = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), port), 50);
        } catch (IOException e) {
            throw new UncheckedIOException("The identity provider's stand-in can't start: " + e.getMessage(), e);
        }
        http.setExecutor(Executors.newCachedThreadPool(task -> {
            Thread thread = new Thread(task, "identity");
            thread.setDaemon(true);
            return thread;
        }));
        http.createContext("/", this::answer);
        http.start();
    }

    public String address() {
        return "http://127.0.0.1:" + http.getAddress().getPort();
    }

    /** From now on it isn't sure of anybody's address. */
    public void unsure(boolean now) {
        unsure = now;
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            Map<String, String> asked =
                    new HashMap<>(read(exchange.getRequestURI().getRawQuery()));
            asked.putAll(read(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8)));
            switch (path) {
                case "/.well-known/openid-configuration" -> json(exchange, 200, discovery());
                case "/keys" -> json(exchange, 200, signer.keys());
                case "/authorize" -> authorize(exchange, asked);
                case "/token" -> token(exchange, asked);
                default -> send(exchange, 404, "text/plain", "nothing here");
            }
        }
    }

    private ObjectNode discovery() {
        ObjectNode says = JSON.createObjectNode();
        says.put("issuer", address());
        says.put("authorization_endpoint", address() + "/authorize");
        says.put("token_endpoint", address() + "/token");
        says.put("jwks_uri", address() + "/keys");
        says.putArray("response_types_supported").add("code");
        says.putArray("subject_types_supported").add("public");
        says.putArray("id_token_signing_alg_values_supported").add("RS256");
        says.putArray("code_challenge_methods_supported").add("S256");
        return says;
    }

    /** Asks who somebody is; then sends them back. */
    private void authorize(HttpExchange exchange, Map<String, String> asked) throws IOException {
        String mail = asked.getOrDefault("mail", "").strip();
        if (!CLIENT.equals(asked.get("client_id")) || !"S256".equals(asked.get("code_challenge_method"))) {
            send(exchange, 400, "text/plain", "this application isn't known here, or asks without a challenge");
        } else if (mail.isEmpty()) {
            send(exchange, 200, "text/html; charset=utf-8", page(asked));
        } else {
            String code = UUID.randomUUID().toString();
            grants.put(
                    code,
                    new Grant(
                            asked.getOrDefault("redirect_uri", ""),
                            asked.getOrDefault("nonce", ""),
                            asked.getOrDefault("code_challenge", ""),
                            mail,
                            asked.getOrDefault("name", "")));
            exchange.getResponseHeaders()
                    .set(
                            "Location",
                            asked.get("redirect_uri") + "?code=" + code + "&state="
                                    + URLEncoder.encode(asked.getOrDefault("state", ""), StandardCharsets.UTF_8));
            exchange.sendResponseHeaders(302, -1);
        }
    }

    private static String page(Map<String, String> asked) {
        StringBuilder hidden = new StringBuilder();
        asked.forEach((name, value) ->
                hidden.append("<input type=hidden name=\"%s\" value=\"%s\">".formatted(escaped(name), escaped(value))));
        return """
                <!doctype html><html lang=en><meta charset=utf-8><title>Directory stand-in</title>
                <style>body{font:16px/1.5 sans-serif;max-width:26rem;margin:4rem auto;padding:0 1rem}input{font:inherit;width:100%%;box-sizing:border-box;padding:.4rem}button{font:inherit;margin-top:1rem;padding:.4rem 1rem}</style>
                <h1>Who are you?</h1><p>This stands in for a directory in which an office has its people. It believes what is typed.</p>
                <form method=post action=/authorize>%s<label>Mail address<input name=mail type=email required autofocus></label>
                <button>That is me</button></form>
                """.formatted(hidden);
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("\"", "&quot;").replace("<", "&lt;");
    }

    private void token(HttpExchange exchange, Map<String, String> asked) throws IOException {
        String expected =
                "Basic " + Base64.getEncoder().encodeToString((CLIENT + ":" + secret).getBytes(StandardCharsets.UTF_8));
        Grant grant = grants.remove(asked.getOrDefault("code", ""));
        if (!expected.equals(exchange.getRequestHeaders().getFirst("Authorization"))) {
            json(exchange, 401, JSON.createObjectNode().put("error", "invalid_client"));
        } else if (grant == null
                || !grant.back().equals(asked.get("redirect_uri"))
                || !grant.challenge().equals(challenge(asked.getOrDefault("code_verifier", "")))) {
            json(exchange, 400, JSON.createObjectNode().put("error", "invalid_grant"));
        } else {
            ObjectNode tokens = JSON.createObjectNode();
            tokens.put("access_token", UUID.randomUUID().toString());
            tokens.put("token_type", "Bearer");
            tokens.put("expires_in", SECONDS);
            tokens.put("id_token", signer.signed(claims(grant)));
            json(exchange, 200, tokens);
        }
    }

    private ObjectNode claims(Grant grant) {
        long now = clock.instant().getEpochSecond();
        String mail = grant.mail().toLowerCase(Locale.ROOT);
        ObjectNode claims = JSON.createObjectNode();
        claims.put("iss", address());
        claims.put("aud", CLIENT);
        claims.put("sub", grant.name().isEmpty() ? mail.substring(0, mail.indexOf('@')) : grant.name());
        claims.put("nonce", grant.nonce());
        claims.put("iat", now);
        claims.put("exp", now + SECONDS);
        claims.put("email", grant.mail());
        claims.put("email_verified", !unsure);
        return claims;
    }

    /** RFC 7636 § 4.6. */
    private static String challenge(String verifier) {
        try {
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(
                            MessageDigest.getInstance("SHA-256").digest(verifier.getBytes(StandardCharsets.US_ASCII)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, String> read(String form) {
        Map<String, String> all = new HashMap<>();
        if (form == null || form.isEmpty()) return all;
        for (String one : form.split("&")) {
            int at = one.indexOf('=');
            if (at > 0)
                all.put(
                        URLDecoder.decode(one.substring(0, at), StandardCharsets.UTF_8),
                        URLDecoder.decode(one.substring(at + 1), StandardCharsets.UTF_8));
        }
        return all;
    }

    private static void json(HttpExchange exchange, int status, ObjectNode body) throws IOException {
        send(exchange, status, "application/json", JSON.writeValueAsString(body));
    }

    private static void send(HttpExchange exchange, int status, String type, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.getResponseHeaders().set("Cache-Control", "no-store");
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    @Override
    public void close() {
        http.stop(0);
    }
}
