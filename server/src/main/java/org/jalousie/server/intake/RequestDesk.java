package org.jalousie.server.intake;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.account.Sight;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The office's work with requests: who takes care of which, what is said about them, and lists of them. */
@Service
class RequestDesk {
    private static final ListOrder ORDER = new ListOrder(
            Map.of("created", "createdAt", "number", "number", "owner", "ownerName", "from", "createdBy"), "-created");
    private static final int LONGEST_COMMENT = 4000;

    /** No request comes later. */
    private static final Instant END = Instant.parse("9999-01-01T00:00:00Z");

    private final IntakeRequests requests;
    private final IntakeService intake;
    private final RequestDiary diary;
    private final Colleagues colleagues;
    private final RequestPost post;
    private final OfficeDay day;
    private final ObjectProvider<AfterRequests> followers;
    private final Settings settings;
    private final Sight sight;

    RequestDesk(
            IntakeRequests requests,
            IntakeService intake,
            RequestDiary diary,
            Colleagues colleagues,
            RequestPost post,
            OfficeDay day,
            ObjectProvider<AfterRequests> followers,
            Settings settings,
            Sight sight) {
        this.sight = sight;
        this.requests = requests;
        this.intake = intake;
        this.diary = diary;
        this.colleagues = colleagues;
        this.post = post;
        this.day = day;
        this.followers = followers;
        this.settings = settings;
    }

    /**
     * What a list is narrowed by.
     *
     * @param stage null for any
     * @param owner a mail address, "-" for nobody's, empty for anybody's
     * @param template null for any
     * @param age null for any
     * @param find part of a number, of the name or mail address of who asked; empty for all
     */
    record Narrowing(RequestStage stage, String owner, UUID template, RequestAge age, String find) {
        private String stageName() {
            return stage == null ? "" : stage.name();
        }

        private UUID templateOrNone() {
            return template == null ? new UUID(0, 0) : template;
        }

        private String pattern() {
            String plain = find.strip().toLowerCase(Locale.ROOT).replaceAll("[%_\\\\]", "");
            return plain.isEmpty() ? "" : "%" + plain + "%";
        }

        private Narrowing of(RequestAge one) {
            return new Narrowing(stage, owner, template, one, find);
        }
    }

    /** Under which headings a list stands. */
    enum Heading {
        STAGE("stage"),
        TEMPLATE("templateId"),
        OWNER("ownerMail"),
        AGE("createdAt");

        private final String property;

        Heading(String property) {
            this.property = property;
        }
    }

    private Instant from(Narrowing by) {
        return by.age() == null ? Instant.EPOCH : by.age().from(day.today(), day.zone());
    }

    private Instant until(Narrowing by) {
        return by.age() == null ? END : by.age().until(day.today(), day.zone());
    }

    /** @param under headings that rows of one kind stand under; null for none */
    @Transactional(readOnly = true)
    Page<IntakeViews.RequestRow> list(Narrowing by, Heading under, String sort, int page) {
        PageRequest asked = ORDER.page(page, sort);
        if (under != null) {
            // the newest stand under the first heading of ages
            Sort.Direction way = under == Heading.AGE ? Sort.Direction.DESC : Sort.Direction.ASC;
            asked = asked.withSort(Sort.by(way, under.property).and(asked.getSort()));
        }
        var found = requests.narrowed(
                by.stageName(),
                by.owner(),
                by.template() == null,
                by.templateOrNone(),
                sight.hiddenOrOne(),
                from(by),
                until(by),
                by.pattern(),
                asked);
        return new Page<>(intake.rows(found.getContent()), found.getTotalElements(), page, Page.SIZE);
    }

    /** How many there are in each stage, whichever stage the list shows. */
    @Transactional(readOnly = true)
    List<IntakeViews.StageCount> counts(Narrowing by) {
        return counted("", by).stream()
                .map(one -> new IntakeViews.StageCount(one.getStage(), one.getCount()))
                .toList();
    }

    private List<IntakeRequests.Counted> counted(String stage, Narrowing by) {
        return requests.counted(
                stage,
                by.owner(),
                by.template() == null,
                by.templateOrNone(),
                sight.hiddenOrOne(),
                from(by),
                until(by),
                by.pattern());
    }

    /** How many there are under each heading, on all pages. */
    @Transactional(readOnly = true)
    List<IntakeViews.HeadingCount> headings(Narrowing by, Heading under) {
        String stage = by.stageName();
        boolean every = by.template() == null;
        UUID template = by.templateOrNone();
        Set<UUID> hidden = sight.hiddenOrOne();
        return switch (under) {
            case STAGE ->
                counted(stage, by).stream()
                        .map(one -> new IntakeViews.HeadingCount(one.getStage().name(), one.getCount()))
                        .toList();
            case OWNER ->
                headings(requests.byOwner(
                        stage, by.owner(), every, template, hidden, from(by), until(by), by.pattern()));
            case TEMPLATE ->
                headings(requests.byTemplate(
                        stage, by.owner(), every, template, hidden, from(by), until(by), by.pattern()));
            case AGE ->
                Arrays.stream(RequestAge.values())
                        .filter(age -> by.age() == null || by.age() == age)
                        .map(age -> new IntakeViews.HeadingCount(
                                age.name(),
                                counted(stage, by.of(age)).stream()
                                        .mapToLong(IntakeRequests.Counted::getCount)
                                        .sum()))
                        .toList();
        };
    }

    private static List<IntakeViews.HeadingCount> headings(List<IntakeRequests.Grouped> found) {
        return found.stream()
                .map(one -> new IntakeViews.HeadingCount(one.getKey(), one.getCount()))
                .toList();
    }

    /** The next request that waits after one, the oldest first; then from the beginning. */
    @Transactional(readOnly = true)
    IntakeViews.NextRequest next(String after) {
        Instant moment =
                requests.findByNumber(after).map(IntakeRequest::createdAt).orElse(Instant.EPOCH);
        String next = first(moment, after);
        return new IntakeViews.NextRequest(next.isEmpty() ? first(Instant.EPOCH, after) : next);
    }

    private String first(Instant moment, String but) {
        return requests.waitingAfter(moment, sight.hiddenOrOne(), PageRequest.of(0, 2)).stream()
                .map(IntakeRequest::number)
                .filter(number -> !number.equals(but))
                .findFirst()
                .orElse("");
    }

    /** @param owner the mail address by which they sign in; empty for nobody */
    @Transactional
    IntakeViews.RequestDetail give(String number, String owner, Actor.Office by) {
        IntakeRequest request = intake.locked(number);
        if (owner.isEmpty()) {
            if (!request.ownerMail().isEmpty()) {
                owned(request, "", "");
                diary.write(request.id(), by.name(), RequestDiary.Kind.OWNED, "");
            }
        } else {
            Colleagues.Colleague one = colleagues
                    .coordinator(owner)
                    .orElseThrow(() -> Refusal.invalid(Message.of("request.no-colleague", "mail", owner)));
            if (!one.mail().equals(request.ownerMail())) {
                if (!sight.mayUse(one.mail(), request.templateId()))
                    throw Refusal.invalid(Message.of("group.no-owner", "name", one.name()));
                owned(request, one.mail(), one.name());
                diary.write(request.id(), by.name(), RequestDiary.Kind.OWNED, one.name());
                if (!one.mail().equals(by.account())) mail(request, RequestLetter.About.OWNED, one.mail());
            }
        }
        requests.flush();
        return intake.show(number);
    }

    private void owned(IntakeRequest request, String mail, String name) {
        request.owned(mail, name);
        followers.orderedStream().forEach(one -> one.owned(request.number(), mail, name));
    }

    /** Says something about a request; its owner is told by mail unless they said it. */
    @Transactional
    IntakeViews.RequestDetail say(String number, String text, Actor.Office by) {
        String said = text.strip();
        if (said.isEmpty()) throw Refusal.invalid(Message.of("request.comment-empty"));
        if (said.length() > LONGEST_COMMENT)
            throw Refusal.invalid(Message.of("request.comment-long", "most", LONGEST_COMMENT));
        IntakeRequest request = intake.locked(number);
        diary.write(request.id(), by.name(), RequestDiary.Kind.SAID, said);
        if (!request.ownerMail().isEmpty() && !request.ownerMail().equals(by.account()))
            mail(request, RequestLetter.About.SAID, request.ownerMail());
        return intake.show(number);
    }

    private void mail(IntakeRequest request, RequestLetter.About about, String to) {
        String template = intake.rows(List.of(request)).get(0).template();
        post.queue(
                request.id(),
                about,
                to,
                new RequestLetter(
                                "",
                                template,
                                request.number(),
                                settings.office().name(),
                                "en")
                        .subject(about));
    }
}
