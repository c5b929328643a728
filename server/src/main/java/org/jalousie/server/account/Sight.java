package org.jalousie.server.account;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.access.GroupRight;
import org.jalousie.server.Refusal;

/**
 * Which templates whoever asks may see, use and prepare, and with them what is made from them. Jobs and programs may all: what a
 * program may is told by its key.
 */
public interface Sight {
    /** Templates of which they see nothing; none for who sees all. */
    Set<UUID> hidden();

    /** Templates of which they see something, few enough to be looked up one by one; empty for more. */
    Optional<List<UUID>> seen();

    /** Templates by which they may ask for nothing. */
    Set<UUID> closed();

    /** What they may do with a template. */
    Set<GroupRight> of(UUID template);

    /** The same of several, by what only some may do; templates that aren't here are open. */
    Map<UUID, Set<GroupRight>> limited();

    /** The same for a statement that can't compare with nothing at all: then it has one that there isn't. */
    default Set<UUID> hiddenOrOne() {
        Set<UUID> hidden = hidden();
        return hidden.isEmpty() ? Set.of(new UUID(0, 0)) : hidden;
    }

    /** Templates with which they may do nothing at all, of which they don't even know; or one that there isn't. */
    default Set<UUID> unknownOrOne() {
        Set<UUID> unknown = limited().entrySet().stream()
                .filter(one -> one.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
        return unknown.isEmpty() ? Set.of(new UUID(0, 0)) : unknown;
    }

    /** Whether they see everything. */
    default boolean seesAll() {
        return hidden().isEmpty();
    }

    /** Whether they see a template's agreements. */
    default boolean sees(UUID template) {
        return !hidden().contains(template);
    }

    /** @throws Refusal when they may not ask by its form, or don't even see it */
    void requireUse(UUID template);

    /** Whether somebody else may work with a template. @param mail by which they sign in */
    boolean mayUse(String mail, UUID template);
}
