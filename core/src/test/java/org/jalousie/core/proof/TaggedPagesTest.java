package org.jalousie.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;

class TaggedPagesTest {
    /** ISO 32000-1 §14.7.4.2: a kid is a number, and any value may be an indirect object (§7.3.10). */
    @Test
    void aKidThatIsANumberOfItsOwnBelongsToItsHeading() throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage();
            document.addPage(page);
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            page.setResources(resources);
            PDStream content = new PDStream(document);
            try (OutputStream out = content.createOutputStream()) {
                out.write(("/H1 <</MCID 0>> BDC BT /F1 12 Tf 50 700 Td (One) Tj ET EMC\n"
                                + "/H1 <</MCID 1>> BDC BT /F1 12 Tf 50 680 Td (Two) Tj ET EMC")
                        .getBytes(StandardCharsets.US_ASCII));
            }
            page.setContents(content);
            PDStructureTreeRoot root = new PDStructureTreeRoot();
            document.getDocumentCatalog().setStructureTreeRoot(root);
            PDStructureElement heading = new PDStructureElement("H1", root);
            heading.setPage(page);
            COSArray kids = new COSArray();
            kids.add(COSInteger.ZERO);
            kids.add(new COSObject(COSInteger.ONE));
            heading.getCOSObject().setItem(COSName.K, kids);
            root.appendKid(heading);
            assertThat(TaggedPages.of(document).onPage(1))
                    .extracting(TaggedPages.Stretch::text, TaggedPages.Stretch::heading)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple("One", true),
                            org.assertj.core.groups.Tuple.tuple("Two", true));
        }
    }
}
