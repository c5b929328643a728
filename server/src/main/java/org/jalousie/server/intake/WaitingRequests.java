package org.jalousie.server.intake;

import org.jalousie.server.web.Page;

/** Requests as other rooms see them. */
public interface WaitingRequests {
    /** Requests from which no agreement was made yet, newest first. @param most at most how many */
    Page<IntakeViews.RequestRow> waiting(int most);
}
