package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class CoverageTest {
    private static final TestTrust TRUST = new TestTrust();
    private static SignedSample.Story story;

    @BeforeAll
    static void tell() {
        story = SignedSample.story(TRUST, "A-2026-0001", "Ida Marsh", "Tomas Vale");
    }

    @Test
    void eachSignatureCoversTheFileAsItWasThen() {
        byte[] file = story.finished();
        List<Coverage> all = Coverage.of(file);
        assertThat(all)
                .extracting(Coverage::field)
                .startsWith("office_seal", "lender_signature", "museum_signature")
                .hasSize(4);
        assertThat(all.get(3).timeStamp()).isTrue();
        assertThat(all.get(3).whole()).isTrue();
        assertThat(all.subList(0, 3)).noneMatch(Coverage::whole).noneMatch(Coverage::timeStamp);
        for (int i = 0; i < 3; i++) {
            // what proves it for later, certificates and lists, comes right behind a signature
            byte[] then = story.states().get(i + 1);
            assertThat(all.get(i).end()).isBetween(story.states().get(i).length, then.length);
            assertThat(Arrays.equals(
                            file, 0, all.get(i).end(), then, 0, all.get(i).end()))
                    .isTrue();
        }
        assertThat(all).allMatch(one -> one.changes().isEmpty());
    }

    @Test
    void theCertificateTellsWhoIssuedItAndForHowLong() {
        Coverage.Holder holder =
                Coverage.of(story.finished()).get(1).certificate().orElseThrow();
        assertThat(holder.subject()).contains("CN=Ida Marsh").contains("E=ida@lender.example.org");
        assertThat(holder.issuer()).isNotEqualTo(holder.subject());
        assertThat(holder.from()).isBefore(holder.until());
        assertThat(holder.serial()).matches("[0-9a-f]+");
    }

    @Test
    void whatWasChangedStandsAtTheSignatureAfterWhichItCameWithItsPage() {
        Map<String, byte[]> kinds =
                Tampering.of(story.finished(), "lender_vat_number", "lender_signature", "museum_signature");
        List<Coverage.Change> pages = kinds.entrySet().stream()
                .filter(kind -> kind.getKey().contains("page"))
                .flatMap(kind -> Coverage.of(kind.getValue()).stream())
                .flatMap(one -> one.changes().stream())
                .toList();
        assertThat(pages).anyMatch(change -> change.page() == 1).anyMatch(change -> change.page() > 1);
        assertThat(Coverage.of(kinds.values().iterator().next()).stream()
                        .filter(one -> !one.changes().isEmpty()))
                .isNotEmpty();
    }

    @Test
    void whatIsNoSignedFileHasNone() {
        assertThat(Coverage.of("no PDF".getBytes(StandardCharsets.UTF_8))).isEmpty();
        assertThat(Coverage.of(new byte[0])).isEmpty();
        assertThat(Coverage.of(SignedSample.placed())).isEmpty();
        assertThat(Coverage.of(Arrays.copyOf(story.finished(), 5000))).isEmpty();
    }
}
