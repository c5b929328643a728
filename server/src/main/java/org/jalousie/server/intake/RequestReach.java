package org.jalousie.server.intake;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.programs.Scope;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.programs.Reached;
import org.jalousie.server.tables.TableUse;
import org.jalousie.server.tables.TablesBrought;
import org.springframework.stereotype.Component;

/**
 * Of which forms requests are, agreements by the requests that they were made of, and tables: those of which agreements are made
 * are the intake's, others the registers'.
 */
@Component
class RequestReach implements Reached {
    private final IntakeRequests requests;
    private final Agreements agreements;
    private final TablesBrought tables;

    RequestReach(IntakeRequests requests, Agreements agreements, TablesBrought tables) {
        this.tables = tables;
        this.requests = requests;
        this.agreements = agreements;
    }

    // in no transaction of its own: what isn't there is refused in the room's, which would take this one along
    @Override
    public Optional<About> about(List<String> segments) {
        if (segments.size() < 2) return Optional.empty();
        String number = segments.get(1);
        try {
            return switch (segments.get(0)) {
                case "requests" -> ofRequest(number);
                case "agreements", "archive" ->
                    ofRequest(agreements
                            .read(agreements.idOf(new AgreementNumber(number)))
                            .created()
                            .request());
                case "tables" -> tables.subjectOf(UUID.fromString(number)).map(RequestReach::ofTable);
                default -> Optional.empty();
            };
        } catch (Refusal | IllegalArgumentException e) {
            // what isn't there is of no form
            return Optional.empty();
        }
    }

    private static About ofTable(TablesBrought.Subject table) {
        return table.purpose() == TableUse.Purpose.RUN
                ? new About(Optional.of(Scope.Area.INTAKE), Set.of(UUID.fromString(table.subject())))
                : new About(Optional.of(Scope.Area.REGISTERS), Set.of());
    }

    /** A part is of the form that was filled, too. */
    private Optional<About> ofRequest(String number) {
        return requests.findByNumber(number).map(request -> {
            Set<UUID> forms = Stream.concat(
                            Stream.of(request.templateId()),
                            request.partOf().flatMap(requests::findById).map(IntakeRequest::templateId).stream())
                    .collect(Collectors.toSet());
            return About.forms(forms);
        });
    }
}
