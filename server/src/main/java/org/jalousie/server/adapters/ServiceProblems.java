package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Tells a person who waits for an outside service that it is away, or that it could not do it. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ServiceProblems {
    @ExceptionHandler
    ProblemDetail away(ServiceAway e) {
        // why it is away may name machines of the office, and whoever asks may be a participant: the office reads it in
        // Today
        Message said = Message.of("service.away", "service", e.service().name());
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, said.toString());
        problem.setProperty("message", said);
        return problem;
    }

    @ExceptionHandler
    ProblemDetail failed(Converter.ConversionFailed e) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage());
        problem.setProperty("message", e.said());
        return problem;
    }
}
