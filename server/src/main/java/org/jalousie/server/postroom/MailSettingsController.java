package org.jalousie.server.postroom;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.letters.OwnWords;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.office.OfficeLooks;
import org.jalousie.server.office.OfficeWords;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What the office's mails look like and say. */
@RestController
@RequestMapping("/api/v1/office/mail")
class MailSettingsController {
    private static final int LARGEST_LOGO = 300_000;

    private final OfficeLooks looks;
    private final OfficeWords words;
    private final MailTrials trials;
    private final FileStore files;

    MailSettingsController(OfficeLooks looks, OfficeWords words, MailTrials trials, FileStore files) {
        this.looks = looks;
        this.words = words;
        this.trials = trials;
        this.files = files;
    }

    /**
     * What the office's mails look like and say.
     *
     * @param colour of the office's name and of links, as #rrggbb
     * @param logo whether there is one
     * @param occasions whose words can be the office's own
     * @param fields that can stand in them
     * @param own the words that are
     */
    record MailSettings(String colour, boolean logo, List<Occasion> occasions, List<String> fields, List<Words> own) {}

    /** @param language en, nl, de or fr; {@code subject} and {@code text} empty for the usual ones */
    record Words(Occasion occasion, String language, String subject, String text) {
        OwnWords.Key key() {
            return new OwnWords.Key(occasion, Objects.requireNonNullElse(language, ""));
        }

        OwnWords.Said said() {
            return new OwnWords.Said(Objects.requireNonNullElse(subject, ""), Objects.requireNonNullElse(text, ""));
        }
    }

    record Colour(String colour) {}

    /** A mail as it would be. */
    record MailPreview(String subject, String text, String html) {}

    /** What mails look like and say. */
    @GetMapping
    MailSettings show() {
        OfficeLooks.Kept kept = looks.kept();
        return new MailSettings(
                kept.colour(),
                kept.logo().isPresent(),
                OwnWords.OCCASIONS,
                OwnWords.FIELDS,
                words.all().said().entrySet().stream()
                        .map(one -> new Words(
                                one.getKey().occasion(),
                                one.getKey().language(),
                                one.getValue().subject(),
                                one.getValue().text()))
                        .toList());
    }

    /** Changes the colour of the office's name and of links. */
    @PutMapping("/colour")
    MailSettings changeColour(@RequestBody Colour colour) {
        looks.colour(colour.colour());
        return show();
    }

    /** The body is the logo, a PNG or JPEG file. */
    @PostMapping("/logo")
    MailSettings bringLogo(HttpServletRequest request) throws IOException {
        byte[] bytes = request.getInputStream().readNBytes(LARGEST_LOGO + 1);
        if (bytes.length > LARGEST_LOGO)
            throw Refusal.invalid(Message.of("mail-look.logo-large", "most", LARGEST_LOGO / 1000));
        try {
            looks.logo(bytes, "image/" + PictureFile.read(bytes).extension().replace("jpg", "jpeg"));
        } catch (PictureFile.Unacceptable e) {
            throw Refusal.invalid(e.said());
        }
        return show();
    }

    /** The logo. */
    @GetMapping("/logo")
    ResponseEntity<byte[]> logo() {
        OfficeLooks.Kept kept = looks.kept();
        return kept.logo()
                .map(files::get)
                .map(bytes -> ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType(kept.type()))
                        .body(bytes))
                .orElseThrow(() -> Refusal.notFound(Message.of("mail-look.no-logo")));
    }

    /** Takes the logo away. */
    @DeleteMapping("/logo")
    MailSettings takeLogo() {
        looks.noLogo();
        return show();
    }

    /** Keeps the office's own words for an occasion and a language; blank ones are the usual again. */
    @PutMapping("/words")
    MailSettings keepWords(@RequestBody Words own) {
        words.keep(own.key(), own.said());
        return show();
    }

    /** A mail with these words, as it would be for an agreement that there isn't. */
    @PostMapping("/preview")
    MailPreview preview(@RequestBody Words own) {
        return trials.preview(own.key(), own.said());
    }

    /** Sends a mail with these words to who asks for it. */
    @PostMapping("/trial")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void trial(@RequestBody Words own, @AuthenticationPrincipal SignedIn by) {
        trials.send(own.key(), own.said(), by);
    }
}
