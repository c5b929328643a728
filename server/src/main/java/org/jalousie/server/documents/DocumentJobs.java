package org.jalousie.server.documents;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.DocumentWork;
import org.jalousie.core.agreement.Entry;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.Jobs;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;

/**
 * The work on documents as jobs. What has to be done follows from the history, and an agreement's documents have one job at a
 * time, which goes on until there is nothing left to do: so nobody's seal is made twice, and none is lost.
 */
@Configuration
class DocumentJobs {
    /** Asks for the work that events lead to. */
    @Bean
    @Order(0)
    AfterEvents documentsFollow(Jobs jobs, Clock clock) {
        return (UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) ->
                DocumentWork.next(history, clock.instant()).ifPresent(work -> jobs.soon(kindOf(work), id.toString()));
    }

    @Bean
    JobWork makeDocumentsWork(Agreements agreements, MakeDocuments make, Clock clock) {
        return new Queue(
                JobKind.MAKE_DOCUMENTS,
                agreements,
                clock,
                (id, history, work) -> new Done(true, make.make(id, history)));
    }

    @Bean
    JobWork sealDocumentsWork(Agreements agreements, SealDocuments seal, FileDocuments file, Clock clock) {
        return new Queue(JobKind.SEAL_DOCUMENTS, agreements, clock, (id, history, work) -> {
            boolean asked = true;
            if (work instanceof DocumentWork.SealAct act) asked = seal.act(id, history, act);
            else if (work instanceof DocumentWork.SealOffice) seal.byOffice(id, history);
            else file.finish(id, history);
            return new Done(asked, agreements.history(id));
        });
    }

    private static JobKind kindOf(DocumentWork work) {
        return work instanceof DocumentWork.Generate ? JobKind.MAKE_DOCUMENTS : JobKind.SEAL_DOCUMENTS;
    }

    /** @param asked whether the outside service was @param history all of it after the work */
    private record Done(boolean asked, List<Entry> history) {}

    /** Does one thing to an agreement's documents. */
    private interface Work {
        Done run(UUID id, List<Entry> history, DocumentWork work);
    }

    private record Queue(JobKind kind, Agreements agreements, Clock clock, Work work) implements JobWork {
        @Override
        public boolean run(String instance) {
            UUID id = UUID.fromString(instance);
            boolean asked = false;
            List<Entry> history = agreements.history(id);
            for (Optional<DocumentWork> next = next(history); next.isPresent(); next = next(history)) {
                Done done = work.run(id, history, next.get());
                asked |= done.asked();
                // what was overtaken finds a longer history; the same again would be asked for without end
                if (done.history().size() == history.size())
                    throw new IllegalStateException("Nothing came of the work on the documents.");
                history = done.history();
            }
            return asked;
        }

        private Optional<DocumentWork> next(List<Entry> history) {
            return DocumentWork.next(history, clock.instant()).filter(work -> kindOf(work) == kind);
        }
    }
}
