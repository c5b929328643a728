package org.jalousie.server.intake;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.intake.LinkTerms;
import org.jalousie.core.intake.Prefilled;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Sight;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Forms that are shared by a link, as the office keeps them. */
@Service
class FormLinkService {
    private static final int LONGEST_TITLE = 120;

    private final FormLinks links;
    private final UsableTemplates templates;
    private final PasswordEncoder encoder;
    private final Settings settings;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Sight sight;

    FormLinkService(
            FormLinks links,
            UsableTemplates templates,
            PasswordEncoder encoder,
            Settings settings,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.links = links;
        this.templates = templates;
        this.encoder = encoder;
        this.settings = settings;
        this.clock = clock;
    }

    /** @param template only its links; null for all */
    @Transactional(readOnly = true)
    Page<FormLinkViews.FormLinkRow> list(UUID template, int page) {
        PageRequest wanted = PageRequest.of(
                Math.max(0, page), Page.SIZE, Sort.by(Sort.Order.desc("createdAt"), Sort.Order.asc("id")));
        var found = template == null
                ? links.findByTemplateIdNotIn(sight.hiddenOrOne(), wanted)
                : links.findByTemplateIdAndTemplateIdNotIn(template, sight.hiddenOrOne(), wanted);
        Map<UUID, String> fillable = templates.fillable(
                found.getContent().stream().map(FormLink::templateId).collect(Collectors.toSet()));
        return new Page<>(
                found.getContent().stream().map(link -> row(link, fillable)).toList(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    @Transactional(readOnly = true)
    FormLinkViews.FormLinkRow show(UUID id) {
        return row(link(id));
    }

    @Transactional
    FormLinkViews.FormLinkRow share(FormLinkViews.FormLinkSettings wanted, String by) {
        sight.requireUse(wanted.template());
        UsableTemplate template = templates.published(wanted.template());
        FormLink link = new FormLink(wanted.template(), secret(16), secret(32), by, clock.instant());
        settle(link, wanted, template);
        return row(links.save(link));
    }

    @Transactional
    FormLinkViews.FormLinkRow change(UUID id, FormLinkViews.FormLinkSettings wanted) {
        FormLink link = link(id);
        settle(link, wanted, templates.published(link.templateId()));
        return row(link);
    }

    @Transactional
    FormLinkViews.FormLinkRow close(UUID id, boolean over) {
        FormLink link = link(id);
        link.close(over);
        return row(link);
    }

    /**
     * The form's address with answers in it.
     *
     * @param fixed whether they can't be changed there
     */
    @Transactional(readOnly = true)
    FormLinkViews.PrefilledAddress prefilled(UUID id, FilledForms.Sent sent, boolean fixed) {
        FormLink link = link(id);
        UsableTemplate template = templates.published(link.templateId());
        List<Field> fields =
                template.content().fields().stream().map(Field::optional).toList();
        Map<FieldName, String> given = new LinkedHashMap<>(sent.values());
        given.values().removeIf(value -> value == null || value.isBlank());
        Intake.Reading read = Intake.read(fields, given, sent.typing());
        if (!read.faults().isEmpty()) {
            Map<String, Message> faults = new LinkedHashMap<>();
            read.faults().forEach((name, fault) -> faults.put(name.value(), fault));
            throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        }
        String parameter = fixed
                ? "answers=" + Prefilled.sealed(read.raw(), link.secret())
                : "with="
                        + Base64.getUrlEncoder()
                                .withoutPadding()
                                .encodeToString(org.jalousie.core.json.Json.canonical(read.raw())
                                        .getBytes(java.nio.charset.StandardCharsets.UTF_8));
        return new FormLinkViews.PrefilledAddress(address(link) + "?" + parameter, fixed);
    }

    /** Nobody from outside is offered a register, so what only a register's row answers could never be answered. */
    private static Optional<Field> onlyLookedUp(UsableTemplate template) {
        return template.content().fields().stream()
                .filter(field -> field.required() && field.initial().isEmpty())
                .filter(field -> template.content()
                        .layout()
                        .question(field.name())
                        .filter(one -> !one.typed() && one.start().kind() == FormLayout.Start.Kind.FIXED)
                        .isPresent())
                .findFirst();
    }

    private void settle(FormLink link, FormLinkViews.FormLinkSettings wanted, UsableTemplate template) {
        onlyLookedUp(template).ifPresent(field -> {
            throw Refusal.conflict(Message.of("link.only-looked-up", "field", field.label()));
        });
        Map<String, Message> faults = new LinkedHashMap<>();
        String title = wanted.title().strip();
        if (title.isEmpty() || title.length() > LONGEST_TITLE)
            faults.put("title", Message.of("link.title", "most", LONGEST_TITLE));
        if (wanted.most() != null && wanted.most() < 1) faults.put("most", Message.of("link.most"));
        LinkTerms terms = checked(wanted.terms(), template, faults);
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        link.settle(title, Optional.ofNullable(wanted.closesAt()), Optional.ofNullable(wanted.most()), terms);
        if (wanted.colleagues() != null) link.forColleagues(wanted.colleagues());
        if (wanted.word() != null)
            link.word(
                    wanted.word().isBlank()
                            ? null
                            : encoder.encode(wanted.word().strip()));
    }

    private static LinkTerms checked(LinkTerms terms, UsableTemplate template, Map<String, Message> faults) {
        List<String> origins = terms.frames().stream()
                .filter(text -> !text.isBlank())
                .map(text -> LinkTerms.origin(text).orElseGet(() -> {
                    faults.put("frames", Message.of("link.frame", "address", text));
                    return "";
                }))
                .toList();
        if (!terms.fits()) faults.put("frames", Message.of("link.frames"));
        // whom one answers has to be known of each request
        WhoAsks who = WhoAsks.of(terms, template);
        if (!terms.askerName().isEmpty() && who.name().isEmpty())
            faults.put("askerName", Message.of("link.asker", "field", terms.askerName()));
        if (!terms.askerMail().isEmpty() && who.mail().isEmpty())
            faults.put("askerMail", Message.of("link.asker", "field", terms.askerMail()));
        if (!terms.officeMail().isBlank()) {
            try {
                ValueReader.mail(terms.officeMail().strip());
            } catch (ValueReader.Unreadable e) {
                faults.put("officeMail", e.said());
            }
        }
        return new LinkTerms(
                origins,
                terms.thanks().strip(),
                terms.then(),
                terms.document(),
                terms.wording(),
                terms.askerName(),
                terms.askerMail(),
                terms.officeMail().strip());
    }

    private FormLink link(UUID id) {
        return links.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("link.none")));
    }

    private FormLinkViews.FormLinkRow row(FormLink link) {
        return row(link, templates.fillable(List.of(link.templateId())));
    }

    private FormLinkViews.FormLinkRow row(FormLink link, Map<UUID, String> fillable) {
        boolean rests = !fillable.containsKey(link.templateId());
        return new FormLinkViews.FormLinkRow(
                link.id(),
                link.templateId(),
                fillable.getOrDefault(link.templateId(), ""),
                link.title(),
                address(link),
                link.wordHash().isPresent(),
                link.closesAt().orElse(null),
                link.most().orElse(null),
                link.taken(),
                FormLinkViews.state(link, rests, clock.instant()),
                link.forColleagues(),
                link.terms(),
                link.createdBy(),
                link.createdAt());
    }

    private String address(FormLink link) {
        return settings.address() + "/ask/" + link.token();
    }

    private String secret(int bytes) {
        byte[] secret = new byte[bytes];
        random.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }
}
