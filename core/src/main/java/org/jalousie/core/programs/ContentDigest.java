package org.jalousie.core.programs;

import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Map;
import org.greenbytes.http.sfv.ByteSequenceItem;
import org.greenbytes.http.sfv.Dictionary;
import org.greenbytes.http.sfv.ListElement;
import org.greenbytes.http.sfv.Parser;

/** What a message's body is, in a header field that a signature can cover: Digest Fields (RFC 9530 §2). */
public final class ContentDigest {
    private static final Map<String, String> ALGORITHMS = Map.of("sha-256", "SHA-256", "sha-512", "SHA-512");

    private ContentDigest() {}

    /** The field {@code Content-Digest} of a body. */
    public static String of(byte[] body) {
        return "sha-256=" + ByteSequenceItem.valueOf(digest("SHA-256", body)).serialize();
    }

    /** Whether a field says what a body is, by one algorithm at least that is known here, and by all of those. */
    public static boolean holds(String field, byte[] body) {
        try {
            Dictionary dictionary = new Parser(field).parseDictionary();
            boolean any = false;
            for (Map.Entry<String, ListElement<?>> one : dictionary.get().entrySet()) {
                String algorithm = ALGORITHMS.get(one.getKey());
                if (algorithm == null) continue;
                if (!(one.getValue() instanceof ByteSequenceItem bytes)) return false;
                if (!bytes.get().equals(ByteBuffer.wrap(digest(algorithm, body)))) return false;
                any = true;
            }
            return any;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static byte[] digest(String algorithm, byte[] body) {
        try {
            return MessageDigest.getInstance(algorithm).digest(body);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has " + algorithm, e);
        }
    }
}
