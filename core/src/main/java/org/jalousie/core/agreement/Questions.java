package org.jalousie.core.agreement;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/** The rules of what people ask the office about an agreement, and of what it answers. */
final class Questions {
    private static final int LONGEST = 2000;
    /** Of one part, so that nobody floods the office. */
    private static final int MOST_OPEN = 5;

    private Questions() {}

    /** Whose turn it is has been looked at. */
    static Decision ask(Agreement agreement, Command.AskOffice ask) {
        if (ask.question().isBlank()) return refused(Message.of("question.missing"));
        if (ask.question().length() > LONGEST) return refused(Message.of("question.too-long", "most", LONGEST));
        long open = agreement.questions().stream()
                .filter(one -> one.party().equals(ask.party()) && one.answer().isEmpty())
                .count();
        if (open >= MOST_OPEN) return refused(Message.of("question.too-many"));
        return accepted(new Event.QuestionAsked(ask.party(), ask.question().strip()));
    }

    static Decision answer(Agreement agreement, Command.AnswerQuestion answer) {
        Optional<Agreement.Question> asked = agreement.questions().stream()
                .filter(one -> one.number() == answer.question())
                .findFirst();
        if (asked.isEmpty()) return refused(Message.of("question.none"));
        if (asked.get().answer().isPresent()) return refused(Message.of("question.answered"));
        if (answer.answer().isBlank()) return refused(Message.of("question.answer-missing"));
        if (answer.answer().length() > LONGEST) return refused(Message.of("question.answer-too-long", "most", LONGEST));
        return accepted(new Event.QuestionAnswered(
                asked.get().party(), answer.question(), answer.answer().strip()));
    }

    private static Decision accepted(Event event) {
        return new Decision.Accepted(List.of(event));
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
