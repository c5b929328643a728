package org.jalousie.core.recognition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.wording.AwkwardFiles;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The text of a template, whatever its file is like: what can be merged can be recognised. */
class TemplateTextTest {
    static List<AwkwardFiles.Case> all() {
        return AwkwardFiles.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyPassageThatBeginsEnds(AwkwardFiles.Case one) {
        Wording wording = Wording.compile(WordFile.open(one.template()), Set.of());
        if (wording.broken()) return;
        TemplateText text = TemplateText.of(wording, Proposal.first(wording.found()));
        int open = 0;
        for (TemplateText.Part part : text.parts()) {
            if (part instanceof TemplateText.Open) open++;
            if (part instanceof TemplateText.Close) open--;
            assertThat(open).isNotNegative();
        }
        assertThat(open).isZero();
        assertThat(new Lattice(text).length()).isPositive();
        assertThat(Recogniser.read(Typeset.plain("Quite other words than these."), text)
                        .likeness())
                .isLessThan(0.9);
    }
}
