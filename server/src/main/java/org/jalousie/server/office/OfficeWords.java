package org.jalousie.server.office;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.letters.OwnWords;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the office says in its mails instead of the usual words. */
@Component
public class OfficeWords {
    private final Trail trail;
    private final JdbcClient sql;

    OfficeWords(Trail trail, JdbcClient sql) {
        this.trail = trail;
        this.sql = sql;
    }

    @Transactional(readOnly = true)
    public OwnWords all() {
        Map<OwnWords.Key, OwnWords.Said> all = new HashMap<>();
        sql.sql("select occasion, language, subject, words from mail_words").query(row -> {
            all.put(
                    new OwnWords.Key(Occasion.valueOf(row.getString(1)), row.getString(2)),
                    new OwnWords.Said(row.getString(3), row.getString(4)));
        });
        return new OwnWords(Map.copyOf(all));
    }

    /** Keeps them; blank ones are the usual again. @throws Refusal for what can't be said */
    @Transactional
    public void keep(OwnWords.Key key, OwnWords.Said said) {
        require(key, said);
        trail.note(Message.of("act.office.words", "occasion", occasion(key.occasion()), "language", key.language()));
        if (said.subject().isBlank() && said.text().isBlank()) {
            sql.sql("delete from mail_words where occasion = ? and language = ?")
                    .params(key.occasion().name(), key.language())
                    .update();
            return;
        }
        sql.sql(
                        "insert into mail_words (occasion, language, subject, words) values (?, ?, ?, ?)"
                                + " on conflict (occasion, language) do update set subject = excluded.subject, words = excluded.words")
                .params(
                        key.occasion().name(),
                        key.language(),
                        said.subject().strip(),
                        said.text().strip())
                .update();
    }

    private static Message occasion(Occasion occasion) {
        return Message.of(
                "act.occasion." + occasion.name().toLowerCase(Locale.ROOT).replace('_', '-'));
    }

    /** @throws Refusal for what can't be said */
    public static void require(OwnWords.Key key, OwnWords.Said said) {
        if (!OwnWords.OCCASIONS.contains(key.occasion())) throw Refusal.notFound(Message.of("own-words.occasion"));
        if (!List.of("en", "nl", "de", "fr").contains(key.language()))
            throw Refusal.invalid(Message.of("own-words.language"));
        List<Message> faults = said.faults();
        if (!faults.isEmpty()) throw Refusal.invalid(Message.list(faults));
    }
}
