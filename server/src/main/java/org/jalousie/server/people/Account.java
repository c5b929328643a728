package org.jalousie.server.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.access.Role;

/** A person of the office who signs in. */
@Entity
@Table(name = "account")
class Account {
    @Id
    private UUID id;

    private String mail;
    private String name;
    private String passwordHash;

    @JdbcTypeCode(SqlTypes.ARRAY)
    @Column(columnDefinition = "text[]")
    private String[] roles;

    private Instant madeAt;
    private Instant joinedAt;
    private Instant signedInAt;
    private Instant closedAt;
    private int revision;
    private String oneTimeSecret;
    private Instant oneTimeSince;
    private long oneTimeStep;

    protected Account() {}

    /** Somebody who was not there yet. @param mail in small letters */
    Account(String mail, String name, Set<Role> roles, Instant now) {
        this.id = UUID.randomUUID();
        this.mail = mail;
        this.name = name;
        this.madeAt = now;
        may(roles);
    }

    /** What they may from now on. */
    final void may(Set<Role> given) {
        roles = Role.inOrder(given).stream().map(Role::name).toArray(String[]::new);
    }

    void rename(String called) {
        name = called;
    }

    /** It is another one than somebody has looked at before. */
    void changed() {
        revision++;
    }

    void password(String hash, Instant now) {
        passwordHash = hash;
        joined(now);
    }

    /** They have a way in. */
    void joined(Instant now) {
        if (joinedAt == null) joinedAt = now;
    }

    void signedIn(Instant now) {
        signedInAt = now;
        joined(now);
    }

    void close(Instant now) {
        closedAt = now;
    }

    void reopen() {
        closedAt = null;
    }

    /** Codes of a device are asked for from now on. @param step of the code that showed that the device has the secret */
    void oneTime(String secret, long step, Instant now) {
        oneTimeSecret = secret;
        oneTimeStep = step;
        oneTimeSince = now;
    }

    void oneTimeTaken(long step) {
        oneTimeStep = step;
    }

    void noOneTime() {
        oneTimeSecret = null;
        oneTimeSince = null;
        oneTimeStep = 0;
    }

    UUID id() {
        return id;
    }

    String mail() {
        return mail;
    }

    String name() {
        return name;
    }

    /** Empty for who has none: they were invited only, or come in another way. */
    Optional<String> passwordHash() {
        return Optional.ofNullable(passwordHash);
    }

    List<Role> roles() {
        return Role.inOrder(Arrays.stream(roles).map(Role::valueOf).toList());
    }

    Set<Role> roleSet() {
        return roles().stream().collect(Collectors.toUnmodifiableSet());
    }

    Instant madeAt() {
        return madeAt;
    }

    /** Since when they have a way in; empty for who was invited only. */
    Optional<Instant> joinedAt() {
        return Optional.ofNullable(joinedAt);
    }

    Optional<Instant> signedInAt() {
        return Optional.ofNullable(signedInAt);
    }

    Optional<Instant> closedAt() {
        return Optional.ofNullable(closedAt);
    }

    int revision() {
        return revision;
    }

    /** The secret of their device; empty for who has none. */
    Optional<String> oneTimeSecret() {
        return Optional.ofNullable(oneTimeSecret);
    }

    Optional<Instant> oneTimeSince() {
        return Optional.ofNullable(oneTimeSince);
    }

    /** Of the last code that was taken. */
    long oneTimeStep() {
        return oneTimeStep;
    }
}
