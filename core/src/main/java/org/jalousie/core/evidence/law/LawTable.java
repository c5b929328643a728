package org.jalousie.core.evidence.law;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.OnPaper;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.EventSentences;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.law.LawAnswer.Standing;
import org.jalousie.core.evidence.law.SignedActs.Act;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;

/** Looks, element by element, for what answers the laws about electronic signatures in the events and files of an agreement. */
public final class LawTable {
    private final Agreement agreement;
    private final List<Entry> history;
    private final Collection<Verification> files;
    private final List<Act> acts;
    private final List<Act> own;

    private LawTable(Agreement agreement, List<Entry> history, Collection<Verification> files) {
        this.agreement = agreement;
        this.history = history;
        this.files = files;
        this.acts = SignedActs.of(agreement, history);
        this.own = acts.stream().filter(Act::themselves).toList();
    }

    /** @param files what checking the finished documents came to, as far as they have signatures */
    public static List<LawAnswer> of(Agreement agreement, List<Entry> history, Collection<Verification> files) {
        LawTable table = new LawTable(agreement, history, files);
        return Stream.of(LawElement.values()).map(table::answer).toList();
    }

    private LawAnswer answer(LawElement element) {
        if (acts.isEmpty()) {
            boolean paper = agreement.paper().flatMap(OnPaper::signed).isPresent();
            return new LawAnswer(
                    element, Standing.NOT_ASKED, List.of(), Message.of(paper ? "law.on-paper" : "law.not-asked"));
        }
        List<Act> others = acts.stream().filter(act -> !act.themselves()).toList();
        boolean ofPerson = element != LawElement.ESIGN_RETAINED
                && element != LawElement.UETA_RETAINED
                && element != LawElement.UETA_COPY;
        if (ofPerson && !others.isEmpty())
            return new LawAnswer(element, Standing.UNMET, numbers(others, Act::signed), named("law.on-behalf", others));
        return switch (element) {
            case ESIGN_CONSENT ->
                every(element, act -> act.consent().isPresent(), this::consents, "law.consent", "law.consent-lacks");
            case ESIGN_STATEMENT ->
                every(element, LawTable::statementIsKept, this::consents, "law.statement", "law.statement-lacks");
            case ESIGN_ACCESS ->
                every(
                        element,
                        act -> act.viewed().isPresent(),
                        () -> Stream.concat(views().stream(), consents().stream())
                                .sorted()
                                .toList(),
                        "law.access",
                        "law.access-lacks");
            case UETA_AGREED ->
                every(
                        element,
                        act -> act.consent().isPresent(),
                        () -> Stream.concat(sent().stream(), consents().stream())
                                .toList(),
                        "law.agreed",
                        "law.consent-lacks");
            case UETA_FORM ->
                every(element, act -> act.sealed().isPresent(), this::seals, "law.form", "law.form-lacks");
            case UETA_ATTRIBUTED ->
                new LawAnswer(element, Standing.MET, shown(), Message.of("law.attributed", "checks", checks()));
            case UETA_EFFECT ->
                every(
                        element,
                        act -> act.viewed().isPresent() && act.consent().isPresent(),
                        () -> numbers(own, Act::signed),
                        "law.effect",
                        "law.access-lacks");
            case ESIGN_RETAINED, UETA_RETAINED ->
                new LawAnswer(element, Standing.MET, List.of(), Message.of("law.retained"));
            case UETA_COPY -> copies(element);
            case EIDAS_UNIQUE -> every(element, this::hasItsOwn, this::seals, "law.unique", "law.unique-lacks");
            case EIDAS_IDENTIFIES ->
                every(element, LawTable::isNamed, this::seals, "law.identifies", "law.identifies-lacks");
            case EIDAS_CONTROL -> control(element);
            case EIDAS_TIED -> hold(element, "law.tied", "law.tied-lacks", one -> one.intact());
            case EIDAS_TIME ->
                hold(
                        element,
                        "law.time",
                        "law.time-lacks",
                        one -> one.signatures().stream().allMatch(signature -> signature.at() != null));
        };
    }

    private LawAnswer every(
            LawElement element, Predicate<Act> has, Supplier<List<Integer>> events, String met, String lacks) {
        List<Act> without = own.stream().filter(has.negate()).toList();
        return without.isEmpty()
                ? new LawAnswer(element, Standing.MET, events.get(), Message.of(met))
                : new LawAnswer(element, Standing.UNMET, numbers(without, Act::signed), named(lacks, without));
    }

    private LawAnswer hold(LawElement element, String met, String lacks, Predicate<Verification> holds) {
        boolean all = !files.isEmpty() && files.stream().allMatch(holds);
        return new LawAnswer(element, all ? Standing.MET : Standing.UNMET, seals(), Message.of(all ? met : lacks));
    }

    private LawAnswer copies(LawElement element) {
        List<Participant> without =
                agreement.present().stream().filter(one -> one.mail().isBlank()).toList();
        return without.isEmpty()
                ? new LawAnswer(element, Standing.MET, List.of(), Message.of("law.copy"))
                : new LawAnswer(
                        element,
                        Standing.PARTLY,
                        List.of(),
                        Message.of("law.copy-lacks", "names", names(without.stream())));
    }

    private LawAnswer control(LawElement element) {
        List<Act> byLink = own.stream()
                .filter(act -> act.proof().check() == IdentityCheck.NONE)
                .toList();
        return byLink.isEmpty()
                ? new LawAnswer(element, Standing.MET, shown(), Message.of("law.control"))
                : new LawAnswer(element, Standing.PARTLY, seals(), named("law.control-by-link", byLink));
    }

    private static boolean statementIsKept(Act act) {
        return act.consent()
                .map(Entry::event)
                .map(Event.ConsentGiven.class::cast)
                .filter(given -> ConsentWording.isKept(given.wording(), given.wordingHash()))
                .isPresent();
    }

    /** Whether nobody else has signed with the certificate. */
    private boolean hasItsOwn(Act act) {
        return act.certificate().known()
                && own.stream()
                        .filter(one -> one.certificate().equals(act.certificate()))
                        .allMatch(one -> one.who().person().isSameAs(act.who().person()));
    }

    /** Whether the certificate's subject has the name, whichever way its letters are escaped (RFC 4514 §2.4). */
    private static boolean isNamed(Act act) {
        String name = letters(act.who().name());
        return !name.isEmpty() && letters(act.certificate().subject()).contains(name);
    }

    private static String letters(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]", "");
    }

    private Message checks() {
        Map<String, Message> checks = new HashMap<>();
        List<Message> said = new ArrayList<>();
        for (Act act : own) {
            Message check = switch (act.proof()) {
                case SENT_FORM -> Message.of("check.sent-form");
                case SIGNED_IN -> Message.of("check.signed-in");
                default -> EventSentences.check(act.proof().check());
            };
            Message one = Message.of("record.identity-of", "party", act.who().name(), "check", check);
            if (checks.putIfAbsent(act.who().name() + act.proof(), one) == null) said.add(one);
        }
        return Message.list(said);
    }

    private static Message named(String key, List<Act> acts) {
        return Message.of(key, "names", names(acts.stream().map(Act::who)));
    }

    private static String names(Stream<Participant> people) {
        return people.map(one -> one.name().isBlank() ? one.label() : one.name())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    private static List<Integer> numbers(List<Act> acts, Function<Act, Entry> of) {
        return acts.stream().map(of).map(Entry::sequence).distinct().sorted().toList();
    }

    private List<Integer> consents() {
        return numbers(
                of(act -> act.consent().isPresent()), act -> act.consent().orElseThrow());
    }

    private List<Integer> views() {
        return numbers(of(act -> act.viewed().isPresent()), act -> act.viewed().orElseThrow());
    }

    private List<Integer> seals() {
        return numbers(of(act -> act.sealed().isPresent()), act -> act.sealed().orElseThrow());
    }

    private List<Act> of(Predicate<Act> has) {
        return own.stream().filter(has).toList();
    }

    private List<Integer> sent() {
        return events(entry -> entry.event() instanceof Event.Sent);
    }

    /** Where somebody showed who they are, and the acts themselves, which say how it is known. */
    private List<Integer> shown() {
        return events(entry -> entry.event() instanceof Event.IdentityShown || entry.event() instanceof Event.Signed);
    }

    private List<Integer> events(Predicate<Entry> which) {
        return history.stream().filter(which).map(Entry::sequence).toList();
    }
}
