package org.jalousie.pdfa;

import java.io.FileInputStream;
import java.io.InputStream;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;

/**
 * Validates files with veraPDF against what they say they are, PDF/A-2b (ISO 19005-2) or with attached files PDF/A-3b (ISO
 * 19005-3); against PDF/A-2b where they say anything else. Prints what fails, exits 0 when nothing does.
 */
public final class PdfaCheck {
    private PdfaCheck() {}

    private static PDFAFlavour said(String file) throws Exception {
        try (InputStream in = new FileInputStream(file);
                PDFAParser parser = Foundries.defaultInstance().createParser(in)) {
            return parser.getFlavour() == PDFAFlavour.PDFA_3_B ? PDFAFlavour.PDFA_3_B : PDFAFlavour.PDFA_2_B;
        }
    }

    public static void main(String[] files) throws Exception {
        VeraGreenfieldFoundryProvider.initialise();
        boolean compliant = true;
        for (String file : files) {
            PDFAFlavour said = said(file);
            try (InputStream in = new FileInputStream(file);
                    PDFAParser parser = Foundries.defaultInstance().createParser(in, said);
                    PDFAValidator validator = Foundries.defaultInstance().createValidator(said, false)) {
                ValidationResult result = validator.validate(parser);
                compliant &= result.isCompliant();
                System.out.println(file + " PDF/A-" + said.getId() + ": " + result.isCompliant());
                result.getTestAssertions().stream()
                        .filter(assertion -> assertion.getStatus() == TestAssertion.Status.FAILED)
                        .forEach(assertion ->
                                System.out.println("  " + assertion.getRuleId() + " " + assertion.getMessage()));
            }
        }
        System.exit(compliant ? 0 : 1);
    }
}
