package org.jalousie.server.testbed;

import java.util.Arrays;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;

/** People of the office beside its first, there as if they had come by an invitation long ago. */
public final class OfficePeople {
    private OfficePeople() {}

    /** Makes an account where there is none yet; its password is {@link Testbed#PASSWORD}. */
    public static void there(Testbed bed, String mail, String name, Role... roles) {
        bed.bean(JdbcClient.class)
                .sql(
                        "insert into account (id, mail, name, password_hash, roles, joined_at)"
                                + " values (gen_random_uuid(), ?, ?, ?, cast(? as text[]), now()) on conflict (mail) do nothing")
                .params(
                        mail,
                        name,
                        bed.bean(PasswordEncoder.class).encode(Testbed.PASSWORD),
                        Arrays.stream(roles).map(Role::name).toArray(String[]::new))
                .update();
    }

    /** The same, signed in. */
    public static Client signedIn(Testbed bed, String mail, String name, Role... roles) {
        there(bed, mail, name, roles);
        return new Client(bed.address()).signIn(mail, Testbed.PASSWORD);
    }
}
