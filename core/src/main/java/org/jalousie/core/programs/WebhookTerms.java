package org.jalousie.core.programs;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;

/**
 * What another program wants to be told.
 *
 * @param title what people call it
 * @param address where it is told, an address of the Web
 * @param kinds what it is told of, one at least
 * @param forms templates whose requests and agreements it is told of; none for all
 */
public record WebhookTerms(String title, String address, List<NoticeKind> kinds, List<UUID> forms) {
    private static final int LONGEST_TITLE = 100;
    private static final int LONGEST_ADDRESS = 1_000;
    private static final int MOST_FORMS = 200;

    public WebhookTerms {
        title = title == null ? "" : title.strip();
        address = address == null ? "" : address.strip();
        kinds = kinds == null ? List.of() : kinds.stream().distinct().toList();
        forms = forms == null ? List.of() : forms.stream().distinct().toList();
    }

    /** Whether it is told of something. @param form the template that it is of */
    public boolean wants(NoticeKind kind, UUID form) {
        return kinds.contains(kind) && (forms.isEmpty() || forms.contains(form));
    }

    /** The address to send to; empty for what is none: with a host, without a name and password in it. */
    public static Optional<URI> readAddress(String text) {
        try {
            URI address = new URI(new URI(text).toASCIIString());
            String scheme = String.valueOf(address.getScheme());
            boolean web = scheme.equals("https") || scheme.equals("http");
            boolean whole = address.getHost() != null
                    && address.getRawUserInfo() == null
                    && address.getRawFragment() == null
                    && text.length() <= LONGEST_ADDRESS;
            if (!web || !whole) return Optional.empty();
            // an empty path is asked for as / (RFC 9110 §4.2.3)
            return Optional.of(
                    address.getRawPath().isEmpty() ? address.resolve("/").resolve(query(address)) : address);
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    private static String query(URI address) {
        return address.getRawQuery() == null ? "/" : "/?" + address.getRawQuery();
    }

    /** What has to be mended, by the place of each fault; nothing when all is well. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty() || title.length() > LONGEST_TITLE)
            faults.put("title", Message.of("webhook.title", "most", LONGEST_TITLE));
        if (readAddress(address).isEmpty()) faults.put("address", Message.of("webhook.address", "address", address));
        if (forms.size() > MOST_FORMS) faults.put("forms", Message.of("program.forms", "most", MOST_FORMS));
        if (kinds.isEmpty() || kinds.contains(NoticeKind.TRIAL)) faults.put("kinds", Message.of("webhook.no-kinds"));
        return faults;
    }
}
