package org.jalousie.server.groups;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;

/** Groups of templates as administrators see them. */
final class GroupViews {
    private GroupViews() {}

    /** A team or a person. @param closed whether they are let in no more */
    record GroupMember(UUID id, String name, boolean closed) {}

    /** Who may something. @param everybody whose role lets them; then nobody is named */
    record Circle(boolean everybody, List<GroupMember> teams, List<GroupMember> people) {}

    /** @param revision that a change is based on, {@code templates} how many stand in it */
    record TemplateGroup(UUID id, String name, int revision, long templates, Circle use, Circle prepare, Circle see) {}

    /** Who shall be let do something. @param everybody whose role lets them, {@code teams} and {@code people} by their ids */
    record CircleWanted(boolean everybody, List<UUID> teams, List<UUID> people) {}

    record NewGroup(String name, CircleWanted use, CircleWanted prepare, CircleWanted see) {}

    /** @param revision that it is based on */
    record SettledGroup(int revision, String name, CircleWanted use, CircleWanted prepare, CircleWanted see) {}

    /** A template and where it stands. @param group empty for one that is open to everybody */
    record GroupedTemplate(
            UUID id,
            String name,
            boolean retired,
            @Schema(types = {"string", "null"}) UUID group,
            String groupName) {}
}
