package org.jalousie.server.adapters;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import javax.net.SocketFactory;
import javax.net.ssl.SSLSocketFactory;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.jsmpp.InvalidResponseException;
import org.jsmpp.PDUException;
import org.jsmpp.bean.Alphabet;
import org.jsmpp.bean.BindType;
import org.jsmpp.bean.ESMClass;
import org.jsmpp.bean.GeneralDataCoding;
import org.jsmpp.bean.NumberingPlanIndicator;
import org.jsmpp.bean.OptionalParameter;
import org.jsmpp.bean.RegisteredDelivery;
import org.jsmpp.bean.TypeOfNumber;
import org.jsmpp.extra.NegativeResponseException;
import org.jsmpp.extra.ResponseTimeoutException;
import org.jsmpp.session.BindParameter;
import org.jsmpp.session.SMPPSession;
import org.jsmpp.session.connection.Connection;
import org.jsmpp.session.connection.socket.SocketConnection;
import org.springframework.stereotype.Component;

/** Sends text messages by SMPP 3.4 (Short Message Peer-to-Peer Protocol Specification v3.4, SMPP Developers Forum, 1999). */
@Component
public class TextMessages {
    private static final int CONNECT_MILLISECONDS = 5_000;
    private static final int ANSWER_MILLISECONDS = 10_000;
    /** What a message holds in two octets a letter; longer ones are sent as a payload (§5.3.2.32). */
    private static final int SHORT_OCTETS = 140;
    /** ESME_RTHROTTLED, ESME_RMSGQFUL and ESME_RSYSERR (§5.1.3): it may come right later. */
    private static final int THROTTLED = 0x58;

    private static final int QUEUE_FULL = 0x14;
    private static final int SYSTEM_ERROR = 0x08;

    private final Settings settings;

    TextMessages(Settings settings) {
        this.settings = settings;
    }

    /**
     * @param number in the international form
     * @return what the carrier calls the message
     * @throws ServiceAway when the service can't be reached or asks to come later
     * @throws IllegalStateException with a plain reason when it won't take this message
     */
    public String send(String number, String text) {
        Settings.Texts service = settings.texts();
        if (service.host().isBlank())
            throw new IllegalStateException(Message.of("text.no-service").toString());
        SMPPSession session = new SMPPSession(this::connect);
        try {
            session.setTransactionTimer(ANSWER_MILLISECONDS);
            session.connectAndBind(
                    service.host(),
                    service.port(),
                    new BindParameter(
                            BindType.BIND_TX,
                            service.system(),
                            service.password(),
                            "",
                            TypeOfNumber.UNKNOWN,
                            NumberingPlanIndicator.UNKNOWN,
                            null),
                    ANSWER_MILLISECONDS);
            return submit(session, number, text);
        } catch (NegativeResponseException e) {
            int status = e.getCommandStatus();
            if (status == THROTTLED || status == QUEUE_FULL || status == SYSTEM_ERROR) throw away(e);
            throw new IllegalStateException(Message.of("text.refused", "status", Integer.toHexString(status))
                    .toString());
        } catch (IOException | ResponseTimeoutException e) {
            throw away(e);
        } catch (PDUException | InvalidResponseException e) {
            throw new IllegalStateException(
                    Message.of("text.refused", "status", e.getMessage()).toString());
        } finally {
            session.unbindAndClose();
        }
    }

    private String submit(SMPPSession session, String number, String text)
            throws PDUException, ResponseTimeoutException, InvalidResponseException, NegativeResponseException,
                    IOException {
        byte[] octets = text.getBytes(StandardCharsets.UTF_16BE);
        boolean brief = octets.length <= SHORT_OCTETS;
        String sender = settings.texts().sender();
        boolean digits = sender.matches("\\+?[0-9]+");
        return session.submitShortMessage(
                        "",
                        digits ? TypeOfNumber.INTERNATIONAL : TypeOfNumber.ALPHANUMERIC,
                        digits ? NumberingPlanIndicator.ISDN : NumberingPlanIndicator.UNKNOWN,
                        digits ? sender.replace("+", "") : sender,
                        TypeOfNumber.INTERNATIONAL,
                        NumberingPlanIndicator.ISDN,
                        number.replace("+", ""),
                        new ESMClass(),
                        (byte) 0,
                        (byte) 1,
                        null,
                        null,
                        new RegisteredDelivery(0),
                        (byte) 0,
                        new GeneralDataCoding(Alphabet.ALPHA_UCS2),
                        (byte) 0,
                        brief ? octets : new byte[0],
                        brief
                                ? new OptionalParameter[0]
                                : new OptionalParameter[] {new OptionalParameter.Message_payload(octets)})
                .getMessageId();
    }

    private Connection connect(String host, int port) throws IOException {
        Socket socket =
                (settings.texts().tls() ? SSLSocketFactory.getDefault() : SocketFactory.getDefault()).createSocket();
        try {
            socket.connect(new InetSocketAddress(host, port), CONNECT_MILLISECONDS);
            return new SocketConnection(socket);
        } catch (IOException e) {
            socket.close();
            throw e;
        }
    }

    private static ServiceAway away(Exception cause) {
        return new ServiceAway(ServiceAway.Service.TEXT, Message.of("text.not-taken"), cause);
    }
}
