package org.jalousie.server.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface Accounts extends JpaRepository<Account, UUID> {
    Optional<Account> findByMail(String mail);

    List<Account> findByRoleOrderByNameAscMailAsc(String role);
}
