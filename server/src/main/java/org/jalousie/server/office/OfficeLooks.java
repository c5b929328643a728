package org.jalousie.server.office;

import java.util.Base64;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.letters.OfficeLook;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the office's mails look like: its colour and its logo. */
@Component
public class OfficeLooks {
    private final Trail trail;
    private final JdbcClient sql;
    private final FileStore files;
    private final Settings settings;

    OfficeLooks(Trail trail, JdbcClient sql, FileStore files, Settings settings) {
        this.trail = trail;
        this.sql = sql;
        this.files = files;
        this.settings = settings;
    }

    /** @param logo its file; empty for none, {@code type} its media type */
    public record Kept(String colour, Optional<Sha256> logo, String type) {}

    @Transactional(readOnly = true)
    public Kept kept() {
        return sql.sql("select colour, logo, logo_type from mail_look")
                .query((row, number) -> new Kept(
                        row.getString(1),
                        Optional.ofNullable(row.getString(2)).flatMap(Sha256::read),
                        Optional.ofNullable(row.getString(3)).orElse("")))
                .optional()
                .orElse(new Kept(OfficeLook.USUAL_COLOUR, Optional.empty(), ""));
    }

    /** A letter's look with the picture that goes along. */
    public record InMail(OfficeLook look, Optional<Outgoing.Attachment> logo) {}

    /** As mails take it, which bring the picture along. */
    public InMail inMail() {
        Kept kept = kept();
        Optional<Outgoing.Attachment> logo = kept.logo()
                .map(file -> new Outgoing.Attachment(
                        "logo." + kept.type().substring(kept.type().indexOf('/') + 1), files.get(file), kept.type()));
        return new InMail(look(kept, logo.map(one -> "cid:" + Outgoing.LOGO)), logo);
    }

    /** As a screen takes it. */
    public OfficeLook onScreen() {
        Kept kept = kept();
        return look(
                kept,
                kept.logo()
                        .map(file -> "data:" + kept.type() + ";base64,"
                                + Base64.getEncoder().encodeToString(files.get(file))));
    }

    private OfficeLook look(Kept kept, Optional<String> logo) {
        return new OfficeLook(settings.office().name(), kept.colour(), logo);
    }

    @Transactional
    public void colour(String colour) {
        String plain = colour == null ? "" : colour.strip().toLowerCase(java.util.Locale.ROOT);
        if (!OfficeLook.isReadable(plain)) throw Refusal.invalid(Message.of("mail-look.colour"));
        sql.sql(
                        "insert into mail_look (one, colour) values (true, ?) on conflict (one) do update set colour = excluded.colour")
                .param(plain)
                .update();
        trail.note(Message.of("act.office.colour", "colour", plain));
    }

    /** There is no logo any more. */
    @Transactional
    public void noLogo() {
        sql.sql("update mail_look set logo = null, logo_type = null").update();
        trail.note(Message.of("act.office.no-logo"));
    }

    /** @param picture PNG or JPEG that has been looked at, {@code type} its media type */
    @Transactional
    public void logo(byte[] picture, String type) {
        sql.sql("insert into mail_look (one, colour, logo, logo_type) values (true, ?, ?, ?)"
                        + " on conflict (one) do update set logo = excluded.logo, logo_type = excluded.logo_type")
                .params(OfficeLook.USUAL_COLOUR, files.keep(picture).hex(), type)
                .update();
        trail.note(Message.of("act.office.logo"));
    }
}
