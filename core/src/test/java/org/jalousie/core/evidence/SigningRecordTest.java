package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.junit.jupiter.api.Test;

class SigningRecordTest {
    private static List<Entry> history(int reminders) {
        List<Entry> history = new ArrayList<>();
        history.add(new Entry(
                1,
                Instant.parse("2027-03-15T23:30:00Z"),
                new Actor.Coordinator("nora.quill@museum.example.org", "Nora Quill"),
                new Event.Created("A-2027-0001", "Loan of a viola", "Loan", 2, "R-1", Map.of(), SignedSample.PARTIES)));
        history.add(new Entry(
                2,
                Instant.parse("2027-03-16T08:00:01Z"),
                new Actor.Participant("lender", Actor.Proof.MAILED_LINK, "127.0.0.1, A browser"),
                new Event.ConsentGiven("lender", "en-1", ConsentWording.CURRENT.hash())));
        for (int i = 0; i < reminders; i++)
            history.add(new Entry(
                    3 + i, Instant.parse("2027-03-20T08:00:00Z"), Actor.PROGRAM, new Event.ReminderSent("lender")));
        return history;
    }

    private static String text(List<Entry> history) throws IOException {
        byte[] pdf = new SigningRecord("Museum of Bowed Strings", ZoneId.of("Europe/Paris"))
                .print(Agreement.of(history), history, "ab".repeat(32), "cd".repeat(32));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages() + "\n" + new PDFTextStripper().getText(document);
        }
    }

    @Test
    void itTellsWhoDidWhatWhenAndAboutWhichFile() throws IOException {
        String text = text(history(0));
        assertThat(text)
                .contains("A-2027-0001, Loan of a viola")
                .contains("ab".repeat(32))
                .contains("cd".repeat(32))
                .contains("Ida Marsh, ida@lender.example.org; signs, stage 1")
                .contains("agreed to sign electronically (wording en-1")
                .contains("From 127.0.0.1, A browser")
                .contains("The agreement was created by Nora Quill.");
    }

    @Test
    void timesStandInUtcAndInTheOfficesZone() throws IOException {
        assertThat(text(history(0))).contains("2027-03-15 23:30:00Z (00:30)").contains("Europe/Paris");
    }

    @Test
    void aLongHistoryGoesOnOverPages() throws IOException {
        assertThat(Integer.parseInt(text(history(120)).lines().findFirst().orElseThrow()))
                .isGreaterThan(2);
        assertThat(text(history(120))).contains("122. Ida Marsh (Lender) was reminded by mail.");
    }

    @Test
    void theConsentWordingTellsWhatTheLawAsksFor() {
        // 15 U.S.C. § 7001(c)(1)(B): paper, withdrawal, scope, contact; (C): what is needed to read and keep it
        assertThat(ConsentWording.CURRENT.text())
                .contains("copy on paper")
                .contains("withdraw this consent")
                .contains("this one agreement only")
                .contains("mail address changes")
                .contains("current web browser");
        assertThat(ConsentWording.CURRENT.hash()).hasSize(64);
    }
}
