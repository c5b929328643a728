package org.jalousie.server.template;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;

/** Templates as other rooms use them. */
public interface UsableTemplates {
    /** The newest published version, for a form. */
    UsableTemplate published(UUID id);

    /** The names of those among some templates that can be filled now. */
    Map<UUID, String> fillable(Collection<UUID> ids);

    /**
     * The first of some templates that can't be filled.
     *
     * @param known those that were chosen when they could be, and may stay
     */
    default Optional<UUID> missing(Collection<UUID> wanted, Collection<UUID> known) {
        Map<UUID, String> names = fillable(wanted);
        return wanted.stream()
                .filter(one -> !names.containsKey(one) && !known.contains(one))
                .findFirst();
    }

    /** The newest version, which may be a draft, to try its form. */
    UsableTemplate newest(UUID id);

    /** A certain version, as an agreement keeps it. */
    UsableTemplate version(UUID versionId);

    /** The settings of a version, which cost little to read. */
    TemplateContent content(UUID versionId);

    /** The template that a version belongs to. */
    UUID templateOf(UUID versionId);

    /** The names of the templates that versions belong to. */
    Map<UUID, String> namesOf(Collection<UUID> versionIds);

    /** The newest published versions of all templates that can be filled. */
    List<UUID> inUse();

    /** Keeps a further specimen with the newest version's draft. */
    void addSpecimen(UUID id, Specimen specimen, String by);
}
