package org.jalousie.server.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.junit.jupiter.api.Test;

class StateRowTest {
    private static final UUID AGREEMENT = UUID.randomUUID();

    @Test
    void twoDocumentsThatAreAlikeHaveOneState() {
        Sha256 leaflet = Sha256.of(new byte[] {1});
        Sha256 other = Sha256.of(new byte[] {2});
        assertThat(StateRow.of(AGREEMENT, sealed(leaflet, other, leaflet)))
                .extracting(StateRow::getId)
                .containsExactly(
                        new StateRow.Key(leaflet.hex(), AGREEMENT, 7), new StateRow.Key(other.hex(), AGREEMENT, 7));
    }

    private static Entry sealed(Sha256... files) {
        List<Revision> revisions = IntStream.range(0, files.length)
                .mapToObj(at -> new Revision(new DocumentId("document_" + at), files[at]))
                .toList();
        return new Entry(7, Instant.EPOCH, new Actor.Program(), new Event.OfficeSealed(revisions, CertificateId.NONE));
    }
}
