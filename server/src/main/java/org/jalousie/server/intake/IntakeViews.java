package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.template.Anonymised;
import org.jalousie.core.template.FilledText;
import org.jalousie.server.web.PrintedView;

/** Requests as the interface to the outside shows them. */
public final class IntakeViews {
    private IntakeViews() {}

    /** @param phone in the international form, where it is asked for; may be left out elsewhere */
    public record PersonInput(
            String name,
            String mail,
            @Schema(types = {"string", "null"}) String phone) {}

    /**
     * A party whose person is chosen with the form.
     *
     * @param people those of whom it is one; none where it can be anybody
     * @param optional whether nobody need be named
     * @param phone whether their telephone number is asked for
     */
    public record ChosenParty(
            PartyKey party, String label, List<PersonInput> people, boolean optional, boolean phone) {}

    /**
     * The form of a template.
     *
     * @param fields all that it can take, also what it doesn't show
     * @param sections the questions as they are shown
     * @param language in which numbers are shown and typed, a BCP 47 tag
     * @param chosen parties whose person is chosen with the form
     * @param initials what a new form has in it, by field, as it is stored
     * @param depends whether what it asks for stands on the answers, so that its {@link FormState} is asked for
     * @param languages in which it can be shown, its template's own first
     * @param words its texts in this language, by the texts of the fields and sections; none in the template's own
     */
    public record Form(
            UUID template,
            String name,
            int version,
            String language,
            List<Field> fields,
            List<FormSection> sections,
            List<ChosenParty> chosen,
            Map<FieldName, String> initials,
            boolean depends,
            List<String> languages,
            Map<String, String> words) {}

    /** Questions that belong together. @param help may be empty */
    public record FormSection(String title, String help, List<FormQuestion> questions) {}

    /**
     * @param field its name; {@code help} in place of the field's own hint, empty for that
     * @param register in which its answer can be looked up; empty for none
     */
    public record FormQuestion(
            FieldName field,
            String help,
            String placeholder,
            String before,
            FormLayout.Width width,
            boolean readOnly,
            boolean tick,
            FormLayout.Start.Kind start,
            List<FieldName> totals,
            String register) {}

    /**
     * What a form asks for with the answers that it has so far.
     *
     * @param left fields that are not asked for
     * @param sectionsLeft positions of sections that are not there, from 0
     * @param followed answers that follow from others, as they are typed in the form's language
     * @param totals under lists, as they are read
     */
    public record FormState(
            List<FieldName> left,
            List<Integer> sectionsLeft,
            Map<FieldName, String> followed,
            List<ListTotal> totals) {}

    /** @param label of the field that is summed */
    public record ListTotal(FieldName list, String label, String total) {}

    /** A file that was taken in. @param answer to the form's question */
    public record KeptFile(String answer) {}

    /** A form that was begun, with its answers as they were typed. @param renews the number of the agreement that it is to renew; empty for none */
    @Schema(name = "BegunForm")
    public record BegunForm(
            UUID template,
            Map<FieldName, String> values,
            Map<String, PersonInput> people,
            String language,
            Instant changedAt,
            List<BegunTaken> taken,
            String renews) {}

    /** A row of a register that answers of a begun form were taken from. @param said the answers that it gave */
    public record BegunTaken(FieldName question, String row, Map<FieldName, String> said) {}

    /** @param template that it is the form of, {@code name} what that is called */
    public record BegunRow(UUID key, UUID template, String name, Instant changedAt) {}

    /** A document that comes with the answers. */
    public record LiveTitle(String id, String title) {}

    /**
     * A document as far as the answers go, with its PDF: whoever types doesn't wait for a second answer.
     *
     * @param key by which its marks are fetched
     * @param document the one that is shown, {@code documents} all that come with these answers
     */
    public record LiveMade(UUID key, String document, List<LiveTitle> documents, List<Pages.Size> sizes, byte[] pdf) {}

    /** What stands where on its pages. */
    public record LiveMarks(Pages pages, List<PrintedView> printed) {}

    /** A wording as text, as far as the answers go. */
    public record LiveText(String document, List<LiveTitle> documents, List<FilledText.Paragraph> paragraphs) {}

    /**
     * Data as they were read.
     *
     * @param values in the form in which they are stored
     * @param faults by field name; within a list's items by {@code list[0].field}, too
     */
    public record ReadData(Map<FieldName, String> values, Map<String, String> faults) {}

    /** A specimen made from a request. @param replaced what was replaced in it, to be looked over */
    public record KeptSpecimen(List<Anonymised.Replacement> replaced) {}

    /**
     * @param owner who takes care of it, empty for nobody; {@code ownerMail} by which they sign in
     * @param agreement the number of its agreement; empty before there is one
     * @param further how many agreements are made besides
     */
    public record RequestRow(
            String number,
            String template,
            String createdBy,
            Instant createdAt,
            String owner,
            String ownerMail,
            RequestStage stage,
            String agreement,
            int further,
            UUID templateId,
            RequestAge age) {}

    /**
     * One of several agreements that a request is for.
     *
     * @param number of the part
     * @param wanted whether the form asks for it, as it is answered now
     * @param agreement its number; empty before there is one
     */
    public record RequestPart(
            String number,
            String template,
            boolean wanted,
            String agreement,
            @Schema(types = {"string", "null"}) State agreementState) {}

    /** How many requests stand under a heading. @param key a stage, an age, a template's id or an owner's mail address */
    public record HeadingCount(String key, long count) {}

    /** How many requests are in a stage. */
    public record StageCount(RequestStage stage, long count) {}

    /** One line of a request's history. @param said what was said, whose it became, or which agreement was made */
    public record HistoryLine(Instant at, String by, RequestDiary.Kind kind, String said) {}

    /** @param next the number of the next request that waits, the oldest first; empty for none */
    public record NextRequest(String next) {}

    /**
     * @param askerMail of who asked from outside; empty for others
     * @param unprinted fields whose answers print nowhere and decide nothing
     * @param partOf the number of the request that it is a part of; empty for a whole one
     * @param parts all agreements that a request is for, its own first; none where it is for one alone
     * @param taken rows of registers that answers were taken from
     * @param agreementState how far its agreement has come; null before there is one
     */
    public record RequestDetail(
            RequestRow row,
            Form form,
            Map<FieldName, String> values,
            Map<String, PersonInput> people,
            List<HistoryLine> history,
            String askerMail,
            List<FieldName> unprinted,
            @Schema(types = {"string", "null"}) State agreementState,
            String partOf,
            List<RequestPart> parts,
            List<TakenView> taken) {}

    /**
     * A row of a register that answers were taken from.
     *
     * @param said the answers by field, as they were stored when they were taken; for a list, those of one item
     * @param gone whether the row was taken out since
     * @param changes what the register says otherwise by now
     */
    public record TakenView(
            FieldName question,
            UUID row,
            String register,
            String label,
            boolean gone,
            Map<FieldName, String> said,
            List<TakenChange> changes) {}

    /** @param label what the answer is called; {@code was} and {@code is} what the register said and says of it */
    public record TakenChange(FieldName field, String label, String was, String is) {}

    /** What a row of a register gives. @param answers by field as they are typed; for a list, those of one item */
    public record RowAnswers(UUID row, String label, Map<FieldName, String> said, Map<FieldName, String> answers) {}

    /** A template whose form takes rows of a register. @param label of the question for which one is taken */
    public record RowTemplate(UUID template, String name, FieldName question, String label) {}
}
