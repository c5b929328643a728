package org.jalousie.core.evidence.word;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.poifs.crypt.dsig.SignatureConfig;
import org.apache.poi.poifs.crypt.dsig.SignatureInfo;
import org.apache.poi.poifs.crypt.dsig.SignaturePart;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.xml.sax.SAXException;

/** Checks the signatures of a Word file: each part of it against what was signed, who signed, and when. */
public final class WordSealCheck {
    private final TrustService trust;
    private final Clock clock;

    public WordSealCheck(TrustService trust, Clock clock) {
        this.trust = trust;
        this.clock = clock;
    }

    /** Whether a file may be one: a ZIP archive. */
    public static boolean mayBe(byte[] file) {
        return file.length > 4 && file[0] == 'P' && file[1] == 'K' && file[2] == 3 && file[3] == 4;
    }

    /** Checks a file. @throws UnacceptableFile for what is no Word file, or none that is opened here */
    public Verification verify(byte[] docx) {
        WordFile.open(docx);
        List<Verification.SignatureCheck> checks = new ArrayList<>();
        List<Message> findings = new ArrayList<>();
        List<Message> notes = new ArrayList<>();
        try (OPCPackage opened = OPCPackage.open(new ByteArrayInputStream(docx))) {
            SignatureInfo info = new SignatureInfo();
            SignatureConfig config = new SignatureConfig();
            info.setSignatureConfig(config);
            info.setOpcPackage(opened);
            Set<String> covered = new HashSet<>();
            for (SignaturePart part : info.getSignatureParts()) {
                try (InputStream xml = part.getPackagePart().getInputStream()) {
                    String name = part.getPackagePart().getPartName().getName();
                    new OneSeal(info, name, xml, trust, clock).check(checks, findings, notes, covered);
                }
            }
            if (checks.isEmpty() && findings.isEmpty()) findings.add(Message.of("evidence.no-signature"));
            else if (!checks.isEmpty()) {
                added(opened, covered, findings);
                if (UnsignedData.isShown(opened)) notes.add(Message.of("evidence.word.data-shown"));
            }
            opened.revert();
        } catch (IOException | OpenXML4JException | SAXException | RuntimeException e) {
            findings.add(Message.of("evidence.word.unreadable"));
        }
        return new Verification(findings.isEmpty(), checks, findings, notes);
    }

    /** Parts that nobody has signed. What a file says of itself, and the signatures, are signed by nobody (ISO/IEC 29500-2 §12). */
    private static void added(OPCPackage opened, Set<String> covered, List<Message> findings)
            throws OpenXML4JException {
        for (PackagePart part : opened.getParts()) {
            String name = part.getPartName().getName();
            boolean free = name.startsWith("/_xmlsignatures/")
                    || name.startsWith("/docProps/")
                    || name.startsWith("/customXml/")
                    || name.endsWith(".rels");
            if (!free && !covered.contains(name)) findings.add(Message.of("evidence.word.added", "part", name));
        }
    }
}
