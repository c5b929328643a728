package org.jalousie.server.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.AnswersSchema;
import org.jalousie.server.Settings;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Forms as other programs fill them. */
@Service
class FormAnswers {
    private final IntakeRequests requests;
    private final IntakeService intake;
    private final JointForms joints;
    private final UsableTemplates templates;
    private final Settings settings;

    FormAnswers(
            IntakeRequests requests,
            IntakeService intake,
            JointForms joints,
            UsableTemplates templates,
            Settings settings) {
        this.requests = requests;
        this.intake = intake;
        this.joints = joints;
        this.templates = templates;
        this.settings = settings;
    }

    /** What the form takes. */
    @Transactional(readOnly = true)
    Map<String, Object> schema(UUID template, String language, Typing typing) {
        JointForm form = joints.published(template);
        return AnswersSchema.of(
                settings.address() + "/api/v1/templates/" + template + "/form/schema?language=" + language,
                form.own().name(),
                form.parts().stream()
                        .map(part -> new AnswersSchema.Part(
                                part.template().content().layout(),
                                part.template().content().fields(),
                                part.template().content().rules(),
                                part.when()))
                        .toList(),
                typing);
    }

    /** A request that was taken in, and the agreement that is being made of it. */
    record Taken(String request, Optional<AgreementNumber> agreement) {}

    /** @param agreement whether it is made at once; empty as the template says */
    @Transactional
    Taken take(
            UUID template,
            UUID key,
            FilledForms.Sent sent,
            List<FormLookups.Sent> rows,
            Optional<Boolean> agreement,
            Actor.Office by) {
        Optional<IntakeRequest> known = Optional.ofNullable(key).flatMap(requests::findByFormKey);
        if (known.isPresent())
            return new Taken(known.get().number(), known.get().agreementNumber());
        String number = intake.takeIn(() -> joints.published(template), key, sent, rows, Optional.empty(), by)
                .number();
        boolean made = agreement.orElseGet(() -> AskService.goesAtOnce(templates.published(template)));
        return new Taken(number, made ? Optional.of(intake.generate(number, by)) : Optional.empty());
    }
}
