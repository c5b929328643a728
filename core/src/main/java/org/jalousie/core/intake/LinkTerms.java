package org.jalousie.core.intake;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Optional;

/**
 * What is agreed about a form that is shared by a link.
 *
 * @param frames origins of the sites that may show it in a frame (RFC 6454 §6.2), and no other; none for no site
 * @param thanks said when it has been handed in; empty for the usual words
 * @param then where who asked goes on
 * @param document whether who asked gets the finished document with the mail that tells of it
 * @param wording whether the agreement's words are shown with the answers in them while it is filled
 * @param askerName the field with the name of who asks; empty where the form asks for it besides its questions
 * @param askerMail the field with their mail address, as {@code askerName}
 * @param officeMail where the office is told, with the answers; empty for nowhere
 */
public record LinkTerms(
        List<String> frames,
        String thanks,
        Then then,
        Boolean document,
        Boolean wording,
        String askerName,
        String askerMail,
        String officeMail) {
    private static final int MOST_FRAMES = 20;

    public LinkTerms {
        frames = frames == null ? List.of() : List.copyOf(frames);
        thanks = thanks == null ? "" : thanks;
        then = then == null ? Then.THANKS : then;
        document = document != null && document;
        wording = wording == null || wording;
        askerName = askerName == null ? "" : askerName;
        askerMail = askerMail == null ? "" : askerMail;
        officeMail = officeMail == null ? "" : officeMail;
    }

    /** Where who asked goes on. */
    public enum Then {
        /** They are thanked; what has to be signed comes by mail. */
        THANKS,
        /** They sign in the same place, where the agreement goes out at once and it is their turn. */
        SIGN
    }

    /** An origin as browsers compare it; empty for what is none. */
    public static Optional<String> origin(String text) {
        try {
            URI address = new URI(text.strip());
            String scheme = String.valueOf(address.getScheme());
            boolean web = scheme.equals("https") || scheme.equals("http");
            boolean bare = address.getHost() != null
                    && address.getUserInfo() == null
                    && address.getQuery() == null
                    && address.getFragment() == null
                    && List.of("", "/").contains(String.valueOf(address.getPath()));
            if (!web || !bare || !address.getHost().matches("[A-Za-z0-9.\\[\\]:-]+")) return Optional.empty();
            String port = address.getPort() < 0 ? "" : ":" + address.getPort();
            return Optional.of(scheme + "://" + address.getHost().toLowerCase(java.util.Locale.ROOT) + port);
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    /** Whether there are few enough sites for one header. */
    public boolean fits() {
        return frames.size() <= MOST_FRAMES;
    }
}
