package org.jalousie.server.archive.trust;

import java.io.ByteArrayInputStream;
import java.security.cert.CertificateEncodingException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.TrustedCertificates;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Certificates that the office trusts when it checks files that were signed elsewhere. */
@Service
public class TrustedStore {
    /** How many are taken from one file: the longest trusted lists of the EU have some hundred. */
    private static final int MOST = 3000;

    private final Trail trail;
    private final JdbcClient sql;
    private final Clock clock;

    TrustedStore(Trail trail, JdbcClient sql, Clock clock) {
        this.trail = trail;
        this.sql = sql;
        this.clock = clock;
    }

    /** @param source the file that it came with */
    record Trusted(
            String sha256,
            String subject,
            String issuer,
            Instant from,
            Instant until,
            String source,
            String addedBy,
            Instant addedAt) {}

    @Transactional(readOnly = true)
    Page<Trusted> list(int page) {
        PageRequest asked = Page.request(page);
        List<Trusted> found = sql.sql(
                        "select sha256, subject, issuer, valid_from, valid_until, source, added_by, added_at"
                                + " from trusted_certificate order by subject, sha256 limit ? offset ?")
                .params(asked.getPageSize(), asked.getOffset())
                .query((row, at) -> new Trusted(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        row.getTimestamp(5).toInstant(),
                        row.getString(6),
                        row.getString(7),
                        row.getTimestamp(8).toInstant()))
                .list();
        long total = sql.sql("select count(*) from trusted_certificate")
                .query(Long.class)
                .single();
        return new Page<>(found, total, page, asked.getPageSize());
    }

    /** Takes all certificates of a file. Returns how many are new. @throws Refusal when there is none in it, or too many */
    @Transactional
    int add(String name, byte[] file, SignedIn by) {
        List<X509Certificate> found;
        try {
            found = TrustedCertificates.read(file);
        } catch (TrustedCertificates.Unreadable e) {
            throw Refusal.invalid(Message.of("archive.trust.none-in-file"));
        }
        if (found.size() > MOST) throw Refusal.invalid(Message.of("archive.trust.too-many", "most", MOST));
        int added = 0;
        for (X509Certificate one : found) added += keep(one, name, by);
        if (added > 0) trail.note(by, Message.of("act.trust.added", "count", added, "file", plain(name)));
        return added;
    }

    private int keep(X509Certificate one, String source, SignedIn by) {
        try {
            return sql.sql(
                            "insert into trusted_certificate (sha256, subject, issuer, valid_from, valid_until, certificate,"
                                    + " source, added_by, added_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing")
                    .params(
                            Sha256.of(one.getEncoded()).hex(),
                            plain(one.getSubjectX500Principal().getName()),
                            plain(one.getIssuerX500Principal().getName()),
                            Timestamp.from(one.getNotBefore().toInstant()),
                            Timestamp.from(one.getNotAfter().toInstant()),
                            one.getEncoded(),
                            plain(source),
                            by.displayName(),
                            Timestamp.from(clock.instant()))
                    .update();
        } catch (CertificateEncodingException e) {
            throw new IllegalStateException("a certificate that was read can't be written", e);
        }
    }

    private static String plain(String text) {
        return text.replace("\0", "");
    }

    /** Trusts a certificate no more. */
    @Transactional
    void remove(String sha256) {
        String subject = sql.sql("delete from trusted_certificate where sha256 = ? returning subject")
                .param(sha256)
                .query(String.class)
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("archive.trust.none")));
        trail.note(Message.of("act.trust.removed", "subject", subject));
    }

    /** The office's own trust service, with what else is trusted: for checking files from elsewhere, and for nothing else. */
    public TrustService with(TrustService own) {
        List<X509Certificate> anchors = new ArrayList<>(own.anchors());
        sql.sql("select certificate from trusted_certificate")
                .query((row, at) -> row.getBytes(1))
                .list()
                .forEach(one -> anchors.add(certificate(one)));
        return new TrustService() {
            @Override
            public byte[] timeStamp(HashAlgorithm algorithm, byte[] hash) {
                return own.timeStamp(algorithm, hash);
            }

            @Override
            public List<byte[]> revocationLists() {
                return own.revocationLists();
            }

            @Override
            public List<X509Certificate> anchors() {
                return anchors;
            }

            @Override
            public Credential credentialFor(Signatory signatory) {
                throw new UnsupportedOperationException("only checks");
            }

            @Override
            public Credential officeWordSeal() {
                throw new UnsupportedOperationException("only checks");
            }

            @Override
            public Credential officeSeal() {
                throw new UnsupportedOperationException("only checks");
            }
        };
    }

    private static X509Certificate certificate(byte[] encoded) {
        try {
            return (X509Certificate)
                    CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(encoded));
        } catch (CertificateException e) {
            throw new IllegalStateException("a trusted certificate that can't be read", e);
        }
    }
}
