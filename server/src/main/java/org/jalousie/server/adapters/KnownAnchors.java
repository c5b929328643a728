package org.jalousie.server.adapters;

import java.io.ByteArrayInputStream;
import java.security.cert.CertificateEncodingException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Roots of the office's own trust service, also those that it has replaced since: what was signed under them is proven by
 * them, however long ago.
 */
@Repository
class KnownAnchors {
    private final JdbcClient sql;
    private final TransactionTemplate ownTransaction;
    private final Clock clock;

    KnownAnchors(JdbcClient sql, PlatformTransactionManager transactions, Clock clock) {
        this.sql = sql;
        this.ownTransaction = new TransactionTemplate(transactions);
        // who asks for a list only reads
        this.ownTransaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.clock = clock;
    }

    /** All that were ever seen, the newest first. */
    List<X509Certificate> all() {
        return sql.sql("select certificate from own_anchor order by first_seen desc, sha256")
                .query((row, at) -> certificate(row.getBytes(1)))
                .list();
    }

    /** Keeps those that weren't seen before. */
    void note(List<X509Certificate> anchors) {
        List<X509Certificate> seen = all();
        List<X509Certificate> others =
                anchors.stream().filter(one -> !seen.contains(one)).toList();
        if (!others.isEmpty()) ownTransaction.executeWithoutResult(status -> others.forEach(this::keep));
    }

    private void keep(X509Certificate one) {
        try {
            sql.sql("insert into own_anchor (sha256, certificate, first_seen) values (?, ?, ?) on conflict do nothing")
                    .params(Sha256.of(one.getEncoded()).hex(), one.getEncoded(), Timestamp.from(clock.instant()))
                    .update();
        } catch (CertificateEncodingException e) {
            throw new IllegalStateException("a certificate that was read can't be written", e);
        }
    }

    private static X509Certificate certificate(byte[] encoded) {
        try {
            return (X509Certificate)
                    CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(encoded));
        } catch (CertificateException e) {
            throw new IllegalStateException("a root that can't be read", e);
        }
    }
}
