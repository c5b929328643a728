package org.jalousie.server.web;

import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.apache.catalina.connector.ClientAbortException;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.NotATable;
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
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
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
        ProblemDetail problem = problem(status, refusal.said());
        if (!refusal.faults().isEmpty()) {
            Map<String, String> english = new TreeMap<>();
            refusal.faults().forEach((name, fault) -> english.put(name, fault.toString()));
            problem.setProperty("faults", english);
            problem.setProperty("faultMessages", refusal.faults());
        }
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
        refusal.retryAfter().ifPresent(wait -> answer.header(HttpHeaders.RETRY_AFTER, "" + wait.toSeconds()));
        return answer.body(problem);
    }

    static HttpStatus status(Refusal refusal) {
        return switch (refusal.kind()) {
            case NOT_FOUND -> HttpStatus.NOT_FOUND;
            case CONFLICT -> HttpStatus.CONFLICT;
            case INVALID -> HttpStatus.UNPROCESSABLE_CONTENT;
            case GONE -> HttpStatus.GONE;
            case TOO_MANY -> HttpStatus.TOO_MANY_REQUESTS;
            case MALFORMED -> HttpStatus.BAD_REQUEST;
            case NOT_SIGNED_IN -> HttpStatus.UNAUTHORIZED;
            case NOT_ALLOWED -> HttpStatus.FORBIDDEN;
        };
    }

    @ExceptionHandler
    ProblemDetail unacceptable(UnacceptableFile e) {
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, e.said());
    }

    @ExceptionHandler
    ProblemDetail unacceptable(NotATable e) {
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, e.said());
    }

    @ExceptionHandler
    ProblemDetail tooLarge(RequestLimits.TooLarge e) {
        return problem(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(e.most));
    }

    /** Two did the same at one moment; a unique index or a reference let one of them through. */
    @ExceptionHandler({DataIntegrityViolationException.class, ConcurrencyFailureException.class})
    ResponseEntity<Object> raced(Exception e) {
        boolean raced = e instanceof ConcurrencyFailureException
                || NestedExceptionUtils.getMostSpecificCause(e) instanceof SQLException cause
                        && RACED.contains(cause.getSQLState());
        if (!raced) return ours(e);
        return answer(HttpStatus.CONFLICT, Message.of("request.same-moment"), new HttpHeaders());
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return answer(HttpStatus.CONTENT_TOO_LARGE, Message.of("request.file-too-large"), headers);
    }

    /** What the framework itself refuses: wrong method, wrong type, what can't be read. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        Throwable root = NestedExceptionUtils.getMostSpecificCause(e);
        if (root instanceof RequestLimits.TooLarge large)
            return answer(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(large.most), headers);
        if (root instanceof Refusal refusal) return answer(status(refusal), refusal.said(), headers);
        if (status.is5xxServerError()) return ours(e);
        Message detail;
        if (e instanceof HttpRequestMethodNotSupportedException method) {
            detail = Message.of("request.method", "method", method.getMethod());
        } else if (e instanceof HttpMediaTypeException) {
            detail = Message.of("request.type");
        } else if (e instanceof NoResourceFoundException) {
            detail = Message.of("request.nowhere");
        } else {
            detail = Message.of("request.unreadable");
        }
        return answer(status, detail, headers);
    }

    @ExceptionHandler
    ResponseEntity<Object> multipart(MultipartException e) {
        if (NestedExceptionUtils.getMostSpecificCause(e) instanceof RequestLimits.TooLarge large)
            return answer(HttpStatus.CONTENT_TOO_LARGE, RequestLimits.sentence(large.most), new HttpHeaders());
        return answer(HttpStatus.BAD_REQUEST, Message.of("request.upload-unreadable"), new HttpHeaders());
    }

    @ExceptionHandler
    ResponseEntity<Object> unexpected(Exception e) {
        // whoever has left hears no answer, and nothing has failed; a service that has gone is another matter
        if (e instanceof ClientAbortException || e instanceof AsyncRequestNotUsableException) return null;
        return ours(e);
    }

    private static ResponseEntity<Object> answer(HttpStatusCode status, Message said, HttpHeaders headers) {
        return ResponseEntity.status(status).headers(headers).body(problem(status, said));
    }

    /** The detail is English, for programs; the message is for who says it in another language. */
    private static ProblemDetail problem(HttpStatusCode status, Message said) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, said.toString());
        problem.setProperty("message", said);
        return problem;
    }

    private static ResponseEntity<Object> ours(Exception e) {
        String number = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("request failed, error {}", number, e);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR, Message.of("request.failed", "number", number), new HttpHeaders());
    }
}
