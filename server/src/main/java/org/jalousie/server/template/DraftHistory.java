package org.jalousie.server.template;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.ChangedSettings;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Component;

/** What was done to a draft, its wording and its settings alike: taken back and made again in its order. */
@Component
class DraftHistory {
    /** Typing at one thing with pauses no longer than this is one change. */
    private static final Duration PAUSE = Duration.ofSeconds(20);

    private static final int MOST = 200;

    private final TemplateSteps steps;
    private final Clock clock;

    DraftHistory(TemplateSteps steps, Clock clock) {
        this.steps = steps;
        this.clock = clock;
    }

    /** Keeps the draft as it is now, so that the change to come can be taken back. */
    void remember(TemplateVersion draft, Message what, String by) {
        step(draft, what.toString(), false, by);
    }

    /** As {@link #remember}, for settings that are being typed: what goes on at one thing is one change. */
    void rememberTyping(TemplateVersion draft, TemplateContent typed, String by) {
        if (typed.equals(draft.content())) return;
        Instant now = clock.instant();
        Optional<TemplateStep> last = last(draft)
                .filter(step -> step.typedSince(by, now.minus(PAUSE)) && goesOn(step, typed))
                .filter(step -> undone(draft).isEmpty());
        if (last.isPresent()) last.get().goOn(now);
        else step(draft, ChangedSettings.between(draft.content(), typed).toString(), true, by);
    }

    /** Whether a step and what is typed now are one change of one thing. */
    private static boolean goesOn(TemplateStep step, TemplateContent typed) {
        Message both = ChangedSettings.between(step.content(), typed);
        return !both.code().equals("step.settings") && both.toString().equals(step.what());
    }

    private void step(TemplateVersion draft, String what, boolean typed, String by) {
        // above what is taken back too: a number is never used twice
        int number = steps.findFirstByVersionIdOrderByNumberDesc(draft.id())
                        .map(TemplateStep::number)
                        .orElse(0)
                + 1;
        steps.deleteTakenBackAndUpTo(draft.id(), number - MOST);
        steps.save(new TemplateStep(draft, number, what, typed, by, clock.instant()));
    }

    void takeBack(TemplateVersion draft) {
        last(draft)
                .orElseThrow(() -> Refusal.conflict(Message.of("step.nothing-to-take-back")))
                .cross(draft);
    }

    void makeAgain(TemplateVersion draft) {
        undone(draft)
                .orElseThrow(() -> Refusal.conflict(Message.of("step.nothing-to-make-again")))
                .cross(draft);
    }

    /** What would be taken back next; empty when there is nothing, and for a published version. */
    String nextBack(TemplateVersion version) {
        return version.published() ? "" : last(version).map(TemplateStep::what).orElse("");
    }

    /** What would be made again next; empty when there is nothing, and for a published version. */
    String nextAgain(TemplateVersion version) {
        return version.published()
                ? ""
                : undone(version).map(TemplateStep::what).orElse("");
    }

    private Optional<TemplateStep> last(TemplateVersion draft) {
        return steps.findFirstByVersionIdAndTakenBackFalseOrderByNumberDesc(draft.id());
    }

    private Optional<TemplateStep> undone(TemplateVersion draft) {
        return steps.findFirstByVersionIdAndTakenBackTrueOrderByNumberAsc(draft.id());
    }
}
