package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** People of the office, over HTTP, for administrators. */
@RestController
@RequestMapping("/api/v1/people")
class PeopleController {
    private final People people;
    private final PeopleLists lists;
    private final Factors factors;

    PeopleController(People people, PeopleLists lists, Factors factors) {
        this.people = people;
        this.lists = lists;
        this.factors = factors;
    }

    record NewPerson(String mail, String name, List<Role> roles) {}

    /** @param revision that it is based on */
    record SettledPerson(int revision, String name, List<Role> roles) {}

    /** People of the office. */
    @GetMapping
    Page<PeopleViews.OfficePerson> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return lists.list(find, sort, page);
    }

    /** Lets somebody in: they are mailed a way in. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PeopleViews.OfficePersonDetail invite(@RequestBody NewPerson person, HttpServletRequest request) {
        return show(people.invite(person.mail(), person.name(), new HashSet<>(person.roles())), request);
    }

    /** Somebody of the office, and where they are signed in. */
    @GetMapping("/{id}")
    PeopleViews.OfficePersonDetail show(@PathVariable UUID id, HttpServletRequest request) {
        return lists.show(id, here(request));
    }

    /** Says what somebody is called and may. */
    @PutMapping("/{id}")
    PeopleViews.OfficePersonDetail settle(
            @PathVariable UUID id, @RequestBody SettledPerson person, HttpServletRequest request) {
        people.settle(id, person.revision(), person.name(), new HashSet<>(person.roles()));
        return show(id, request);
    }

    /** Takes an account out that nobody ever used. */
    @DeleteMapping("/{id}")
    void remove(@PathVariable UUID id) {
        people.remove(id);
    }

    /** Mails the way in once more. */
    @PostMapping("/{id}/invitation")
    PeopleViews.OfficePersonDetail inviteAgain(@PathVariable UUID id, HttpServletRequest request) {
        people.inviteAgain(id);
        return show(id, request);
    }

    /** Lets somebody in no more, from now on. */
    @PostMapping("/{id}/closing")
    PeopleViews.OfficePersonDetail close(@PathVariable UUID id, HttpServletRequest request) {
        people.close(id);
        return show(id, request);
    }

    /** Lets somebody in again. */
    @DeleteMapping("/{id}/closing")
    PeopleViews.OfficePersonDetail reopen(@PathVariable UUID id, HttpServletRequest request) {
        people.reopen(id);
        return show(id, request);
    }

    /** For who has lost what they show beside a password. */
    @DeleteMapping("/{id}/second-factor")
    PeopleViews.OfficePersonDetail forgetFactors(@PathVariable UUID id, HttpServletRequest request) {
        people.forgetFactors(id);
        return show(id, request);
    }

    /** Signs somebody out everywhere. */
    @DeleteMapping("/{id}/sessions")
    PeopleViews.OfficePersonDetail endSessions(@PathVariable UUID id, HttpServletRequest request) {
        people.endSessions(id);
        return show(id, request);
    }

    /** Signs somebody out in one place. */
    @DeleteMapping("/{id}/sessions/{session}")
    PeopleViews.OfficePersonDetail endSession(
            @PathVariable UUID id, @PathVariable String session, HttpServletRequest request) {
        people.endSession(id, session);
        return show(id, request);
    }

    /** Who needs more than a password. */
    @GetMapping("/entry-rule")
    PeopleViews.EntryRule entryRule() {
        return new PeopleViews.EntryRule(Role.inOrder(factors.neededBy()));
    }

    /** Says who needs more than a password. */
    @PutMapping("/entry-rule")
    PeopleViews.EntryRule needFactor(@RequestBody PeopleViews.EntryRule rule) {
        people.needFactor(new HashSet<>(rule.secondFactor()));
        return entryRule();
    }

    static String here(HttpServletRequest request) {
        return Optional.ofNullable(request.getSession(false))
                .map(HttpSession::getId)
                .orElse("");
    }
}
