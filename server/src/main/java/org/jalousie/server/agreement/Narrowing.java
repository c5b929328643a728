package org.jalousie.server.agreement;

import java.sql.Timestamp;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.filing.columns.ColumnKey;

/**
 * What is looked for, as conditions of statements: what every row fulfils, and the parts, each of which an index finds by itself.
 *
 * @param base of a row of {@code a}, cheap to look at
 * @param all the ids of all that fulfil the base
 * @param parts what they are narrowed by
 * @param values what the parameters are in any of these; each statement has some of them
 */
record Narrowing(List<String> base, String all, List<Part> parts, Map<String, Object> values) {
    /**
     * One of several things that each fulfils.
     *
     * @param ids of all that fulfil it and the base, by an index that knows them
     * @param fits the same as a condition on a row of {@code a}: looked up at each row by its key. As {@code exists} it would be turned
     *     into a join, and of few rows or old statistics the planner takes one that goes through all of both
     * @param within the same on a row that is sorted by this column; empty where it is about none
     * @param column that it is about
     * @param ofWords whether it is about words of the text, whose index reads all that it has before it tells the first
     */
    record Part(String ids, String fits, String within, Optional<ColumnKey> column, boolean ofWords) {}

    private static final String HAS = "search @@ to_tsquery('simple', :words)";

    /**
     * @param hidden templates of which nothing is found
     * @param seen all others, where any are hidden; empty also where these are too many
     */
    static Narrowing of(AgreementsAsked asked, Set<UUID> hidden, Optional<List<UUID>> seen) {
        Map<String, Object> values = new HashMap<>();
        List<String> base = new ArrayList<>();
        List<String> marks = new ArrayList<>();
        if (!asked.states().equals(EnumSet.allOf(State.class))) {
            values.put("states", asked.states().stream().map(State::name).toList());
            base.add("a.state" + (asked.states().size() == 1 ? " = :states" : " in (:states)"));
            values.put("marks", array(asked.states().stream().map(FoundBy::mark)));
            marks.add("marks && cast(:marks as text[])");
        }
        asked.template().ifPresent(template -> {
            values.put("template", template);
            base.add("a.template_id = :template");
            values.put("templates", array(Stream.of(FoundBy.mark(template))));
            marks.add("marks @> cast(:templates as text[])");
        });
        if (asked.template().filter(hidden::contains).isPresent()) {
            base.add("false");
            marks.add("false");
        } else if (!hidden.isEmpty()) {
            values.put("hidden", hidden.toArray(UUID[]::new));
            base.add("a.template_id <> all (:hidden)");
            seen.ifPresent(all -> values.put("seen", all.toArray(UUID[]::new)));
            values.put(
                    "other_marks",
                    array(seen.<Collection<UUID>>map(all -> all).orElse(hidden).stream()
                            .map(FoundBy::mark)));
            marks.add((seen.isPresent() ? "" : "not ") + "marks && cast(:other_marks as text[])");
        }
        List<Part> parts = new ArrayList<>();
        String words = SearchWords.of(asked.find()).stream()
                .map(word -> "'" + word + "':*")
                .collect(Collectors.joining(" & "));
        times(asked, base, values).ifPresent(parts::add);
        for (AgreementsAsked.Where one : asked.where()) parts.add(column(one, parts.size(), base, values));
        // an index of words can't stop when it has enough, so others find first where as many fulfil them
        if (!words.isEmpty()) {
            values.put("words", words);
            parts.add(new Part(
                    "select agreement_id as id from agreement_text"
                            + where(Stream.concat(Stream.of(HAS), marks.stream())),
                    "(select " + HAS + " from agreement_text t where t.agreement_id = a.id)",
                    "",
                    Optional.empty(),
                    true));
        }
        return new Narrowing(base, "select a.id from agreement a" + where(base.stream()), parts, values);
    }

    private static Optional<Part> times(AgreementsAsked asked, List<String> base, Map<String, Object> values) {
        List<String> times = new ArrayList<>();
        asked.from().ifPresent(from -> {
            values.put("since_from", Timestamp.from(from));
            times.add("x.since >= :since_from");
        });
        asked.before().ifPresent(before -> {
            values.put("since_before", Timestamp.from(before));
            times.add("x.since < :since_before");
        });
        if (times.isEmpty()) return Optional.empty();
        String of = String.join(" and ", times);
        return Optional.of(new Part(
                "select a.id from agreement a" + where(Stream.concat(base.stream(), Stream.of(of.replace("x.", "a.")))),
                "(select true from agreement x where x.id = a.id and " + of + ")",
                "",
                Optional.empty(),
                false));
    }

    private static Part column(AgreementsAsked.Where where, int at, List<String> base, Map<String, Object> values) {
        values.put("name" + at, where.column().value());
        values.put("from" + at, where.bounds().from());
        List<String> between = new ArrayList<>(List.of("a.sort_key >= :from" + at));
        if (!where.bounds().below().isEmpty()) {
            values.put("below" + at, where.bounds().below());
            between.add("a.sort_key < :below" + at);
        }
        where.bounds().group().ifPresent(group -> {
            values.put("heading" + at, group);
            between.add("a.heading = :heading" + at);
        });
        String within = String.join(" and ", between);
        return new Part(
                "select a.agreement_id as id from archive_value a"
                        + where(Stream.concat(base.stream(), Stream.of("a.name = :name" + at, within))),
                "(select true from archive_value x where x.agreement_id = a.id and x.name = :name" + at + " and "
                        + within.replace("a.", "x.") + ")",
                within,
                Optional.of(where.column()),
                false);
    }

    private static String array(Stream<String> marks) {
        return marks.collect(Collectors.joining("\",\"", "{\"", "\"}"));
    }

    static String where(Stream<String> conditions) {
        String all = conditions.collect(Collectors.joining(" and "));
        return all.isEmpty() ? "" : " where " + all;
    }

    /** The same, where nothing but what is hidden narrows it: what is seen is found by its templates, however little of all that is. */
    Narrowing bySeen() {
        if (!parts.isEmpty() || !values.containsKey("seen") || values.containsKey("template")) return this;
        Part seen = new Part(
                "select a.id from agreement a"
                        + where(Stream.concat(base.stream(), Stream.of("a.template_id = any (:seen)"))),
                "(select true from agreement x where x.id = a.id and x.template_id = any (:seen))",
                "",
                Optional.empty(),
                false);
        return new Narrowing(base, all, List.of(seen), values);
    }

    /** The parts that aren't about words. */
    List<Part> columns() {
        return parts.stream().filter(one -> !one.ofWords()).toList();
    }

    /** What a row fulfils besides some of the parts. */
    Stream<String> besides(List<Part> some) {
        return fits(parts.stream().filter(one -> !some.contains(one)).toList());
    }

    /** That a row fulfils all of some parts. Words, whose text has to be unpacked, are looked at last, which the planner wouldn't know. */
    static Stream<String> fits(List<Part> parts) {
        String words = parts.stream().filter(Part::ofWords).map(Part::fits).collect(Collectors.joining(" and "));
        String others =
                parts.stream().filter(one -> !one.ofWords()).map(Part::fits).collect(Collectors.joining(" and "));
        if (words.isEmpty() || others.isEmpty())
            return Stream.of(words + others).filter(one -> !one.isEmpty());
        return Stream.of("case when " + others + " then " + words + " else false end");
    }

    /** The ids of all that fulfil some of the parts, by their indexes; of none, all that fulfil the base. */
    String of(List<Part> some) {
        return some.isEmpty()
                ? all
                : some.stream().map(part -> "(" + part.ids() + ")").collect(Collectors.joining(" intersect "));
    }

    /** The ids of all that fulfil everything. @param by the parts whose indexes find them */
    String ids(List<Part> by) {
        return "select a.id from (" + of(by) + ") as a" + where(besides(by));
    }
}
