package org.jalousie.server.files;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Says which stored file can't be given out, so that it can be brought back from the backup. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class DamagedFiles {
    private static final Logger LOG = LoggerFactory.getLogger(DamagedFiles.class);

    @ExceptionHandler
    ProblemDetail damaged(FileStore.Damaged e) {
        LOG.error("stored file {} is damaged or missing", e.name());
        return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage());
    }
}
