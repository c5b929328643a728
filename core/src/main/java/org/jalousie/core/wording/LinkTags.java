package org.jalousie.core.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Tags in the addresses of links, which word processors write with their braces percent-encoded. */
final class LinkTags {
    private static final Pattern TAG = Pattern.compile(
            "(?:\\{\\{|%7[Bb]%7[Bb])(?:\\s|%20)*([A-Za-z][A-Za-z0-9_]*)(?:\\s|%20)*(?:}}|%7[Dd]%7[Dd])");

    private LinkTags() {}

    static void find(Map<String, byte[]> parts, List<String> textParts, TagTree tree) {
        for (String part : textParts) {
            byte[] rels = parts.get(PackageParts.relationshipsOf(part));
            if (rels == null) continue;
            Matcher matcher = TAG.matcher(new String(rels, StandardCharsets.UTF_8));
            while (matcher.find()) tree.add(matcher.group(1), "");
        }
    }

    static void compile(Map<String, byte[]> parts, List<String> textParts, Map<String, List<Segment>> compiled) {
        for (String part : textParts) {
            String name = PackageParts.relationshipsOf(part);
            byte[] rels = parts.get(name);
            if (rels == null) continue;
            String xml = new String(rels, StandardCharsets.UTF_8);
            Matcher matcher = TAG.matcher(xml);
            List<Segment> segments = new ArrayList<>();
            int at = 0;
            while (matcher.find()) {
                segments.add(new Segment.Literal(xml.substring(at, matcher.start())));
                segments.add(new Segment.PlainSlot(matcher.group(1), "", true));
                at = matcher.end();
            }
            if (segments.isEmpty()) continue;
            segments.add(new Segment.Literal(xml.substring(at)));
            compiled.put(name, segments);
        }
    }
}
