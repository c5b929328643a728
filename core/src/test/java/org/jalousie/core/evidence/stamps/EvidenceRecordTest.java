package org.jalousie.core.evidence.stamps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoVerifierBuilder;
import org.bouncycastle.operator.jcajce.JcaDigestCalculatorProviderBuilder;
import org.bouncycastle.tsp.ers.ERSByteData;
import org.bouncycastle.tsp.ers.ERSEvidenceRecord;
import org.jalousie.core.evidence.EvidenceRecordCheck;
import org.jalousie.core.evidence.MovedClock;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Evidence records through years: checked by the reference implementation of ETSI EN 319 102-1 that the product uses to
 * check, and by Bouncy Castle's own reader of RFC 4998, which shares no code with what makes them.
 */
class EvidenceRecordTest {
    private final MovedClock clock = new MovedClock();
    private final TestTrust trust = new TestTrust(clock);

    private static byte[] file(int number) {
        return ("file " + number).getBytes(StandardCharsets.UTF_8);
    }

    /** A time stamp over all hashes; what each has of it. */
    private List<ArchiveStamp> stamp(HashAlgorithm algorithm, List<byte[]> leaves) {
        HashTree tree = new HashTree(algorithm, leaves);
        byte[] token = TimeStampToken.withLists(trust.timeStamp(algorithm, tree.root()), trust.revocationLists());
        assertThat(TimeStampToken.read(token, algorithm, tree.root(), trust.anchors()))
                .isPresent();
        List<ArchiveStamp> stamps = new ArrayList<>();
        for (int i = 0; i < leaves.size(); i++) stamps.add(new ArchiveStamp(algorithm, tree.reduced(i), token));
        return stamps;
    }

    /** A record of a file that is stamped with two others. */
    private EvidenceRecord first(byte[] file) {
        HashAlgorithm algorithm = HashAlgorithm.SHA_256;
        List<byte[]> leaves = List.of(
                EvidenceRecord.leaf(algorithm, file(1)),
                EvidenceRecord.leaf(algorithm, file(2)),
                EvidenceRecord.leaf(algorithm, file));
        return new EvidenceRecord(List.of(List.of(stamp(algorithm, leaves).get(2))));
    }

    /** With another time stamp over the last one and over some other. */
    private EvidenceRecord renewed(EvidenceRecord before) {
        ArchiveStamp last = before.newest();
        byte[] token = TimeStampToken.withLists(last.token(), trust.revocationLists());
        List<byte[]> leaves = List.of(
                EvidenceRecord.renewing(last.algorithm(), token), EvidenceRecord.renewing(last.algorithm(), file(9)));
        List<List<ArchiveStamp>> chains = new ArrayList<>(before.chains());
        List<ArchiveStamp> chain = new ArrayList<>(chains.remove(chains.size() - 1));
        chain.set(chain.size() - 1, new ArchiveStamp(last.algorithm(), last.path(), token));
        chain.add(stamp(last.algorithm(), leaves).get(0));
        chains.add(chain);
        return new EvidenceRecord(chains);
    }

    private EvidenceRecord rehashed(EvidenceRecord before, byte[] file, HashAlgorithm algorithm) {
        List<byte[]> leaves = List.of(algorithm.hash(file(9)), before.rehashing(algorithm, file));
        List<List<ArchiveStamp>> chains = new ArrayList<>(before.chains());
        chains.add(List.of(stamp(algorithm, leaves).get(1)));
        return new EvidenceRecord(chains);
    }

    private Optional<Instant> provenSince(byte[] file, EvidenceRecord record) {
        Optional<Instant> since = new EvidenceRecordCheck(trust, clock).provenSince(file, record.file());
        assertThat(holdsForTheOther(file, record)).as("Bouncy Castle").isEqualTo(since.isPresent());
        return since;
    }

    private boolean holdsForTheOther(byte[] file, EvidenceRecord record) {
        try {
            ERSEvidenceRecord read =
                    new ERSEvidenceRecord(record.file(), new JcaDigestCalculatorProviderBuilder().build());
            read.validatePresent(new ERSByteData(file), Date.from(clock.instant()));
            // it wants the last stamp of a chain to cover all before, and RFC 4998 §5.2 the one before
            if (record.chains().stream().allMatch(chain -> chain.size() < 3))
                read.validate(new JcaSimpleSignerInfoVerifierBuilder().build(read.getSigningCertificate()));
            return true;
        } catch (Exception e) {
            return false;
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 7, 8, 33})
    void eachOfSoManyFilesIsProven(int count) {
        HashAlgorithm algorithm = HashAlgorithm.SHA_384;
        List<byte[]> leaves = new ArrayList<>();
        for (int i = 0; i < count; i++) leaves.add(EvidenceRecord.leaf(algorithm, file(i)));
        List<ArchiveStamp> stamps = stamp(algorithm, leaves);
        for (int i = 0; i < count; i++) {
            EvidenceRecord record = new EvidenceRecord(List.of(List.of(stamps.get(i))));
            assertThat(provenSince(file(i), record)).isPresent();
            assertThat(new EvidenceRecordCheck(trust, clock).provenSince(file(count), record.file()))
                    .isEmpty();
        }
    }

    @Test
    void aSignedFileOutlivesItsCertificatesWhenItsStampsAreRenewed() {
        byte[] pdf = SignedSample.finished(trust);
        Instant stamped = clock.instant();
        EvidenceRecord once = first(pdf);
        Verifier verifier = new Verifier(trust, clock);
        Verification young = verifier.verify(pdf, Optional.of(once.file()));
        assertThat(young.intact()).isTrue();
        assertThat(young.notes().toString())
                .containsPattern("proves that it was as it is on \\d{4}-\\d{2}-\\d{2} \\d{2}:\\d{2} UTC");
        assertThat(verifier.verify(pdf, Optional.of(first(file(3)).file())).findings())
                .as("a good file with a record that isn't its own")
                .extracting(one -> one.code())
                .containsExactly("stamps.holds-not");
        clock.years(4);
        EvidenceRecord twice = renewed(once);
        assertThat(verifier.verify(pdf).intact())
                .as("its own stamp is good yet")
                .isTrue();

        clock.years(3);
        assertThat(verifier.verify(pdf).intact()).isFalse();
        assertThat(verifier.verify(pdf, Optional.of(once.file())).intact()).isFalse();
        Verification proven = verifier.verify(pdf, Optional.of(twice.file()));
        assertThat(proven.intact()).as(proven.findings().toString()).isTrue();
        assertThat(provenSince(pdf, twice))
                .hasValueSatisfying(since -> assertThat(since).isBetween(stamped.minusSeconds(1), stamped));
        assertThat(verifier.verify(pdf, Optional.of(renewed(first(file(3))).file()))
                        .intact())
                .as("a record of another file")
                .isFalse();
        assertThat(verifier.verify(pdf, Optional.of("no record".getBytes())).findings())
                .as("the fault is the certificate's")
                .noneMatch(one -> one.code().equals("evidence.unreadable"));

        clock.years(1);
        EvidenceRecord thrice = renewed(twice);
        EvidenceRecord stronger = rehashed(thrice, pdf, HashAlgorithm.SHA_512);
        assertThat(provenSince(pdf, thrice)).isPresent();
        assertThat(provenSince(pdf, stronger)).isPresent();
        // of the second nothing is good any more by then, but what covers it
        clock.forward(Duration.ofDays(500));
        assertThat(new EvidenceRecordCheck(trust, clock).provenSince(pdf, twice.file()))
                .isEmpty();
        EvidenceRecord longest = renewed(stronger);
        assertThat(provenSince(pdf, longest)).isPresent();
        assertThat(verifier.verify(pdf, Optional.of(longest.file())).intact()).isTrue();
    }

    @Test
    void anotherHashAloneCarriesAFileOverTheEndOfItsStamp() {
        byte[] pdf = SignedSample.finished(trust);
        EvidenceRecord once = first(pdf);
        clock.years(4);
        EvidenceRecord stronger = rehashed(once, pdf, HashAlgorithm.SHA_512);
        clock.years(3);
        assertThat(provenSince(pdf, stronger)).isPresent();
        assertThat(new Verifier(trust, clock)
                        .verify(pdf, Optional.of(stronger.file()))
                        .intact())
                .isTrue();
        EvidenceRecord strongest = rehashed(stronger, pdf, HashAlgorithm.SHA_384);
        assertThat(provenSince(pdf, strongest)).isPresent();
        assertThat(provenSince(file(1), strongest)).isEmpty();
    }

    @Test
    void aRecordThatWasPutTogetherWrongProvesNothing() {
        byte[] file = file(7);
        EvidenceRecord right = rehashed(renewed(first(file)), file, HashAlgorithm.SHA_512);
        assertThat(provenSince(file, right)).isPresent();
        List<ArchiveStamp> chain = right.chains().get(0);
        // another file's way to the root
        EvidenceRecord others = first(file(8));
        assertThat(provenSince(file, others)).isEmpty();
        // a stamp taken out of the middle, and the last one only
        assertThat(provenSince(
                        file,
                        new EvidenceRecord(
                                List.of(List.of(chain.get(0)), right.chains().get(1)))))
                .isEmpty();
        assertThat(provenSince(file, new EvidenceRecord(List.of(right.chains().get(1)))))
                .isEmpty();
        // a renewal of somebody else's stamp
        EvidenceRecord foreign = renewed(others);
        assertThat(provenSince(
                        file,
                        new EvidenceRecord(List.of(
                                List.of(chain.get(0), foreign.chains().get(0).get(1))))))
                .isEmpty();
        EvidenceRecordCheck check = new EvidenceRecordCheck(trust, clock);
        byte[] der = right.file();
        assertThat(check.provenSince(file, Arrays.copyOf(der, der.length - 1))).isEmpty();
        assertThat(check.provenSince(file, new byte[0])).isEmpty();
        assertThat(new EvidenceRecordCheck(new TestTrust(clock), clock).provenSince(file, der))
                .as("by nobody who is trusted")
                .isEmpty();
    }

    @Test
    void thereIsNoRecordWithoutAStamp() {
        assertThatThrownBy(() -> new EvidenceRecord(List.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new EvidenceRecord(List.of(List.of()))).isInstanceOf(IllegalArgumentException.class);
        for (String nothing : List.of("", "no DER", "0"))
            assertThatThrownBy(() -> new EvidenceRecord(List.of(
                                    List.of(new ArchiveStamp(HashAlgorithm.SHA_256, new byte[0], nothing.getBytes()))))
                            .file())
                    .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new HashTree(HashAlgorithm.SHA_256, List.of()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void listsThatAreInATokenAlreadyAreNotPutInAgain() {
        byte[] token = trust.timeStamp(HashAlgorithm.SHA_256.hash(file(1)));
        List<byte[]> lists = trust.revocationLists();
        byte[] once = TimeStampToken.withLists(token, lists);
        assertThat(once.length).isGreaterThan(token.length);
        assertThat(TimeStampToken.withLists(once, lists)).isEqualTo(once);
        assertThatThrownBy(() -> TimeStampToken.withLists(token, List.of(new byte[] {1, 2})))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
