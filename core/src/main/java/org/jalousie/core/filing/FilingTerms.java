package org.jalousie.core.filing;

import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;

/**
 * A place to which completed agreements are filed.
 *
 * @param title what people call it
 * @param address a folder of the machine that the server runs on, a collection of the Web that speaks WebDAV (RFC 4918), or a
 *     {@link BucketAddress}
 * @param user by whose name the collection is asked, or by which key the bucket; empty for nobody's
 * @param templates whose agreements are filed there; none for all
 * @param usual how they are filed
 * @param rules how those of some templates are filed otherwise
 * @param record whether the signing record goes with them
 * @param region that requests to a bucket are signed for
 */
public record FilingTerms(
        String title,
        Kind kind,
        String address,
        String user,
        List<UUID> templates,
        FilingRule usual,
        List<TemplateRule> rules,
        boolean record,
        String region) {
    private static final int LONGEST = 1_000;
    private static final int LONGEST_TITLE = 100;
    private static final int MOST = 200;

    /** What storage takes that has no regions. */
    private static final String USUAL_REGION = "us-east-1";

    /** What is spoken with it. */
    public enum Kind {
        FOLDER,
        WEBDAV,
        BUCKET
    }

    /** How a template's agreements are filed. */
    public record TemplateRule(UUID template, FilingRule rule) {}

    public FilingTerms {
        title = title == null ? "" : title.strip();
        kind = kind == null ? Kind.FOLDER : kind;
        address = address == null ? "" : address.strip();
        user = user == null ? "" : user.strip();
        templates =
                templates == null ? List.of() : templates.stream().distinct().toList();
        usual = usual == null ? FilingRule.USUAL : usual;
        rules = rules == null ? List.of() : List.copyOf(rules);
        region = region == null || region.isBlank() ? USUAL_REGION : region.strip();
    }

    /** Whether agreements of a template go there. */
    public boolean takes(UUID template) {
        return templates.isEmpty() || templates.contains(template);
    }

    /** How a template's agreements are filed. */
    public FilingRule rule(UUID template) {
        return rules.stream()
                .filter(one -> one.template().equals(template))
                .findFirst()
                .map(TemplateRule::rule)
                .orElse(usual);
    }

    /** The folder; empty for an address that is none. */
    public Optional<Path> folder() {
        try {
            return Optional.of(Path.of(address)).filter(Path::isAbsolute).map(Path::normalize);
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    /** The collection, with a stroke at its end; empty for an address that is none. */
    public Optional<URI> collection() {
        try {
            URI address = new URI(new URI(this.address).toASCIIString());
            String scheme = String.valueOf(address.getScheme());
            boolean whole = (scheme.equals("https") || scheme.equals("http"))
                    && address.getHost() != null
                    && address.getRawUserInfo() == null
                    && address.getRawFragment() == null
                    && address.getRawQuery() == null;
            if (!whole) return Optional.empty();
            return Optional.of(URI.create(address.toString().endsWith("/") ? address.toString() : address + "/"));
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    /** The bucket; empty for an address that is none. */
    public Optional<BucketAddress> bucket() {
        return BucketAddress.read(address);
    }

    /** What has to be mended, by the place of each fault; nothing when all is well. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty() || title.length() > LONGEST_TITLE)
            faults.put("title", Message.of("filing.title", "most", LONGEST_TITLE));
        boolean there = switch (kind) {
            case FOLDER -> folder().isPresent();
            case WEBDAV -> collection().isPresent();
            case BUCKET -> bucket().isPresent();
        };
        if (!there || address.length() > LONGEST)
            faults.put("address", Message.of("filing.no-place", "kind", kind.name()));
        if (!region.matches("[A-Za-z0-9-]{1,64}")) faults.put("region", Message.of("filing.region"));
        if (user.length() > LONGEST || user.contains(":") || user.chars().anyMatch(c -> c < ' '))
            faults.put("user", Message.of("filing.user"));
        if (templates.size() > MOST || rules.size() > MOST)
            faults.put("templates", Message.of("filing.templates", "most", MOST));
        usual.faults().forEach((place, fault) -> faults.put("usual." + place, fault));
        Set<UUID> seen = new HashSet<>();
        for (int i = 0; i < rules.size(); i++) {
            String place = "rules." + i + ".";
            rules.get(i).rule().faults().forEach((at, fault) -> faults.put(place + at, fault));
            if (!seen.add(rules.get(i).template())) faults.put(place + "folder", Message.of("filing.rule-twice"));
        }
        return faults;
    }
}
