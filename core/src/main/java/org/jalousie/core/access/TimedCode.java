package org.jalousie.core.access;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.Map;
import java.util.OptionalLong;
import javax.crypto.spec.SecretKeySpec;

/** Codes that a person's device works out from a secret and the time: six digits, new every 30 seconds (RFC 6238, with HMAC-SHA-1). */
public final class TimedCode {
    /** Seconds that a code is of (RFC 6238 § 5.2). */
    private static final int STEP = 30;

    /** A device's clock may be a step off, either way (RFC 6238 § 6). */
    private static final int DRIFT = 1;

    /** Bytes, as long as the hash's output (RFC 4226 § 4, R6). */
    private static final int SECRET = 20;

    private static final String LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

    private TimedCode() {}

    /** A new secret, in the letters of Base32 (RFC 4648 § 6). */
    public static String secret(SecureRandom random) {
        StringBuilder secret = new StringBuilder();
        for (int i = 0; i < SECRET * 8 / 5; i++) secret.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        return secret.toString();
    }

    /**
     * The step that a code is of, where it holds.
     *
     * @param typed as somebody typed it; spaces don't count
     * @param after the last step whose code was taken: it and those before hold no more (RFC 6238 § 5.2)
     */
    public static OptionalLong step(String secret, String typed, Instant now, long after) {
        String code = typed.replaceAll("\\s", "");
        if (!code.matches("[0-9]{6}")) return OptionalLong.empty();
        long current = Math.floorDiv(now.getEpochSecond(), STEP);
        for (long step = current - DRIFT; step <= current + DRIFT; step++)
            if (step > after && of(secret, Instant.ofEpochSecond(step * STEP)).equals(code))
                return OptionalLong.of(step);
        return OptionalLong.empty();
    }

    /** The code of a moment. */
    public static String of(String secret, Instant when) {
        try {
            return new TimeBasedOneTimePasswordGenerator()
                    .generateOneTimePasswordString(new SecretKeySpec(bytes(secret), "RAW"), when);
        } catch (InvalidKeyException e) {
            throw new IllegalArgumentException("no secret", e);
        }
    }

    private static byte[] bytes(String secret) {
        byte[] bytes = new byte[secret.length() * 5 / 8];
        for (int bit = 0; bit < bytes.length * 8; bit++) {
            int letter = LETTERS.indexOf(secret.charAt(bit / 5));
            if (letter < 0) throw new IllegalArgumentException("no letter of Base32");
            if ((letter >> (4 - bit % 5) & 1) == 1) bytes[bit / 8] |= (byte) (0x80 >> bit % 8);
        }
        return bytes;
    }

    /** What a device takes a secret in by: the address that its QR code holds (scheme {@code otpauth} in IANA's list). */
    public static String address(String secret, String office, String mail) {
        return "otpauth://totp/" + encoded(office) + ":" + encoded(mail) + "?secret=" + secret + "&issuer="
                + encoded(office);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /** A QR code (ISO/IEC 18004) as the path of an SVG, one unit for each module, with the quiet zone of four. @return its width */
    public record Picture(int width, String path) {
        /** @throws IllegalArgumentException for a text that none can hold */
        public static Picture of(String text) {
            try {
                BitMatrix modules =
                        new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 4));
                StringBuilder path = new StringBuilder();
                for (int y = 0; y < modules.getHeight(); y++)
                    for (int x = 0; x < modules.getWidth(); x++)
                        if (modules.get(x, y)) path.append("M%d %dh1v1h-1z".formatted(x, y));
                return new Picture(modules.getWidth(), path.toString());
            } catch (WriterException e) {
                throw new IllegalArgumentException(e);
            }
        }
    }
}
