package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.intake.FormLayout.Further;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Obstacle.Subject;

/** What stands in the way of a form that feeds several templates. */
public final class JointCheck {
    /** The most that one form makes besides. */
    public static final int MOST = 8;

    private JointCheck() {}

    /** A template that can be filled. */
    public record Other(String name, TemplateContent content) {}

    /** @param others those that can be filled, by their ids */
    public static List<Obstacle> of(UUID own, TemplateContent content, Map<UUID, Other> others) {
        List<Obstacle> obstacles = new ArrayList<>();
        List<Further> further = content.layout().further();
        if (further.size() > MOST) obstacles.add(form(Message.of("publish.further-most", "most", MOST)));
        Set<UUID> seen = new HashSet<>(Set.of(own));
        for (Further one : further) {
            if (!seen.add(one.template())) {
                obstacles.add(form(Message.of("publish.further-twice")));
                continue;
            }
            Other other = others.get(one.template());
            if (other == null) obstacles.add(form(Message.of("publish.further-gone")));
            else meanings(content, other, obstacles);
        }
        return obstacles;
    }

    /** A name is one question, so what it asks for has to be of one type in both. */
    private static void meanings(TemplateContent content, Other other, List<Obstacle> obstacles) {
        for (Field field : content.fields())
            other.content().fields().stream()
                    .filter(one -> one.name().equals(field.name()) && one.type() != field.type())
                    .forEach(one -> obstacles.add(form(
                            Message.of("publish.further-other", "field", field.label(), "template", other.name()))));
    }

    private static Obstacle form(Message message) {
        return Obstacle.at(Subject.FORM, "", message);
    }
}
