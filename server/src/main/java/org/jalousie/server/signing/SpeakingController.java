package org.jalousie.server.signing;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import org.jalousie.core.parties.Person;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What a participant has to say besides acting: a question, or that somebody else is to do it. */
@RestController
@RequestMapping("/api/v1/signing/{token}")
class SpeakingController {
    private final SigningService service;
    private final SigningPages pages;

    SpeakingController(SigningService service, SigningPages pages) {
        this.service = service;
        this.pages = pages;
    }

    record ToTheOffice(String question) {}

    /** Who is to do it. @param phone for who is asked by text message; {@code reason} may be empty */
    record HandingOver(
            String name,
            String mail,
            @Schema(types = {"string", "null"}) String phone,
            String reason) {}

    /** A participant asks the office something. */
    @PostMapping("/questions")
    SigningViews.SigningPage ask(
            @PathVariable String token, @RequestBody ToTheOffice question, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.ask(visit, Objects.requireNonNullElse(question.question(), ""));
        return pages.page(visit);
    }

    /** A participant hands over to somebody else; their link leads nowhere any more. */
    @PostMapping("/successor")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void handOver(@PathVariable String token, @RequestBody HandingOver over, HttpServletRequest request) {
        service.handOver(
                Visit.of(token, request),
                new Person(
                        Objects.requireNonNullElse(over.name(), "").strip(),
                        Objects.requireNonNullElse(over.mail(), "").strip(),
                        Objects.requireNonNullElse(over.phone(), "").strip(),
                        ""),
                Objects.requireNonNullElse(over.reason(), ""));
    }
}
