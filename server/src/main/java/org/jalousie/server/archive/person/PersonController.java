package org.jalousie.server.archive.person;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.filing.people.PersonIn;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.Download;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is kept of a person: found across all rooms, and given out as a file. They are named in no address, which would be logged. */
@RestController
@RequestMapping("/api/v1/archive/person")
class PersonController {
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final PeopleFound people;
    private final PersonFile file;

    PersonController(PeopleFound people, PersonFile file, Trail trail, TransactionTemplate transaction) {
        this.trail = trail;
        this.transaction = transaction;
        this.people = people;
        this.file = file;
    }

    /** @param who a mail address, or a name as it is written */
    record PersonWanted(String who) {}

    /** Finds what is kept of a person. */
    @PostMapping("/search")
    PersonViews.PersonKept find(@RequestBody PersonWanted wanted) {
        PeopleFound.Found found = people.of(wanted.who());
        return new PersonViews.PersonKept(
                found.who().text(),
                found.agreements().stream().map(PersonController::view).toList(),
                found.requests().stream()
                        .map(one -> new PersonViews.PersonsRequestView(one.number(), one.at(), one.asked()))
                        .toList(),
                found.rows().stream()
                        .map(one -> new PersonViews.PersonsRowView(
                                one.registerId(), one.register(), one.id(), one.label(), one.gone()))
                        .toList(),
                found.mails(),
                found.colleague(),
                found.called().stream()
                        .map(one -> new PersonViews.PersonCalled(one.name(), one.mail()))
                        .toList(),
                found.isDoubtful(),
                found.more());
    }

    private static PersonViews.PersonsAgreement view(PeopleFound.Own own) {
        Agreement agreement = own.agreement();
        return new PersonViews.PersonsAgreement(
                agreement.created().number(),
                agreement.title(),
                agreement.created().template(),
                agreement.state(),
                agreement.since(),
                own.person().parts().stream()
                        .map(PersonIn.Part::label)
                        .distinct()
                        .toList(),
                own.person().acts().size(),
                own.person().data().size());
    }

    /** What is kept of a person as a file: JSON, and copies of the completed agreements in which they have a part (ZIP). */
    @PostMapping(path = "/file", produces = "application/zip")
    void file(@RequestBody PersonWanted wanted, HttpServletResponse response) throws IOException {
        PeopleFound.Found found = people.of(wanted.who());
        if (found.isDoubtful())
            throw Refusal.conflict(
                    Message.of("person.doubtful", "who", found.who().text()));
        transaction.executeWithoutResult(status -> trail.note(Message.of(
                "act.person.given-out",
                "who",
                found.who().text(),
                "count",
                found.agreements().size())));
        Download.begin(response, "Personal data.zip", "application/zip");
        file.write(found, response.getOutputStream());
    }
}
