package org.jalousie.core.letters;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.jalousie.core.letters.RequestLetter.About;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RequestLetterTest {
    private static RequestLetter to(String name, String language) {
        return new RequestLetter(name, "Lend us something", "R-2027-0001", "The museum", language);
    }

    @ParameterizedTest
    @CsvSource({"en,14 March 2027", "nl,14 maart 2027", "de,14. März 2027", "fr,14 mars 2027"})
    void whoGoesOnWithAFormIsToldUntilWhen(String language, String day) {
        String text = to("Ida", language)
                .left("https://jalousie.example.org/ask/x?go=y", LocalDate.of(2027, 3, 14))
                .plain();
        assertThat(text).contains(day, "Lend us something", "\nhttps://jalousie.example.org/ask/x?go=y\n", "Ida");
    }

    @ParameterizedTest
    @CsvSource({"en", "nl", "de", "fr"})
    void whoHasAskedIsToldWhatTheyGaveWhatCameOfItAndWhereToLook(String language) {
        for (About about : new About[] {About.TAKEN, About.DONE, About.ENDED}) {
            String text = to("Ida", language)
                    .text(about, "https://x.example.org", "Fee: 12\n")
                    .plain();
            assertThat(text)
                    .contains("Lend us something", "R-2027-0001", "https://x.example.org", "Fee: 12", "The museum");
            assertThat(to("Ida", language).subject(about)).contains("Lend us something", "R-2027-0001");
        }
    }

    @Test
    void theOfficeIsTold() {
        assertThat(to("", "en")
                        .text(About.CAME, "https://x.example.org", "Fee: 12")
                        .plain())
                .startsWith("Hello,\n\n");
        assertThat(to("Nora", "en")
                        .told(About.SAID, "Tomas", "Ask for the case, please.", "https://x.example.org")
                        .plain())
                .contains("Tomas", "Ask for the case, please.");
        assertThat(to("Nora", "en")
                        .told(About.OWNED, "Tomas", "", "https://x.example.org")
                        .plain())
                .doesNotContain("\n\n\n");
    }
}
