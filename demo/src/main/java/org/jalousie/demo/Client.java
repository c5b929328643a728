package org.jalousie.demo;

import java.io.IOException;
import java.net.CookieManager;
import java.net.CookiePolicy;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A browser's side of the interface to the outside: cookies, CSRF token, JSON. */
public final class Client {
    private static final JsonMapper JSON = new JsonMapper();

    private final CookieManager cookies = new CookieManager(null, CookiePolicy.ACCEPT_ALL);
    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private final String address;

    public Client(String address) {
        this.address = address;
    }

    /** @param body the answer's bytes */
    public record Answer(int status, byte[] body, String type) {
        public JsonNode json() {
            return JSON.readTree(body);
        }

        public String text() {
            return new String(body, StandardCharsets.UTF_8);
        }
    }

    public Client signIn(String mail, String password) {
        Answer answer = post("/api/v1/session", Map.of("mail", mail, "password", password));
        if (answer.status() != 200) throw new IllegalStateException("sign-in failed: " + answer.text());
        return this;
    }

    public Answer get(String path) {
        return send(request(path).GET());
    }

    public Answer post(String path, Object body) {
        return json("POST", path, body);
    }

    public Answer put(String path, Object body) {
        return json("PUT", path, body);
    }

    public Answer delete(String path) {
        return delete(path, Map.of());
    }

    public Answer delete(String path, Object body) {
        return json("DELETE", path, body);
    }

    private Answer json(String method, String path, Object body) {
        token();
        return send(request(path)
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body))));
    }

    /** Sends a file as the body itself. */
    public Answer postFile(String path, byte[] file) {
        token();
        return send(request(path)
                .header("Content-Type", "application/octet-stream")
                .POST(HttpRequest.BodyPublishers.ofByteArray(file)));
    }

    /** A request with a body but without the CSRF token, as another site would make it. */
    public Answer postFromElsewhere(String path, Object body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body))));
    }

    /** Sends a file as a browser's form does. */
    public Answer upload(String path, String name, byte[] file) {
        token();
        String boundary = UUID.randomUUID().toString();
        byte[] head = ("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8);
        byte[] foot = ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8);
        byte[] all = new byte[head.length + file.length + foot.length];
        System.arraycopy(head, 0, all, 0, head.length);
        System.arraycopy(file, 0, all, head.length, file.length);
        System.arraycopy(foot, 0, all, head.length + file.length, foot.length);
        return send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(HttpRequest.BodyPublishers.ofByteArray(all)));
    }

    /** Makes sure that there is a CSRF token to send along. */
    private void token() {
        if (csrf().isEmpty()) get("/api/v1/session");
    }

    private String csrf() {
        return cookies.getCookieStore().get(URI.create(address)).stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder builder =
                HttpRequest.newBuilder(URI.create(address + path)).timeout(Duration.ofSeconds(60));
        if (!csrf().isEmpty()) builder.header("X-XSRF-TOKEN", csrf());
        return builder;
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> response = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(
                    response.statusCode(),
                    response.body(),
                    response.headers().firstValue("Content-Type").orElse(""));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
