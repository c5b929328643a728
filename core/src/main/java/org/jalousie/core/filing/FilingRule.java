package org.jalousie.core.filing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Letter;

/**
 * Where an agreement's files are filed, by its data: tags stand in both as in a wording, such as {@code {{lender_name}}} or
 * {@code {{completed_on.year}}}.
 *
 * @param folder names of folders, one within the other, with strokes between them; empty for none
 * @param name of the files
 */
public record FilingRule(String folder, String name) {
    /** A folder for each template and year, and files called as the agreement is. */
    public static final FilingRule USUAL =
            new FilingRule("{{template_name}}/{{completed_on.year}}", "{{agreement_number}} {{agreement_title}}");

    /** Names that every agreement has something by. */
    public static final Set<String> ALWAYS =
            Set.of("agreement_number", "agreement_title", "template_name", "completed_on");

    /** What a name and what a file is called beside it may have, in bytes: with a number and an ending they stay below 255. */
    private static final int LONGEST_STEM = 140;

    private static final int LONGEST_CALLED = 70;

    private static final int LONGEST = 400;
    private static final int DEEPEST = 8;

    public FilingRule {
        folder = folder == null ? "" : folder.strip();
        name = name == null ? "" : name.strip();
    }

    /** What is wrong with it, by {@code folder} and {@code name}. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        fault(folder).ifPresent(fault -> faults.put("folder", fault));
        if (levels().size() > DEEPEST) faults.put("folder", Message.of("filing.too-deep", "most", DEEPEST));
        if (name.isEmpty()) faults.put("name", Message.of("filing.no-name"));
        else if (name.contains("/")) faults.put("name", Message.of("filing.name-is-no-folder"));
        else fault(name).ifPresent(fault -> faults.put("name", fault));
        return faults;
    }

    private static Optional<Message> fault(String text) {
        if (text.length() > LONGEST) return Optional.of(Message.of("filing.too-long", "most", LONGEST));
        return new Letter(text).unreadable();
    }

    /** The names of data that it says, by {@code folder} and {@code name}. */
    public Map<String, List<String>> names() {
        return Map.of("folder", new Letter(folder).names(), "name", new Letter(name).names());
    }

    private List<String> levels() {
        return Arrays.stream(folder.split("/")).filter(one -> !one.isBlank()).toList();
    }

    /** What every agreement has to be filed by, beside its data: the data's own names win. */
    public static Map<String, Value> values(Agreement agreement, Map<String, Value> data, LocalDate completed) {
        Map<String, Value> all = new LinkedHashMap<>();
        all.put("agreement_number", new Value.Text(agreement.created().number().value()));
        all.put("agreement_title", new Value.Text(agreement.title()));
        all.put("template_name", new Value.Text(agreement.created().template()));
        all.put("completed_on", new Value.Day(completed));
        all.putAll(data);
        return all;
    }

    /**
     * Where it leads.
     *
     * @param folders from the outside in
     * @param stem of the files' names
     */
    public record Place(List<String> folders, String stem) {
        /** A file. @param called beside the stem; empty for nothing */
        public record Named(String called, String extension) {}

        /**
         * The paths of all its files, each of which is another: those that would be called alike have a number.
         *
         * @param files what each is called beside the stem, and its ending
         */
        public List<String> paths(List<Named> files) {
            List<String> paths = new ArrayList<>();
            Set<String> taken = new HashSet<>();
            for (Named file : files) {
                String beside = SafeName.of(file.called(), LONGEST_CALLED);
                String path = path(beside, file.extension());
                for (int number = 2; !taken.add(key(path)); number++)
                    path = path((beside + " (" + number + ")").strip(), file.extension());
                paths.add(path);
            }
            return paths;
        }

        private String path(String beside, String extension) {
            List<String> all = new ArrayList<>(folders);
            all.add((beside.isEmpty() ? stem : stem + " - " + beside) + "." + extension);
            return String.join("/", all);
        }

        private Place numbered(int number) {
            return new Place(folders, stem + " (" + number + ")");
        }

        /** This place, or the first of those with a number that is free. @param free whether nothing of its is anybody else's */
        public Place settled(Predicate<Place> free) {
            Place place = this;
            for (int number = 2; !free.test(place); number++) place = numbered(number);
            return place;
        }
    }

    /** The place of an agreement. What a datum says is one name: a stroke in it makes no folder. */
    public Place place(Map<String, Value> values, Locale language) {
        Printer printer = Printer.in(language);
        List<String> folders = levels().stream()
                .map(level -> SafeName.of(new Letter(level).filled(values, printer), LONGEST_STEM))
                .filter(level -> !level.isEmpty())
                // what lies there is written anew from time to time
                .map(level -> key(level).equals(FilingIndex.FOLDER) ? level + "_" : level)
                .toList();
        String stem = SafeName.of(new Letter(name).filled(values, printer), LONGEST_STEM);
        return new Place(
                folders, stem.isEmpty() ? SafeName.of(FilingRule.USUAL.stem(values, printer), LONGEST_STEM) : stem);
    }

    private String stem(Map<String, Value> values, Printer printer) {
        return new Letter(name).filled(values, printer);
    }

    /** By what two paths are the same file on some file systems. */
    public static String key(String path) {
        return SafeName.key(path);
    }
}
