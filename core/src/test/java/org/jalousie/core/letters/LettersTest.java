package org.jalousie.core.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.template.SendingSettings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class LettersTest {
    private static final String LINK = "https://jalousie.example.org/act/a?b&c";
    private static final Instant NOW = Instant.parse("2027-03-01T09:00:00Z");
    private static final Participant IDA = new Participant(
            new Person("Ida \"the viola\" <Marsh>", "ida@example.org"),
            new PartyKey("lender"),
            "Lender & owner",
            Duty.SIGNS,
            1);

    private static Letters letters(OwnWords own, String subject) {
        Agreement agreement = Agreement.of(List.of(
                new Entry(
                        1,
                        NOW,
                        Actor.PROGRAM,
                        new Event.Created(
                                new AgreementNumber("A-2027-0001"),
                                "Loan: Ida",
                                "Loan",
                                1,
                                "",
                                Map.of(),
                                List.of(IDA))),
                new Entry(2, NOW, Actor.PROGRAM, new Event.Generated(List.of())),
                new Entry(3, NOW, Actor.PROGRAM, new Event.Sent(Instant.parse("2027-03-15T00:00:00Z")))));
        return new Letters(
                agreement,
                new SendingSettings(subject, "Bring the case.", 30, 5, 3),
                Map.of(),
                "en",
                "The museum",
                ZoneId.of("UTC"),
                own);
    }

    private static LetterText text(OwnWords own, Occasion occasion) {
        return letters(own, "")
                .text(occasion, Optional.of(IDA), LINK, Optional.empty(), Optional.of(Message.of("mail.reminder")));
    }

    private static OwnWords own(Occasion occasion, String subject, String words) {
        return new OwnWords(Map.of(new OwnWords.Key(occasion, "en"), new OwnWords.Said(subject, words)));
    }

    @ParameterizedTest
    @EnumSource(
            value = Occasion.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"CODE", "LOCKED", "HANDED_OVER", "QUESTION", "RETURNED", "CONSENT_WITHDRAWN", "TOLD"})
    void plainTextAndHtmlSayTheSame(Occasion occasion) {
        LetterText text = text(OwnWords.NONE, occasion);
        String html = text.html(new OfficeLook("The museum", OfficeLook.USUAL_COLOUR, Optional.empty()));
        String read = html.substring(html.indexOf("<body"))
                .replaceAll("<[^>]*>", "")
                .replace("&lt;", "<")
                .replace("&gt;", ">")
                .replace("&quot;", "\"")
                .replace("&#39;", "'")
                .replace("&amp;", "&")
                .replaceAll("\\s+", " ");
        for (String paragraph : text.plain().strip().split("\\n+"))
            assertThat(read).contains(paragraph);
        assertThat(text.plain()).contains("You get this mail because The museum named you as Lender & owner");
        if (occasion.asks()) assertThat(text.plain()).contains(LINK + "\n", "Bring the case.", "14 March 2027");
    }

    @Test
    void nothingInHtmlIsFetchedFromElsewhereOrTakenForItsOwn() {
        String html = text(OwnWords.NONE, Occasion.INVITATION)
                .html(new OfficeLook("The <museum>", "#123456", Optional.of("cid:logo")));
        assertThat(html)
                .doesNotContain("<Marsh>", "<museum>", "<script", "url(", "src=\"http")
                .contains(
                        "src=\"cid:logo\"",
                        "href=\"https://jalousie.example.org/act/a?b&amp;c\"",
                        "alt=\"The &lt;museum&gt;\"");
    }

    @Test
    void anOfficesOwnWordsStandInPlaceOfTheUsualOnes() {
        OwnWords own = own(
                Occasion.REMINDER,
                "{{person}}, once more\n",
                "{{office}} waits for {{part}} until {{until}}: {{agreement}}.");
        String text = text(own, Occasion.REMINDER).plain();
        assertThat(text)
                .contains(
                        "The museum waits for Lender & owner until 14 March 2027: Loan: Ida.", "Bring the case.", LINK)
                .doesNotContain("This is a reminder.");
        assertThat(letters(own, "").subject(Occasion.REMINDER, Optional.of(IDA)))
                .isEqualTo("Ida \"the viola\" <Marsh>, once more (A-2027-0001)");
        // what a template says goes before what the office says, and other languages and occasions are as usual
        assertThat(letters(own, "Mine").subject(Occasion.REMINDER, Optional.of(IDA)))
                .contains("Mine");
        assertThat(text(own, Occasion.WARNING).plain()).contains("The time for this runs out soon.");
        Participant german = IDA.with(new Person("Ida", "ida@example.org", "", "de"));
        assertThat(letters(own, "")
                        .text(Occasion.REMINDER, Optional.of(german), LINK, Optional.empty(), Optional.empty())
                        .plain())
                .doesNotContain("waits for");
    }

    @ParameterizedTest
    @ValueSource(strings = {"{{lender_name}}", "{{person", "person}}", "{{#person}}x{{/person}}"})
    void whatCannotBeSaidIsTold(String words) {
        assertThat(new OwnWords.Said("", words).faults()).isNotEmpty();
        assertThat(new OwnWords.Said("", "Dear {{person}}, {{ until }}.").faults())
                .isEmpty();
        assertThat(new OwnWords.Said("a\nb", "").faults()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"#ffffff", "#ffee00", "#8a8a8a", "green", "#12345", "#1c4740;x", ""})
    void aColourThatCannotBeReadOnWhiteIsNone(String colour) {
        assertThat(OfficeLook.isReadable(colour)).isFalse();
        assertThat(OfficeLook.isReadable(OfficeLook.USUAL_COLOUR)).isTrue();
        // WCAG 2.2: #767676 on white is 4.54 to 1, #777777 is 4.48 to 1
        assertThat(OfficeLook.isReadable("#767676")).isTrue();
        assertThat(OfficeLook.isReadable("#777777")).isFalse();
        assertThatThrownBy(() -> new OfficeLook("x", "\"><script>", Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
