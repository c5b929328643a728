package org.jalousie.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimedCodeTest {
    /** The ASCII letters 12345678901234567890 in Base32, the secret of RFC 6238's table. */
    private static final String SECRET = "GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ";

    /** RFC 6238, appendix B, SHA-1: the last six of its eight digits, which § 5.3 of RFC 4226 makes of the same number. */
    @ParameterizedTest
    @CsvSource({
        "59, 94287082",
        "1111111109, 07081804",
        "1111111111, 14050471",
        "1234567890, 89005924",
        "2000000000, 69279037",
        "20000000000, 65353130"
    })
    void codesAreThoseOfTheStandard(long second, String eight) {
        String code = eight.substring(2);
        Instant when = Instant.ofEpochSecond(second);
        assertThat(TimedCode.of(SECRET, when)).isEqualTo(code);
        assertThat(TimedCode.step(SECRET, code, when, 0)).hasValue(second / 30);
    }

    @Test
    void aCodeHoldsOnceAndAStepEitherWay() {
        Instant now = Instant.ofEpochSecond(1_111_111_111);
        long step = now.getEpochSecond() / 30;
        String code = TimedCode.of(SECRET, now);
        assertThat(TimedCode.step(SECRET, code, now, step)).isEmpty();
        assertThat(TimedCode.step(SECRET, code, now.plusSeconds(30), 0)).hasValue(step);
        assertThat(TimedCode.step(SECRET, code, now.minusSeconds(30), 0)).hasValue(step);
        assertThat(TimedCode.step(SECRET, code, now.plusSeconds(60), 0)).isEmpty();
        assertThat(TimedCode.step(SECRET, code, now.minusSeconds(60), 0)).isEmpty();
        assertThat(TimedCode.step(SECRET, code.substring(0, 3) + " " + code.substring(3), now, 0))
                .hasValue(step);
    }

    @Test
    void whatIsNoCodeIsNone() {
        Instant now = Instant.ofEpochSecond(59);
        for (String typed : new String[] {"", "28708", "2870820", "28708a", "٢٨٧٠٨٢", "287082 1"})
            assertThat(TimedCode.step(SECRET, typed, now, 0)).as(typed).isEmpty();
    }

    @Test
    void aSecretIsLongEnoughAndAnother() {
        String one = TimedCode.secret(new SecureRandom());
        assertThat(one).matches("[A-Z2-7]{32}").isNotEqualTo(TimedCode.secret(new SecureRandom()));
        assertThat(TimedCode.of(one, Instant.EPOCH)).matches("\\d{6}");
    }

    @Test
    void theAddressSaysWhoseItIs() {
        assertThat(TimedCode.address("ABC", "Museum of Strings & Bows", "nora+one@example.org"))
                .isEqualTo(
                        "otpauth://totp/Museum%20of%20Strings%20%26%20Bows:nora%2Bone%40example.org?secret=ABC&issuer=Museum%20of%20Strings%20%26%20Bows");
    }

    @Test
    void thePictureIsReadByAReader() throws Exception {
        String address = TimedCode.address(SECRET, "Museum of Bowed Strings", "nora.quill@museum.example.org");
        TimedCode.Picture picture = TimedCode.Picture.of(address);
        int scale = 4;
        int side = picture.width() * scale;
        int[] pixels = new int[side * side];
        Arrays.fill(pixels, 0xFFFFFF);
        Matcher module = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z").matcher(picture.path());
        while (module.find())
            for (int y = 0; y < scale; y++)
                for (int x = 0; x < scale; x++)
                    pixels[
                            (Integer.parseInt(module.group(2)) * scale + y) * side
                                    + Integer.parseInt(module.group(1)) * scale
                                    + x] = 0;
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(side, side, pixels))))
                        .getText())
                .isEqualTo(address);
    }
}
