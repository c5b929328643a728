package org.jalousie.server.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.messages.Message;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What anybody may ask of the server at once: how large a body may be, by what is done with it, and how many requests one
 * address may have open. Bodies are counted while they are read, since their announced length may be missing or a lie.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class RequestLimits extends OncePerRequestFilter {
    private static final int KB = 1024;
    private static final int MB = 1024 * KB;

    /** Room for a page's pictures, fonts and data, all asked for at once by two people behind one address. */
    static final int MOST_OPEN = 60;

    private final Cache<String, AtomicInteger> open = Caffeine.newBuilder()
            .maximumSize(50_000)
            .expireAfterAccess(Duration.ofMinutes(15))
            .build();

    /** A body that is larger than what it is for. */
    static final class TooLarge extends IOException {
        final long most;

        TooLarge(long most) {
            super("the body is too large");
            this.most = most;
        }
    }

    /** The largest body in bytes that is read at an address of ours. */
    static long most(String path, String type) {
        if (path.startsWith("/api/v1/session")) return 8 * KB;
        // a picture of a signature in base64, and a few details
        if (path.matches("/api/v1/signing/[^/]+/files")) return 6L * MB;
        if (path.startsWith("/api/v1/signing/")) return MB;
        if (path.matches("/api/v1/ask/[^/]+/(files|pictures)")) return 6L * MB;
        if (path.startsWith("/api/v1/ask/")) return 3L * MB;
        if (!path.startsWith("/api/")) return 8 * KB;
        return isMultipart(type) ? 27L * MB : 6L * MB;
    }

    static boolean isMultipart(String type) {
        return type != null && type.strip().toLowerCase(Locale.ROOT).startsWith("multipart/");
    }

    /** Addresses of the office, where nobody comes who hasn't signed in. */
    private static boolean takesFiles(String path) {
        return path.startsWith("/api/")
                && !path.startsWith("/api/v1/signing/")
                && !path.startsWith("/api/v1/ask/")
                && !path.startsWith("/api/v1/session");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String query = request.getQueryString();
        if (query != null && query.contains("%00")) {
            ProblemBody.write(response, 400, Message.of("request.address-character"));
            return;
        }
        // parts are read by the server itself, past the count below, so they are let through only where files are taken
        // in
        if (isMultipart(request.getContentType()) && !takesFiles(request.getRequestURI())) {
            ProblemBody.write(response, 415, Message.of("request.no-file-here"));
            return;
        }
        long most = most(request.getRequestURI(), request.getContentType());
        if (request.getContentLengthLong() > most) {
            ProblemBody.write(response, 413, sentence(most));
            return;
        }
        AtomicInteger own = open.get(request.getRemoteAddr(), address -> new AtomicInteger());
        try {
            if (own.incrementAndGet() > MOST_OPEN) {
                response.setHeader("Retry-After", "2");
                ProblemBody.write(response, 429, Message.of("request.many-open"));
                return;
            }
            chain.doFilter(new Counted(request, most), response);
        } finally {
            own.decrementAndGet();
        }
    }

    static Message sentence(long most) {
        return Message.of("request.too-large", "most", most >= MB ? most / MB + " MB" : most / KB + " kB");
    }

    private static final class Counted extends HttpServletRequestWrapper {
        private final long most;
        private ServletInputStream counted;

        Counted(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (counted == null) counted = new CountedStream(super.getInputStream(), most);
            return counted;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class CountedStream extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private long read;

        CountedStream(ServletInputStream in, long most) {
            this.in = in;
            this.most = most;
        }

        private void count(int bytes) throws TooLarge {
            if (bytes > 0) read += bytes;
            if (read > most) throw new TooLarge(most);
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int some = in.read(into, from, length);
            count(some);
            return some;
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
