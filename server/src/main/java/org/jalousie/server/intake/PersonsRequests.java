package org.jalousie.server.intake;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jalousie.core.filing.people.Who;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Requests that nothing was made of yet in which somebody is named; others are found with their agreements. */
@Service
public class PersonsRequests {
    private static final TypeReference<Map<String, String>> VALUES = new TypeReference<>() {};

    private final JdbcClient sql;

    PersonsRequests(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * A request.
     *
     * @param asked whether they are who asked, or who takes care of it
     * @param answers those in which they are named
     */
    public record PersonsRequest(String number, Instant at, boolean asked, Map<String, String> answers) {}

    private record Row(
            String number, Instant at, String asker, String askerMail, String owner, String values, String people) {}

    /** @param most at most how many */
    @Transactional(readOnly = true)
    public List<PersonsRequest> of(Who who, int most) {
        // those that wait are few, and have an index of their own
        return sql
                .sql(
                        "select number, created_at, asker_name, asker_mail, owner_mail, \"values\", people from intake_request"
                                + " where agreement_number is null and (strpos(lower(\"values\"::text), :word) > 0"
                                + " or strpos(lower(people::text), :word) > 0 or strpos(lower(asker_name), :word) > 0"
                                + " or lower(asker_mail) = :who or lower(owner_mail) = :who) order by number limit :most")
                .param("who", who.text())
                // one word is enough to look by; what is found is read
                .param("word", who.text().split(" ")[0])
                .param("most", most * 4)
                .query((row, at) -> new Row(
                        row.getString(1),
                        row.getTimestamp(2).toInstant(),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list()
                .stream()
                .map(row -> read(row, who))
                .filter(one -> one.asked() || !one.answers().isEmpty())
                .limit(most)
                .toList();
    }

    private static PersonsRequest read(Row row, Who who) {
        Map<String, String> answers = new TreeMap<>();
        Json.MAPPER.readValue(row.values(), VALUES).forEach((name, value) -> {
            if (value != null && who.isIn(value)) answers.put(name, value);
        });
        // people are chosen beside the form; each is a small record of name and address
        if (who.isIn(row.people().replace("\"", " "))) answers.put("people", row.people());
        boolean asked = who.is(row.asker()) || who.is(row.askerMail()) || who.is(row.owner());
        return new PersonsRequest(row.number(), row.at(), asked, answers);
    }
}
