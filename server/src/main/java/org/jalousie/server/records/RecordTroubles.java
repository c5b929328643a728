package org.jalousie.server.records;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is amiss with record systems, for whoever looks what needs the office. */
@Component
public class RecordTroubles {
    private final RecordSystems systems;
    private final RecordLists lists;

    RecordTroubles(RecordSystems systems, RecordLists lists) {
        this.systems = systems;
        this.lists = lists;
    }

    /**
     * A system with which something is amiss.
     *
     * @param fault why it doesn't answer as it should; empty when it does
     * @param faulty records that have to be mended, {@code givenUp} steps that couldn't be written back
     */
    public record RecordTrouble(UUID system, String title, String fault, long faulty, long givenUp) {}

    /** By the systems' names; those that are paused or ended are left in peace. */
    @Transactional(readOnly = true)
    public List<RecordTrouble> now() {
        List<RecordSystem> on = systems.findByPausedFalseAndEndedAtIsNullOrderByTitle();
        Map<UUID, RecordViews.RecordCounts> counts =
                lists.counts(on.stream().map(RecordSystem::id).toList());
        return on.stream()
                .map(one -> trouble(one, RecordViews.counts(counts, one.id())))
                .filter(one -> !one.fault().isEmpty() || one.faulty() > 0 || one.givenUp() > 0)
                .toList();
    }

    private static RecordTrouble trouble(RecordSystem system, RecordViews.RecordCounts counts) {
        return new RecordTrouble(
                system.id(), system.terms().title(), system.fault(), counts.faulty(), counts.givenUp());
    }
}
