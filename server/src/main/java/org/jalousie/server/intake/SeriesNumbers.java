package org.jalousie.server.intake;

import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Series;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Numbers that forms give: each once, without gaps, since the next one waits until the one before is kept or given up. */
@Component
class SeriesNumbers {
    private final JdbcClient sql;

    SeriesNumbers(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param year in which the form is handed in */
    @Transactional(propagation = Propagation.MANDATORY)
    public String next(UUID template, FieldName field, Series series, int year) {
        long number = sql.sql("insert into number_series (template_id, field, year, last_number) values (?, ?, ?, 1)"
                        + " on conflict (template_id, field, year)"
                        + " do update set last_number = number_series.last_number + 1 returning last_number")
                .params(template, field.value(), series.yearly() ? year : 0)
                .query(Long.class)
                .single();
        return series.written(year, number);
    }
}
