package org.jalousie.core.records;

import java.net.URI;
import java.util.Map;

/**
 * Rows that go with a record: its objects, say.
 *
 * @param name that they are called by here
 * @param address where they are, {@code loans/{id}/objects}; empty where they stand in the record itself
 * @param rows where the list stands in that answer, or in the record
 */
public record RelatedRows(String name, String address, String rows) {
    public RelatedRows {
        name = RecordPlace.stripped(name);
        address = RecordPlace.stripped(address);
        rows = RecordPlace.stripped(rows);
    }

    /** Whether they stand in the record itself. */
    public boolean within() {
        return address.isEmpty();
    }

    public URI address(RecordPlace place, String id) {
        return place.at(new AddressTemplate(address).expanded(Map.of("id", id)));
    }
}
