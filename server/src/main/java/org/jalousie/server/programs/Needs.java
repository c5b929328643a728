package org.jalousie.server.programs;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jalousie.core.programs.Scope;
import org.jalousie.core.programs.Scope.Area;

/** Which scopes an operation needs, by its address: the one place that says so, for keys and for the description. */
final class Needs {
    private static final String BASE = "/api/v1/";

    private static final Map<String, Area> AREAS = Map.ofEntries(
            Map.entry("templates", Area.TEMPLATES),
            Map.entry("clauses", Area.TEMPLATES),
            Map.entry("pictures", Area.TEMPLATES),
            Map.entry("requests", Area.INTAKE),
            Map.entry("begun-forms", Area.INTAKE),
            Map.entry("forms", Area.INTAKE),
            Map.entry("form-pages", Area.INTAKE),
            Map.entry("form-files", Area.INTAKE),
            Map.entry("form-links", Area.INTAKE),
            Map.entry("runs", Area.INTAKE),
            Map.entry("finished-files", Area.INTAKE),
            Map.entry("agreements", Area.AGREEMENTS),
            Map.entry("scans", Area.AGREEMENTS),
            Map.entry("archive", Area.ARCHIVE),
            Map.entry("daily-roots", Area.ARCHIVE),
            Map.entry("registers", Area.REGISTERS),
            Map.entry("postroom", Area.POSTROOM),
            Map.entry("office", Area.OFFICE),
            Map.entry("programs", Area.PROGRAMS));

    /** A form is the intake's, though it is its template's. */
    private static final Pattern FORM = Pattern.compile("templates/[^/]+/form(/.*)?");

    /** What is posted to be looked at only. */
    private static final Pattern LOOKED_AT = Pattern.compile(
            "forms/reading|templates/[^/]+/(newest-)?form/(state|pages|text|taking)|requests/[^/]+/(form-state|pages|text|taking)"
                    + "|templates/.*(comparison|/tie)|archive/check|archive/evidence|archive/filing/preview|daily-roots/check|archive/[^/]+/verification|form-links/[^/]+/address");

    private static final Pattern RECORD_NOTICES = Pattern.compile("record-systems/[^/]+/notices");

    private Needs() {}

    /**
     * What an operation needs.
     *
     * @param oneOf each of these ways is enough; all of a way's scopes are needed
     */
    record Need(List<List<Scope>> oneOf) {
        static final Need NOTHING = new Need(List.of(List.of()));
    }

    /** @return empty for what isn't open to programs at all */
    static Optional<Need> of(String method, String path) {
        if (!path.startsWith(BASE)) return Optional.empty();
        String rest = path.substring(BASE.length());
        if (rest.equals("openapi") || rest.startsWith("openapi/")) return Optional.of(Need.NOTHING);
        boolean writes = !Set.of("GET", "HEAD").contains(method)
                && !LOOKED_AT.matcher(rest).matches();
        String first = rest.contains("/") ? rest.substring(0, rest.indexOf('/')) : rest;
        if (first.equals("today"))
            return Optional.of(new Need(List.of(List.of(Scope.reading(Area.INTAKE), Scope.reading(Area.AGREEMENTS)))));
        // a webhook tells of requests and agreements, so nobody makes one who may not look at them
        if (first.equals("webhooks"))
            return Optional.of(new Need(List.of(List.of(
                    new Scope(Area.PROGRAMS, writes), Scope.reading(Area.INTAKE), Scope.reading(Area.AGREEMENTS)))));
        // whoever says where agreements are filed to can have them all
        if (rest.equals("archive/filing") || rest.startsWith("archive/filing/"))
            return Optional.of(
                    new Need(List.of(List.of(new Scope(Area.PROGRAMS, writes), Scope.reading(Area.ARCHIVE)))));
        // what a record system tells is a wish to be looked at, and nothing more
        if (RECORD_NOTICES.matcher(rest).matches())
            return Optional.of(new Need(List.of(List.of(Scope.writing(Area.RECORDS)))));
        if (first.equals("record-systems"))
            return Optional.of(new Need(List.of(List.of(
                    new Scope(Area.PROGRAMS, writes),
                    new Scope(Area.INTAKE, writes),
                    new Scope(Area.AGREEMENTS, writes)))));
        // what a table is for says whose it is; that is looked at when it is known
        if (first.equals("tables"))
            return Optional.of(new Need(
                    List.of(List.of(new Scope(Area.INTAKE, writes)), List.of(new Scope(Area.REGISTERS, writes)))));
        // where everything lies is a matter of the administrator's
        if (rest.equals("office/files")) return Optional.empty();
        // what can't be undone, and what is kept of somebody, is for people only
        if (rest.startsWith("archive/person/")) return Optional.empty();
        if (writes
                && (rest.equals("archive/retention/destructions")
                        || rest.startsWith("archive/retention/destructions/"))) return Optional.empty();
        Area area = FORM.matcher(rest).matches() ? Area.INTAKE : AREAS.get(first);
        return Optional.ofNullable(area).map(one -> new Need(List.of(List.of(new Scope(one, writes)))));
    }
}
