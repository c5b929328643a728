package org.jalousie.server.testbed;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Agreements for lists, as many as are wanted: what lists show and find of one, copied with numbers, titles, times, states and
 * words of their own. They have no events, so nothing else can be done with them.
 */
public final class ManyAgreements {
    /** What is repeated in every text; among others that are drawn from five thousand. */
    public static final String COMMON = "whereas";

    private final JdbcClient sql;

    public ManyAgreements(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * Every twentieth is out, every hundredth declined, all others completed. The word {@code rare1x} and so on stand in five of
     * them, {@code middle1} in one of thirty, {@code ancient} in all but the newest 3,300, of few
     * in all but one of thirty.
     *
     * @param of the number of the one that is copied
     * @param prefix of their numbers, which go on with six digits
     * @param words of each text
     */
    public void copy(String of, String prefix, int count, int words) {
        sql.sql(
                        "insert into agreement (id, number, title, template_id, template_version_id, template_name, request_number, state, since,"
                                + " changed_at, route, terms, attempt)"
                                + " select gen_random_uuid(), :prefix || lpad(n::text, 6, '0'), 'Loan by ' || md5((n * 7)::text),"
                                + " template_id, template_version_id, template_name || ' ' || n % 7, :prefix || n,"
                                + " case when n % 100 = 0 then 'DECLINED' when n % 20 = 0 then 'OUT' else 'COMPLETED' end,"
                                + " since - n * interval '7 minutes', changed_at - n * interval '5 minutes', route, terms, 1"
                                + " from agreement, generate_series(1, :count) n where number = :of")
                .param("prefix", prefix)
                .param("count", count)
                .param("of", of)
                .update();
        sql.sql("insert into agreement_text (agreement_id, marks, facts, words)"
                        + " select id, array['state ' || state, 'template ' || template_id], lower(replace(number, '-', ' ')) || ' ' || title || ' ' || template_name,"
                        + " (select string_agg('w' || (abs(hashint8(a.n * 1000003::bigint + w)) % 5000), ' ')"
                        + " from generate_series(1, :words) w)"
                        + " || ' whereas rare' || (a.n % greatest(:count / 5, 1)) || 'x' || case when a.n > (case when :count < 10000 then :count / 30 else 3300 end) then ' ancient' else '' end || ' middle' || a.n % 30"
                        + " from (select id, state, template_id, number, title, template_name, substr(number, length(:prefix) + 1)::int n"
                        + " from agreement where number like :prefix || '%') a")
                .param("prefix", prefix)
                .param("count", count)
                .param("words", words)
                .update();
        columns(prefix);
        dates(prefix);
        for (String table :
                List.of("agreement", "agreement_text", "archived", "archive_value", "archive_sum", "key_date"))
            sql.sql("vacuum analyze " + table).update();
    }

    /** What the archive shows of those that have ended: one of 4000 kinds of objects, a country or none, a day and an amount. */
    private void columns(String prefix) {
        sql.sql("insert into archived (agreement_id, template_id, state, month, edition)"
                        + " select a.id, a.template_id, a.state, to_char(a.since, 'YYYY-MM'), t.columns_edition"
                        + " from agreement a join template t on t.id = a.template_id"
                        + " where a.number like :prefix || '%' and a.state in ('COMPLETED', 'DECLINED')")
                .param("prefix", prefix)
                .update();
        sql.sql(
                        "insert into archive_value (agreement_id, name, template_id, state, text, raw, sort_key, number, unit, heading)"
                                + " select a.id, v.name, a.template_id, a.state, v.text, v.text, v.sort_key, v.number, v.unit, v.heading"
                                + " from (select a.*, substr(number, length(:prefix) + 1)::int n from agreement a"
                                + " where number like :prefix || '%' and state in ('COMPLETED', 'DECLINED')) a"
                                + " cross join lateral (values"
                                + " ('objects_description', 'Object ' || n % 4000, 'object ' || n % 4000, null, '', 'Object ' || n % 4000),"
                                + " ('abroad', case when n % 3 = 0 then 'yes' else 'no' end, case when n % 3 = 0 then 'yes' else 'no' end, null, '',"
                                + "  case when n % 3 = 0 then 'yes' else 'no' end),"
                                + " ('start_date', (date '2020-01-01' + n % 1000)::text, (date '2020-01-01' + n % 1000)::text, null, '',"
                                + "  to_char(date '2020-01-01' + n % 1000, 'YYYY-MM')),"
                                + " ('insured_value', 'EUR ' || n * 37::bigint % 100000, '1' || lpad((n * 37::bigint % 100000)::text, 42, '0') || ' EUR',"
                                + "  (n * 37::bigint % 100000)::numeric, 'EUR', null))"
                                + " as v(name, text, sort_key, number, unit, heading)")
                .param("prefix", prefix)
                .update();
        sums(prefix, 1);
    }

    /** Two watched days of each that is complete, one in three years open, of five who take care of them; a hundred go on. */
    private void dates(String prefix) {
        sql.sql(
                        "insert into key_date (id, agreement_id, template_id, number, title, template_name, request, owner, owner_name,"
                                + " date_key, term, every, what, kind, day, state)"
                                + " select gen_random_uuid(), a.id, a.template_id, a.number, a.title, a.template_name, a.request_number,"
                                + " 'owner' || a.n % 5 || '@museum.example.org', 'Owner', k.key, 0, 0, k.what,"
                                + " case when a.n < 100 and k.key = 'end' then 'RENEWAL' else k.kind end,"
                                + " current_date + a.n % 1000 - 20, case when a.n % 3 = 0 then 'OPEN' else 'SETTLED' end"
                                + " from (select a.*, substr(number, length(:prefix) + 1)::int n from agreement a"
                                + " where number like :prefix || '%' and state = 'COMPLETED') a"
                                + " cross join (values ('end', 'Ends', 'END'), ('notice', 'Notice by', 'NOTICE')) as k(key, what, kind)")
                .param("prefix", prefix)
                .update();
    }

    /** What reports count of them: how they ended and where their time went, seven parts of the way of each that is complete. */
    public void reports(String prefix) {
        sql.sql(
                        "insert into ended_agreement (agreement_id, template_id, number, title, template_name, how, ended_at, part, ended_by,"
                                + " reason) select id, template_id, number, title, template_name, state, since, '', '', 'Too dear'"
                                + " from agreement where number like :prefix || '%' and state in ('COMPLETED', 'DECLINED')")
                .param("prefix", prefix)
                .update();
        sql.sql("insert into time_spent (agreement_id, template_id, phase, party, label, stage, ended_at, spent)"
                        + " select a.id, a.template_id, p.phase, p.party, p.party, 1, a.since,"
                        + " abs(hashtext(a.number || p.phase || p.party)) % 1000000000"
                        + " from agreement a cross join (values ('ASKED', ''), ('PREPARED', ''), ('OUT', ''),"
                        + " ('ACTED', 'lender'), ('ACTED', 'museum'), ('FILED', ''), ('WHOLE', '')) as p(phase, party)"
                        + " where a.number like :prefix || '%' and a.state = 'COMPLETED'")
                .param("prefix", prefix)
                .update();
        for (String table : List.of("ended_agreement", "time_spent"))
            sql.sql("vacuum analyze " + table).update();
    }

    private void sums(String prefix, int sign) {
        sql.sql(
                        "insert into archive_sum as kept (state, grouped, template_id, heading, summed, unit, share, many, total)"
                                + " select a.state, g.name, a.template_id, g.heading, s.name, s.unit, abs(hashtext(a.agreement_id::text)) % 8,"
                                + " :sign * count(*), :sign * sum(s.number) from archived a join agreement b on b.id = a.agreement_id"
                                + " cross join lateral (select '.ended' as name, a.month as heading union all select name, heading"
                                + " from archive_value where agreement_id = a.agreement_id and heading is not null) g"
                                + " cross join lateral (select '' as name, '' as unit, 0::numeric as number union all select name, unit, number"
                                + " from archive_value where agreement_id = a.agreement_id and number is not null) s"
                                + " where b.number like :prefix || '%' group by 1, 2, 3, 4, 5, 6, 7"
                                + " on conflict (state, grouped, template_id, heading, summed, unit, share)"
                                + " do update set many = kept.many + excluded.many, total = kept.total + excluded.total")
                .param("prefix", prefix)
                .param("sign", sign)
                .update();
    }

    /** Takes them away again. */
    public void forget(String prefix) {
        String those = "select id from agreement where number like :prefix || '%'";
        sums(prefix, -1);
        for (String table :
                List.of("ended_agreement", "time_spent", "key_date", "archive_value", "archived", "agreement_text"))
            sql.sql("delete from " + table + " where agreement_id in (" + those + ")")
                    .param("prefix", prefix)
                    .update();
        sql.sql("delete from agreement where number like :prefix || '%'")
                .param("prefix", prefix)
                .update();
    }
}
