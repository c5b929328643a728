package org.jalousie.server.signing;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Somebody who comes by a link.
 *
 * @param token the link's secret, as it stands in the address
 * @param browser the one that they come with; empty when it isn't known yet
 * @param from network address and kind of browser, for the trail
 */
record Visit(String token, Optional<Browser> browser, String from) {
    static final String COOKIE = "jalousie-browser";
    private static final int LONGEST_BROWSER = 160;

    static Visit of(String token, HttpServletRequest request) {
        Stream<Cookie> cookies = request.getCookies() == null ? Stream.empty() : Arrays.stream(request.getCookies());
        Optional<Browser> browser = cookies.filter(one -> one.getName().equals(COOKIE))
                .findFirst()
                .flatMap(one -> Browser.read(one.getValue()));
        String kind = String.valueOf(request.getHeader("User-Agent")).replaceAll("\\p{Cntrl}", " ");
        return new Visit(
                token,
                browser,
                request.getRemoteAddr() + ", " + kind.substring(0, Math.min(kind.length(), LONGEST_BROWSER)));
    }

    /** The same visit, with a browser that is known from now on. */
    Visit by(Browser known) {
        return new Visit(token, Optional.of(known), from);
    }
}
