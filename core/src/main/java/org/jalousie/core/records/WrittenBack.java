package org.jalousie.core.records;

import java.net.URI;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;

/**
 * What is written back into a record.
 *
 * @param statuses that the record has after each step; a step without one leaves it as it is
 * @param number where the agreement's number goes; empty for nowhere, as in what follows
 * @param link where the address of its room goes
 * @param said where it goes what has to be mended, or why it came to nothing
 * @param file where the signed file is put, {@code loans/{id}/files/{name}}; empty where it isn't
 * @param name of the file, with folders before it, and with the agreement's data by their tags
 * @param signingRecord whether the signing record is put beside it
 */
public record WrittenBack(
        Map<RecordStep, String> statuses,
        String number,
        String link,
        String said,
        String file,
        String name,
        boolean signingRecord) {
    private static final int LONGEST_STATUS = 100;
    private static final int LONGEST_NAME = 500;

    public WrittenBack {
        EnumMap<RecordStep, String> all = new EnumMap<>(RecordStep.class);
        if (statuses != null)
            statuses.forEach((step, status) -> {
                if (!RecordPlace.stripped(status).isEmpty()) all.put(step, RecordPlace.stripped(status));
            });
        statuses = all;
        number = RecordPlace.stripped(number);
        link = RecordPlace.stripped(link);
        said = RecordPlace.stripped(said);
        file = RecordPlace.stripped(file);
        name = RecordPlace.stripped(name);
    }

    /** The status after a step; empty where it stays. */
    public String status(RecordStep step) {
        return statuses.getOrDefault(step, "");
    }

    /** Where a file of a record is put. @param called with folders before it */
    public URI fileAddress(RecordPlace place, String id, String called) {
        return place.at(new AddressTemplate(file).expanded(Map.of("id", id, "name", called), "name"));
    }

    void faults(RecordPlace place, Map<String, Message> faults) {
        if (status(RecordStep.RECEIVED).isEmpty())
            faults.put("back.statuses.RECEIVED", Message.of("record.no-received"));
        statuses.forEach((step, status) -> {
            if (status.equals(place.wanted()) || status.length() > LONGEST_STATUS)
                faults.put("back.statuses." + step, Message.of("record.status", "most", LONGEST_STATUS));
        });
        for (Map.Entry<String, String> part :
                Map.of("number", number, "link", link, "said", said).entrySet())
            RecordPlace.pointed("back." + part.getKey(), part.getValue(), faults);
        List<String> written = java.util.stream.Stream.of(place.status(), number, link, said)
                .filter(one -> !one.isEmpty())
                .toList();
        if (written.stream().anyMatch(one -> written.stream().anyMatch(other -> within(other, one)))
                || written.stream().distinct().count() < written.size())
            faults.putIfAbsent("back.number", Message.of("record.same-place"));
        if (file.isEmpty()) return;
        place.addressed("back.file", file, List.of("id", "name"), faults);
        if (!new AddressTemplate(file).names().containsAll(List.of("id", "name")))
            faults.putIfAbsent("back.file", Message.of("record.needs", "name", "{id} {name}"));
        if (name.isEmpty() || name.length() > LONGEST_NAME)
            faults.put("back.name", Message.of("record.file-name", "most", LONGEST_NAME));
    }

    private static boolean within(String one, String other) {
        return one.startsWith(other + "/");
    }
}
