package org.jalousie.core.placement;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;

/**
 * One of several answers, of which the party takes one.
 *
 * @param hint said beside the input; may be empty
 * @param options the answers there are, in the order in which they are offered
 * @param preset the answer that is taken before anything is chosen; empty for none
 * @param spread whether all answers are seen at once, and not in a list that is opened
 */
public record ChoicePlace(
        boolean required, String hint, BoxSize size, List<String> options, String preset, Boolean spread)
        implements AskedPlace {
    static final String KIND = "choice";

    private static final BoxSize LINE = new BoxSize(60, 6);

    /** Required, and without any answer yet. */
    static final ChoicePlace USUAL = new ChoicePlace(true, "", LINE, List.of(), "");

    /** One whose answers are in a list. */
    public ChoicePlace(boolean required, String hint, BoxSize size, List<String> options, String preset) {
        this(required, hint, size, options, preset, false);
    }

    public ChoicePlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, LINE);
        options =
                options == null ? List.of() : options.stream().map(Texts::bare).toList();
        preset = preset == null ? "" : Texts.bare(preset);
        spread = Boolean.TRUE.equals(spread); // what was settled before there was a choice is a list
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Optional<Message> wrong(String answer) {
        if (options.contains(answer)) return Optional.empty();
        return Optional.of(Message.of("field.not-an-option", "options", String.join(", ", options)));
    }

    @Override
    public SigningFieldType beginning(String raw) {
        return raw.isBlank() || fault(raw).isPresent()
                ? this
                : new ChoicePlace(required, hint, size, options, raw, spread);
    }

    @Override
    public Optional<Message> presetFault() {
        return fault(preset);
    }

    @Override
    public Optional<Message> optionsFault() {
        if (options.size() < 2) return Optional.of(Message.of("field.options-few"));
        Set<String> seen = new HashSet<>();
        for (String option : options) {
            if (option.isEmpty()) return Optional.of(Message.of("field.options-blank"));
            if (!seen.add(option)) return Optional.of(Message.of("field.options-twice", "option", option));
            Optional<Message> unusable = Room.fault(this, option);
            if (unusable.isPresent())
                return Optional.of(Message.of("field.options-fault", "option", option, "fault", unusable.get()));
        }
        return Optional.empty();
    }
}
