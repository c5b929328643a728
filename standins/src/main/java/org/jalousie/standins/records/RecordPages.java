package org.jalousie.standins.records;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** What somebody at the record system sees of it. */
final class RecordPages {
    private static final String HEAD = """
            <!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>%s</title><style>body{font:16px/1.5 sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem}
            table{border-collapse:collapse;width:100%%}td,th{text-align:left;padding:.3rem .6rem .3rem 0;border-bottom:1px solid #ccc;vertical-align:top}
            input{font:inherit;width:100%%;box-sizing:border-box}label{display:block;padding:.2rem 0}</style>
            <h1>%s</h1>
            """;

    private RecordPages() {}

    static String list(Map<String, RecordShelf.Kept> all) {
        StringBuilder page = new StringBuilder(head("Loans, a stand-in for a record system"));
        page.append("<table><tr><th>Loan<th>What<th>Status<th>Agreement</tr>");
        all.forEach((id, kept) -> page.append("<tr><td><a href=\"/loans/")
                .append(encoded(id))
                .append("\">")
                .append(text(id))
                .append("</a><td>")
                .append(text(kept.record().path("title").asString("")))
                .append("<td>")
                .append(text(kept.status()))
                .append("<td>")
                .append(link(kept))
                .append("</tr>"));
        return page.append("</table>").toString();
    }

    static String one(String id, RecordShelf.Kept kept, List<String> files) {
        StringBuilder page = new StringBuilder(head("Loan " + id));
        String at = "/loans/" + encoded(id);
        page.append("<p><a href=\"/\">All loans</a><p>Status: <strong>").append(text(kept.status()));
        page.append("</strong><p>Agreement: ").append(link(kept));
        String note = kept.record().path("agreement").path("note").asString("");
        if (!note.isEmpty()) page.append("<p style=\"white-space:pre-line\">").append(text(note));
        page.append("<form method=\"post\" action=\"")
                .append(at)
                .append("/wanted\"><button>Ask for the agreement</button></form>");
        page.append("<h2>Files</h2><ul>");
        for (String file : files)
            page.append("<li><a href=\"")
                    .append(at)
                    .append("/files/")
                    .append(encoded(file))
                    .append("\">")
                    .append(text(file))
                    .append("</a>");
        page.append("</ul><h2>The record</h2><form method=\"post\" action=\"")
                .append(at)
                .append("\">");
        values(kept.record(), "")
                .forEach((place, value) -> page.append("<label>")
                        .append(text(place))
                        .append("<input name=\"")
                        .append(text(place))
                        .append("\" value=\"")
                        .append(text(value))
                        .append("\"></label>"));
        page.append("<button>Save the record</button></form>");
        kept.rows()
                .forEach((name, rows) -> page.append("<h2>")
                        .append(text(name))
                        .append("</h2><pre>")
                        .append(text(rows.toPrettyString()))
                        .append("</pre>"));
        page.append("<h2>History</h2><ol>");
        for (JsonNode one : kept.history())
            page.append("<li>")
                    .append(text(one.get("at").asString()))
                    .append(", ")
                    .append(text(one.get("by").asString()))
                    .append(": ")
                    .append(text(one.get("status").asString()));
        return page.append("</ol>").toString();
    }

    /** What a person can type over: text within the record that it doesn't get from elsewhere. */
    static Map<String, String> values(JsonNode in, String at) {
        Map<String, String> values = new LinkedHashMap<>();
        in.properties().forEach(one -> {
            String place = at + "/" + one.getKey();
            if (place.equals("/id") || place.equals("/status") || place.equals("/agreement")) return;
            if (one.getValue().isObject()) values.putAll(values(one.getValue(), place));
            else if (one.getValue().isString()) values.put(place, one.getValue().asString());
        });
        return values;
    }

    private static String link(RecordShelf.Kept kept) {
        JsonNode agreement = kept.record().path("agreement");
        String address = agreement.path("link").asString("");
        String number = text(agreement.path("number").asString(""));
        return address.startsWith("http") ? "<a href=\"" + text(address) + "\">" + number + "</a>" : number;
    }

    private static String head(String title) {
        return HEAD.formatted(text(title), text(title));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static String text(String text) {
        return text.chars()
                .mapToObj(one -> switch (one) {
                    case '&' -> "&amp;";
                    case '<' -> "&lt;";
                    case '"' -> "&quot;";
                    default -> String.valueOf((char) one);
                })
                .collect(Collectors.joining());
    }
}
