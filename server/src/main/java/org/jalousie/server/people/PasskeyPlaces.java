package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;

/** To which name passkeys belong: a domain, never a network address, and only where nobody listens (WebAuthn Level 2 § 5.1.2). */
@Component
class PasskeyPlaces {
    private static final String LOCAL = "localhost";

    private final URI address;

    PasskeyPlaces(Settings settings) {
        this.address = URI.create(settings.address());
    }

    /** @param name the relying party's id, {@code origin} what the browser says where it is */
    record Place(String name, String origin) {}

    /** Empty where a browser gives no passkey. */
    Optional<Place> of(HttpServletRequest request) {
        String host = address.getHost() == null ? "" : address.getHost().toLowerCase(Locale.ROOT);
        if (host.equals(LOCAL)) return Optional.of(place(LOCAL));
        // who tries it out on their own machine can come by its name
        if (host.equals("127.0.0.1") || host.equals("[::1]"))
            return Optional.of(place(LOCAL))
                    .filter(one -> request.getServerName().equalsIgnoreCase(LOCAL));
        return Optional.of(place(host))
                .filter(one -> address.getScheme().equals("https") && host.matches("[a-z0-9.-]*[a-z][a-z0-9.-]*"));
    }

    Place required(HttpServletRequest request) {
        return of(request).orElseThrow(() -> Refusal.conflict(Message.of("passkey.no-place")));
    }

    private Place place(String host) {
        String port = address.getPort() < 0 ? "" : ":" + address.getPort();
        return new Place(host, address.getScheme() + "://" + host + port);
    }
}
