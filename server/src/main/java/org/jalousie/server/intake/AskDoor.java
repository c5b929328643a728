package org.jalousie.server.intake;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jalousie.core.intake.Errand;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.FramedPages;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Lets those in who come by a form's link: looked at before anything is read, kept or sent for them. */
@Component
class AskDoor implements FramedPages {
    private static final Pattern TOKEN = Pattern.compile("[A-Za-z0-9_-]{22}");

    private final FormLinks links;
    private final UsableTemplates templates;
    private final PasswordEncoder encoder;
    private final Clock clock;

    AskDoor(FormLinks links, UsableTemplates templates, PasswordEncoder encoder, Clock clock) {
        this.links = links;
        this.templates = templates;
        this.encoder = encoder;
        this.clock = clock;
    }

    Optional<FormLink> find(String token) {
        return TOKEN.matcher(token).matches() ? links.findByToken(token) : Optional.empty();
    }

    /** @throws Refusal when there is no such form */
    FormLink link(String token) {
        return find(token).orElseThrow(() -> Refusal.of(Refusal.Kind.GONE, Message.of("ask.no-form")));
    }

    FormLinkViews.State state(FormLink link) {
        boolean rests = templates.fillable(List.of(link.templateId())).isEmpty();
        return FormLinkViews.state(link, rests, clock.instant());
    }

    /** @throws Refusal unless it can be filled and the word was said where one is needed */
    void requireOpen(FormLink link, String access) {
        FormLinkViews.State state = state(link);
        if (state != FormLinkViews.State.OPEN)
            throw Refusal.of(Refusal.Kind.GONE, Message.of("ask." + state.name().toLowerCase(java.util.Locale.ROOT)));
        if (!hasAccess(link, access)) throw Refusal.conflict(Message.of("ask.word-first"));
    }

    boolean hasAccess(FormLink link, String access) {
        return link.wordHash()
                .map(hash -> MessageDigest.isEqual(
                        access(link, hash).getBytes(StandardCharsets.US_ASCII),
                        access.getBytes(StandardCharsets.UTF_8)))
                .orElse(true);
    }

    /** @throws Refusal when it is another word */
    FormLinkViews.WordSaid say(FormLink link, String word) {
        String hash = link.wordHash().orElse("");
        if (hash.isEmpty()) return new FormLinkViews.WordSaid("");
        // the encoder reads no more than its algorithm takes
        String said = word.strip();
        if (said.length() > 70 || !encoder.matches(said, hash)) throw Refusal.invalid(Message.of("ask.wrong-word"));
        return new FormLinkViews.WordSaid(access(link, hash));
    }

    private static String access(FormLink link, String hash) {
        return Errand.seal("word " + hash, link.secret());
    }

    /** @throws Refusal unless whoever hands a form in has taken time for it and done its errand */
    void requireErrand(FormLink link, UUID key, String errand, String found, String trap) {
        if (!trap.isEmpty()) throw Refusal.conflict(Message.of("ask.robot"));
        Errand.fault(errand, found, key, link.secret(), clock.instant()).ifPresent(fault -> {
            throw Refusal.conflict(Message.of(
                    switch (fault) {
                        case TOO_SOON -> "ask.too-soon";
                        case TOO_OLD -> "ask.too-old";
                        default -> "ask.robot";
                    }));
        });
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> framedBy(String token) {
        return find(token).map(link -> link.terms().frames()).orElse(List.of());
    }
}
