package org.jalousie.core.pdf;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;

/**
 * Whether a file is PDF/A-2b (ISO 19005-2), or PDF/A-3b (ISO 19005-3) where it says so since it has files attached, as the PDF
 * Association's own validator judges.
 */
public final class ArchivalCheck {
    /** So many faults are told; a file that has more of them isn't helped by the rest. */
    private static final int MOST_TOLD = 6;

    /** A file that is meant to take long holds nobody for longer; others wait for it so long. */
    private static final Duration LONGEST = Duration.ofSeconds(90);

    // one at a time: the validator holds all objects of a file (measured: 500 MB for 200 pages of tagged tables)
    private static final Semaphore TURN = new Semaphore(1);

    static {
        VeraGreenfieldFoundryProvider.initialise();
    }

    private ArchivalCheck() {}

    /** What stands against it, in the validator's words, each kind of fault once; none when it is. */
    public static List<String> faults(byte[] pdf) {
        FutureTask<List<String>> found = new FutureTask<>(() -> found(pdf));
        boolean turn = false;
        try {
            turn = TURN.tryAcquire(LONGEST.toSeconds(), TimeUnit.SECONDS);
            if (!turn) return List.of("others were looked through for too long; try again");
            Thread worker = new Thread(null, found, "archival-check", 4 << 20);
            worker.setDaemon(true);
            worker.start();
            return found.get(LONGEST.toSeconds(), TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            // one that takes no notice goes on by itself, and the next has its turn
            found.cancel(true);
            return List.of("it took longer than " + LONGEST.toSeconds() + " s to look through");
        } catch (ExecutionException e) {
            return List.of(String.valueOf(e.getCause().getMessage()));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return List.of("it was not looked through");
        } finally {
            if (turn) TURN.release();
        }
    }

    private static PDFAFlavour meant(byte[] pdf) {
        try (InputStream in = new ByteArrayInputStream(pdf);
                PDFAParser parser = Foundries.defaultInstance().createParser(in)) {
            return parser.getFlavour() == PDFAFlavour.PDFA_3_B ? PDFAFlavour.PDFA_3_B : PDFAFlavour.PDFA_2_B;
        } catch (Exception e) {
            return PDFAFlavour.PDFA_2_B; // what can't be read is told by who looks it through
        }
    }

    private static List<String> found(byte[] pdf) {
        PDFAFlavour meant = meant(pdf);
        try (InputStream in = new ByteArrayInputStream(pdf);
                PDFAParser parser = Foundries.defaultInstance().createParser(in, meant);
                PDFAValidator validator = Foundries.defaultInstance().createValidator(meant, false)) {
            ValidationResult result = validator.validate(parser);
            if (result.isCompliant()) return List.of();
            Set<String> faults = new LinkedHashSet<>();
            result.getTestAssertions().stream()
                    .filter(one -> one.getStatus() == TestAssertion.Status.FAILED)
                    .map(one ->
                            one.getMessage() + " (ISO 19005-" + meant.getPart().getPartNumber() + ", "
                                    + one.getRuleId().getClause() + ")")
                    .forEach(faults::add);
            return faults.stream().limit(MOST_TOLD).toList();
        } catch (Exception e) {
            return List.of(String.valueOf(e.getMessage()));
        }
    }
}
