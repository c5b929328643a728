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

/** Validates files against PDF/A-2b (ISO 19005-2) with veraPDF: prints what fails, exits 0 when nothing does. */
public final class PdfaCheck {
    private PdfaCheck() {}

    public static void main(String[] files) throws Exception {
        VeraGreenfieldFoundryProvider.initialise();
        boolean compliant = true;
        for (String file : files) {
            try (InputStream in = new FileInputStream(file);
                    PDFAParser parser = Foundries.defaultInstance().createParser(in, PDFAFlavour.PDFA_2_B);
                    PDFAValidator validator =
                            Foundries.defaultInstance().createValidator(PDFAFlavour.PDFA_2_B, false)) {
                ValidationResult result = validator.validate(parser);
                compliant &= result.isCompliant();
                System.out.println(file + " PDF/A-2b: " + result.isCompliant());
                result.getTestAssertions().stream()
                        .filter(assertion -> assertion.getStatus() == TestAssertion.Status.FAILED)
                        .forEach(assertion ->
                                System.out.println("  " + assertion.getRuleId() + " " + assertion.getMessage()));
            }
        }
        System.exit(compliant ? 0 : 1);
    }
}
