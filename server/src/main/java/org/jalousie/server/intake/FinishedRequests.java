package org.jalousie.server.intake;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.recognition.ReadFiles;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Requests about files that were made elsewhere, each with its agreement. */
@Service
class FinishedRequests {
    private final IntakeService requests;
    private final UsableTemplates templates;
    private final ReadFiles read;
    private final FormViews forms;

    FinishedRequests(IntakeService requests, UsableTemplates templates, ReadFiles read, FormViews forms) {
        this.forms = forms;
        this.requests = requests;
        this.templates = templates;
        this.read = read;
    }

    /** The form for a file that was made elsewhere. */
    @Transactional(readOnly = true)
    IntakeViews.Form formOf(UUID file) {
        return forms.ofFinished(templates.version(read.versionOf(file)));
    }

    /**
     * Takes in what is known of a file that was made elsewhere, and makes the agreement about it. Asked twice, the same.
     *
     * @param otherwise whether data may say something else than what was surely read in the file
     */
    @Transactional
    AgreementNumber takeFinished(
            UUID file, FilledForms.Sent sent, ReadFiles.Confirmation said, boolean otherwise, Actor.Office by) {
        ReadFiles.Ready ready = read.ready(file, said);
        if (ready.agreement().isPresent()) return ready.agreement().get();
        UsableTemplate usable = templates.version(ready.version());
        if (!otherwise)
            requireAsRead(ready, sent.values(), sent.typing(), usable.content().fields());
        return begin(file, ready, usable, sent, by);
    }

    /** Makes the agreement about a file of which everything is known and sure. @param revision of the file as it was shown */
    @Transactional
    AgreementNumber takeAsRead(UUID file, int revision, Actor.Office by) {
        ReadFiles.Ready ready = read.ready(file, new ReadFiles.Confirmation(revision, Set.of(), false));
        if (ready.agreement().isPresent()) return ready.agreement().get();
        if (!ready.complete()) throw Refusal.conflict(Message.of("finished.look-first"));
        UsableTemplate usable = templates.version(ready.version());
        return begin(file, ready, usable, new FilledForms.Sent(ready.values(), Map.of(), Typing.PLAIN, "", ""), by);
    }

    /** What stands on paper can't be corrected in a form: who wants to keep both has to say so. */
    private static void requireAsRead(
            ReadFiles.Ready ready, Map<FieldName, String> inputs, Typing typing, List<Field> fields) {
        Map<FieldName, String> typed = Intake.read(fields, inputs, typing).raw();
        // read as a form is, so that one value is written one way
        Map<FieldName, String> inFile = Intake.read(fields, ready.values()).raw();
        List<Message> others = fields.stream()
                .filter(field -> ready.sure().contains(field.name())
                        && !Objects.equals(inFile.get(field.name()), typed.get(field.name())))
                .map(field -> Message.of("finished.datum", "label", field.label()))
                .toList();
        if (!others.isEmpty()) throw Refusal.conflict(Message.of("finished.otherwise", "data", Message.list(others)));
    }

    private AgreementNumber begin(
            UUID file, ReadFiles.Ready ready, UsableTemplate usable, FilledForms.Sent sent, Actor.Office by) {
        // one that is out of use by now can't be filled any more
        templates.published(usable.templateId());
        IntakeViews.RequestDetail request = requests.begin(usable, file, sent, ready.finished(), by);
        AgreementNumber number = requests.generate(request.row().number(), by);
        read.became(file, number);
        return number;
    }
}
