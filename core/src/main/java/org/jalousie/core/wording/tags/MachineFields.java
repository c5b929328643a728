package org.jalousie.core.wording.tags;

import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.w3c.dom.Element;

/**
 * Fields that tell of the machine on which a file lies, of its author or of the moment of conversion (ISO/IEC 29500-1
 * §17.16.5): they say what the agreement says, or what they said in the author's file, without a path.
 */
final class MachineFields {
    /** The agreement's file name. No tag can be called so. */
    static final String FILE_NAME = ":file_name";

    private static final Set<String> DATES = Set.of("DATE", "CREATEDATE", "SAVEDATE", "PRINTDATE", "TIME");
    private static final Set<String> AS_SAVED = Set.of(
            "AUTHOR",
            "LASTSAVEDBY",
            "USERNAME",
            "USERINITIALS",
            "USERADDRESS",
            "TEMPLATE",
            "FILESIZE",
            "EDITTIME",
            "REVNUM");
    private static final Pattern PICTURE = Pattern.compile("\\\\@\\s*(?:\"([^\"]*)\"|(\\S+))");
    private static final Pattern PATH = Pattern.compile("^.*[/\\\\]");

    private MachineFields() {}

    static boolean isOne(String type) {
        return type.equals("FILENAME") || DATES.contains(type) || AS_SAVED.contains(type);
    }

    static void settle(WordFields.WordField field) {
        String type = field.type();
        Element look = field.look();
        if (type.equals("FILENAME")) {
            put(field, OwnFields.tag(look, MergeField.value(FILE_NAME, "")));
        } else if (DATES.contains(type)) {
            Matcher picture = PICTURE.matcher(field.instruction());
            String print = !picture.find()
                    ? type.equals("TIME") ? "@HH:mm" : "short"
                    : "@" + (picture.group(1) != null ? picture.group(1) : picture.group(2));
            put(field, OwnFields.tag(look, MergeField.value("generated_on", print)));
        } else {
            put(field, OwnFields.words(look, PATH.matcher(field.shown()).replaceFirst("")));
        }
    }

    private static void put(WordFields.WordField field, Element run) {
        if (!WordFields.replace(field.leaves, List.of(run)))
            field.leaves.stream().filter(leaf -> leaf != field.leaves.get(0)).forEach(Word::remove);
    }
}
