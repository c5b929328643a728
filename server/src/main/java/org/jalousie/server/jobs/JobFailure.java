package org.jalousie.server.jobs;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A job that was given up after its last try. */
@Entity
@Table(name = "job_failure")
public class JobFailure {
    @Id
    private UUID id;

    private String task;
    private String instance;
    private UUID agreementId;
    private String reason;
    private Instant failedAt;

    protected JobFailure() {}

    JobFailure(String task, String instance, UUID agreementId, String reason, Instant failedAt) {
        this.id = UUID.randomUUID();
        this.task = task;
        this.instance = instance;
        this.agreementId = agreementId;
        this.reason = reason;
        this.failedAt = failedAt;
    }

    String task() {
        return task;
    }

    String instance() {
        return instance;
    }

    public UUID agreementId() {
        return agreementId;
    }

    public String reason() {
        return reason;
    }

    public Instant failedAt() {
        return failedAt;
    }
}
