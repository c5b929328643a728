package org.jalousie.server.people;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Accounts extends JpaRepository<Account, UUID> {
    Optional<Account> findByMail(String mail);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select a from Account a where a.mail = :mail")
    Optional<Account> lockByMail(String mail);

    /** Those who are there and take care of things, by name. */
    @Query(
            nativeQuery = true,
            value = "select * from account where 'COORDINATOR' = any (roles) and closed_at is null"
                    + " and joined_at is not null order by name, mail")
    List<Account> coordinators();

    /** How many can say who may come in. */
    @Query(
            nativeQuery = true,
            value = "select count(*) from account where 'ADMINISTRATOR' = any (roles) and closed_at is null"
                    + " and joined_at is not null")
    long administrators();

    @Query("select a from Account a where lower(a.name) like :pattern escape '\\' or a.mail like :pattern escape '\\'")
    Page<Account> find(String pattern, Pageable page);
}
