package org.jalousie.server.groups;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Groups of templates, over HTTP, for administrators. */
@RestController
@RequestMapping("/api/v1/people/groups")
class GroupController {
    private final TemplateGroups groups;

    GroupController(TemplateGroups groups) {
        this.groups = groups;
    }

    /** All of them, with who may use, prepare and see their templates. */
    @GetMapping
    List<GroupViews.TemplateGroup> list() {
        return groups.all();
    }

    /** Makes one. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    List<GroupViews.TemplateGroup> make(@RequestBody GroupViews.NewGroup group) {
        groups.make(TemplateGroups.Wanted.of(group.name(), group.use(), group.prepare(), group.see()));
        return groups.all();
    }

    /** Says who may what, from now on. */
    @PutMapping("/{id}")
    List<GroupViews.TemplateGroup> settle(@PathVariable UUID id, @RequestBody GroupViews.SettledGroup group) {
        groups.settle(
                id,
                group.revision(),
                TemplateGroups.Wanted.of(group.name(), group.use(), group.prepare(), group.see()));
        return groups.all();
    }

    /** Takes one out in which no template stands. */
    @DeleteMapping("/{id}")
    List<GroupViews.TemplateGroup> remove(@PathVariable UUID id) {
        groups.remove(id);
        return groups.all();
    }

    /** Templates with the groups that they stand in, by name. @param group only its; left out for all */
    @GetMapping("/templates")
    Page<GroupViews.GroupedTemplate> templates(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(required = false) UUID group,
            @RequestParam(defaultValue = "0") int page) {
        return groups.templates(find, Optional.ofNullable(group), page);
    }

    /** Puts a template into a group. */
    @PutMapping("/{id}/templates/{template}")
    void move(@PathVariable UUID id, @PathVariable UUID template) {
        groups.move(template, Optional.of(id));
    }

    /** Takes a template out of its group: it is open to everybody whose role lets them. */
    @DeleteMapping("/templates/{template}")
    void open(@PathVariable UUID template) {
        groups.move(template, Optional.empty());
    }
}
