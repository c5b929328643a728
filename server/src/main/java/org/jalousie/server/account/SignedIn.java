package org.jalousie.server.account;

import java.io.Serializable;
import java.security.Principal;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/**
 * Who is signed in: a person, or a program with a key. In a session it says who it was at the door; what they may is looked up for
 * each request.
 *
 * @param mail of a person; what a program is told apart by, which is no mail address
 * @param roles that they have now; none for who has to set a second factor up first
 * @param program null for a person
 */
public record SignedIn(String mail, String displayName, Set<Role> roles, Program program)
        implements Principal, Serializable {
    /** What no mail address begins with: a colon can't stand in one (RFC 5322 §3.2.3). */
    private static final String PROGRAM = "program:";

    public SignedIn {
        // sessions of earlier versions know of no roles
        roles = roles == null ? Set.of() : Set.copyOf(roles);
    }

    /**
     * A program that came with a key.
     *
     * @param id of the program
     * @param key that it came with
     * @param from its network address
     * @param forms templates that it is limited to; none for all
     */
    public record Program(UUID id, String key, String from, Set<UUID> forms) implements Serializable {}

    public SignedIn(String mail, String displayName, Set<Role> roles) {
        this(mail, displayName, roles, null);
    }

    /** A program, which does what its scopes let it: they were looked at before. */
    public static SignedIn program(String title, Program program) {
        return new SignedIn(PROGRAM + program.id(), title, Set.of(Role.COORDINATOR), program);
    }

    @Override
    public String getName() {
        return mail;
    }

    public boolean is(Role role) {
        return roles.contains(role);
    }

    /** As who somebody does something later who has asked for it. @param mail as {@link #mail} was then */
    public static Actor.Office actor(String mail, String displayName) {
        return mail.startsWith(PROGRAM)
                ? new Actor.OtherProgram(mail.substring(PROGRAM.length()), displayName, "")
                : new Actor.Coordinator(mail, displayName);
    }

    /** Empty for a person. */
    public Optional<Program> asProgram() {
        return Optional.ofNullable(program);
    }

    /** As who does something in an agreement. */
    public Actor.Office actor() {
        return program == null
                ? new Actor.Coordinator(mail, displayName)
                : new Actor.OtherProgram(program.key(), displayName, program.from());
    }

    /** @throws Refusal for a program that is limited to other forms */
    public void requireForm(UUID template) {
        if (program != null && !program.forms().isEmpty() && !program.forms().contains(template))
            throw Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("key.form"));
    }
}
