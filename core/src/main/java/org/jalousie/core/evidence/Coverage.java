package org.jalousie.core.evidence;

import java.io.IOException;
import java.security.cert.CertificateException;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.SignerInformation;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.Opened;

/**
 * What one signature or time stamp of a file covers, and what came after it.
 *
 * @param field the form field it stands in
 * @param timeStamp whether it is a time stamp over the document
 * @param end how many bytes of the file it covers: these are the file as it was then
 * @param whole whether nothing was added behind it
 * @param certificate of who made it; empty when it can't be read
 * @param changes what was changed after it and before the next one, that may not change
 */
public record Coverage(
        String field, boolean timeStamp, int end, boolean whole, Optional<Holder> certificate, List<Change> changes) {
    /** @param subject,issuer names (RFC 4514); {@code serial} in hexadecimal */
    public record Holder(String subject, String issuer, String serial, Instant from, Instant until) {}

    /** @param page from 1; 0 for what is no page's */
    public record Change(Message what, int page) {}

    /** Of each signature and time stamp, in the order in which they were made; none for what can't be read. */
    public static List<Coverage> of(byte[] pdf) {
        if (Opened.tooLarge(pdf)) return List.of();
        try {
            FileStates.All states = FileStates.of(pdf);
            Map<String, Optional<Holder>> holders = holders(pdf);
            List<Revisions.Change> changes = Revisions.of(pdf).changes();
            List<Coverage> all = new ArrayList<>();
            for (FileStates.Signed one : states.signed())
                all.add(new Coverage(
                        one.field(),
                        one.timeStamp(),
                        one.end(),
                        one.end() >= pdf.length - 2,
                        holders.getOrDefault(one.field(), Optional.empty()),
                        changes.stream()
                                .filter(change -> change.afterSigner().equals(one.field()))
                                .map(change -> new Change(change.what(), page(change.what())))
                                .toList()));
            return all;
        } catch (IOException | RuntimeException | StackOverflowError e) {
            return List.of();
        }
    }

    private static int page(Message what) {
        return what.arguments().get("page") instanceof Number page ? page.intValue() : 0;
    }

    private static Map<String, Optional<Holder>> holders(byte[] pdf) throws IOException {
        Map<String, Optional<Holder>> holders = new HashMap<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (PDSignatureField field : document.getSignatureFields()) {
                PDSignature signature = field.getSignature();
                if (signature != null) holders.put(field.getFullyQualifiedName(), holder(signature));
            }
        }
        return holders;
    }

    /** With the short names that people know, E for a mail address among them. */
    private static String named(X500Name name) {
        return BCStyle.INSTANCE.toString(name);
    }

    private static Optional<Holder> holder(PDSignature signature) {
        try {
            CMSSignedData message = new CMSSignedData(signature.getContents());
            SignerInformation signer =
                    message.getSignerInfos().getSigners().iterator().next();
            Collection<X509CertificateHolder> found = message.getCertificates().getMatches(signer.getSID());
            X509CertificateHolder holder = found.iterator().next();
            X509Certificate certificate = new JcaX509CertificateConverter().getCertificate(holder);
            return Optional.of(new Holder(
                    named(holder.getSubject()),
                    named(holder.getIssuer()),
                    certificate.getSerialNumber().toString(16),
                    certificate.getNotBefore().toInstant(),
                    certificate.getNotAfter().toInstant()));
        } catch (CMSException | CertificateException | RuntimeException e) {
            return Optional.empty();
        }
    }
}
