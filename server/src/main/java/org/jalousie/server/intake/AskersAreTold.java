package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.postroom.RequestPost;
import org.springframework.stereotype.Component;

/** Tells who has asked from outside when it is done, or came to nothing. */
@Component
class AskersAreTold implements AfterEvents {
    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final Agreements agreements;
    private final FormLinks links;
    private final RequestPost post;
    private final Settings settings;

    AskersAreTold(
            IntakeRequests requests,
            RequestGroups groups,
            Agreements agreements,
            FormLinks links,
            RequestPost post,
            Settings settings) {
        this.requests = requests;
        this.groups = groups;
        this.agreements = agreements;
        this.links = links;
        this.post = post;
        this.settings = settings;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        for (Entry entry : happened) {
            Event event = entry.event();
            if (event instanceof Event.Completed) tell(agreement, RequestLetter.About.DONE);
            else if (event instanceof Event.Declined
                    || event instanceof Event.Withdrawn
                    || event instanceof Event.Expired) tell(agreement, RequestLetter.About.ENDED);
        }
    }

    private boolean othersDone(IntakeRequest whole, Agreement done) {
        return groups.of(whole).stream()
                .filter(IntakeRequest::wanted)
                .allMatch(one -> one.agreementNumber()
                        .filter(number -> number.equals(done.created().number())
                                // what was destroyed has been done with long ago
                                || agreements.known(number).isEmpty()
                                || agreements.state(number) == State.COMPLETED)
                        .isPresent());
    }

    private void tell(Agreement agreement, RequestLetter.About occasion) {
        requests.findByNumber(agreement.created().request())
                // of an agreement that was made anew since, only the newest one tells
                .filter(request -> request.agreementNumber()
                        .filter(agreement.created().number()::equals)
                        .isPresent())
                // what the form asks for no more came to nothing for nobody
                .filter(IntakeRequest::wanted)
                .map(groups::whole)
                .filter(request -> !request.asker().mail().isEmpty())
                // of several, the last one tells that all are done
                .filter(request -> occasion != RequestLetter.About.DONE || othersDone(request, agreement))
                .ifPresent(request -> {
                    String form = request.formLinkId()
                            .flatMap(links::findById)
                            .map(FormLink::title)
                            .orElse(agreement.title());
                    RequestLetter letter = new RequestLetter(
                            request.asker().name(),
                            form,
                            request.number(),
                            settings.office().name(),
                            request.language());
                    post.queue(request.id(), occasion, request.asker().mail(), letter.subject(occasion));
                });
    }
}
