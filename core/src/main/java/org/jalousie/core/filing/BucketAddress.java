package org.jalousie.core.filing;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Where a bucket of storage that speaks S3 is, written as one address: {@code https://storage.example.org/papers/signed/} is the
 * bucket {@code papers} of that server, and in it what begins with {@code signed/}.
 *
 * @param server without a path
 * @param prefix with which all names in it begin; empty, or with a stroke at its end
 */
public record BucketAddress(URI server, String bucket, String prefix) {
    /** Amazon S3 User Guide, "General purpose bucket naming rules"; other storage takes no others. */
    private static final Pattern BUCKET = Pattern.compile("[a-z0-9][a-z0-9.-]{1,61}[a-z0-9]");

    /** Names that any storage takes and none takes for something else. */
    private static final Pattern PREFIX = Pattern.compile("(?:[A-Za-z0-9._-]+/)*");

    /** Reads it; empty for what is none. */
    public static Optional<BucketAddress> read(String written) {
        try {
            URI address = new URI(written.strip());
            String scheme = String.valueOf(address.getScheme());
            boolean whole = (scheme.equals("https") || scheme.equals("http"))
                    && address.getHost() != null
                    && address.getRawUserInfo() == null
                    && address.getRawQuery() == null
                    && address.getRawFragment() == null
                    && address.getRawPath().startsWith("/");
            if (!whole) return Optional.empty();
            String path = address.getRawPath().substring(1);
            int end = path.indexOf('/');
            String bucket = end < 0 ? path : path.substring(0, end);
            String rest = end < 0 ? "" : path.substring(end + 1);
            String prefix = rest.isEmpty() || rest.endsWith("/") ? rest : rest + "/";
            if (!BUCKET.matcher(bucket).matches() || !PREFIX.matcher(prefix).matches() || dotted(prefix))
                return Optional.empty();
            return Optional.of(new BucketAddress(
                    new URI(scheme, null, address.getHost(), address.getPort(), null, null, null), bucket, prefix));
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    /** Whether a part of it would be taken for "here" or "above". */
    private static boolean dotted(String prefix) {
        return ("/" + prefix).contains("/./") || ("/" + prefix).contains("/../");
    }
}
