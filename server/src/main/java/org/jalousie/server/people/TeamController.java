package org.jalousie.server.people;

import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Teams, over HTTP: administrators make them, who coordinates chooses from them. */
@RestController
@RequestMapping("/api/v1/teams")
class TeamController {
    private final Teams teams;

    TeamController(Teams teams) {
        this.teams = teams;
    }

    /** @param people by their ids */
    record NewTeam(String name, List<UUID> people) {}

    /** @param revision that it is based on, {@code people} by their ids */
    record SettledTeam(int revision, String name, List<UUID> people) {}

    /** All of them. */
    @GetMapping
    List<Teams.Team> list() {
        return teams.all();
    }

    /** Makes one. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    List<Teams.Team> make(@RequestBody NewTeam team) {
        teams.make(team.name(), new HashSet<>(team.people()));
        return teams.all();
    }

    /** Says who is in it and what it is called. */
    @PutMapping("/{id}")
    List<Teams.Team> settle(@PathVariable UUID id, @RequestBody SettledTeam team) {
        teams.settle(id, team.revision(), team.name(), new HashSet<>(team.people()));
        return teams.all();
    }

    /** Takes one out; its people stay. */
    @DeleteMapping("/{id}")
    List<Teams.Team> remove(@PathVariable UUID id) {
        teams.remove(id);
        return teams.all();
    }
}
