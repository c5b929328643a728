package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Rows that name others are found, sorted and called by what those are called: when that changes, so do they. */
@Component
class NamingRows {
    private static final int BATCH = 500;
    /** How far a change goes on to rows that are called by rows that are called by it. */
    private static final int MOST_DEEP = 5;

    private final JdbcClient sql;
    private final RegisterRepository registers;
    private final RowStore store;
    private final RowReading reading;
    private final RowWriting writing;

    NamingRows(JdbcClient sql, RegisterRepository registers, RowStore store, RowReading reading, RowWriting writing) {
        this.sql = sql;
        this.registers = registers;
        this.store = store;
        this.reading = reading;
        this.writing = writing;
    }

    /** Rows were written, some of which may be called otherwise now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void after(Register register, List<RowWriting.Written> written) {
        follow(renamed(register, written), new HashSet<>(), 0);
    }

    private static Set<UUID> renamed(Register register, List<RowWriting.Written> written) {
        Set<UUID> renamed = new HashSet<>();
        for (RowWriting.Written one : written)
            if (one.before() != null && !one.before().label().equals(RowWords.label(register.terms(), one.read())))
                renamed.add(one.id());
        return renamed;
    }

    private void follow(Set<UUID> renamed, Set<UUID> done, int deep) {
        if (renamed.isEmpty() || deep == MOST_DEEP) return;
        done.addAll(renamed);
        Map<UUID, List<UUID>> naming = new TreeMap<>();
        sql.sql("select distinct r.register_id, r.id from register_cell c join register_row r on r.id = c.row_id"
                        + " where c.target in (:renamed) order by 1, 2")
                .param("renamed", renamed)
                .query((row, number) -> naming.computeIfAbsent(row.getObject(1, UUID.class), of -> new ArrayList<>())
                        .add(row.getObject(2, UUID.class)))
                .list();
        Set<UUID> further = new HashSet<>();
        naming.forEach((id, rows) -> {
            Register register = registers.findById(id).orElseThrow();
            for (int from = 0; from < rows.size(); from += BATCH) {
                List<RegisterRow> some = store.rows(id, rows.subList(from, Math.min(rows.size(), from + BATCH)));
                List<RowRead> read = reading.stored(register, some);
                List<RowWriting.Written> all = new ArrayList<>();
                for (int i = 0; i < some.size(); i++)
                    all.add(new RowWriting.Written(some.get(i).id(), some.get(i), read.get(i)));
                writing.rewritten(register, all);
                further.addAll(renamed(register, all));
            }
        });
        further.removeAll(done);
        follow(further, done, deep + 1);
    }
}
