package org.jalousie.server.office;

/** Told of a change of the office's hours, in the transaction of the change. */
public interface AfterHours {
    void hoursChanged();
}
