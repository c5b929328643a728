package org.jalousie.server.intake;

import java.time.Clock;
import java.time.Year;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Keeps filled forms as requests with numbers. Used within a transaction. */
@Component
class RequestKeeping {
    private final IntakeRequests requests;
    private final FilledForms filled;
    private final RequestDiary diary;
    private final Clock clock;
    private final Settings settings;
    private final ObjectProvider<AfterRequests> followers;

    RequestKeeping(
            IntakeRequests requests,
            FilledForms filled,
            RequestDiary diary,
            Clock clock,
            Settings settings,
            ObjectProvider<AfterRequests> followers) {
        this.followers = followers;
        this.requests = requests;
        this.filled = filled;
        this.diary = diary;
        this.clock = clock;
        this.settings = settings;
    }

    /**
     * A new request with the next number, and its parts.
     *
     * @param all what was answered for each template, the form's own first
     * @param key the form's own; null for none
     * @param by who filled it
     */
    IntakeRequest request(List<JointForms.Filled> all, UUID key, String language, String by) {
        String number = String.format(
                Locale.ROOT,
                "R-%d-%04d",
                Year.now(clock.withZone(settings.office().zone())).getValue(),
                requests.nextNumber());
        IntakeRequest request = requests.saveAndFlush(made(number, all.get(0), key, language, by));
        diary.write(request.id(), by, RequestDiary.Kind.CAME, "");
        for (int i = 1; i < all.size(); i++) part(request, i + 1, all.get(i), language, by);
        AfterRequests.Received received =
                new AfterRequests.Received(number, request.templateId(), by, request.createdAt());
        followers.orderedStream().forEach(one -> one.received(received));
        return request;
    }

    /** A further part of a request. @param position in it, from 2 */
    IntakeRequest part(IntakeRequest whole, int position, JointForms.Filled one, String language, String by) {
        IntakeRequest part = made(whole.number() + "-" + position, one, null, language, by);
        part.partOf(whole);
        return requests.saveAndFlush(part);
    }

    private IntakeRequest made(String number, JointForms.Filled one, UUID key, String language, String by) {
        UsableTemplate template = one.template();
        return new IntakeRequest(
                number,
                template.templateId(),
                template.versionId(),
                new Agreements.Answers(
                        filled.numbered(template, one.answers().data()),
                        one.answers().people()),
                key,
                language,
                by,
                clock.instant());
    }
}
