package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.rules.Samples;

/** How a field's value can be printed, each way shown by an example. */
public final class PrintSamples {
    private PrintSamples() {}

    /**
     * One way to print a value.
     *
     * @param print what the tag says after the name; empty for the usual way
     * @param sample a value printed so; empty for a picture, such as a code or a chart
     */
    public record PrintSample(String print, String sample) {}

    /** The ways of one field in a language, the usual one first; those with a width of their own have 30 mm. */
    public static List<PrintSample> of(Field field, Locale language) {
        Optional<Value> value = Optional.ofNullable(
                Samples.typical(List.of(field)).get(field.name().value()));
        Printer printer = Printer.in(language);
        List<PrintSample> samples = new ArrayList<>();
        samples.add(sample("", value, printer));
        for (String print : field.type().prints()) {
            samples.add(print.endsWith("_") ? new PrintSample(print + "30", "") : sample(print, value, printer));
        }
        return samples;
    }

    private static PrintSample sample(String print, Optional<Value> value, Printer printer) {
        return new PrintSample(
                print, value.map(one -> printer.print(one, print)).orElse(""));
    }
}
