package org.jalousie.server.groups;

import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jalousie.core.access.GroupRight;

/**
 * What somebody has to be let do for an address, when some templates are not for everybody: the one place that says so. What isn't
 * named here is for those who see all.
 */
final class Addresses {
    /** What tells nothing of requests and agreements, is somebody's own, or is opened by a link. */
    private static final Set<String> OPEN = Set.of(
            "session",
            "account",
            "mine",
            "own-requests",
            "people",
            "trail",
            "teams",
            "office",
            "openapi",
            "signing",
            "ask",
            "asked",
            "clauses",
            "pictures",
            "registers",
            "forms",
            "form-pages",
            "form-files",
            "today");

    /** Lists that leave out what isn't seen, and what is looked at by what is sent along. */
    private static final Pattern LISTS = Pattern.compile(
            "agreements|requests(/(counts|headings|owners))?|templates(/(composition|attachments))?|postroom|scans|runs(/of-rows)?"
                    + "|form-links|begun-forms|finished-files|archive(/(groups|table|templates|views|dates|dates/table|check|evidence))?"
                    + "|archive/(reports|trusted)(/.*)?");

    /** What is sent only to be looked at or read. */
    private static final Pattern LOOKED_AT = Pattern.compile(
            "requests/[^/]+/(form-state|pages|text|taking)|archive/[^/]+/verification|templates/.*(comparison|/tie)"
                    + "|templates/[^/]+/newest-form/(state|pages|text|taking)|form-links/[^/]+/address");

    /** A form is used, though it is its template's. */
    private static final Pattern FORM = Pattern.compile("templates/[^/]+/form(/.*)?");

    /** What is made from templates, by which {@link Whose} knows whose it is. */
    private static final Set<String> MADE = Set.of(
            "agreements",
            "requests",
            "postroom",
            "scans",
            "runs",
            "tables",
            "form-links",
            "begun-forms",
            "finished-files");

    private Addresses() {}

    /** What is asked of somebody. */
    sealed interface Need {}

    /** Nothing: they may, or the room leaves out what isn't theirs. */
    record Nothing() implements Need {}

    /** That they see, and where they change anything may use, all templates. */
    record Everything(boolean writes) implements Need {}

    /** One of some rights in what a thing is made from. @param kind of thing, {@code key} by which it is known */
    record Of(String kind, String key, Set<GroupRight> oneOf) implements Need {}

    /** @param rest of the address after {@code /api/v1/} */
    static Need of(String method, String rest) {
        boolean writes = !Set.of("GET", "HEAD").contains(method)
                && !LOOKED_AT.matcher(rest).matches();
        List<String> parts = List.of(rest.split("/"));
        String first = parts.get(0);
        if (OPEN.contains(first) || LISTS.matcher(rest).matches()) return new Nothing();
        if (parts.size() < 2) return new Everything(writes);
        Set<GroupRight> made = Set.of(writes ? GroupRight.USE : GroupRight.SEE);
        if (MADE.contains(first)) return new Of(first, parts.get(1), made);
        if (first.equals("templates")) return template(rest, parts.get(1), writes);
        if (!first.equals("archive")) return new Everything(writes);
        String third = parts.size() < 3 ? "" : parts.get(2);
        return switch (parts.get(1)) {
            case "filing", "person", "retention", "stamps" -> new Everything(writes);
            case "templates" -> template(rest, third, writes);
            case "dates" -> new Of("dates", third, made);
            case "views" -> new Of("views", third, Set.of(GroupRight.SEE));
            // a number, and what isn't one is found nowhere
            default -> new Of("agreements", parts.get(1), made);
        };
    }

    private static Need template(String rest, String id, boolean writes) {
        if (FORM.matcher(rest).matches()) return new Of("templates", id, Set.of(GroupRight.USE));
        return new Of("templates", id, writes ? Set.of(GroupRight.PREPARE) : GroupRight.all());
    }
}
