package org.jalousie.server.archive.stamps;

import java.util.List;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.HashTree;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Has many things stamped at once, outside of any transaction: the service may take its time. */
@Component
class Stamping {
    private static final Logger LOG = LoggerFactory.getLogger(Stamping.class);

    private final StampStore store;
    private final TrustService trust;

    Stamping(StampStore store, TrustService trust) {
        this.store = store;
        this.trust = trust;
    }

    /** The service has stamped, with a certificate that isn't trusted. */
    static final class Untrusted extends Told {
        Untrusted() {
            super(Message.of("stamps.untrusted"));
        }
    }

    /** The lists that go with each token, so that it can be checked when they aren't published any more. */
    List<byte[]> lists() {
        return trust.revocationLists();
    }

    /** Whether a stamp is what it was when it was put on. */
    boolean holds(StampStore.InForce one) {
        return TimeStampToken.read(one.token(), one.algorithm(), one.imprint(), trust.anchors())
                .isPresent();
    }

    /**
     * Asks for a stamp.
     *
     * @param last the last stamp that there was when the leaves were put together
     * @throws Untrusted when it can't be relied on
     */
    Stamped.Made ask(long last, HashAlgorithm algorithm, List<Stamped.Leaf> leaves) {
        byte[] root =
                new HashTree(algorithm, leaves.stream().map(Stamped.Leaf::hash).toList()).root();
        byte[] token = TimeStampToken.withLists(trust.timeStamp(algorithm, root), lists());
        TimeStampToken read =
                TimeStampToken.read(token, algorithm, root, trust.anchors()).orElseThrow(Untrusted::new);
        return new Stamped.Made(last + 1, algorithm, root, token, read.at(), read.by(), read.until(), leaves);
    }

    /** Keeps a stamp. @return false when another was made since its leaves were put together, so that it is worth nothing */
    boolean keep(Stamped.Made made) {
        if (!store.keep(made)) return false;
        LOG.info(
                "archive time stamp {} over {} things holds until {}",
                made.number(),
                made.leaves().size(),
                made.until());
        return true;
    }
}
