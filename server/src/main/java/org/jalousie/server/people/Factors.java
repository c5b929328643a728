package org.jalousie.server.people;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.RecoveryCode;
import org.jalousie.core.access.Role;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What people have beside a password, and who needs it. */
@Component
class Factors {
    private final JdbcClient sql;

    Factors(JdbcClient sql) {
        this.sql = sql;
    }

    /** What somebody can show beside a password; nothing for who has only that. */
    List<SignInViews.Factor> of(Account account) {
        return of(account, passkeys(account.id()) > 0);
    }

    /** @param passkey whether they have one */
    List<SignInViews.Factor> of(Account account, boolean passkey) {
        List<SignInViews.Factor> factors = new ArrayList<>();
        if (account.oneTimeSecret().isPresent()) factors.add(SignInViews.Factor.CODE);
        if (passkey) factors.add(SignInViews.Factor.PASSKEY);
        return factors;
    }

    int passkeys(UUID account) {
        return sql.sql("select count(*) from passkey where account_id = ?")
                .param(account)
                .query(Integer.class)
                .single();
    }

    /** @return whether it was one of theirs; it is none any more */
    @Transactional(propagation = Propagation.MANDATORY)
    boolean takeRecoveryCode(UUID account, RecoveryCode code) {
        return sql.sql("delete from recovery_code where account_id = ? and code_hash = ?")
                        .params(account, code.hash().hex())
                        .update()
                == 1;
    }

    /** These hold, and none of those before. */
    @Transactional(propagation = Propagation.MANDATORY)
    void keepRecoveryCodes(UUID account, List<RecoveryCode> codes) {
        sql.sql("delete from recovery_code where account_id = ?").param(account).update();
        for (RecoveryCode code : codes)
            sql.sql("insert into recovery_code (account_id, code_hash) values (?, ?)")
                    .params(account, code.hash().hex())
                    .update();
    }

    int recoveryCodes(UUID account) {
        return sql.sql("select count(*) from recovery_code where account_id = ?")
                .param(account)
                .query(Integer.class)
                .single();
    }

    /** Nothing is left but a password. */
    @Transactional(propagation = Propagation.MANDATORY)
    void forget(Account account) {
        account.noOneTime();
        sql.sql("delete from passkey where account_id = ?").param(account.id()).update();
        keepRecoveryCodes(account.id(), List.of());
    }

    /** Roles whose people need more than a password. */
    Set<Role> neededBy() {
        return new HashSet<>(sql.sql("select unnest(second_factor) from entry_rule")
                .query((row, i) -> Role.valueOf(row.getString(1)))
                .list());
    }

    @Transactional(propagation = Propagation.MANDATORY)
    void need(Set<Role> roles) {
        sql.sql("update entry_rule set second_factor = cast(? as text[])")
                .param(Role.inOrder(roles).stream().map(Role::name).toArray(String[]::new))
                .update();
    }
}
