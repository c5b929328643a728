package org.jalousie.core.evidence.word;

import java.util.ArrayList;
import java.util.List;
import javax.security.auth.x500.X500Principal;
import org.apache.poi.xwpf.usermodel.Borders;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.bouncycastle.asn1.x500.RDN;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x500.style.IETFUtils;
import org.jalousie.core.evidence.Credential;

/** The line at the end of a Word file under which the office has signed. */
final class SealLine {
    /** In twentieths of a point. */
    private static final int ABOVE = 480;

    private SealLine() {}

    /** @param day as it is printed */
    static void put(XWPFDocument document, Credential office, SealWords words, String day) {
        XWPFParagraph paragraph = document.createParagraph();
        paragraph.setSpacingBefore(ABOVE);
        paragraph.setBorderTop(Borders.SINGLE);
        paragraph.setKeepNext(false);
        XWPFRun run = paragraph.createRun();
        List<String> lines = new ArrayList<>(List.of(nameIn(office.certificate().getSubjectX500Principal())));
        if (!words.role().isEmpty()) lines.add(words.role());
        lines.add(words.place().isEmpty() ? day : words.place() + ", " + day);
        for (int i = 0; i < lines.size(); i++) {
            if (i > 0) run.addBreak();
            run.setText(lines.get(i), i);
        }
    }

    static String nameIn(X500Principal subject) {
        RDN[] names = X500Name.getInstance(subject.getEncoded()).getRDNs(BCStyle.CN);
        return names.length == 0
                ? subject.getName()
                : IETFUtils.valueToString(names[0].getFirst().getValue());
    }
}
