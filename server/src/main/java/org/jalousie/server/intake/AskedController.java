package org.jalousie.server.intake;

import jakarta.servlet.http.HttpServletRequest;
import org.jalousie.server.web.Attempts;
import org.jalousie.server.web.Download;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Requests for those who have asked, over HTTP; the link's secret stands for the person. */
@RestController
@RequestMapping("/api/v1/asked/{secret}")
class AskedController {
    private final AskedRequests requests;
    private final Attempts attempts;

    AskedController(AskedRequests requests, Attempts attempts) {
        this.requests = requests;
        this.attempts = attempts;
    }

    /** What became of what somebody asked for. */
    @GetMapping
    FormLinkViews.AskStatus status(@PathVariable String secret, HttpServletRequest request) {
        Attempts.Attempt attempt = attempts.link(request.getRemoteAddr());
        FormLinkViews.AskStatus status = requests.status(secret);
        attempt.succeeded();
        return status;
    }

    /** Goes on to sign. */
    @PostMapping("/signing")
    FormLinkViews.GoOn sign(@PathVariable String secret, HttpServletRequest request) {
        Attempts.Attempt attempt = attempts.link(request.getRemoteAddr());
        FormLinkViews.GoOn on = requests.straightOn(secret);
        attempt.succeeded();
        return on;
    }

    /** The finished document of what somebody asked for. */
    @GetMapping("/document")
    ResponseEntity<byte[]> document(@PathVariable String secret, HttpServletRequest request) {
        Attempts.Attempt attempt = attempts.link(request.getRemoteAddr());
        AskedRequests.Finished finished = requests.document(secret);
        attempt.succeeded();
        return Download.of(finished.bytes(), finished.name(), finished.type());
    }
}
