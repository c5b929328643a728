package org.jalousie.server.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;

/** A request whose body was read to the end and can be read again. */
public final class KeptBody extends HttpServletRequestWrapper {
    private final byte[] body;

    private KeptBody(HttpServletRequest request, byte[] body) {
        super(request);
        this.body = body;
    }

    /**
     * Reads a body, which is as large at most as its address takes. Files in parts can't be kept: the server reads them itself.
     */
    public static KeptBody of(HttpServletRequest request) throws IOException {
        return request instanceof KeptBody kept
                ? kept
                : new KeptBody(request, request.getInputStream().readAllBytes());
    }

    /** Whether a request's body is files in parts. */
    public static boolean isInParts(HttpServletRequest request) {
        return RequestLimits.isMultipart(request.getContentType());
    }

    public byte[] body() {
        return body.clone();
    }

    @Override
    public ServletInputStream getInputStream() {
        ByteArrayInputStream in = new ByteArrayInputStream(body);
        return new ServletInputStream() {
            @Override
            public int read() {
                return in.read();
            }

            @Override
            public int read(byte[] into, int from, int length) {
                return in.read(into, from, length);
            }

            @Override
            public boolean isFinished() {
                return in.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new UnsupportedOperationException("read at once");
            }
        };
    }

    @Override
    public BufferedReader getReader() {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
}
