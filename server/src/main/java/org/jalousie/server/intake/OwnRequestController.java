package org.jalousie.server.intake;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import org.jalousie.server.web.Page;
import org.jalousie.server.web.SendingKey;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What requesters of the office ask for, over HTTP. */
@RestController
@RequestMapping("/api/v1/own-requests")
class OwnRequestController {
    private final OwnRequests requests;

    OwnRequestController(OwnRequests requests) {
        this.requests = requests;
    }

    /** Where it stands; the address holds as one that was mailed does. */
    record AskedAddress(String address) {}

    /** What who is signed in has asked for, the last first. */
    @GetMapping
    Page<OwnRequests.OwnRequest> list(@RequestParam(defaultValue = "0") int page, Principal by) {
        return requests.of(by.getName(), page);
    }

    /** Forms by which requesters of the office ask. */
    @GetMapping("/forms")
    Page<OwnRequests.FormToAskBy> forms(
            @RequestParam(defaultValue = "") String find, @RequestParam(defaultValue = "0") int page) {
        return requests.forms(find, page);
    }

    /** Where one of them is looked up. */
    @PostMapping("/{number}/way-in")
    AskedAddress open(@PathVariable String number, Principal by, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        return new AskedAddress(requests.wayIn(number, by.getName()));
    }
}
