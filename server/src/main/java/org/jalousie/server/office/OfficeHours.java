package org.jalousie.server.office;

import org.jalousie.core.parties.OfficeCalendar;

/** When the office works, as other rooms ask for it. */
public interface OfficeHours {
    /** The calendar as it is now; the usual hours for an office that never said anything. */
    OfficeCalendar calendar();
}
