package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PrintSamplesTest {
    private static Field field(FieldType type) {
        Field item = new Field(new FieldName("title"), FieldType.TEXT, "Title", true, "", List.of());
        return new Field(
                new FieldName("it"),
                type,
                "It",
                true,
                "",
                type == FieldType.CHOICE ? List.of("Road", "Air") : List.of(),
                type == FieldType.ITEMS ? List.of(item) : List.of());
    }

    @ParameterizedTest
    @EnumSource(FieldType.class)
    void everyWayOfEveryTypeHasAnExampleThatItsTypeKnows(FieldType type) {
        List<PrintSamples.PrintSample> samples = PrintSamples.of(field(type), Locale.UK);
        assertThat(samples).extracting(PrintSamples.PrintSample::print).startsWith("");
        samples.stream()
                .skip(1)
                .forEach(one ->
                        assertThat(type.hasPrint(one.print())).as(one.print()).isTrue());
        samples.stream()
                .filter(one -> !one.print().matches(".*_30") && type != FieldType.PICTURE)
                .forEach(one -> assertThat(one.sample()).as(one.print()).isNotBlank());
    }

    @Test
    void theLanguageOfTheTemplateIsSeen() {
        List<String> dutch = PrintSamples.of(field(FieldType.DATE), Locale.forLanguageTag("nl-NL")).stream()
                .map(PrintSamples.PrintSample::sample)
                .toList();
        List<String> english = PrintSamples.of(field(FieldType.DATE), Locale.UK).stream()
                .map(PrintSamples.PrintSample::sample)
                .toList();
        assertThat(dutch).hasSameSizeAs(english).isNotEqualTo(english);
        assertThat(Arrays.asList(1, dutch.size())).doesNotContain(0);
    }
}
