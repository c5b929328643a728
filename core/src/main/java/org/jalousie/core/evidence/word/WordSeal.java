package org.jalousie.core.evidence.word;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.PrivateKey;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import javax.xml.crypto.MarshalException;
import javax.xml.crypto.dsig.XMLSignatureException;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.poifs.crypt.HashAlgorithm;
import org.apache.poi.poifs.crypt.dsig.SignatureConfig;
import org.apache.poi.poifs.crypt.dsig.SignatureInfo;
import org.apache.poi.poifs.crypt.dsig.facets.KeyInfoSignatureFacet;
import org.apache.poi.poifs.crypt.dsig.facets.OOXMLSignatureFacet;
import org.apache.poi.poifs.crypt.dsig.facets.Office2010SignatureFacet;
import org.apache.poi.poifs.crypt.dsig.facets.XAdESXLSignatureFacet;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.TrustService;

/**
 * The office's signature in a Word file: a signature of the package (ISO/IEC 29500-2 §12) with XAdES properties and a time
 * stamp (XAdES-T, ETSI EN 319 132-1), which word processors show and check by themselves.
 */
public final class WordSeal {
    private final TrustService trust;

    public WordSeal(TrustService trust) {
        this.trust = trust;
    }

    /**
     * Signs a file.
     *
     * @param docx not signed yet
     * @param words as they are printed and said, without tags
     * @param day as it is printed on the line
     * @throws IllegalArgumentException for what is no Word file
     */
    public byte[] seal(byte[] docx, SealWords words, String day, Instant at) {
        Credential office = trust.officeWordSeal();
        byte[] file = words.line() ? lined(docx, office, words, day) : docx;
        ByteArrayOutputStream out = new ByteArrayOutputStream(file.length + 20_000);
        // what saving writes in its own way, such as relationships, has to be written so before it is signed
        try (OPCPackage opened = OPCPackage.open(new ByteArrayInputStream(saved(file)))) {
            SignatureInfo info = new SignatureInfo();
            info.setSignatureConfig(config(office, words, at));
            info.setOpcPackage(opened);
            info.confirmSignature();
            opened.save(out);
            opened.revert();
        } catch (InvalidFormatException e) {
            throw new IllegalArgumentException("no Word file", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (XMLSignatureException | MarshalException e) {
            throw new IllegalStateException("the file can't be signed", e);
        }
        return out.toByteArray();
    }

    private static byte[] saved(byte[] docx) throws InvalidFormatException, IOException {
        try (OPCPackage opened = OPCPackage.open(new ByteArrayInputStream(docx))) {
            UnsignedData.remove(opened);
            ByteArrayOutputStream out = new ByteArrayOutputStream(docx.length);
            opened.save(out);
            opened.revert();
            return out.toByteArray();
        }
    }

    private SignatureConfig config(Credential office, SealWords words, Instant at) {
        SignatureConfig config = new SignatureConfig();
        PrivateKey key = office.key();
        config.setKey(key);
        config.setSigningCertificateChain(office.chain());
        config.setIncludeEntireCertificateChain(true);
        config.setDigestAlgo(HashAlgorithm.sha256);
        config.setXadesDigestAlgo(HashAlgorithm.sha256);
        config.setExecutionTime(Date.from(at));
        if (!words.role().isEmpty()) config.setXadesRole(words.role());
        if (!words.comment().isEmpty()) config.setSignatureDescription(words.comment());
        config.setTspService((info, data, revocation) ->
                trust.timeStamp(org.jalousie.core.evidence.stamps.HashAlgorithm.SHA_256.hash(data)));
        config.setSignatureFacets(List.of(
                new OOXMLSignatureFacet(),
                new KeyInfoSignatureFacet(),
                new PlacedProperties(words.place()),
                new Office2010SignatureFacet(),
                new XAdESXLSignatureFacet()));
        return config;
    }

    /** The file with a line at its end that says who has signed, as whom, where and when. */
    private static byte[] lined(byte[] docx, Credential office, SealWords words, String day) {
        try (XWPFDocument document = new XWPFDocument(new ByteArrayInputStream(docx))) {
            SealLine.put(document, office, words, day);
            ByteArrayOutputStream out = new ByteArrayOutputStream(docx.length + 2_000);
            document.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalArgumentException("no Word file", e);
        }
    }
}
