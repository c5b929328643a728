package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.junit.jupiter.api.Test;

class ErrandTest {
    private static final byte[] SECRET = "a secret of this form".getBytes(StandardCharsets.US_ASCII);
    private static final UUID KEY = UUID.fromString("7b0c9d0e-46de-4f10-9d83-0f0b5a1e7a11");
    private static final Instant OPENED = Instant.parse("2027-03-01T09:00:00Z");
    private static final String WRITTEN = new Errand(KEY, OPENED).written(SECRET);
    private static final String FOUND = Errand.done(WRITTEN);

    private static Optional<Errand.Fault> after(Duration time) {
        return Errand.fault(WRITTEN, FOUND, KEY, SECRET, OPENED.plus(time));
    }

    @Test
    void whoeverTookTheirTimeAndDidTheWorkIsLetIn() {
        assertThat(after(Duration.ofSeconds(3))).isEmpty();
        assertThat(after(Duration.ofHours(12))).isEmpty();
    }

    @Test
    void nobodyIsThatFastAndNothingHoldsForever() {
        assertThat(after(Duration.ofSeconds(2))).contains(Errand.Fault.TOO_SOON);
        assertThat(after(Duration.ofHours(12).plusSeconds(1))).contains(Errand.Fault.TOO_OLD);
    }

    @Test
    void theWorkIsGoodForOneFormAndForWhatWasGivenOut() {
        Instant later = OPENED.plusSeconds(60);
        assertThat(Errand.fault(WRITTEN, FOUND, UUID.randomUUID(), SECRET, later))
                .contains(Errand.Fault.NOT_OURS);
        assertThat(Errand.fault(WRITTEN, FOUND, KEY, new byte[] {1}, later)).contains(Errand.Fault.NOT_OURS);
        String earlier = WRITTEN.replace(String.valueOf(OPENED.toEpochMilli()), "1000000000000");
        assertThat(Errand.fault(earlier, FOUND, KEY, SECRET, later)).contains(Errand.Fault.NOT_OURS);
        for (String nonsense : new String[] {"", "x", WRITTEN + "x", "a.b.c"})
            assertThat(Errand.fault(nonsense, FOUND, KEY, SECRET, later)).contains(Errand.Fault.NOT_OURS);
    }

    @Test
    void aNumberThatWasNotLookedForDoesNotFit() {
        for (String found : new String[] {"", "none", FOUND + "0", "9".repeat(21)})
            assertThat(Errand.fault(WRITTEN, found, KEY, SECRET, OPENED.plusSeconds(60)))
                    .contains(Errand.Fault.NOT_DONE);
    }

    // found with Python's hashlib, SHA-256 of FIPS 180-4; the page's test has the same
    @Test
    void thePageFindsTheSameNumber() {
        assertThat(Errand.done("7b0c9d0e-46de-4f10-9d83-0f0b5a1e7a11.1803891600000.x"))
                .isEqualTo("60523");
    }

    // RFC 4231 §4.3, test case 2
    @Test
    void theSealIsHmacSha256() {
        String seal = Errand.seal("what do ya want for nothing?", "Jefe".getBytes(StandardCharsets.US_ASCII));
        assertThat(HexFormat.of().formatHex(java.util.Base64.getUrlDecoder().decode(seal)))
                .isEqualTo("5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843");
    }

    @Test
    void answersInAnAddressHoldOnlyAsTheyWereSealed() {
        Map<FieldName, String> answers = Map.of(new FieldName("lender_name"), "Ida Márquez; \"Marsh\"");
        String sealed = Prefilled.sealed(answers, SECRET);
        assertThat(Prefilled.read(sealed, SECRET)).contains(answers);
        assertThat(sealed).matches("[A-Za-z0-9_.-]+");
        assertThat(Prefilled.read(sealed, new byte[] {1})).isEmpty();
        assertThat(Prefilled.read("e30." + sealed.substring(sealed.indexOf('.') + 1), SECRET))
                .isEmpty();
        assertThat(Prefilled.read("", SECRET)).isEmpty();
        assertThat(Prefilled.read(sealed + "x".repeat(7000), SECRET)).isEmpty();
        // a seal of something else is no seal of answers
        assertThat(Prefilled.read("e30." + Errand.seal("e30", SECRET), SECRET)).isEmpty();
    }
}
