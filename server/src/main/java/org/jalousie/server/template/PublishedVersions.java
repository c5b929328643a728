package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.springframework.stereotype.Component;

/** Published versions, each compiled once and kept by its id: they never change. Weighed by what they hold in memory. */
@Component
class PublishedVersions {
    private final Preparations preparations;
    private final Cache<UUID, Compiled> known = Caffeine.newBuilder()
            .maximumWeight(Preparations.MOST_HELD)
            .weigher((UUID id, Compiled compiled) -> compiled.weight())
            .build();

    PublishedVersions(Preparations preparations) {
        this.preparations = preparations;
    }

    /**
     * @param of the template, whose version {@code number} it is
     * @param weight in bytes, roughly
     */
    record Compiled(UUID of, int number, TemplateContent content, Wordings wordings, RuleSet rules, int weight) {}

    Compiled of(TemplateVersion version) {
        Compiled before = known.getIfPresent(version.id());
        if (before != null) return before;
        TemplateContent stored = version.content();
        AtomicInteger weight = new AtomicInteger();
        Wordings wordings = Wordings.of(version.wordFile(), stored, file -> {
            Preparations.Kept kept = preparations.kept(file, stored);
            weight.addAndGet(kept.weight());
            return kept.wording();
        });
        // a version published before the word processor's conditions were rules has none for them
        TemplateContent content = Proposal.withComparisons(wordings.found(), stored);
        Compiled compiled = new Compiled(
                version.templateId(), version.number(), content, wordings, preparations.rules(content), weight.get());
        if (version.published()) known.put(version.id(), compiled);
        return compiled;
    }

    /** A version that is at hand; empty for one that has to be read. */
    Optional<Compiled> known(UUID versionId) {
        return Optional.ofNullable(known.getIfPresent(versionId));
    }
}
