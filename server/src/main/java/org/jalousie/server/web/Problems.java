package org.jalousie.server.web;

import java.util.UUID;
import org.jalousie.core.wording.UnacceptableFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Errors as problem details (RFC 9457). */
@RestControllerAdvice
class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail refusal(Refusal refusal) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(refusal.status(), refusal.getMessage());
        if (!refusal.faults().isEmpty()) problem.setProperty("faults", refusal.faults());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail unacceptable(UnacceptableFile e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.CONTENT_TOO_LARGE, "At most 25 MB can be taken in. Make the file's pictures smaller.");
    }

    @ExceptionHandler({
        HttpMessageNotReadableException.class,
        MissingServletRequestPartException.class,
        MissingServletRequestParameterException.class,
        MethodArgumentTypeMismatchException.class
    })
    ProblemDetail unreadable(Exception e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The request can't be read: a part is missing or is no valid JSON.");
    }

    @ExceptionHandler
    ProblemDetail missing(NoResourceFoundException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "There is nothing at this address.");
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e) {
        String number = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("request failed, error {}", number, e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong in the program. Nothing was changed. Tell the administrator the number " + number
                        + ".");
    }
}
