package org.jalousie.server.adapters;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.Header;
import org.apache.hc.core5.http.io.SocketConfig;
import org.apache.hc.core5.http.io.entity.ByteArrayEntity;
import org.apache.hc.core5.util.Timeout;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.InsideAddresses;
import org.jalousie.server.Settings;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Speaks to addresses that somebody typed in. They are looked up here, and what is inside the office's own network is spoken to
 * only where that was allowed; the connection goes to the very address that was looked at, so that a name can't mean another one
 * a moment later. No redirect is followed, nothing is waited for longer than was said, and no more is read than was asked for.
 */
@Component
public class OutsideHttp {
    private static final Timeout CONNECT = Timeout.ofSeconds(5);
    private static final int AT_ONCE = 64;

    /** So many to one host, so that one that is slow leaves room for the others. */
    private static final int TO_ONE = 8;

    private final Inside inside;
    private final CloseableHttpClient http;
    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "outside-watch");
        thread.setDaemon(true);
        return thread;
    });

    @Autowired
    OutsideHttp(Settings settings) {
        this(settings.inside(), TO_ONE);
    }

    /**
     * @param allowed names of hosts, and addresses or blocks of them, that may be spoken to inside the network
     * @param toOne how many requests to one host are under way at once; more of them wait
     */
    private OutsideHttp(List<String> allowed, int toOne) {
        this.inside = new Inside(allowed);
        this.http = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(inside)
                        .setMaxConnTotal(AT_ONCE)
                        .setMaxConnPerRoute(toOne)
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(CONNECT)
                                .setTimeToLive(Timeout.ofMinutes(1))
                                .setValidateAfterInactivity(Timeout.ofMilliseconds(200))
                                .build())
                        .setDefaultSocketConfig(
                                SocketConfig.custom().setSoTimeout(CONNECT).build())
                        .build())
                .disableRedirectHandling()
                .disableAutomaticRetries()
                .disableCookieManagement()
                .disableAuthCaching()
                .disableContentCompression()
                .setUserAgent("Jalousie")
                .build();
    }

    /** One that speaks to a single host that the operator has set, wherever that is, and has all connections for it. */
    public static OutsideHttp toOnly(String host) {
        return new OutsideHttp(List.of(bare(host)), AT_ONCE);
    }

    /** @param body none for an empty one */
    public record Request(String method, URI address, Map<String, String> fields, byte[] body) {}

    /**
     * @param fields by their names, whatever their case
     * @param body cut off where more came than was asked for
     */
    public record Answer(int status, Map<String, String> fields, byte[] body) {}

    /**
     * Sends a request.
     *
     * @param limit until the last byte of the answer
     * @param most bytes of the answer's body that are read
     * @throws OutsideProblem when the address isn't allowed, or didn't answer in time
     */
    public Answer send(Request request, Duration limit, int most) {
        check(request.address());
        HttpUriRequestBase sent = new HttpUriRequestBase(request.method(), request.address());
        sent.setConfig(RequestConfig.custom()
                .setResponseTimeout(Timeout.of(limit))
                .setConnectionRequestTimeout(Timeout.of(limit))
                .build());
        request.fields().forEach(sent::setHeader);
        if (request.body().length > 0)
            sent.setEntity(new ByteArrayEntity(
                    request.body(),
                    ContentType.parse(request.fields().getOrDefault("Content-Type", "application/octet-stream"))));
        AtomicBoolean late = new AtomicBoolean();
        // what comes drop by drop never runs into a socket's timeout
        Future<?> alarm = watch.schedule(
                () -> {
                    late.set(true);
                    sent.cancel();
                },
                limit.toMillis(),
                TimeUnit.MILLISECONDS);
        try {
            return http.execute(sent, answer -> read(sent, answer, most));
        } catch (CutOff more) {
            return more.answer;
        } catch (IOException | RuntimeException e) {
            throw problem(e, late.get(), request.address(), limit);
        } finally {
            alarm.cancel(false);
        }
    }

    /** More came than was asked for. */
    private static final class CutOff extends IOException {
        private final transient Answer answer;

        CutOff(Answer answer) {
            this.answer = answer;
        }
    }

    private static Answer read(HttpUriRequestBase sent, ClassicHttpResponse answer, int most) throws IOException {
        Map<String, String> fields = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        for (Header field : answer.getHeaders()) fields.putIfAbsent(field.getName(), field.getValue());
        InputStream in = answer.getEntity() == null
                ? InputStream.nullInputStream()
                : answer.getEntity().getContent();
        Answer read = new Answer(answer.getCode(), fields, in.readNBytes(most));
        if (in.read() < 0) return read;
        // the rest would be read to its end for the sake of the connection, and it may have none
        sent.cancel();
        throw new CutOff(read);
    }

    private OutsideProblem problem(Exception e, boolean late, URI address, Duration limit) {
        for (Throwable one = e; one != null; one = one.getCause())
            if (one instanceof NotAllowed) return notAllowed(address);
        if (e instanceof UnknownHostException)
            return new OutsideProblem(Message.of("outside.unknown-host", "host", address.getHost()), e);
        if (late || e instanceof java.net.SocketTimeoutException)
            return OutsideProblem.silent(Message.of("outside.silent", "seconds", Math.max(1, limit.toSeconds())), e);
        return new OutsideProblem(
                Message.of("outside.broken", "kind", e.getClass().getSimpleName()), e);
    }

    private static OutsideProblem notAllowed(URI address) {
        return new OutsideProblem(Message.of("outside.inside", "host", address.getHost()), null);
    }

    /**
     * Whether an address may be spoken to, as far as can be said now.
     *
     * @throws OutsideProblem when it may not; a name that nobody knows just now may
     */
    public void check(URI address) {
        try {
            inside.resolve(bare(address.getHost()));
        } catch (NotAllowed e) {
            throw notAllowed(address);
        } catch (UnknownHostException e) {
            return;
        }
        if (address.getScheme().equals("http") && !inside.isInside(bare(address.getHost())))
            throw new OutsideProblem(Message.of("outside.unencrypted"), null);
    }

    /** An address of the sixth version stands in brackets in a URI (RFC 3986 §3.2.2). */
    private static String bare(String host) {
        return host.startsWith("[") ? host.substring(1, host.length() - 1) : host;
    }

    @PreDestroy
    public void close() throws IOException {
        watch.shutdownNow();
        http.close();
    }

    private static final class NotAllowed extends UnknownHostException {}

    /** Looks names up, and lets those through that may be spoken to. */
    private static final class Inside implements DnsResolver {
        private final List<String> names;
        private final List<InsideAddresses.Block> blocks;

        Inside(List<String> allowed) {
            List<String> all = allowed == null
                    ? List.of()
                    : allowed.stream()
                            .map(String::strip)
                            .filter(one -> !one.isEmpty())
                            .toList();
            this.blocks = all.stream()
                    .filter(Inside::isBlock)
                    .map(InsideAddresses.Block::of)
                    .toList();
            this.names = all.stream()
                    .filter(one -> !isBlock(one))
                    .map(one -> one.toLowerCase(Locale.ROOT))
                    .toList();
        }

        private static boolean isBlock(String text) {
            return text.matches("[0-9.]+(/[0-9]+)?") || text.contains(":");
        }

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] found = InetAddress.getAllByName(host);
            if (names.contains(host.toLowerCase(Locale.ROOT))) return found;
            // one that isn't allowed among them would be tried when the others don't answer
            if (!Arrays.stream(found).allMatch(this::isAllowed)) throw new NotAllowed();
            return found;
        }

        private boolean isAllowed(InetAddress address) {
            return !InsideAddresses.isInside(address) || blocks.stream().anyMatch(block -> block.holds(address));
        }

        boolean isInside(String host) {
            if (names.contains(host.toLowerCase(Locale.ROOT))) return true;
            try {
                return Arrays.stream(InetAddress.getAllByName(host))
                        .allMatch(one -> blocks.stream().anyMatch(block -> block.holds(one)));
            } catch (UnknownHostException e) {
                return false;
            }
        }

        @Override
        public String resolveCanonicalHostname(String host) {
            return host;
        }
    }
}
