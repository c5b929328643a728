package org.jalousie.server.intake;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.Field;

/** Requests as the interface to the outside shows them. */
public final class IntakeViews {
    private IntakeViews() {}

    public record PersonInput(String name, String mail) {}

    public record ChosenParty(String party, String label) {}

    /** The form of a template. @param chosen parties whose person is chosen with the form */
    public record Form(UUID template, String name, int version, List<Field> fields, List<ChosenParty> chosen) {}

    public record RequestRow(String number, String template, String createdBy, Instant createdAt, String agreement) {}

    public record RequestDetail(
            RequestRow row, Form form, Map<String, String> values, Map<String, PersonInput> people) {}
}
