package org.jalousie.server.web;

import java.sql.SQLException;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.wording.UnacceptableFile;
import org.jalousie.server.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.HttpMediaTypeException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Errors as problem details (RFC 9457): the one place that says what is the caller's fault and what is ours. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    /** SQLSTATE of unique and foreign keys; other violations are our own fault. */
    private static final Set<String> RACED = Set.of("23505", "23503");

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refusal(Refusal refusal) {
        HttpStatus status = status(refusal);
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, refusal.getMessage());
        if (!refusal.faults().isEmpty()) problem.setProperty("faults", refusal.faults());
        // for who speaks another language than the detail's English
        refusal.said().ifPresent(said -> problem.setProperty("message", said));
        if (!refusal.saidFaults().isEmpty()) problem.setProperty("faultMessages", refusal.saidFaults());
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
        refusal.retryAfter().ifPresent(wait -> answer.header(HttpHeaders.RETRY_AFTER, "" + wait.toSeconds()));
        return answer.body(problem);
    }

    private static HttpStatus status(Refusal refusal) {
        return switch (refusal.kind()) {
            case NOT_FOUND -> HttpStatus.NOT_FOUND;
            case CONFLICT -> HttpStatus.CONFLICT;
            case INVALID -> HttpStatus.UNPROCESSABLE_CONTENT;
            case GONE -> HttpStatus.GONE;
            case TOO_MANY -> HttpStatus.TOO_MANY_REQUESTS;
            case MALFORMED -> HttpStatus.BAD_REQUEST;
            case NOT_SIGNED_IN -> HttpStatus.UNAUTHORIZED;
        };
    }

    @ExceptionHandler
    ProblemDetail unacceptable(UnacceptableFile e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail tooLarge(RequestLimits.TooLarge e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(e.most));
    }

    /** Two did the same at one moment; a unique index or a reference let one of them through. */
    @ExceptionHandler({DataIntegrityViolationException.class, ConcurrencyFailureException.class})
    ResponseEntity<Object> raced(Exception e) {
        boolean raced = e instanceof ConcurrencyFailureException
                || NestedExceptionUtils.getMostSpecificCause(e) instanceof SQLException cause
                        && RACED.contains(cause.getSQLState());
        if (!raced) return ours(e);
        return answer(
                HttpStatus.CONFLICT,
                "Somebody else did something of the same kind at this moment. Reload the page to see it, then try again.",
                new HttpHeaders());
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return answer(
                HttpStatus.CONTENT_TOO_LARGE,
                "The file is larger than the 25 MB that can be taken in. Make its pictures smaller.",
                headers);
    }

    /** What the framework itself refuses: wrong method, wrong type, what can't be read. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        Throwable root = NestedExceptionUtils.getMostSpecificCause(e);
        if (root instanceof RequestLimits.TooLarge large)
            return answer(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(large.most), headers);
        if (root instanceof Refusal refusal) return answer(status(refusal), refusal.getMessage(), headers);
        if (status.is5xxServerError()) return ours(e);
        String detail;
        if (e instanceof HttpRequestMethodNotSupportedException method) {
            detail = "This address can't be asked with " + method.getMethod() + ".";
        } else if (e instanceof HttpMediaTypeException) {
            detail = "The request has a content type that is not taken in here, or asks for one that is not given out.";
        } else if (e instanceof NoResourceFoundException) {
            detail = "There is nothing at this address.";
        } else {
            detail = "The request can't be read: a part is missing, is too deep or too long, or is no valid JSON.";
        }
        return answer(status, detail, headers);
    }

    @ExceptionHandler
    ResponseEntity<Object> multipart(MultipartException e) {
        if (NestedExceptionUtils.getMostSpecificCause(e) instanceof RequestLimits.TooLarge large)
            return answer(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(large.most), new HttpHeaders());
        return answer(HttpStatus.BAD_REQUEST, "The upload can't be read.", new HttpHeaders());
    }

    @ExceptionHandler
    ResponseEntity<Object> unexpected(Exception e) {
        return ours(e);
    }

    private static ResponseEntity<Object> answer(HttpStatusCode status, String detail, HttpHeaders headers) {
        return ResponseEntity.status(status).headers(headers).body(ProblemDetail.forStatusAndDetail(status, detail));
    }

    private static ResponseEntity<Object> ours(Exception e) {
        String number = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("request failed, error {}", number, e);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong in the program. Nothing was changed. Tell the administrator the number " + number
                        + ".",
                new HttpHeaders());
    }
}
