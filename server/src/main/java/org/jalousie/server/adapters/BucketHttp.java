package org.jalousie.server.adapters;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import software.amazon.awssdk.http.AbortableInputStream;
import software.amazon.awssdk.http.ExecutableHttpRequest;
import software.amazon.awssdk.http.HttpExecuteRequest;
import software.amazon.awssdk.http.HttpExecuteResponse;
import software.amazon.awssdk.http.SdkHttpClient;
import software.amazon.awssdk.http.SdkHttpFullResponse;

/** Lets the storage's client speak by {@link OutsideHttp}, so that one place says who may be spoken to and how long is waited. */
final class BucketHttp implements SdkHttpClient {
    /** The connection itself writes them. */
    private static final Set<String> OF_THE_CONNECTION =
            Set.of("host", "content-length", "connection", "expect", "transfer-encoding");

    private final OutsideHttp http;
    private final Duration limit;
    private final int most;

    BucketHttp(OutsideHttp http, Duration limit, int most) {
        this.http = http;
        this.limit = limit;
        this.most = most;
    }

    @Override
    public ExecutableHttpRequest prepareRequest(HttpExecuteRequest request) {
        return new ExecutableHttpRequest() {
            @Override
            public HttpExecuteResponse call() throws IOException {
                return answered(request);
            }

            @Override
            public void abort() {
                // it ends at its limit by itself
            }
        };
    }

    private HttpExecuteResponse answered(HttpExecuteRequest request) throws IOException {
        Map<String, String> fields = new LinkedHashMap<>();
        request.httpRequest().headers().forEach((name, values) -> {
            if (!OF_THE_CONNECTION.contains(name.toLowerCase(Locale.ROOT))) fields.put(name, String.join(",", values));
        });
        byte[] body = new byte[0];
        if (request.contentStreamProvider().isPresent())
            body = request.contentStreamProvider().get().newStream().readAllBytes();
        OutsideHttp.Answer answer;
        try {
            answer = http.send(
                    new OutsideHttp.Request(
                            request.httpRequest().method().name(),
                            request.httpRequest().getUri(),
                            fields,
                            body),
                    limit,
                    most);
        } catch (OutsideProblem e) {
            // a connection that broke is tried again; nobody waits twice for one that is silent
            if (e.isSilent()) throw e;
            throw new IOException(e);
        }
        SdkHttpFullResponse.Builder response = SdkHttpFullResponse.builder().statusCode(answer.status());
        answer.fields().forEach(response::putHeader);
        return HttpExecuteResponse.builder()
                .response(response.build())
                .responseBody(AbortableInputStream.create(new ByteArrayInputStream(answer.body())))
                .build();
    }

    @Override
    public void close() {
        // who made the connections closes them
    }
}
