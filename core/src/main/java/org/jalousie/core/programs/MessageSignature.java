package org.jalousie.core.programs;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.greenbytes.http.sfv.ByteSequenceItem;
import org.greenbytes.http.sfv.Dictionary;
import org.greenbytes.http.sfv.InnerList;
import org.greenbytes.http.sfv.IntegerItem;
import org.greenbytes.http.sfv.Item;
import org.greenbytes.http.sfv.ListElement;
import org.greenbytes.http.sfv.Parameters;
import org.greenbytes.http.sfv.Parser;
import org.greenbytes.http.sfv.StringItem;

/**
 * One signature of an HTTP message by a shared secret: HTTP Message Signatures (RFC 9421) with the algorithm
 * {@code hmac-sha256} (§3.3.3).
 *
 * @param label by which several of one message are told apart
 * @param components what it covers
 * @param created when it was made; empty when it doesn't say
 * @param expires until when it holds; empty when it doesn't say
 * @param parameters as they stand in the base (§2.3)
 */
public record MessageSignature(
        String label,
        List<String> components,
        Optional<Instant> created,
        Optional<Instant> expires,
        String keyId,
        String nonce,
        String parameters,
        byte[] signature) {
    private static final String ALGORITHM = "hmac-sha256";
    /** A label begins with a letter, a key's id maybe with a digit. */
    private static final String LABEL = "key-";

    private static final int MOST_TEXT = 8_000;

    /** The two header fields of a message that is signed (§4). */
    public record Fields(String input, String signature) {}

    /** What can't be read as a signature. */
    public static final class Unreadable extends Exception {
        Unreadable(String why) {
            super(why);
        }
    }

    /**
     * Signs a message with each of some secrets.
     *
     * @param components what the signatures cover; all have to be there
     * @param secrets by their keys' ids, in letters and digits that a label can have (RFC 9651 §3.1.2)
     */
    public static Fields sign(
            SignedMessage message,
            List<String> components,
            Instant created,
            Optional<String> nonce,
            Map<String, byte[]> secrets) {
        List<String> inputs = new ArrayList<>();
        List<String> signatures = new ArrayList<>();
        secrets.forEach((keyId, secret) -> {
            Map<String, Object> parameters = new LinkedHashMap<>();
            parameters.put("created", created.getEpochSecond());
            parameters.put("keyid", keyId);
            parameters.put("alg", ALGORITHM);
            nonce.ifPresent(one -> parameters.put("nonce", one));
            List<Item<?>> covered = new ArrayList<>();
            components.forEach(one -> covered.add(StringItem.valueOf(one)));
            String said = InnerList.valueOf(covered)
                    .withParams(Parameters.valueOf(parameters))
                    .serialize();
            String base = base(message, components, said)
                    .orElseThrow(() -> new IllegalArgumentException("a message without what its signature covers"));
            inputs.add(LABEL + keyId + "=" + said);
            signatures.add(LABEL + keyId + "="
                    + ByteSequenceItem.valueOf(hmac(secret, base)).serialize());
        });
        return new Fields(String.join(", ", inputs), String.join(", ", signatures));
    }

    /**
     * The signatures that a message carries.
     *
     * @param input its field {@code Signature-Input}
     * @param signature its field {@code Signature}
     */
    public static List<MessageSignature> read(String input, String signature) throws Unreadable {
        if (input.length() > MOST_TEXT || signature.length() > MOST_TEXT) throw new Unreadable("too long");
        Map<String, ListElement<?>> inputs = dictionary(input);
        Map<String, ListElement<?>> signatures = dictionary(signature);
        List<MessageSignature> all = new ArrayList<>();
        for (Map.Entry<String, ListElement<?>> one : inputs.entrySet()) {
            if (!(signatures.get(one.getKey()) instanceof ByteSequenceItem bytes))
                throw new Unreadable("no signature " + one.getKey());
            if (!(one.getValue() instanceof InnerList covered)) throw new Unreadable("no list " + one.getKey());
            all.add(read(one.getKey(), covered, bytes));
        }
        return all;
    }

    private static Map<String, ListElement<?>> dictionary(String text) throws Unreadable {
        try {
            Dictionary dictionary = new Parser(text).parseDictionary();
            return dictionary.get();
        } catch (IllegalArgumentException e) {
            throw new Unreadable("no dictionary as RFC 9651 has them");
        }
    }

    private static MessageSignature read(String label, InnerList covered, ByteSequenceItem bytes) throws Unreadable {
        List<String> components = new ArrayList<>();
        for (Item<?> one : covered.get()) {
            if (!(one instanceof StringItem name)) throw new Unreadable("a component that is no text");
            // components with parameters mean other bytes than those that are compared here
            if (!name.getParams().isEmpty()) throw new Unreadable("parameters of " + name.get());
            if (components.contains(name.get())) throw new Unreadable("twice " + name.get());
            components.add(name.get());
        }
        Parameters parameters = covered.getParams();
        String algorithm = text(parameters, "alg");
        if (!algorithm.isEmpty() && !algorithm.equals(ALGORITHM)) throw new Unreadable("another algorithm");
        ByteBuffer buffer = bytes.get();
        byte[] signature = new byte[buffer.remaining()];
        buffer.get(signature);
        return new MessageSignature(
                label,
                components,
                moment(parameters, "created"),
                moment(parameters, "expires"),
                text(parameters, "keyid"),
                text(parameters, "nonce"),
                covered.serialize(),
                signature);
    }

    private static String text(Parameters parameters, String name) throws Unreadable {
        Object value = parameters.get(name);
        if (value == null) return "";
        if (value instanceof StringItem text) return text.get();
        throw new Unreadable(name);
    }

    private static Optional<Instant> moment(Parameters parameters, String name) throws Unreadable {
        Object value = parameters.get(name);
        if (value == null) return Optional.empty();
        if (value instanceof IntegerItem seconds) return Optional.of(Instant.ofEpochSecond(seconds.getAsLong()));
        throw new Unreadable(name);
    }

    /** Whether it was made of this message with a secret. */
    public boolean holds(SignedMessage message, byte[] secret) {
        return base(message, components, parameters)
                .filter(base -> MessageDigest.isEqual(hmac(secret, base), signature))
                .isPresent();
    }

    /** §2.5 */
    private static Optional<String> base(SignedMessage message, List<String> components, String parameters) {
        StringBuilder base = new StringBuilder();
        for (String name : components) {
            Optional<String> value = message.component(name);
            // a line end in a value would stand for another component
            if (value.isEmpty() || value.get().indexOf('\n') >= 0) return Optional.empty();
            base.append('"').append(name).append("\": ").append(value.get()).append('\n');
        }
        return Optional.of(base + "\"@signature-params\": " + parameters);
    }

    private static byte[] hmac(byte[] secret, String base) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret, "HmacSHA256"));
            return mac.doFinal(base.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has HmacSHA256", e);
        }
    }
}
