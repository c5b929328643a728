package org.jalousie.server.template;

import java.util.Map;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/** Names as people type them for tags, read or refused with what a name looks like. */
final class TagNames {
    private TagNames() {}

    /** A name alone, as a field has it. */
    static String name(String typed) {
        if (Names.isName(Names.normal(typed))) return Names.normal(typed);
        throw bad();
    }

    /** What a tag may say: a name, with a print, a case or a party's field after a full stop. */
    static String dotted(String typed) {
        if (Names.isDotted(Names.normal(typed))) return Names.normal(typed);
        throw bad();
    }

    /** A clause's name, with an asterisk before it the name of the choice that names the clause. */
    static String clause(String typed) {
        boolean dynamic = typed.startsWith("*");
        return (dynamic ? "*" : "") + name(dynamic ? typed.substring(1) : typed);
    }

    static Refusal bad() {
        return Refusal.invalid(Message.of("name.letters"), Map.of("name", Message.of("name.example")));
    }
}
