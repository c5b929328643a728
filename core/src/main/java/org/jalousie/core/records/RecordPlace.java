package org.jalousie.core.records;

import java.net.URI;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.WebhookTerms;

/**
 * Where records are, and which of them are wanted. Places in a record are JSON pointers (RFC 6901): {@code /lender/name}.
 *
 * @param address before all others
 * @param list of records that have the status, {@code loans?status={status}}; more of them follow where its answer links to the
 *     next page (RFC 8288)
 * @param items where the list stands in that answer; empty where it is the answer itself
 * @param key what tells records apart, in a record of the list
 * @param one a record by its key, {@code loans/{id}}
 * @param status in a record
 * @param wanted the status of records that an agreement is to be made of
 * @param everyMinutes how often the list is looked through; notices let a record be looked at before
 * @param notice where a notice says the record's key; empty where none come
 */
public record RecordPlace(
        String address,
        String list,
        String items,
        String key,
        String one,
        String status,
        String wanted,
        int everyMinutes,
        String notice) {
    private static final int LONGEST_INTERVAL = 24 * 60;

    public RecordPlace {
        address = stripped(address);
        list = stripped(list);
        items = stripped(items);
        key = stripped(key);
        one = stripped(one);
        status = stripped(status);
        wanted = stripped(wanted);
        notice = stripped(notice);
    }

    static String stripped(String text) {
        return text == null ? "" : text.strip();
    }

    /** The address before all others, which ends in a slash; empty for what is none. */
    public Optional<URI> base() {
        return WebhookTerms.readAddress(address)
                .filter(one -> one.getRawQuery() == null)
                .map(one -> one.getRawPath().endsWith("/") ? one : URI.create(one + "/"));
    }

    /** Where the list of wanted records is. */
    public URI listAddress() {
        return at(new AddressTemplate(list).expanded(Map.of("status", wanted)));
    }

    /** Where a record is. */
    public URI address(String id) {
        return at(new AddressTemplate(one).expanded(Map.of("id", id)));
    }

    /** @param relative to the address before all others */
    URI at(String relative) {
        return base().orElseThrow().resolve(relative);
    }

    /**
     * Whether an address is this system's: its credential is sent to no other.
     *
     * @param other of the next page, say
     */
    public boolean isOwn(URI other) {
        return base().map(own -> origin(own).equals(origin(other))).orElse(false);
    }

    /** Scheme, host and port (RFC 6454 §4). */
    private static String origin(URI address) {
        int port = address.getPort();
        boolean secure = "https".equalsIgnoreCase(address.getScheme());
        return (address.getScheme() + "://" + address.getHost() + ":" + (port >= 0 ? port : secure ? 443 : 80))
                .toLowerCase(java.util.Locale.ROOT);
    }

    void faults(Map<String, Message> faults) {
        if (base().isEmpty()) faults.put("place.address", Message.of("record.address", "address", address));
        addressed("place.list", list, List.of("status"), faults);
        addressed("place.one", one, List.of("id"), faults);
        if (!new AddressTemplate(one).names().contains("id"))
            faults.putIfAbsent("place.one", Message.of("record.needs", "name", "{id}"));
        pointed("place.items", items, faults);
        pointed("place.notice", notice, faults);
        for (Map.Entry<String, String> part :
                new LinkedHashMap<>(Map.of("place.key", key, "place.status", status)).entrySet()) {
            if (part.getValue().isEmpty()) faults.put(part.getKey(), Message.of("record.pointer", "pointer", ""));
            pointed(part.getKey(), part.getValue(), faults);
        }
        if (wanted.isEmpty()) faults.put("place.wanted", Message.of("record.no-wanted"));
        if (everyMinutes < 1 || everyMinutes > LONGEST_INTERVAL)
            faults.put("place.everyMinutes", Message.of("record.interval", "most", LONGEST_INTERVAL));
    }

    /** An address with places of these names and no others, that stays on this system. */
    void addressed(String at, String text, List<String> names, Map<String, Message> faults) {
        AddressTemplate template = new AddressTemplate(text);
        if (text.isEmpty() || !template.isWhole()) {
            faults.putIfAbsent(at, Message.of("record.relative", "address", text));
            return;
        }
        template.names().stream()
                .filter(name -> !names.contains(name))
                .findFirst()
                .ifPresent(name -> faults.putIfAbsent(at, Message.of("record.no-place", "name", "{" + name + "}")));
        try {
            if (base().isPresent() && !isOwn(at(template.expanded(Map.of()))))
                faults.putIfAbsent(at, Message.of("record.relative", "address", text));
        } catch (IllegalArgumentException e) {
            faults.putIfAbsent(at, Message.of("record.relative", "address", text));
        }
    }

    static void pointed(String at, String pointer, Map<String, Message> faults) {
        if (!Pointers.isOne(pointer)) faults.putIfAbsent(at, Message.of("record.pointer", "pointer", pointer));
    }
}
