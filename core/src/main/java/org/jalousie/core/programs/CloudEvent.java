package org.jalousie.core.programs;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.json.Json;

/**
 * A notice as it is sent: a CloudEvent in the structured mode of JSON (CloudEvents 1.0.2, JSON Event Format §3). It names what
 * happened and where to look; who somebody is has to be looked up.
 *
 * @param id of the notice: sent again, it is the same
 * @param source the office's address
 * @param subject the number of the agreement or request; empty for a trial
 * @param data what is known, as JSON has it
 */
public record CloudEvent(
        UUID id, String source, NoticeKind kind, String subject, Instant time, Map<String, Object> data) {
    /** The media type of {@link #json()}. */
    public static final String TYPE = "application/cloudevents+json";

    /** As it is sent. */
    public String json() {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("specversion", "1.0");
        all.put("id", id.toString());
        all.put("source", source);
        all.put("type", kind.type());
        all.put("time", time.toString());
        if (!subject.isEmpty()) all.put("subject", subject);
        all.put("datacontenttype", "application/json");
        all.put("data", data);
        return Json.canonical(all);
    }
}
