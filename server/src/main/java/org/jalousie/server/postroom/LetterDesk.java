package org.jalousie.server.postroom;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.data.Value;
import org.jalousie.core.letters.Letters;
import org.jalousie.core.template.Letter;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Settings;
import org.jalousie.server.office.OfficeWords;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Words the mails of an agreement by the terms of its template. */
@Component
class LetterDesk {
    private final UsableTemplates templates;
    private final OfficeWords words;
    private final Settings settings;

    LetterDesk(UsableTemplates templates, OfficeWords words, Settings settings) {
        this.words = words;
        this.templates = templates;
        this.settings = settings;
    }

    /** @param made when the agreement was made, which is a datum of it; {@code version} the template's it was made from */
    Letters of(Agreement agreement, Instant made, UUID version) {
        TemplateContent content = templates.content(version);
        return new Letters(
                agreement,
                content.sending(),
                content.sending().named().isEmpty() ? Map.of() : values(agreement, made, version),
                content.language(),
                settings.office().name(),
                settings.office().zone(),
                words.all());
    }

    private Map<String, Value> values(Agreement agreement, Instant made, UUID version) {
        LocalDate day = LocalDate.ofInstant(made, settings.office().zone());
        return Letter.withAnswers(
                templates
                        .version(version)
                        .values(
                                agreement.data(),
                                day,
                                agreement.created().number().value())
                        .values(),
                templates.content(version),
                agreement.data());
    }
}
