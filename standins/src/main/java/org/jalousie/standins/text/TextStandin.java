package org.jalousie.standins.text;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jsmpp.PDUStringException;
import org.jsmpp.SMPPConstant;
import org.jsmpp.bean.BroadcastSm;
import org.jsmpp.bean.CancelBroadcastSm;
import org.jsmpp.bean.CancelSm;
import org.jsmpp.bean.DataSm;
import org.jsmpp.bean.OptionalParameter;
import org.jsmpp.bean.QueryBroadcastSm;
import org.jsmpp.bean.QuerySm;
import org.jsmpp.bean.ReplaceSm;
import org.jsmpp.bean.SubmitMulti;
import org.jsmpp.bean.SubmitSm;
import org.jsmpp.extra.ProcessRequestException;
import org.jsmpp.session.BindRequest;
import org.jsmpp.session.BroadcastSmResult;
import org.jsmpp.session.DataSmResult;
import org.jsmpp.session.QueryBroadcastSmResult;
import org.jsmpp.session.QuerySmResult;
import org.jsmpp.session.SMPPServerSession;
import org.jsmpp.session.SMPPServerSessionListener;
import org.jsmpp.session.ServerMessageReceiverListener;
import org.jsmpp.session.Session;
import org.jsmpp.session.SubmitMultiResult;
import org.jsmpp.session.SubmitSmResult;
import org.jsmpp.session.connection.Connection;
import org.jsmpp.session.connection.ServerConnection;
import org.jsmpp.session.connection.ServerConnectionFactory;
import org.jsmpp.session.connection.socket.SocketConnection;
import org.jsmpp.util.MessageId;

/**
 * The service for text messages that ships with the product: takes them by SMPP 3.4, delivers none, keeps each as a file and
 * hands it out over HTTP on loopback.
 */
public final class TextStandin implements AutoCloseable {
    private static final int BIND_MILLISECONDS = 5_000;
    private static final Charset GSM_BASICS = StandardCharsets.US_ASCII;
    private static final byte UCS2 = 8;

    private final Path folder;
    private final String password;
    private final SMPPServerSessionListener listener;
    private final HttpServer http;
    private final ExecutorService sessions = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "text messages");
        thread.setDaemon(true);
        return thread;
    });

    /** @param password what whoever binds has to know */
    public TextStandin(int smppPort, int httpPort, Path folder, String password) {
        this.folder = folder;
        this.password = password;
        try {
            Files.createDirectories(folder);
            listener = new SMPPServerSessionListener(smppPort, new Loopback());
            listener.setMessageReceiverListener(new Keeper());
            http = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), httpPort), 50);
            http.createContext("/texts/", this::answer);
            http.start();
            sessions.execute(this::accept);
        } catch (IOException e) {
            throw new UncheckedIOException("The stand-in for text messages can't start: " + e.getMessage(), e);
        }
    }

    public String address() {
        return "http://127.0.0.1:" + http.getAddress().getPort();
    }

    private void accept() {
        while (true) {
            try {
                SMPPServerSession session = listener.accept();
                sessions.execute(() -> bind(session));
            } catch (IOException e) {
                return; // it was closed
            }
        }
    }

    private void bind(SMPPServerSession session) {
        try {
            BindRequest request = session.waitForBind(BIND_MILLISECONDS);
            if (password.equals(request.getPassword())) request.accept("stand-in");
            else request.reject(SMPPConstant.STAT_ESME_RINVPASWD);
        } catch (IOException | PDUStringException | java.util.concurrent.TimeoutException e) {
            session.close();
        }
    }

    /** {@code GET /texts/ID} is the text of a message by the id it was given. */
    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String id = exchange.getRequestURI().getPath().substring("/texts/".length());
            Path file = folder.resolve(id + ".txt");
            if (!id.matches("[0-9a-f-]{36}") || !Files.exists(file)) {
                exchange.sendResponseHeaders(404, -1);
                return;
            }
            byte[] text = Files.readAllBytes(file);
            exchange.getResponseHeaders().set("Content-Type", "text/plain; charset=utf-8");
            exchange.sendResponseHeaders(200, text.length);
            exchange.getResponseBody().write(text);
        }
    }

    private final class Keeper implements ServerMessageReceiverListener {
        @Override
        public SubmitSmResult onAcceptSubmitSm(SubmitSm message, SMPPServerSession source)
                throws ProcessRequestException {
            if (message.getDestAddress().isBlank())
                throw new ProcessRequestException("no number", SMPPConstant.STAT_ESME_RINVDSTADR);
            String id = UUID.randomUUID().toString();
            byte[] octets = message.getShortMessage();
            OptionalParameter.Message_payload payload =
                    message.getOptionalParameter(OptionalParameter.Message_payload.class);
            if (payload != null) octets = payload.getValue();
            String text = new String(octets, message.getDataCoding() == UCS2 ? StandardCharsets.UTF_16BE : GSM_BASICS);
            try {
                Files.writeString(folder.resolve(id + ".txt"), text);
                return new SubmitSmResult(new MessageId(id), new OptionalParameter[0]);
            } catch (IOException | PDUStringException e) {
                throw new ProcessRequestException(e.getMessage(), SMPPConstant.STAT_ESME_RSYSERR);
            }
        }

        @Override
        public SubmitMultiResult onAcceptSubmitMulti(SubmitMulti message, SMPPServerSession source)
                throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public QuerySmResult onAcceptQuerySm(QuerySm query, SMPPServerSession source) throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public void onAcceptReplaceSm(ReplaceSm message, SMPPServerSession source) throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public void onAcceptCancelSm(CancelSm message, SMPPServerSession source) throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public BroadcastSmResult onAcceptBroadcastSm(BroadcastSm message, SMPPServerSession source)
                throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public void onAcceptCancelBroadcastSm(CancelBroadcastSm message, SMPPServerSession source)
                throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public QueryBroadcastSmResult onAcceptQueryBroadcastSm(QueryBroadcastSm query, SMPPServerSession source)
                throws ProcessRequestException {
            throw unknown();
        }

        @Override
        public DataSmResult onAcceptDataSm(DataSm message, Session source) throws ProcessRequestException {
            throw unknown();
        }

        private static ProcessRequestException unknown() {
            return new ProcessRequestException("only submit_sm is known here", SMPPConstant.STAT_ESME_RINVCMDID);
        }
    }

    /** Listens on loopback and nowhere else. */
    private static final class Loopback implements ServerConnectionFactory {
        @Override
        public ServerConnection listen(int port) throws IOException {
            ServerSocket socket = new ServerSocket(port, 50, InetAddress.getByName("127.0.0.1"));
            return new ServerConnection() {
                @Override
                public Connection accept() throws IOException {
                    Socket accepted = socket.accept();
                    return new SocketConnection(accepted);
                }

                @Override
                public int getSoTimeout() throws IOException {
                    return socket.getSoTimeout();
                }

                @Override
                public void setSoTimeout(int timeout) throws IOException {
                    socket.setSoTimeout(timeout);
                }

                @Override
                public void close() throws IOException {
                    socket.close();
                }
            };
        }

        @Override
        public ServerConnection listen(int port, int timeout) throws IOException {
            return listen(port);
        }

        @Override
        public ServerConnection listen(int port, int timeout, int backlog) throws IOException {
            return listen(port);
        }
    }

    @Override
    public void close() {
        try {
            listener.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            http.stop(0);
            sessions.shutdownNow();
        }
    }
}
